import express from 'express';
import { Pool } from 'pg';

/** The least that could store an entry: Express, one insert, and nothing else; to be measured against. */
const [databaseUrl = ''] = process.argv.slice(2);
const db = new Pool({ connectionString: databaseUrl, max: 10 });
const app = express();
app.use(express.json());
app.put('/api/entries/:id', async (request, response) => {
  const { callId, kind, phoneAt, body } = request.body as Record<string, unknown>;
  await db.query(
    'INSERT INTO bare_entry (shop, id, call, kind, body, phone_at) VALUES ($1, $2, $3, $4, $5, $6)',
    ['bench', request.params.id, callId, kind, body, phoneAt],
  );
  response.status(204).end();
});
const server = app.listen(0, '127.0.0.1', () => {
  const address = server.address();
  process.send?.({ port: typeof address === 'object' && address ? address.port : 0 });
});
process.on('disconnect', () => process.exit());

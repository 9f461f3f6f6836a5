import { loadShops } from '../demo/load';
import { builtIn, LIBRARY } from '../library/library';
import { Database } from './db/database';

const ownerUrl = process.env.YARRIX_TEST_OWNER ?? '';
let owner: Database;
beforeAll(() => {
  owner = new Database(ownerUrl);
});
afterAll(() => owner.end());

it('a built-in diagram that has changed comes as a new version; the shop’s own edit stays the newest', async () => {
  const versionsOf = async (id: string) => {
    const { rows } = await owner.query<{ version: number; origin: string; name: string }>(
      "SELECT version, origin, name FROM diagram WHERE shop = 'own' AND id = $1 ORDER BY version",
      [id],
    );
    return rows.map(({ version, origin, name }) => [version, origin, name]);
  };
  await loadShops(ownerUrl);
  await loadShops(ownerUrl);
  const count = await owner.query("SELECT 1 FROM diagram WHERE shop = 'own'");
  expect(count.rowCount).toBe(LIBRARY.length);

  // As an older program had brought it along, and as the shop has changed another one.
  const older = (id: string, origin: string) =>
    owner.query(
      `UPDATE kept_diagram SET name = 'Older', origin = $2, sent_as = gen_random_uuid(), built_in = NULL,
         body = (SELECT body || '{"name": "Older"}' FROM built_in WHERE built_in.id = kept_diagram.built_in) WHERE shop = 'own' AND id = $1`,
      [id, origin],
    );
  await older('coil-burner', 'built-in');
  await older('wall-oven', 'shop');
  await owner.query("UPDATE shop SET library = 'older' WHERE shop = 'own'");
  await loadShops(ownerUrl);
  expect(await versionsOf('coil-burner')).toEqual([
    [1, 'built-in', 'Older'],
    [2, 'built-in', builtIn('coil-burner')?.name],
  ]);
  expect(await versionsOf('wall-oven')).toEqual([[1, 'shop', 'Older']]);
});

import { join } from 'node:path';
import express, { Router } from 'express';

/** The built web application: hashed files for a year, everything else asked for anew. */
export function serveWeb(folder: string): Router {
  const router = Router();
  router.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        const hashed = /[.-][0-9a-f]{16,}\.[a-z0-9]+$/i.test(path);
        response.setHeader(
          'cache-control',
          hashed ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    }),
  );
  router.get('/{*path}', (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.sendFile(join(folder, 'index.html'));
  });
  return router;
}

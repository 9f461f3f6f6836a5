import { Router } from 'express';
import gzipped from 'express-static-gzip';

/** The built web application, packed when it was built: hashed files for a year, everything else asked for anew. */
export function serveWeb(folder: string): Router {
  const files = gzipped(folder, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic: {
      setHeaders: (response, path) => {
        const hashed = /[.-][0-9a-f]{16,}\.[a-z0-9]+(\.br|\.gz)?$/i.test(path);
        response.setHeader(
          'cache-control',
          hashed ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    },
  });
  const router = Router();
  router.use(files);
  // Any other address is one of the app's own: the page is the same. A file that is not there is none.
  router.get('/{*path}', (request, response, next) => {
    if (/\.\w+$/.test(request.path)) return next();
    request.url = '/index.html';
    files(request, response, next);
  });
  return router;
}

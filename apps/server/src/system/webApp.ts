import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const YEAR_S = 365 * 24 * 3600;

/**
 * Serves the exported app: files compressed at export, hashed names kept for a year,
 * and the page itself for every deep link.
 */
export function serveWebApp(webDir: string): Router {
  const router = Router();
  router.use(
    expressStaticGzip(webDir, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = /[.-][0-9a-f]{32}\./.test(path);
          response.setHeader('Cache-Control', hashed ? `public, max-age=${YEAR_S}, immutable` : 'no-cache');
        },
      },
    }),
  );
  router.get('/{*path}', (request, response, next) => {
    if (!request.accepts('html') || /\.[a-z0-9]+$/i.test(request.path)) {
      next();
      return;
    }
    response.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
  return router;
}

import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const YEAR_S = 365 * 24 * 3600;

const SCRIPTS = '_expo/static/js/web';
/** What pages need beside the scripts that they name, where it is not the rest of the app; the book's own script has no name. */
const OWN_SCRIPTS: Record<string, readonly string[]> = {
  '/': ['shift'],
  '/shift': ['shift'],
  '/formulas': [],
};

/** What a browser should fetch beside the scripts that the page names, by the page that was asked for. */
function preloadsOf(webDir: string): (path: string) => string {
  const folder = join(webDir, SCRIPTS);
  const scripts = existsSync(folder) ? readdirSync(folder) : [];
  const links = (...names: readonly string[]) =>
    scripts
      .filter((file) => file.endsWith('.js') && names.some((name) => file.startsWith(`${name}-`)))
      .map((file) => `</${SCRIPTS}/${file}>; rel=preload; as=script`)
      .join(', ');
  return (path) => links('_layout', ...(OWN_SCRIPTS[path] ?? ['rest']));
}

/**
 * Serves the exported app: files compressed at export, hashed names kept for a year,
 * and the page itself for every deep link.
 */
export function serveWebApp(webDir: string): Router {
  const router = Router();
  const preloads = preloadsOf(webDir);
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
    const link = preloads(request.path);
    if (link) response.set('Link', link);
    response.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
  return router;
}

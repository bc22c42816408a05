import { serveStatic } from '@hono/node-server/serve-static';
import type { App } from './app';

const YEAR = 'public, max-age=31536000, immutable';

/** Serves the exported app; paths without an ending fall back to its one page. */
export function serveApp(app: App, folder: string): void {
  const files = serveStatic({
    root: folder,
    onFound: (path, c) => {
      const isHashed = /[.-][0-9a-f]{20,}\./u.test(path);
      c.header('cache-control', isHashed ? YEAR : 'no-cache');
    },
  });
  app.use('*', files);
  app.get('*', async (c, next) => {
    const last = c.req.path.split('/').at(-1) ?? '';
    if (last.includes('.')) return next();
    return serveStatic({ root: folder, path: 'index.html' })(c, next);
  });
}

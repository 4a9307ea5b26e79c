import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Middleware } from 'koa';
import serve from 'koa-static';

const year = 31_536_000;

/** Serves the built web application; any path without a file gets the shell, so that links into it work. */
export function staticFiles(folder: string): Middleware {
  const files = serve(folder, {
    index: 'index.html',
    setHeaders: (res, path) => {
      const named = path.includes('/assets/');
      res.setHeader('Cache-Control', named ? `public, max-age=${year}, immutable` : 'no-cache');
    },
  });
  return async (ctx, next) => {
    // its types are of another state than ours, of which it reads nothing
    await files(ctx as never, async () => {
      if (ctx.method !== 'GET' || /\.\w+$/.test(ctx.path)) return next();
      ctx.type = 'html';
      ctx.set('Cache-Control', 'no-cache');
      ctx.body = await readFile(join(folder, 'index.html'));
    });
  };
}

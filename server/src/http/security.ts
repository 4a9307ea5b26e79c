import helmet from 'helmet';
import type { Middleware } from 'koa';

import type { Config } from '../config.ts';
import { ProblemError } from './problem.ts';

/** Whether the browser reaches us over https, ended here or at a trusted proxy. */
export const isSecure = (config: Config): boolean => config.tls !== null || config.trustProxy;

/** Helmet's headers do not depend on the request: they are made once, and set as they are on every answer. */
export function securityHeaders(config: Config): Middleware {
  const guard = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // the style library writes style elements; scripts stay files
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        // a clip from the person's own device, read by the camera
        mediaSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    hsts: isSecure(config) ? { maxAge: 15_552_000 } : false,
    referrerPolicy: { policy: 'same-origin' },
    crossOriginEmbedderPolicy: false,
  });
  const headers: Record<string, string> = { 'Permissions-Policy': 'camera=(self), microphone=(), geolocation=()' };
  const recorder = {
    setHeader: (name: string, value: string) => {
      headers[name] = value;
    },
    removeHeader: () => {},
  };
  // it reads nothing of the request, and writes only headers
  guard({} as never, recorder as never, (error?: unknown) => {
    if (error) throw error;
  });
  return (ctx, next) => {
    ctx.set(headers);
    return next();
  };
}

/**
 * Keeps other sites from writing in a signed-in person's name. Beside the SameSite cookie every write needs a header
 * that a foreign page cannot send without being asked first, and must not name a foreign origin.
 */
export function crossSiteGuard(prefix: string): Middleware {
  return async (ctx, next) => {
    const writes = ctx.path.startsWith(prefix) && !['GET', 'HEAD'].includes(ctx.method);
    if (writes) {
      const origin = ctx.get('Origin');
      const foreign = origin !== '' && hostOf(origin) !== ctx.host;
      const site = ctx.get('Sec-Fetch-Site');
      if (foreign || ctx.get('X-Wire-Trail') !== '1' || (site !== '' && site !== 'same-origin' && site !== 'none'))
        throw new ProblemError('cross-site');
    }
    await next();
  };
}

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}

import { type Handlers, sent } from '../../http/route.ts';
import {
  alikeFamilies,
  begunFamilies,
  codesLike,
  currentBundle,
  familyFace,
  listFamilies,
  sharedBundle,
} from './service.ts';
import { unpack } from './store.ts';

export const bundleHandlers: Handlers<
  'families' | 'familyFace' | 'alikeFamilies' | 'begunFamilies' | 'bundle' | 'shareBundle' | 'codesLike'
> = {
  families: ({ user, services }) => listFamilies(user.id, services),
  familyFace: ({ params, services }) => familyFace(params.family, services),
  alikeFamilies: ({ services }) => alikeFamilies(services),
  begunFamilies: ({ services }) => begunFamilies(services),
  shareBundle: ({ params, ctx, services }) => {
    ctx.set('Content-Disposition', `attachment; filename="${params.family}.json"`);
    return sharedBundle(params.family, services);
  },
  bundle: async ({ params, ctx, services }) => {
    const { hash, packed } = await currentBundle(params.family, services);
    ctx.set('Cache-Control', 'private, no-cache');
    ctx.set('Vary', 'Accept-Encoding');
    ctx.etag = hash;
    ctx.type = 'application/json';
    ctx.status = 200;
    // not ctx.fresh: fetch adds `no-cache` to a conditional request, which asks to check, not to send again
    if (ctx.get('If-None-Match').includes(hash)) {
      ctx.status = 304;
      ctx.body = null;
    } else if (ctx.acceptsEncodings('gzip') === 'gzip') {
      ctx.set('Content-Encoding', 'gzip');
      ctx.compress = false;
      ctx.body = packed;
    } else {
      ctx.body = unpack(packed);
    }
    return sent;
  },
  codesLike: ({ query, services }) => codesLike(query.text, services),
};

import { type Handlers, sent } from '../../http/route.ts';
import {
  alikeFamilies,
  begunFamilies,
  codesLike,
  currentBundle,
  familyFace,
  listFamilies,
  ownFamilies,
  sharedBundle,
} from './service.ts';
import { unpack } from './store.ts';

export const bundleHandlers: Handlers<
  'families' | 'ownFamilies' | 'familyFace' | 'alikeFamilies' | 'begunFamilies' | 'bundle' | 'shareBundle' | 'codesLike'
> = {
  families: async ({ query, ctx, services }) => {
    const page = await listFamilies({ since: query.since ?? 0, after: query.after ?? null }, services);
    // who asks on from where a page ended holds its tag: nothing has been published since where it is the same
    const { library, place } = page;
    ctx.set('Cache-Control', 'private, no-cache');
    ctx.etag = `${library}.${place.since}.${place.after ?? ''}`;
    if (!ctx.get('If-None-Match').includes(ctx.response.get('ETag'))) return page;
    ctx.status = 304;
    return sent;
  },
  ownFamilies: ({ user, services }) => ownFamilies(user.id, services),
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

import { Bundle, CodeText, Family, FamilyId, Mode, Panel } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { begunFamilies, codesLike, currentBundle, listFamilies, sharedBundle, unpack } from './service.ts';

export const bundleRoutes = [
  route({
    method: 'get',
    path: '/begun-families',
    role: 'trainer',
    summary: 'Families that were begun and never published.',
    response: z.array(z.strictObject({ family: Family, panels: z.array(Panel) })),
    handle: ({ services }) => begunFamilies(services),
  }),
  route({
    method: 'get',
    path: '/families/:family/export',
    role: 'trainer',
    summary: 'The published bundle as a file to give away: pictures within, those that may not be shared left out.',
    params: z.object({ family: FamilyId }),
    response: Bundle,
    handle: ({ params, ctx, services }) => {
      ctx.set('Content-Disposition', `attachment; filename="${params.family}.json"`);
      return sharedBundle(params.family, services);
    },
  }),
  route({
    method: 'get',
    path: '/families',
    role: 'technician',
    summary: 'Every published family with its drawn panels.',
    response: z.array(
      z.strictObject({
        family: Family,
        panels: z.array(Panel),
        standby: Mode.nullable(),
        hash: z.string(),
        counts: z.strictObject({ codes: z.number(), symptoms: z.number(), charts: z.number(), routes: z.number() }),
      }),
    ),
    handle: ({ services }) => listFamilies(services),
  }),
  route({
    method: 'get',
    path: '/families/:family/bundle',
    role: 'technician',
    summary: 'The published bundle of a family, with an ETag; also the open file to take along.',
    params: z.object({ family: FamilyId }),
    response: Bundle,
    handle: async ({ params, ctx, services }) => {
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
    },
  }),
  route({
    method: 'get',
    path: '/codes',
    role: 'technician',
    summary: 'Published codes spelled like this, over all families.',
    query: z.object({ text: CodeText }),
    response: z.array(z.strictObject({ family: FamilyId, text: z.string(), title: z.string() })),
    handle: ({ query, services }) => codesLike(query.text, services),
  }),
];

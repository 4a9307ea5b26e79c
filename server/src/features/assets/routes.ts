import { AssetId } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { keepPicture, readPicture } from './service.ts';

export const assetRoutes = [
  route({
    method: 'post',
    path: '/assets',
    role: 'trainer',
    summary: 'Keep a picture by the hash of its bytes.',
    body: z.strictObject({ base64: z.base64() }),
    response: z.strictObject({ hash: AssetId, type: z.string(), bytes: z.number() }),
    status: 201,
    largeBody: true,
    handle: ({ body, services }) => keepPicture(body.base64, services),
  }),
  route({
    method: 'get',
    path: '/assets/:hash',
    role: 'technician',
    summary: 'A picture. Its address is the hash of its bytes, so that it never changes.',
    params: z.object({ hash: AssetId }),
    handle: async ({ params, ctx, services }) => {
      const { type, bytes } = await readPicture(params.hash, services);
      ctx.set('Cache-Control', 'private, max-age=31536000, immutable');
      ctx.type = type;
      ctx.status = 200;
      ctx.body = bytes;
    },
  }),
];

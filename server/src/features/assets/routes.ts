import { type Handlers, sent } from '../../http/route.ts';
import { keepPicture, readPicture } from './service.ts';

export const assetHandlers: Handlers<'keepPicture' | 'picture'> = {
  keepPicture: ({ body, services }) => keepPicture(body.base64, services),
  picture: async ({ params, ctx, services }) => {
    const { type, bytes } = await readPicture(params.hash, services);
    ctx.set('Cache-Control', 'private, max-age=31536000, immutable');
    ctx.type = type;
    ctx.status = 200;
    ctx.body = bytes;
    return sent;
  },
};

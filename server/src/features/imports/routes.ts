import { EntryKey } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { importBundle, previewImport } from './service.ts';

const Line = z.strictObject({
  key: EntryKey,
  title: z.string(),
  what: z.enum(['new', 'changed', 'same']),
  basedOn: z.number(),
});

export const importRoutes = [
  route({
    method: 'post',
    path: '/imports/preview',
    role: 'trainer',
    summary: 'What a bundle would bring. Nothing is written; a wrong bundle is refused whole with every problem.',
    body: z.unknown(),
    response: z.array(Line),
    largeBody: true,
    handle: ({ body, services }) => previewImport(body, services),
  }),
  route({
    method: 'post',
    path: '/imports',
    role: 'trainer',
    summary: 'Bring a bundle in, all or nothing, as drafts handed to a reviewer.',
    body: z.unknown(),
    response: z.strictObject({ lines: z.array(Line), setId: z.number().nullable(), published: z.boolean() }),
    status: 201,
    largeBody: true,
    handle: ({ body, user, services }) => importBundle({ json: body, authorId: user.id, publish: null }, services),
  }),
];

import { z } from 'zod';
import { AssetId, FamilyId } from '../base/ids.ts';
import { Bundle } from '../model/bundle.ts';
import { CodeText } from '../model/code.ts';
import { EntryKey } from '../model/entry.ts';
import { Family } from '../model/family.ts';
import { Mode } from '../model/mode.ts';
import { Face, Panel } from '../model/panel.ts';
import { PictureType } from '../model/source.ts';
import { CountedFromZero, declare } from './route.ts';

/** A published family as it stands on the Shelf; its drawing is asked for when it comes into sight. */
export const FamilyCard = z.strictObject({
  family: Family.pick({ id: true, name: true, sort: true, badges: true, recognisedBy: true, pictures: true }),
  hash: z.string(),
  /** Findings that are more than hints; null where they were not counted. */
  toFix: z.number().nullable(),
  counts: z.strictObject({ codes: z.number(), symptoms: z.number(), charts: z.number(), routes: z.number() }),
});

export type FamilyCard = Readonly<z.infer<typeof FamilyCard>>;

/** What a bundle would do to one entry. */
export const ImportLine = z.strictObject({
  key: EntryKey,
  title: z.string(),
  what: z.enum(['new', 'changed', 'same']),
  basedOn: z.number(),
});
export type ImportLine = Readonly<z.infer<typeof ImportLine>>;

const OfFamily = z.strictObject({ family: FamilyId });

/** Published families, their bundles and pictures, and bringing a bundle in. */
export const library = {
  families: declare({
    method: 'get',
    path: '/families',
    role: 'technician',
    summary:
      'Published families, as the Shelf lists them: a page of those that changed after a place in the order of publishing. Publishing counts in the order of commits, so that whoever has read up to a place never misses one before it.',
    query: z.strictObject({ since: CountedFromZero.optional(), after: FamilyId.optional() }),
    answer: z.strictObject({
      /** Another one than before: nothing that was read of the library counts any more. */
      library: z.uuid(),
      cards: z.array(FamilyCard),
      /** Where this page ends: what is asked for next begins there. */
      place: z.strictObject({ since: z.number(), after: FamilyId.nullable() }),
      more: z.boolean(),
    }),
  }),
  ownFamilies: declare({
    method: 'get',
    path: '/own-families',
    role: 'technician',
    summary: 'Families the reader wrote in.',
    answer: z.array(FamilyId),
  }),
  familyFace: declare({
    method: 'get',
    path: '/families/:family/face',
    role: 'technician',
    summary: 'What the Shelf draws of a published family: its front, and what shows there in standby.',
    params: OfFamily,
    answer: z.strictObject({ face: Face.nullable(), standby: Mode.nullable() }),
  }),
  alikeFamilies: declare({
    method: 'get',
    path: '/alike-families',
    role: 'trainer',
    summary:
      'What only shows across published families, each in a sentence: two that cannot be told apart, a part of two numbers.',
    answer: z.array(z.string()),
  }),
  begunFamilies: declare({
    method: 'get',
    path: '/begun-families',
    role: 'trainer',
    summary: 'Families that were begun and never published.',
    answer: z.array(z.strictObject({ family: Family, panels: z.array(Panel) })),
  }),
  bundle: declare({
    method: 'get',
    path: '/families/:family/bundle',
    role: 'technician',
    summary: 'The published bundle of a family, with an ETag; also the open file to take along.',
    params: OfFamily,
    answer: Bundle,
    refusals: ['not-found'],
  }),
  shareBundle: declare({
    method: 'get',
    path: '/families/:family/export',
    role: 'trainer',
    summary: 'The published bundle as a file to give away: pictures within, those that may not be shared left out.',
    params: OfFamily,
    answer: Bundle,
    refusals: ['not-found'],
  }),
  codesLike: declare({
    method: 'get',
    path: '/codes',
    role: 'technician',
    summary: 'Published codes spelled like this, over all families.',
    query: z.strictObject({ text: CodeText }),
    answer: z.array(z.strictObject({ family: FamilyId, text: z.string(), title: z.string() })),
  }),
  previewImport: declare({
    method: 'post',
    path: '/imports/preview',
    role: 'trainer',
    summary: 'What a bundle would bring. Nothing is written; a wrong bundle is refused whole with every problem.',
    body: z.unknown(),
    answer: z.array(ImportLine),
    refusals: ['bundle-refused'],
    large: true,
  }),
  importBundle: declare({
    method: 'post',
    path: '/imports',
    role: 'trainer',
    summary: 'Bring a bundle in, all or nothing, as drafts handed to a reviewer.',
    body: z.unknown(),
    answer: z.strictObject({ lines: z.array(ImportLine), setId: z.number().nullable(), published: z.boolean() }),
    status: 201,
    refusals: ['bundle-refused'],
    large: true,
  }),
  keepPicture: declare({
    method: 'post',
    path: '/assets',
    role: 'trainer',
    summary: 'Keep a picture by the hash of its bytes.',
    body: z.strictObject({ base64: z.base64() }),
    answer: z.strictObject({ hash: AssetId, type: PictureType, bytes: z.number() }),
    status: 201,
    large: true,
  }),
  picture: declare({
    method: 'get',
    path: '/assets/:hash',
    role: 'technician',
    summary: 'A picture. Its address is the hash of its bytes, so that it never changes.',
    params: z.strictObject({ hash: AssetId }),
    refusals: ['not-found'],
    sends: 'picture',
  }),
} as const;

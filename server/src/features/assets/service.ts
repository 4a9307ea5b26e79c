import { createHash } from 'node:crypto';
import { AssetId, type Entry, type PictureType } from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { addPicture, findPicture, picturesByHash } from './store.ts';

export const mostPictureBytes = 8 * 1024 * 1024;

/** What the first bytes of a picture say it is; a name or a header proves nothing. */
function typeOf(bytes: Buffer): PictureType | null {
  if (bytes.subarray(0, 8).equals(Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]))) return 'image/png';
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg';
  if (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP') return 'image/webp';
  return null;
}

const hashOf = (bytes: Buffer): AssetId => AssetId.parse(createHash('sha256').update(bytes).digest('hex'));

async function keep(db: Db | Transaction, bytes: Buffer, path: Array<string | number>) {
  const type = typeOf(bytes);
  if (!type) throw new ProblemError('field-wrong', { fields: [{ path, reason: 'is no PNG, JPEG or WebP picture' }] });
  if (bytes.length > mostPictureBytes)
    throw new ProblemError('too-large', { detail: `a picture may have ${mostPictureBytes / 1024 / 1024} MB` });
  const hash = hashOf(bytes);
  await addPicture(db, { hash, type, bytes });
  return { hash, type, bytes: bytes.length };
}

/** Keeps a picture by the hash of its bytes; the same picture twice is kept once. */
export function keepPicture(base64: string, { db }: Services) {
  return keep(db, Buffer.from(base64, 'base64'), ['base64']);
}

export async function readPicture(hash: string, { db }: Services): Promise<{ type: string; bytes: Buffer }> {
  const picture = await findPicture(db, hash);
  if (!picture) throw new ProblemError('not-found');
  return picture;
}

/** Puts pictures that came within entries where pictures are kept; the entries are left with their hashes. */
export async function unpackPictures(trx: Transaction, entries: readonly Entry[]): Promise<Entry[]> {
  const out: Entry[] = [];
  for (const [i, entry] of entries.entries()) {
    if (entry.kind !== 'asset' || entry.base64 === undefined) {
      out.push(entry);
      continue;
    }
    const path = ['entries', i, 'base64'];
    const kept = await keep(trx, Buffer.from(entry.base64, 'base64'), path);
    if (kept.hash !== entry.id)
      throw new ProblemError('field-wrong', { fields: [{ path, reason: 'is not the picture its id names' }] });
    const { base64: _, ...rest } = entry;
    out.push({ ...rest, type: kept.type, bytes: kept.bytes });
  }
  return out;
}

/** Puts the bytes of pictures into their entries, for a file that stands on its own. */
export async function packPictures(entries: readonly Entry[], { db }: Services): Promise<Entry[]> {
  const ids = entries.flatMap((e) => (e.kind === 'asset' ? [e.id] : []));
  const bytes = await picturesByHash(db, ids);
  return entries.map((e) => {
    const found = e.kind === 'asset' ? bytes.get(e.id) : undefined;
    return found && e.kind === 'asset' ? { ...e, base64: found.toString('base64') } : e;
  });
}

import { AssetId, PictureType } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { readRow, readRows } from '../../db/rows.ts';

const Bytes = z.instanceof(Buffer);
const Picture = z.object({ type: PictureType, bytes: Bytes });

/** Keeps a picture; the same one twice is kept once. */
export async function addPicture(
  db: Db | Transaction,
  picture: { hash: string; type: PictureType; bytes: Buffer },
): Promise<void> {
  await db('assets').insert(picture).onConflict('hash').ignore();
}

export async function findPicture(db: Db, hash: string) {
  return readRow(Picture, await db('assets').where({ hash }).first('type', 'bytes'));
}

/** The bytes of many pictures, by their hashes; what is not kept is not there. */
export async function picturesByHash(db: Db, hashes: readonly AssetId[]): Promise<ReadonlyMap<AssetId, Buffer>> {
  const rows =
    hashes.length > 0
      ? await db('assets')
          .whereIn('hash', [...hashes])
          .select('hash', 'bytes')
      : [];
  return new Map(readRows(z.object({ hash: AssetId, bytes: Bytes }), rows).map((r) => [r.hash, r.bytes]));
}

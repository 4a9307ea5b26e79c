import type { Readout, TestVector } from '../model/readout.ts';
import { decode, type Listed } from './decode.ts';

export type VectorRun = Readonly<{
  vector: TestVector;
  /** What it reads as now; null where it stands for nothing. */
  reads: string | null;
  holds: boolean;
}>;

/** Tries every test vector of a readout: each must still read as what it was on the unit. */
export function runVectors(readout: Readout, listed: readonly Listed[]): VectorRun[] {
  return readout.vectors.map((vector) => {
    const decoded = decode(readout, listed, { slot: 1, looks: vector.looks });
    const [first] = decoded.candidates;
    const reads = decoded.noSuchPattern || !first ? null : first.code;
    return { vector, reads, holds: reads === vector.expect };
  });
}

import type { Look } from '../model/look.ts';
import type { Readout, ReadoutAccount } from '../model/readout.ts';
import type { StageShow } from '../readout/encode.ts';
import { encode } from '../readout/encode.ts';
import { type Decoded, decode, type Listed } from './decode.ts';

/** What somebody with perfect eyes would tell of what a readout shows. */
export function looksOf(readout: Readout, shows: readonly StageShow[]): Look[] {
  return shows.flatMap((show): Look[] => {
    const { reads } = readout.stages.find((s) => s.id === show.stage) ?? {};
    const text = show.shown.find((s) => s.kind === 'text');
    if (text?.kind === 'text') return [{ kind: 'text', stage: show.stage, text: text.text }];
    if (show.pattern !== null) {
      if (show.pattern.includes('l') || reads?.kind === 'rhythm')
        return [{ kind: 'rhythm', stage: show.stage, pattern: show.pattern }];
      const sign =
        reads?.kind === 'which' ? show.shown.find((s) => s.kind === 'lamp' && s.state === 'slow')?.sign : undefined;
      return [{ kind: 'blinks', stage: show.stage, count: show.pattern.length, ...(sign && { sign }) }];
    }
    const own = new Set<string>(reads?.kind === 'lamps' ? reads.lamps.map((l) => l.sign) : []);
    const lamps = show.shown.flatMap((s) => (s.kind === 'lamp' && own.has(s.sign) ? [s] : []));
    const coloured = lamps.flatMap((s) => (s.colour && s.state !== 'dark' ? [[s.sign, s.colour] as const] : []));
    return [
      {
        kind: 'lamps',
        stage: show.stage,
        lamps: Object.fromEntries(lamps.map((s) => [s.sign, s.state])),
        ...(coloured.length > 0 && { colours: Object.fromEntries(coloured) }),
      },
    ];
  });
}

/** A code two readings of one unit take for different things. */
export type ReadDiffering = Readonly<{
  code: string;
  /** What the other reading makes of the same signs; null where it makes nothing of them. */
  otherReads: string | null;
  decoded: Decoded;
}>;

/** The readout as an account has it: its stages, everything else as it stands. */
export const asTold = (readout: Readout, account: ReadoutAccount): Readout => ({
  ...readout,
  stages: account.stages,
  vectors: [],
  accounts: [],
});

/**
 * Two readings of the same signs, held against each other: shows every code by the one, reads it by the other, and gives
 * those on which they differ. Codes the first cannot show are told as read as nothing.
 */
export function compareReadings(readout: Readout, other: Readout, listed: readonly Listed[]): ReadDiffering[] {
  return listed.flatMap(({ text }): ReadDiffering[] => {
    const shows = encode(readout, text);
    const looks = shows.ok ? looksOf(readout, shows.value) : [];
    const decoded = decode(other, listed, { slot: 1, looks });
    const otherReads = decoded.literal;
    return otherReads === text ? [] : [{ code: text, otherReads, decoded }];
  });
}

/** What somebody may have read by another account of the same readout: whose, what it reads there, and how likely it was that. */
export type ReadByAccount = Readonly<{ account: ReadoutAccount; reads: string; share: number }>;

/** How often somebody reads by another account than the readout's own, all of them together. */
const accountsShare = 0.15;

/**
 * What was told, read by the accounts kept beside: those that make another listed code of it than the readout does, each
 * weighed by how well it goes with what was told. A code that was told by an account's way of reading is recognised as such.
 */
export function readByAccounts(readout: Readout, listed: readonly Listed[], looks: readonly Look[]): ReadByAccount[] {
  if (looks.length === 0 || readout.accounts.length === 0) return [];
  const seen = { slot: 1, looks: [...looks] };
  const own = decode(readout, listed, seen);
  const known = new Set(listed.map((l) => l.text));
  const each = accountsShare / readout.accounts.length;
  return readout.accounts.flatMap((account): ReadByAccount[] => {
    const other = asTold(readout, account);
    const told = looks.every((l) => other.stages.some((s) => s.id === l.stage)) ? decode(other, listed, seen) : null;
    const reads = told?.literal ?? null;
    if (!told || reads === null || reads === own.literal || !known.has(reads)) return [];
    const odds = (each / (1 - accountsShare)) * Math.exp(told.evidence - own.evidence);
    return [{ account, reads, share: odds / (1 + odds) }];
  });
}

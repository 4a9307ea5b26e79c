import type { SourceId, VariantId } from '../base/ids.ts';
import type { Standing } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import { entryOf, familyEntry } from '../model/select.ts';
import type { proofOn } from '../model/source.ts';

/** How far a bench proof carries for one entry. */
export type Reach = Readonly<{
  source: SourceId;
  title: string;
  provenOn: string;
  /** What it was tried on; null where nobody said. */
  on: (typeof proofOn)[number] | null;
  /** Steps of this entry that were not seen there, as `4.steps.0`. */
  notSeen: readonly string[];
  /** Variants the entry is for that the proof says nothing of; empty where it speaks for all, null where nobody said for which. */
  notFor: readonly VariantId[] | null;
}>;

type Proven = Readonly<{
  kind: string;
  id: string;
  standing?: Standing | undefined;
  source?: SourceId | null | undefined;
  onlyVariants?: readonly VariantId[] | undefined;
}>;

/** What the proof behind a bench-proven entry speaks for; null where it is not proven, or names no proof. */
export function reachOf(bundle: Bundle, entry: Proven): Reach | null {
  if (entry.standing !== 'bench-proven') return null;
  const source = entryOf(bundle, 'source', entry.source);
  if (source?.kind !== 'source' || source.sort !== 'bench') return null;
  const own = entry.onlyVariants ?? [];
  const all = own.length > 0 ? own : familyEntry(bundle).variants.map((v) => v.id);
  const { speaksFor } = source;
  return {
    source: source.id,
    title: source.title,
    provenOn: source.provenOn,
    on: source.on ?? null,
    notSeen: entry.kind === 'route' ? (source.notSeen ?? []).flatMap((s) => (s.route === entry.id ? [s.at] : [])) : [],
    notFor: speaksFor ? all.filter((v) => !speaksFor.includes(v)) : all.length > 1 ? null : [],
  };
}

/** Whether a proof leaves something of what it is named for open. */
export const fallsShort = ({ notSeen, notFor }: Reach): boolean => notSeen.length > 0 || (notFor ?? []).length > 0;

import type { Bundle } from '../model/bundle.ts';
import type { Finding } from '../model/finding.ts';
import { keyText, titleOf } from '../model/key.ts';
import { linksOf } from '../model/links.ts';
import type { Source } from '../model/source.ts';

/** An entry that leans on a source, with every place where it does so. */
export type Leaning = Readonly<{
  key: string;
  title: string;
  index: number;
  places: ReadonlyArray<readonly (string | number)[]>;
}>;

/** Everything in a bundle that names a source: whole entries, single claims, suspects, steps and nodes. */
export function leaningOn(bundle: Pick<Bundle, 'entries'>, source: Source['id']): Leaning[] {
  return bundle.entries.flatMap((entry, index) => {
    const places = linksOf(entry)
      .filter((link) => link.to.kind === 'source' && link.to.id === source)
      .map((link) => link.at);
    return places.length > 0 ? [{ key: keyText(entry), title: titleOf(entry), index, places }] : [];
  });
}

/** What a new edition of a document leaves to look at again. */
export function lintEditions(bundle: Pick<Bundle, 'entries'>): Finding[] {
  return bundle.entries.flatMap((source): Finding[] => {
    if (source.kind !== 'source' || source.sort !== 'document' || source.before === null) return [];
    return leaningOn(bundle, source.id)
      .filter((leaning) => !source.lookedAgain.includes(leaning.key))
      .map((leaning) => ({
        code: 'look-again',
        severity: 'hint',
        at: ['entries', leaning.index],
        text: leaning.title,
        source: source.title,
        edition: source.edition,
      }));
  });
}

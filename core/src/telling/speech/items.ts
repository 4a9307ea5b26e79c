import type { ControlFacts } from '../../unit/facts.ts';
import { countWords } from './count-words.ts';
import { displayWords } from './display-words.ts';
import { groupWords } from './groups.ts';
import { handWords } from './hand-words.ts';
import type { Item } from './item.ts';
import { jointWords } from './joint-words.ts';
import { lampRow } from './lamp-rows.ts';
import type { Called } from './mentions.ts';
import { namedWords } from './named-words.ts';
import { plugWords } from './plug-words.ts';
import { referringWords } from './referring-words.ts';
import { Scan } from './scan.ts';
import { supplyWords } from './supply-words.ts';
import type { Word } from './text.ts';
import { verbWords } from './verb-words.ts';

/** Kinds of words, each tried in turn at the word one is at; the first that knows it takes as many as belong to it. */
const kinds = [
  lampRow,
  supplyWords,
  verbWords,
  plugWords,
  displayWords,
  handWords,
  groupWords,
  countWords,
  namedWords,
  jointWords,
  referringWords,
];

type Found = Readonly<{ many: number; called: Called; last: readonly ControlFacts[]; items: readonly Item[] }>;
/** What a stretch of so many words was found to name: it is asked for by what comes before and again by what reads it. */
const before = new WeakMap<readonly Word[], Found>();

/** Everything a stretch names, in order. What says nothing of the unit is passed over. */
export function itemsOf(words: readonly Word[], called: Called, last: readonly ControlFacts[]): readonly Item[] {
  const known = before.get(words);
  // a stretch grows while it is being cut
  if (known?.many === words.length && known.called === called && known.last === last) return known.items;
  const scan = new Scan(words, called, last);
  while (scan.i < words.length) if (scan.passed.has(scan.i) || !kinds.some((kind) => kind(scan))) scan.i += 1;
  before.set(words, { many: words.length, called, last, items: scan.items });
  return scan.items;
}

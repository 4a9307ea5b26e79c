import type { ControlFacts } from '../../unit/facts.ts';
import type { Item } from './item.ts';
import type { Called } from './mentions.ts';
import { said } from './rewrite.ts';
import type { Word } from './text.ts';

/** A stretch as it is gone through word by word: where one is, what was found, and what “it” goes back to. */
export class Scan {
  /** At which word one is. */
  i = 0;
  readonly items: Item[] = [];
  /** Words that belong to something before them. */
  readonly passed = new Set<number>();
  readonly words: readonly Word[];
  readonly called: Called;
  readonly last: readonly ControlFacts[];

  constructor(words: readonly Word[], called: Called, last: readonly ControlFacts[]) {
    this.words = words;
    this.called = called;
    this.last = last;
  }

  get w(): Word {
    const word = this.words[this.i];
    if (!word) throw new RangeError('gone past the end');
    return word;
  }

  /** The next words as they are said: asked for at each word by each kind of thing it may be. */
  get here(): string {
    if (this.#hereAt !== this.i) {
      this.#hereAt = this.i;
      this.#here = said(this.words, this.i, 7);
    }
    return this.#here;
  }
  #hereAt = -1;
  #here = '';

  /** Puts down what some words are, wherever one is. */
  readonly put = (at: number, length: number, item: object): void => {
    const place = { from: this.words[at]?.from ?? 0, to: this.words[at + length - 1]?.to ?? 0 };
    this.items.push({ ...place, ...item } as Item);
  };

  /** Takes the next words as something, or passes them over. */
  readonly take = (length: number, item: object | null): void => {
    if (item) this.put(this.i, length, item);
    this.i += length;
  };
}

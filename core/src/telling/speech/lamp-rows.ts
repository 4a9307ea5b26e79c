import { lampColours } from '../../model/lamp.ts';
import type { Sign } from '../../model/panel.ts';
import { type Called, lampsIn, mentionAt } from './mentions.ts';
import type { Scan } from './scan.ts';
import type { Word } from './text.ts';

const isColour = new RegExp(`^(?:${lampColours.join('|')})$`);
const isLamp = /^(?:lamps?|lights?|leds?|indicators?|ones?)$/;
const isOther = /^(?:button|key|pad|switch|wire|cable|lead|plug|knob|jumper|fuse|handle|lever|cap|sticker)s?$/;

/** The one lamp of a colour; null where there is none, or more than one. */
function lampOf({ words, called }: Pick<Scan, 'words' | 'called'>, i: number): Sign | null {
  const word = words[i]?.word ?? '';
  if (!isColour.test(word) || mentionAt(words, i, called.controls)) return null;
  const all = lampsIn(called, word);
  return all.length === 1 ? (all[0] ?? null) : null;
}

/** `the red and the amber lamp are both on`, `red, amber and green`: a row of lamps by their colours is one thing that shows. */
export function lampRow(s: Scan): boolean {
  const { words, i } = s;
  const first = lampOf(s, i);
  if (!first) return false;
  const signs = [first];
  let k = i + 1;
  if (isLamp.test(words[k]?.word ?? '')) k += 1;
  for (;;) {
    let n = k;
    if (words[n]?.raw === ',') n += 1;
    if (/^(?:and|plus)$/.test(words[n]?.word ?? '')) n += 1;
    if (n === k) break;
    if (/^(?:the|also)$/.test(words[n]?.word ?? '')) n += 1;
    const next = lampOf(s, n);
    if (!next || signs.includes(next)) break;
    signs.push(next);
    k = n + 1;
    if (isLamp.test(words[k]?.word ?? '')) k += 1;
  }
  if (signs.length < 2 || isOther.test(words[k]?.word ?? '')) return false;
  s.take(k - i, { is: 'sign', signs });
  for (const both of [s.i, s.i + 1]) if (/^(?:both|together)$/.test(words[both]?.word ?? '')) s.passed.add(both);
  return true;
}

/** Whether a row of lamps goes on behind an *and* or a comma: `until the red` and `the amber lamp are lit`. */
export function isInRow(own: readonly Word[], ahead: readonly Word[], called: Called): boolean {
  const last = own.length - (isLamp.test(own.at(-1)?.word ?? '') ? 2 : 1);
  const next = /^(?:the|also)$/.test(ahead[0]?.word ?? '') ? 1 : 0;
  return lampOf({ words: own, called }, last) !== null && lampOf({ words: ahead, called }, next) !== null;
}

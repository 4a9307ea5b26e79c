import { ordinalOf } from '../../spoken/numbers.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import { dipsOf, groupAt, placeAt } from './mentions.ts';
import type { Scan } from './scan.ts';

/** Several controls or lamps named at once, and what was answered to be meant. */
export function groupWords(s: Scan): boolean {
  const { words, called, w, here, i, take, put } = s;
  const [pointed, own] = [...called.ones].find(([phrase]) => here === phrase || here.startsWith(`${phrase} `)) ?? [];
  if (pointed !== undefined && own) {
    take(pointed.split(' ').length, { is: 'control', own, place: null });
    return true;
  }
  const group = groupAt(words, i, called);
  if (group) {
    // `both doors open`
    let to = i + group.length;
    while (
      /^(?:to|are|go|set|in|back|must|be|into|has|have)$/.test(words[to]?.word ?? '') &&
      words[to + 1] &&
      to < i + group.length + 4
    )
      to += 1;
    const place = (own: ControlFacts) => (own.mechanism.kind === 'push' ? null : placeAt(words, to, own));
    for (const own of group.of) put(i, group.length, { is: 'control', own, place: place(own)?.place ?? null });
    const [first] = group.of;
    const own0 = first ? place(first) : null;
    const behind = own0 ? to - i - group.length + own0.length : 0;
    put(i, group.length, { is: 'both' });
    s.i += group.length + behind;
    return true;
  }
  // `the first dip switch`, `the first two switches`
  const row = dipsOf(called);
  const nth = row.length > 1 ? ordinalOf(w.word) : null;
  const many = nth === 1 && (words[i + 1]?.value ?? 0) > 1 ? (words[i + 1]?.value ?? 0) : 0;
  const noun = words.slice(i + 1, i + 5).findIndex((x) => /^(?:dip|dips|switch|switches)$/.test(x.word));
  if (
    nth !== null &&
    noun >= 0 &&
    words
      .slice(i + 1, i + 1 + noun)
      .every((x) => x.value !== null || /^(?:little|small|tiny|of|the|two|three)$/.test(x.word))
  ) {
    let k = i + 2 + noun;
    if (/^(?:switch|switches)$/.test(words[k]?.word ?? '')) k += 1;
    const of = many > 0 ? row.slice(0, many) : row.slice(nth - 1, nth);
    let p = k;
    while (/^(?:is|are|to|in|goes|go|set|must|be|has|both)$/.test(words[p]?.word ?? '')) p += 1;
    for (const own of of) {
      const place = placeAt(words, p, own);
      put(i, k - i, { is: 'control', own, place: place?.place ?? null });
    }
    if (of.length > 0) {
      s.i = of[0] && placeAt(words, p, of[0]) ? p + 1 : k;
      return true;
    }
  }
  // captions hear a lid as lit
  const lid =
    w.word === 'lit' && /^(?:the|your)$/.test(words[i - 1]?.word ?? '')
      ? called.controls.find((c) => c.of.control.look === 'lid')
      : undefined;
  if (lid) {
    let k = i + 1;
    while (/^(?:has|to|be|is|must|should|needs)$/.test(words[k]?.word ?? '')) k += 1;
    const place = placeAt(words, k, lid.of);
    put(i, 1, { is: 'control', own: lid.of, place: place?.place ?? null });
    s.i = place ? k + place.length : i + 1;
    return true;
  }
  const all =
    /^(?:all|both)(?: of)?(?: (?:the|of|these|those))?(?: (\w+))?(?: (?:green|yellow|red|white|amber|blue|small|little))?(?: of (?:the|them))? (?:lamps|lights|leds|indicators)\b/.exec(
      here,
    );
  const they = /^(?:they all|all of them|all (?:two|three|four|five|six|eight))\b/.exec(here);
  if (all || (they && called.lamps.length > 1 && /\b(?:light|lit|come|flash|blink|going|on|go)\b/.test(here))) {
    const [found = ''] = all ?? they ?? [];
    const colour = /\b(green|yellow|red|white|amber|blue)\b/.exec(found)?.[1];
    const count = words.slice(i, i + 4).find((x) => x.value !== null)?.value ?? null;
    const of = called.lamps.filter(
      (l) => l.kind === 'lamp' && (colour === undefined || l.colours.some((c) => c === colour)),
    );
    const signs = count !== null && of.length !== count && called.lamps.length === count ? called.lamps : of;
    take(found.split(' ').length, { is: 'sign', signs });
    return true;
  }
  if (
    /^(?:lights|lamps)$/.test(w.word) &&
    /^(?:the|these|those)$/.test(words[i - 1]?.word ?? '') &&
    called.lamps.length > 1
  ) {
    take(1, { is: 'sign', signs: called.lamps });
    return true;
  }

  return false;
}

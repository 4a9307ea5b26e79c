import { type LampColour, lampColours } from '../../model/lamp.ts';
import { numberAt } from '../../spoken/numbers.ts';
import type { PartKind } from '../../unit/panel-parts.ts';

/** What a part is called by, and what it is drawn as. Longer names first. */
const nouns: ReadonlyArray<readonly [RegExp, PartKind]> = [
  [/^(?:emergency stops?|e-stops?|mushroom buttons?)\b/, 'button'],
  [/^(?:dip switch(?:es)?|dips?|little switch(?:es)?|small switch(?:es)?)\b/, 'dip'],
  [/^(?:slide switch(?:es)?|sliders?|slides?)\b/, 'slide'],
  [/^(?:rocker switch(?:es)?|rockers?)\b/, 'rocker'],
  [/^(?:key switch(?:es)?|ignition(?: key| switch)?)\b/, 'key'],
  [/^(?:main switch|power switch|toggle switch(?:es)?|toggles?|switch(?:es)?|isolators?)\b/, 'switch'],
  [/^(?:text line|info line|line of text|text display|message line)s?\b/, 'text'],
  [/^(?:displays?|readouts?|screens?|figures)\b/, 'segments'],
  [/^(?:lamps?|lights?|leds?|indicators?|pilot lights?)\b/, 'lamp'],
  [/^(?:beepers?|buzzers?|horns?|bells?|gongs?|sounders?|chimes?)\b/, 'beeper'],
  [/^(?:bars?|bar graphs?)\b/, 'bar'],
  [/^(?:touch pads?|pads?|touch keys?)\b/, 'pad'],
  [/^(?:push ?buttons?|buttons?|keys|soft ?keys?)\b/, 'button'],
  [/^(?:knobs?|dials?|selectors?|rotary switch(?:es)?)\b/, 'knob'],
  [/^(?:keys?)\b/, 'key'],
  [/^(?:jumpers?|bridges?|links?)\b/, 'jumper'],
  [/^(?:fuses?)\b/, 'fuse'],
  [/^(?:plugs?|mains plug|cord)\b/, 'plug'],
  [/^(?:breakers?|circuit breakers?|main breaker)\b/, 'breaker'],
  [/^(?:lids?|hoods?|covers?|flaps?|guards?)\b/, 'lid'],
  [/^(?:doors?|gates?|hatch(?:es)?)\b/, 'door'],
  [/^(?:pedals?|foot pedals?)\b/, 'pedal'],
  [/^(?:levers?|handles?|throttles?)\b/, 'lever'],
  [/^(?:floats?)\b/, 'float'],
  [/^(?:taps?)\b/, 'tap'],
  [/^(?:valves?)\b/, 'valve'],
];

type Side = 'right' | 'left' | 'below' | 'above';
/** Parts of one kind that are told together. */
export type Group = {
  kind: PartKind;
  n: number;
  shape: 'row' | 'arc' | 'column';
  /** How many stand in a row, where there are several rows. */
  perRow: number | null;
  clicks: number | null;
  colours: LampColour[];
  labels: string[];
  places: string[];
  digits: number | null;
  side: Side | null;
  noun: string;
  text: string;
};

const isColour = (word: string): word is LampColour => (lampColours as readonly string[]).includes(word);
const colourOf = (word: string): LampColour | null => {
  const plain = word === 'yellow' || word === 'orange' ? 'amber' : word;
  return isColour(plain) ? plain : null;
};
const countAt = (words: readonly string[], at: number): Readonly<{ n: number; words: number }> | null => {
  const word = words[at] ?? '';
  if (word === 'a' || word === 'an') return { n: 1, words: 1 };
  if (/^\d+$/.test(word)) return { n: Number(word), words: 1 };
  if (word === 'both') return { n: 2, words: 1 };
  const said = numberAt([...words], at);
  return said ? { n: said.value, words: said.words } : null;
};

/** `a to e`, `1 to 8` written out. */
function ranged(label: string): string[] {
  const [, from = '', to = ''] = /^(\d{1,2}|[a-z])\s*(?:to|-|–|through)\s*(\d{1,2}|[a-z])$/i.exec(label) ?? [];
  const isNumber = /^\d+$/.test(from) && /^\d+$/.test(to);
  if (from === '' || isNumber !== /^\d+$/.test(to)) return [label];
  const [a, z] = isNumber ? [Number(from), Number(to)] : [from.charCodeAt(0), to.charCodeAt(0)];
  if (z <= a || z - a > 39) return [label];
  return Array.from({ length: z - a + 1 }, (_, i) => (isNumber ? String(a + i) : String.fromCharCode(a + i)));
}

/** `1, 2, 4 and half` as four labels. */
const listed = (text: string): string[] =>
  text
    .split(/\s*,\s*(?:and\s+)?|\s+and\s+|\s*\/\s*/)
    .map((l) => l.trim().replace(/^["“'‘]|["”'’]$/g, ''))
    .filter((l) => l !== '' && !/^(?:then|also|each|in|the|in an? (?:row|arc|arch|column|line|curve))$/i.test(l))
    .flatMap(ranged);

export const capital = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`;

/** Words before a thing that say nothing of what it is called. */
const plainWord =
  /^(?:the|a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d+|both|some|there|is|are|there's|here|of|row|arc|line|column|in|on|at|to|it|them|that|with|has|have|it's|and|then|also|another|single|pair|set|left|right|below|above|under|underneath|beneath|over|beside|next|between|top|bottom|middle|front|side|big|small|little|large|round|square|long|short|tall|plain|push|digit|digits|figure|figures|character|characters|segment|seven-segment|bright|dim|its|own)$/;

/** What a thing is called by the words before it, or the designator behind it: `start button`, `jumper J4`. */
function calledIn(head: string, found: Readonly<{ at: number; length: number; noun: string }>): string {
  const designator = /^\s+([A-Z]{1,2}\d{1,2}|[A-Z]|\d{1,2})(?![\p{L}\d])/u.exec(
    head.slice(found.at + found.length),
  )?.[1];
  const before = (head.slice(0, found.at).match(/[\p{L}\p{N}][\p{L}\p{N}'-]*/gu) ?? []).filter(
    (w) => !plainWord.test(w.toLowerCase()) && colourOf(w.toLowerCase()) === null && !/-digit|-figure/i.test(w),
  );
  // `left pedal and right pedal`
  const side = /^(?:an? |the )?(left|right|upper|lower) $/i.exec(head.slice(0, found.at))?.[1];
  if (side !== undefined) return `${side} ${found.noun}`;
  if (designator !== undefined) return [...before, designator].join(' ');
  return before.slice(-3).join(' ');
}

const where =
  /\b(?:to the |on the |at the |the )?(right|left|below|above|under(?:neath)?|beneath|over|bottom|top|beside|next to)\b(?: (?:of )?(?:it|them|that|those|this|the \w+(?: \w+)?))?/;
const sideOf = (word: string): Side =>
  /^(?:below|under|underneath|beneath|bottom)$/.test(word)
    ? 'below'
    : /^(?:above|over|top)$/.test(word)
      ? 'above'
      : word === 'left'
        ? 'left'
        : 'right';

/** `left pedal and right pedal`: two things, told with a comma. */
const apart = (clause: string): string =>
  clause.replace(/([^,;]+?) and (?!(?:an?|the|\d+)\b)([^,;]+)/g, (all: string, one: string, other: string) =>
    nounIn(one) && nounIn(other) && !/\b(?:with|labell?ed|marked|called|named)\b/.test(one) ? `${one}, ${other}` : all,
  );

const oneLamp = /^(?:an?|one|the) (?:\p{L}+ )*(?:lamp|light|led|indicator)$/iu;
const moreOnes = /^(?:another|one|two|three|four|five|six|seven|eight|\d+) (?:\p{L}+ )?ones?$/iu;

/** `two lamps, Run (green) and Fault (red)`: what each is called, with its colour. */
export const namesWithColours = (text: string): string =>
  text.replace(
    /\b(lamps?|lights?|leds?|indicators?)(?:\s*[,:]|\s+(?:labell?ed|called|named|marked))?\s+((?:[\p{L}\p{N}][\p{L}\p{N} -]{0,22}? \((?:red|green|amber|yellow|orange|white|blue)\)(?:\s*,\s*and\s+|\s*,\s*|\s+and\s+)?){2,})/giu,
    (_, noun: string, list: string) =>
      `${noun} labelled ${list
        .trim()
        .replace(/,$/, '')
        .split(/(?<=\))\s*(?:,\s*and|,|and)?\s*/i)
        .filter((l) => l !== '')
        .join(', ')}, `,
  );

/** Cuts what was said into faces, and these into groups; a list behind `labelled` or `with` stays together. */
export function cut(clause: string): string[] {
  const parts: string[] = [];
  for (const piece of apart(clause).split(
    /\s*,\s*(?:and then |then |and )?|\s+(?:and then|then)\s+|\s+and (?=(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|\d+) (?!\p{L}+ one\b))|\s+and (?=(?:to|on|at) the (?:left|right|top|bottom)\b|(?:below|above|beside|under|next to) )/u,
  )) {
    const said = piece.trim();
    if (said === '') continue;
    const last = parts.at(-1);
    const own = nounIn(said);
    const lists =
      last !== undefined && /\b(?:labell?ed|marked|called|named|with|positions?|places?|reading|numbered)\b/.test(last);
    // `three green and a red one`, `1`, `4 and half`
    // `a red lamp and two green ones`: more of them, and not what the one is like
    const isMore = last !== undefined && oneLamp.test(last) && moreOnes.test(said);
    const goesOn =
      own === null && last !== undefined && !isMore && (lists || colourSaid(said) !== null || where.test(said));
    // `heat (red)`, behind a list that was begun
    const isLabels =
      last !== undefined &&
      /^(?:labell?ed|marked|called|named|with|numbered|in (?:a|an) (?:row|arc|column|line)|positions?|all)\b/.test(
        said,
      );
    // a list of names that happen to be nouns: `set, down, up and standby`
    if (last !== undefined && (goesOn || isLabels)) parts[parts.length - 1] = `${last}, ${said}`;
    else if (last !== undefined && own === null && !isMore && /^[\p{L}\p{N} ]+$/u.test(said))
      parts[parts.length - 1] = `${last}, ${said}`;
    else parts.push(said);
  }
  return parts;
}

/** The first thing a stretch names, with where. */
export function nounIn(text: string): Readonly<{ kind: PartKind; at: number; length: number; noun: string }> | null {
  const low = text.toLowerCase();
  // what is behind `with` or `labelled` names no thing
  const head = low.split(/\b(?:labell?ed|marked|called|named|with|reading|numbered)\b/)[0] ?? low;
  for (const m of head.matchAll(/\p{L}[\p{L}-]*/gu)) {
    if (
      /\b(?:right|left|below|above|under|underneath|beside|next to)(?: of| to)? the (?:\p{L}+ )?$/u.test(
        head.slice(0, m.index),
      )
    )
      continue;
    for (const [name, kind] of nouns) {
      const found = name.exec(head.slice(m.index));
      if (found) return { kind, at: m.index, length: found[0].length, noun: found[0] };
    }
  }
  return null;
}

/** `three green and a red one` as a colour for each. */
function colourSaid(text: string): LampColour[] | null {
  const out: LampColour[] = [];
  const words = text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  for (let i = 0; i < words.length; i += 1) {
    const colour = colourOf(words[i] ?? '');
    if (colour === null) continue;
    const before = countAt(words, i - 1);
    out.push(...Array.from({ length: Math.min(40, Math.max(1, before?.n ?? 1)) }, () => colour));
  }
  return out.length > 0 ? out : null;
}

/** What one stretch tells of: so many of a kind, how they stand, what they are called; null where it names nothing. */
export function groupOf(text: string): Group | null {
  const found = nounIn(text);
  if (!found) return null;
  const low = text.toLowerCase();
  const [said = '', ...rest] = text.split(/\b(?:labell?ed|marked|called|named|reading|numbered)\b|:/i);
  const head = said.split(/\bwith\b/i)[0] ?? said;
  const words =
    head
      .toLowerCase()
      .slice(0, found.at)
      .match(/[\p{L}\p{N}-]+/gu) ?? [];
  const counted = words
    .map((w, i) =>
      /-/.test(w) || /^(?:digits?|figures?|characters?)$/.test(words[i + 1] ?? '')
        ? null
        : (countAt(words, i)?.n ?? null),
    )
    .filter((x) => x !== null);
  const rows = /\b(\w+) rows of (\w+)\b/.exec(low);
  const told = counted.find((x) => x > 1) ?? counted[0] ?? null;
  const withs = /\bwith (?:the (?:places|positions) |places |positions )?(.*)$/i.exec(said.slice(found.at));
  const digits = /(\w+)[ -]?(?:digits?|figures?|characters?)\b/i.exec(low);
  const shape = /\b(?:arc|arch|half circle|semicircle|curve)\b/.test(low)
    ? 'arc'
    : /\bcolumn|one below the other|on top of each other\b/.test(low)
      ? 'column'
      : 'row';
  const pair = /\b(?:off and on|on and off)\b/i.test(withs?.[1] ?? '');
  const side = where.exec(low.replace(/^(?:on|at) the (?:front|back)\b/, '').replace(/\b(?:labell?ed|with)\b.*$/, ''));
  const behind = where.exec(rest.join(' ').toLowerCase());
  const ownLabels = rest.length > 0 ? listed(rest.join(' ').replace(where, '')) : [];
  const list =
    withs && !digits && !/^(?:a |an |the )?\w+ (?:digits?|figures?)/i.test(withs[1] ?? '')
      ? listed((withs[1] ?? '').replace(where, ''))
      : [];
  // `four keys in a row, set, down, up and standby`: named without saying so
  const isMany = /s$/.test(found.noun) && told === null;
  const tail =
    rest.length === 0 && list.length === 0 && (isMany || (told ?? 1) > 1)
      ? listed(
          text
            .slice(found.at + found.length)
            .replace(isMany ? /^\s+/ : /^[^,]*/, '')
            .replace(where, ''),
        ).filter((l) => colourOf(l.split(' ').at(-1) ?? '') === null && colourSaid(l) === null)
      : [];
  const ownLabel = calledIn(head, found);
  // `heat (red), wash (green)`
  const inked = [...text.matchAll(/([\p{L}\p{N} ]+?)\s*\((\p{L}+)\)/gu)].flatMap((m) => {
    const colour = colourOf((m[2] ?? '').toLowerCase());
    return colour ? [colour] : [];
  });
  // `labelled Run, Check and Fault, green, amber and red`: names, and as many colours behind them
  const half = ownLabels.length / 2;
  const behindNames = ownLabels.slice(half).flatMap((l) => colourOf(l.toLowerCase()) ?? []);
  const isHalved = found.kind === 'lamp' && half >= 2 && behindNames.length === half;
  if (isHalved) inked.push(...behindNames);
  const labels = isHalved ? ownLabels.slice(0, half) : ownLabels;
  const named = (labels.length > 0 ? labels : tail).map((l) => l.replace(/\s*\([^)]*\)/g, '').trim());
  const n = Math.min(
    40,
    Math.max(
      1,
      rows
        ? (countAt([rows[1] ?? ''], 0)?.n ?? 1) * (countAt([rows[2] ?? ''], 0)?.n ?? 1)
        : told !== null && told > 1
          ? told
          : named.length > 1
            ? named.length
            : (told ?? 1),
    ),
  );
  const colours =
    inked.length > 0
      ? inked
      : found.kind === 'lamp'
        ? (colourSaid(low.replace(/\b(?:labell?ed|marked|called|named)\b.*$/, '')) ?? [])
        : [];
  const said1 = digits ? (countAt([digits[1] ?? ''], 0)?.n ?? null) : null;
  return {
    kind: found.kind,
    n,
    perRow: rows ? (countAt([rows[2] ?? ''], 0)?.n ?? null) : null,
    clicks: found.kind === 'knob' ? clicksIn(low) : null,
    shape,
    colours: colours.length === 1 ? Array.from({ length: n }, () => colours[0] ?? 'amber') : colours,
    labels:
      named.length === n
        ? named
        : n > 1 && list.length === n && isPush(found.kind)
          ? list
          : n === 1 && ownLabel !== '' && !/^(?:main|mains|power)$/i.test(ownLabel)
            ? [capital(ownLabel)]
            : [],
    places: /^(?:emergency|e-stop|mushroom)/.test(found.noun)
      ? ['released', 'pressed']
      : !isPush(found.kind) && list.length > 1
        ? list
        : pair
          ? ['off', 'on']
          : [],
    digits: said1,
    side: side?.[1] !== undefined ? sideOf(side[1]) : behind?.[1] !== undefined ? sideOf(behind[1]) : null,
    noun: found.noun,
    text,
  };
}

const clicksIn = (low: string): number | null => {
  const [, said = ''] = /\b(\w+) (?:clicks|notches|detents|steps)\b/.exec(low) ?? [];
  const n = countAt([said], 0)?.n ?? null;
  return n !== null && n >= 2 && n <= 100 ? n : null;
};

const isPush = (kind: PartKind): boolean => kind === 'button' || kind === 'pad' || kind === 'lamp' || kind === 'beeper';

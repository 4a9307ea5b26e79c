import type { CallerWord } from './word.ts';

/** Counts as they were said, the first one first; further ones are what it may have been as well. */
export function countsOf(words: readonly CallerWord[]): number[] {
  const counts = words.flatMap((w) => (w.kind === 'number' || w.kind === 'times' ? [w.n] : []));
  // counted aloud: one, two, three
  if (counts.length > 2 && counts.every((n, i) => n === i + 1)) return [counts.length];
  if (counts.length > 0) return [...new Set(counts)];
  // blink, blink, blink: as often as it was said
  const blinks = words.filter((w) => w.kind === 'state' && w.state === 'blinks').length;
  return blinks > 0 ? [blinks] : [];
}

/** Long and short as they were said: "two short, one long" as well as "short short long". Null where there is neither. */
export function patternOf(words: readonly CallerWord[]): string | null {
  let count: number | null = null;
  let pattern = '';
  let spoken = false;
  for (const word of words) {
    if (word.kind === 'number') count = Math.min(word.n, 24);
    // long, twice
    if (word.kind === 'times' && pattern !== '') pattern += pattern.slice(-1).repeat(Math.min(word.n, 24) - 1);
    const length =
      word.kind === 'length'
        ? word.length
        : word.kind === 'state' && word.state === 'fast'
          ? 's'
          : word.kind === 'state' && word.state === 'slow'
            ? 'l'
            : null;
    if (length === null) continue;
    if (word.kind === 'length') spoken = true;
    pattern += length.repeat(count ?? 1);
    count = null;
  }
  return pattern === '' || !(spoken || pattern.length > 1) ? null : pattern.slice(0, 60);
}

const leadFirst = /\bfirst\b[^.;]{0,12}\b(?:long|steady|solid)\b(?! (?:pause|gap|break))[^.;]{0,40}?\bthen\b/i;
const leadWords =
  /\b(?:(?:long|longer|steady|solid)(?! (?:pause|gap|break))[^.;]{0,24}\b(?:light|steady|solid|on|flash|first|before)|(?:stays?|stayed|is|goes|it's|its|lights?|comes?)?\s*(?:on|up|lit|solid|steady)\b[^.;]{0,18}\b(?:seconds?|secs?|while|ages|long time|a bit|a moment)|(?:\w+ )?(?:seconds?|secs?) (?:of )?(?:solid|steady|on|lit))\b[^.;]{0,20}?(?:\b(?:then|first|before|and)\b|,|$)/i;

/** Whether somebody tells of a steady light of seconds before the blinks: true, false where it is denied, null where nothing is said. */
export function leadSaid(said: string): Readonly<{ lead: boolean | null; rest: string }> {
  const denied =
    /\b(?:no|without (?:a|any)?|not a|(?:isn't|wasn't|is not|was not) (?:a|any))\s*(?:long|longer|steady|solid)[^,.;]*(?:before|first|light|flash|one|start|beginning|lead)[^,.;]*[,.;]?/i.exec(
      said,
    );
  if (denied) return { lead: false, rest: said.replace(denied[0], ' ') };
  const told = leadFirst.exec(said) ?? leadWords.exec(said);
  return told ? { lead: true, rest: said.replace(told[0], ' ') } : { lead: null, rest: said };
}

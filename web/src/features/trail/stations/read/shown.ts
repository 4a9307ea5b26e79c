import { isRhythmic, type Look, type SignId, type Stage, signsOfReads } from '@wire-trail/core';
import type { LampShow } from '../../../../parts/panel/lamp-show.ts';
import type { Reading } from './use-decoding.ts';

/** A lamp that was seen to light counts as a look at it alone. */
export const litOnce = (stage: Stage, sign: SignId): Look => ({
  kind: 'lamps',
  stage: stage.id,
  lamps: { [sign]: 'lit' },
});

/** What is asked of a stage, by what it is read from. */
export function questionOf({ reads }: Stage): string {
  if (reads.kind === 'lamps') return 'What do the lamps show?';
  if (reads.kind === 'which') return 'Which lamp blinks, and how often?';
  if (isRhythmic(reads)) return 'heard' in reads && reads.heard ? 'How does it beep?' : 'How does it blink?';
  return 'Read the display';
}

/** What to do about it, while nothing was entered. */
export function howTo({ reads }: Stage): string {
  if (reads.kind === 'lamps')
    return 'Tap each lamp: lit, then cannot tell, then dark again. What you do not tap counts as dark once you tapped one.';
  if (isRhythmic(reads)) return 'Count it, tap along with it, or let the camera watch. Two rounds are surer than one.';
  return 'Type what you see. A look-alike such as O for 0 is taken for what the display can show, and named.';
}

/** What the drawn panel shows of what was entered: a lamp nobody looked at is open. */
export function shownLamps({ readout, look }: Reading, stage: Stage): ReadonlyMap<SignId, LampShow> {
  const own = stage.comes.kind === 'colour' ? stage.comes.colour : undefined;
  const counted = new Set(
    readout?.stages.flatMap((s) => (s.reads.kind === 'lamps' || isRhythmic(s.reads) ? signsOfReads(s.reads) : [])),
  );
  const mine = signsOfReads(stage.reads);
  return new Map(
    [...counted].map((sign) => {
      const seen = look?.kind === 'lamps' && mine.includes(sign) ? look.lamps[sign] : undefined;
      const blinks =
        look &&
        look.kind !== 'lamps' &&
        isRhythmic(stage.reads) &&
        (look.kind !== 'blinks' || !look.sign || look.sign === sign);
      const colour = look?.kind === 'lamps' ? (look.colours?.[sign] ?? own) : own;
      return [sign, { state: seen ?? (blinks && mine.includes(sign) ? 'slow' : 'unseen'), colour }];
    }),
  );
}

export const shownTexts = (stage: Stage, look: Look | undefined): ReadonlyMap<SignId, string> =>
  new Map('sign' in stage.reads && look?.kind === 'text' ? [[stage.reads.sign, look.text.toUpperCase()]] : []);

export const weightsOf = (stage: Stage): ReadonlyMap<SignId, string> =>
  new Map(
    stage.reads.kind === 'lamps'
      ? stage.reads.lamps.flatMap((l) => (l.weight ? [[l.sign, String(l.weight)] as const] : []))
      : [],
  );

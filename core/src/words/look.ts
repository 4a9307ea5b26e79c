import { asShown, withOwn } from '../base/own-beside.ts';
import { baseUnits, type OwnUnits } from '../base/quantity.ts';
import type { CallerMeant } from '../caller/read.ts';
import type { ConfusionKind } from '../decode/confusions.ts';
import type { Candidate } from '../decode/decode.ts';
import type { TellsApart } from '../decode/elsewhere.ts';
import type { Misread } from '../decode/misread.ts';
import type { Panel } from '../model/panel.ts';
import type { ReadoutTells } from '../model/readout.ts';
import type { LiveValue } from '../readout/live-value.ts';
import type { RhythmDoubt } from '../rhythm/read-pulses.ts';
import type { UnreadableTrace } from '../rhythm/trace.ts';
import { lampStateWords, partName } from './sign.ts';

/** What must have been seen wrongly, in a few words. */
function misreadWords(m: Misread, panel: Panel): string {
  switch (m.kind) {
    case 'lamp':
      return `${partName(panel, m.sign)} is ${lampStateWords[m.shows]}`;
    case 'count':
      return `it blinks ${m.shows} times`;
    case 'pattern':
      return `it is ${patternWords(m.shows)}`;
    case 'character':
      return `place ${m.position + 1} shows ${m.shows}`;
    case 'place-missing':
      return `${m.shows} was left out at place ${m.position + 1}`;
    case 'place-extra':
      return `one ${m.seen} is too many`;
    case 'which-lamp':
      return `it is ${partName(panel, m.shows)} that blinks`;
  }
}

/** What was done with the whole look, in a few words. */
export const confusionWords: Readonly<Record<ConfusionKind, string>> = {
  'halves-swapped': 'the two halves were told the other way round',
  'other-end': 'the lamps were counted from the other end',
  'phase-lamp-counted': 'the lamp that says which half it is was counted as one of the row',
  'lead-in-counted': 'the steady light before the blinks was counted as one of them',
  'told-twice': 'two rounds were told as one',
};

/** What a readout tells, where it is no code. */
export const tellsWords: Readonly<Record<ReadoutTells, string>> = {
  codes: '',
  entry: 'which entry of the list',
  role: 'whose word it is',
  setting: 'how it is set',
  result: 'what it found',
};

/** What to ask back, where it makes a difference. */
export const confusionQuestion: Readonly<Record<ConfusionKind, string>> = {
  'halves-swapped': 'Which half showed first?',
  'other-end': 'Were the lamps counted from the left?',
  'phase-lamp-counted': 'Is the lamp that says which half it is among the ones you named?',
  'lead-in-counted': 'Did a long steady light come first, and did you count it?',
  'told-twice': 'Is that one round, or did you see it twice?',
};

/** What to ask where two readouts of the same signs may be meant. */
export const tellsApartQuestion: Readonly<Record<TellsApart, string>> = {
  'lead-in': 'Was the light on for some seconds without a break before it blinked?',
  mode: 'Is the unit in that mode?',
  controller: 'Is it that controller that shows?',
};

/** What a candidate takes to hold, in a few words; null where it is as it was told. */
export function ifWords({ confusion, misread }: Pick<Candidate, 'confusion' | 'misread'>, panel: Panel): string | null {
  const all = [...(confusion ? [confusionWords[confusion]] : []), ...misread.map((m) => misreadWords(m, panel))];
  return all.length > 0 ? `if ${all.join(', and ')}` : null;
}

const inUnit = (n: number, { quantity, unit }: Pick<LiveValue, 'quantity' | 'unit'>): string =>
  asShown(n, quantity, unit);

/** A live value in words: what it is as the unit shows it, with one's own unit beside it, and whether it can show it at all. */
export function liveValueWords(value: LiveValue, own: OwnUnits = baseUnits): string {
  const said = `${value.name} ${withOwn(inUnit(value.shown, value), own)}`;
  if (value.canShow) return said;
  const range = `it runs from ${value.least} to ${inUnit(value.most, value)}`;
  return value.withPoint === null
    ? `${said}: that cannot show, ${range}`
    : `${said}: that cannot show, ${range}; with its point it is ${inUnit(value.withPoint, value)}`;
}

/** Long and short in words a caller would use. */
export const patternWords = (pattern: string): string =>
  [...pattern].map((c) => (c === 'l' ? 'long' : c === 's' ? 'short' : '?')).join(' ');

export const callerMeantWords: Record<CallerMeant, string> = {
  'from-left': 'places counted from the left',
  'from-right': 'places counted from the right',
  names: 'what is printed beside the lamps',
  weights: 'what the lamps count for',
  counts: 'how often it blinks',
  characters: 'what the display shows',
};

export function doubtWords(doubt: RhythmDoubt): string {
  switch (doubt.code) {
    case 'too-few':
      return doubt.pulses === 0 ? 'Nothing tapped yet.' : 'One alone: tap on, through a pause and round again.';
    case 'one-length':
      return 'All alike: long and short are not told apart.';
    case 'no-pause':
      return 'No pause yet: wait for it, and tap the next round too.';
    case 'repetitions-differ':
      return `The rounds differ: ${doubt.read
        .map((r) =>
          r
            .split(' ')
            .map((x) => x.length)
            .join(' '),
        )
        .join(' against ')}. Tap one more.`;
    case 'too-many':
      return `More than ${doubt.most} at once cannot be a code.`;
  }
}

export function unreadableWords(refusal: UnreadableTrace): string {
  switch (refusal.code) {
    case 'no-pictures':
      return 'No picture came. Is the camera covered, or in use elsewhere?';
    case 'too-short':
      return `Only ${(refusal.lastsMs / 1000).toFixed(1)} s were seen. Hold on through one whole round and its pause.`;
    case 'black':
      return 'The picture is black. Take the finger off the lens, or light the panel a little.';
    case 'saturated':
      return 'The picture is white where the lamp is. Move away, or shade it.';
    case 'steady':
      return 'It does not blink: it stays as it is.';
    case 'too-noisy':
      return 'It moves too much to be read. Rest the hand on something, move closer, and set the circle on the lamp alone.';
    case 'no-fit':
      return 'It blinks, but in no way this readout knows. Is it this lamp, and this board?';
    case 'undecided':
      return 'Two codes fit nearly alike. Hold on for one more round.';
  }
}

import type { CallerMeant } from '../decode/caller.ts';
import type { Misread } from '../decode/decode.ts';
import type { Panel } from '../model/panel.ts';
import type { RhythmDoubt } from '../rhythm/read-pulses.ts';
import type { UnreadableTrace } from '../rhythm/trace.ts';
import { lampStateWords, partName } from './sign.ts';

/** What must have been seen wrongly, in a few words. */
export function misreadWords(m: Misread, panel: Panel): string {
  switch (m.kind) {
    case 'lamp':
      return `${partName(panel, m.sign)} is ${lampStateWords[m.shows]}`;
    case 'count':
      return `it blinks ${m.shows} times`;
    case 'pattern':
      return `it is ${patternWords(m.shows)}`;
    case 'character':
      return `place ${m.position + 1} shows ${m.shows}`;
  }
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

import type { TextNote } from '../chart/from-text.ts';
import { mostNodes } from '../chart/outline.ts';
import { headWords } from './node.ts';

/** A note in one plain sentence. */
export function textNoteWords(note: TextNote): string {
  switch (note.code) {
    case 'taken-as':
      return `taken as ${headWords(note.text)}`;
    case 'end-added':
      return `the list ends here: “${note.text}” was added as its end`;
    case 'answer-unread':
      return `“${note.text}” was taken as yes or no; make it a question with its own answers if it is more`;
    case 'step-missing':
      return `goes to “${note.text}”, which is not there`;
    case 'nothing-there':
      return 'there is no step in this text';
    case 'too-many-steps':
      return `these are ${note.text} steps; ${mostNodes} is the most one chart can hold`;
    case 'other-diagram':
      return `this is a ${note.text}; only flowcharts can be read`;
    case 'tolerance-assumed':
      return `how far off is still good was not told: ±${Math.round(Number(note.text) * 100)} % was taken`;
    case 'beta-assumed':
      return `how it falls as it warms was not told: beta ${note.text} K was taken; set what its sheet says`;
    case 'setting-unknown':
      return 'good by what is set: write the setting first, or say the reading';
    case 'line-unread':
      return `“${note.text}” could not be read`;
  }
}

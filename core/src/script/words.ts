/** The words a line may begin with. */
export const lineWords = [
  'press',
  'hold',
  'keep',
  'let-go',
  'turn',
  'sweep',
  'set',
  'rest',
  'step',
  'dial',
  'choose',
  'see',
  'may',
  'no',
  'within',
  'group',
  'if',
  'else',
  'at',
  'say',
  'bypass',
  'from',
  'reach',
] as const;
export type LineWord = (typeof lineWords)[number];

/** The notes a step may carry, as their lines begin after the dash. */
export const noteWords = [
  'takes',
  'why',
  'caution',
  'tool',
  'feels',
  'if-it-fails',
  'retry',
  'source',
  'standing',
] as const;
export type NoteWord = (typeof noteWords)[number];

/** What each kind of line looks like, for help beside the editor and for completion. */
export const lineForms: Readonly<Record<LineWord, string>> = {
  press: 'press CONTROL [3 times]  ·  press any',
  hold: 'hold CONTROL [PLACE] [+ CONTROL …] [for 5 s | until SIGN]',
  keep: 'keep CONTROL [PLACE] [for 5 s | until SIGN], steps below it',
  'let-go': 'let-go CONTROL [+ …] [at SIGN]  ·  let-go all',
  turn: 'turn CONTROL right|left 3 clicks',
  sweep: 'sweep CONTROL right|left 2 turns [to PLACE]',
  set: 'set CONTROL PLACE',
  rest: 'rest 3 s  ·  rest 2 s to 5 s usually 3 s',
  step: 'step CONTROL [from 1] to 12 [ramp] [over "what then"]',
  dial: 'dial "E12" from "000" with CONTROL + … [down-with …] [of "0123…"]',
  choose: 'choose "Menu" > "Entry" on-unit|with INSTRUMENT [confirm "…"] [value "…"]',
  see: 'see LAMP lit [green], SIGN on [within 3 s]',
  may: 'may SIGN STATE: may show, need not',
  no: 'no SIGN STATE: must not show',
  within: 'within 5 s of power-on|step-before|SIGN STATE [2 times], steps below it',
  group: 'group [3 times], steps below it',
  if: 'if SIGN STATE  ·  if reads READOUT CODE  ·  if nothing within 5 s',
  else: 'else, under an if',
  at: 'at the tap',
  say: 'say a sentence that is not an action',
  bypass: 'bypass: holds an interlock false; never published',
  from: 'from any  ·  from MODE, MODE',
  reach: 'reach MODE',
};

import type { ScriptCount, ScriptProblem, ScriptWanted } from '../script/problem.ts';

const wantedWords: Readonly<Record<Extract<ScriptWanted, string>, string>> = {
  control: 'a control',
  'control-or-any': 'a control, or “any”',
  'control-or-all': 'a control, or “all”',
  place: 'a place',
  way: 'right or left',
  characters: 'the characters in quotation marks',
  start: 'what it shows at first',
  alphabet: 'the alphabet',
  'menu-entry': 'the menu entry in quotation marks',
  'on-what': '“on-unit” or “with”',
  instrument: 'an instrument',
  function: 'the function',
  prompt: 'the prompt',
  value: 'the value',
  readout: 'a readout',
  code: 'a code',
  who: 'who may do it (operator, technician, licensed or maker)',
  route: 'another way of this family',
  act: 'what to do',
  location: 'a place to be at',
  sentence: 'a sentence',
  'control-or-part': 'a control or part',
  reason: 'a reason',
  caution: 'a caution',
  tool: 'a tool',
  feel: 'what it sounds or looks like',
  advice: 'a piece of advice',
  source: 'a source',
  standing: 'a standing',
  note: 'the kind of note',
  mode: 'a mode',
  time: 'a time such as “3 s”',
  unit: 'the unit (s, ms, min or h)',
  sign: 'a lamp or another sign',
  text: 'what it shows',
  state: 'what it shows (lit, dark, slow, fast, on, off or "text")',
};
const countWords: Readonly<Record<ScriptCount, string>> = {
  clicks: 'clicks',
  turns: 'turns',
  entry: 'as an entry',
  times: 'times',
  count: 'as a count',
  duration: 'as a time',
  letters: 'letters',
};

const isCount = (wanted: string): wanted is ScriptCount => wanted in countWords;

function missingWords(wanted: ScriptWanted | ScriptCount): string {
  if (typeof wanted !== 'string') return `“${wanted.word}”`;
  return isCount(wanted) ? `a number of ${countWords[wanted]}` : wantedWords[wanted];
}

const meant = (likely: string | null): string => (likely === null ? '' : ` “${likely}”, perhaps?`);

/** A problem in one plain sentence, without its place. */
export function scriptProblemWords(problem: ScriptProblem): string {
  switch (problem.code) {
    case 'no-such-word':
      return `“${problem.word}” is not known here.${meant(problem.likely)}`;
    case 'missing':
      return `Here ${missingWords(problem.wanted)} is missing.`;
    case 'not-a-number':
      return `“${problem.word}” is not a number.`;
    case 'out-of-range':
      return `${problem.value} ${countWords[problem.what]}: from ${problem.least} to ${problem.most} is possible.`;
    case 'span-upside-down':
      return 'Least, usual and most do not rise.';
    case 'left-over':
      return `“${problem.word}” has no place here.${meant(problem.likely)}`;
    case 'not-an-id':
      return `“${problem.word}” cannot be a name: small letters, digits and dashes.`;
    case 'text-not-closed':
      return 'The quotation mark is not closed.';
    case 'indented-under-nothing':
      return 'This line is set in, but there is nothing above for it to belong to.';
    case 'else-without-if':
      return 'This “else” has no “if” above it.';
    case 'nothing-inside':
      return `Under “${problem.word}” nothing is done.`;
    case 'too-deep':
      return `Steps can stand ${problem.most} deep, not deeper.`;
    case 'too-many':
      return `More than ${problem.most} steps in a row.`;
    case 'not-allowed':
      return `This cannot be: ${problem.why}.`;
    case 'too-long':
      return `The script is longer than ${problem.most} signs; what comes after is not read.`;
  }
}

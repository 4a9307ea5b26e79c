/** What is wrong at a place of a script; lines and columns count from 1. Facts only, words by `scriptProblemWords`. */
export type ScriptProblem = Readonly<{ line: number; column: number; length: number }> &
  (
    | Readonly<{ code: 'no-such-word'; word: string; likely: string | null }>
    | Readonly<{ code: 'missing'; wanted: string }>
    | Readonly<{ code: 'not-a-number'; word: string }>
    | Readonly<{ code: 'out-of-range'; what: string; value: number; least: number; most: number }>
    | Readonly<{ code: 'span-upside-down' }>
    | Readonly<{ code: 'left-over'; word: string; likely: string | null }>
    | Readonly<{ code: 'not-an-id'; word: string }>
    | Readonly<{ code: 'text-not-closed' }>
    | Readonly<{ code: 'indented-under-nothing' }>
    | Readonly<{ code: 'else-without-if' }>
    | Readonly<{ code: 'nothing-inside'; word: string }>
    | Readonly<{ code: 'too-deep'; most: number }>
    | Readonly<{ code: 'too-many'; most: number }>
    | Readonly<{ code: 'not-allowed'; why: string }>
    | Readonly<{ code: 'too-long'; most: number }>
  );

const meant = (likely: string | null): string => (likely === null ? '' : ` “${likely}”, perhaps?`);

/** A problem in one plain sentence, without its place. */
export function scriptProblemWords(problem: ScriptProblem): string {
  switch (problem.code) {
    case 'no-such-word':
      return `“${problem.word}” is not known here.${meant(problem.likely)}`;
    case 'missing':
      return `Here ${problem.wanted} is missing.`;
    case 'not-a-number':
      return `“${problem.word}” is not a number.`;
    case 'out-of-range':
      return `${problem.value} ${problem.what}: from ${problem.least} to ${problem.most} is possible.`;
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

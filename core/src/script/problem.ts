/** What a line of a script may lack: one of the words of the language as it stands, or something of a sort. */
export type ScriptWanted =
  | Readonly<{ word: string }>
  | 'control'
  | 'control-or-any'
  | 'control-or-all'
  | 'place'
  | 'way'
  | 'characters'
  | 'start'
  | 'alphabet'
  | 'menu-entry'
  | 'on-what'
  | 'instrument'
  | 'function'
  | 'prompt'
  | 'value'
  | 'readout'
  | 'who'
  | 'route'
  | 'code'
  | 'act'
  | 'location'
  | 'sentence'
  | 'control-or-part'
  | 'reason'
  | 'caution'
  | 'tool'
  | 'feel'
  | 'advice'
  | 'source'
  | 'standing'
  | 'note'
  | 'mode'
  | 'time'
  | 'unit'
  | 'sign'
  | 'text'
  | 'state';
/** What a number in a script counts. */
export type ScriptCount = 'clicks' | 'turns' | 'entry' | 'times' | 'count' | 'duration' | 'letters';

/** What is wrong at a place of a script; lines and columns count from 1. Facts only. */
export type ScriptProblem = Readonly<{ line: number; column: number; length: number }> &
  (
    | Readonly<{ code: 'no-such-word'; word: string; likely: string | null }>
    | Readonly<{ code: 'missing'; wanted: ScriptWanted | ScriptCount }>
    | Readonly<{ code: 'not-a-number'; word: string }>
    | Readonly<{ code: 'out-of-range'; what: ScriptCount; value: number; least: number; most: number }>
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

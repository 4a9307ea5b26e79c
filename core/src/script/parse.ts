import type { ModeId } from '../base/ids.ts';
import { Step } from '../model/route.ts';
import { innerLists } from '../model/steps.ts';
import { Line, Unreadable } from './line.ts';
import { parseHead, readNote, tailWords } from './parse-step.ts';
import type { ScriptProblem } from './problem.ts';
import { type LineWord, lineWords, type NoteWord, noteWords } from './words.ts';

export type ParsedScript = Readonly<{
  from: 'any' | readonly ModeId[] | null;
  to: ModeId | null;
  steps: readonly Step[];
  /** Lines by the place of their step, `4.during.0`; lines count from 1. Notes belong to their step's first line. */
  lineOf: ReadonlyMap<string, number>;
  problems: readonly ScriptProblem[];
}>;

const mostDeep = 12;
const mostSteps = 200;
const mostProblems = 200;
/** Longer scripts are not read to their end. */
export const mostScriptLength = 200_000;

type Open = { indent: number; step: Step; at: string; list: Step[]; listAt: string };

/** The list that steps set in under this one go to. */
function inside(step: Step, at: string): { list: Step[]; listAt: string } | null {
  const [first] = innerLists(step);
  return first ? { list: first.steps, listAt: `${at}.${first.at}` } : null;
}

const wordOf = (step: Step): string => (step.kind === 'group' ? (step.window ? 'within' : 'group') : step.kind);

/**
 * Reads a script line by line. All problems are collected; a line with one makes no step, the others do. What
 * `printScript` writes comes back the same.
 */
export function parseScript(text: string): ParsedScript {
  const steps: Step[] = [];
  const lineOf = new Map<string, number>();
  const problems: ScriptProblem[] = [];
  const problem = (p: ScriptProblem): void => {
    if (problems.length < mostProblems) problems.push(p);
  };
  let from: ParsedScript['from'] = null;
  let to: ModeId | null = null;
  let open: Open[] = [];
  const groups: Array<{ step: Extract<Step, { kind: 'group' }>; line: number; column: number }> = [];
  const read = text.length > mostScriptLength ? text.slice(0, text.lastIndexOf('\n', mostScriptLength) + 1) : text;

  let lostAt: number | null = null;
  const readLine = (raw: string, number: number): void => {
    const full = raw.replace(/\r$/, '').replace(/^\t+/, (tabs) => '  '.repeat(tabs.length));
    const body = full.trimStart();
    const indent = full.length - body.length;
    if (body === '' || body.startsWith('//')) return;
    // what is set in under a line that could not be read is not held against the lines around it
    if (lostAt !== null && indent > lostAt) return;
    lostAt = null;
    const at = (column: number, length: number) => ({ line: number, column, length });
    try {
      if (body.startsWith('-')) {
        const owner = open.findLast((o) => o.indent < indent);
        if (!owner) throw new Unreadable({ ...at(indent + 1, 1), code: 'indented-under-nothing' });
        const line = new Line(full, number, indent + 1);
        const word = line.word(noteWords, 'note') as NoteWord;
        readNote(word, line, owner.step);
        line.end();
        return;
      }
      const spaced = /^let\s+go\b/.test(body) ? full.replace(/let\s+go/, 'let-go') : full;
      const line = new Line(spaced, number, indent);
      const word = line.word(lineWords, 'act') as LineWord;
      if (word === 'from') {
        from = line.takes('any') ? 'any' : ([line.id('mode')] as ModeId[]);
        while (from !== 'any' && line.takes(',')) from = [...from, line.id('mode') as ModeId];
        line.end();
        return;
      }
      if (word === 'reach') {
        to = line.id('mode') as ModeId;
        line.end();
        return;
      }
      open = open.filter((o) => o.indent < indent || (word === 'else' && o.indent === indent));
      if (word === 'else') {
        const owner = open.at(-1);
        if (owner?.step.kind !== 'branch' || owner.indent !== indent)
          throw new Unreadable({ ...at(indent + 1, 4), code: 'else-without-if' });
        owner.list = owner.step.otherwise;
        owner.listAt = `${owner.at}.otherwise`;
        line.end();
        return;
      }
      const owner = open.at(-1);
      if ((owner === undefined && indent > 0) || (owner && inside(owner.step, owner.at) === null))
        throw new Unreadable({ ...at(indent + 1, word.length), code: 'indented-under-nothing' });
      if (open.length >= mostDeep)
        throw new Unreadable({ ...at(indent + 1, word.length), code: 'too-deep', most: mostDeep });
      const list = owner?.list ?? steps;
      if (list.length >= mostSteps) {
        if (list.length === mostSteps && problems.at(-1)?.code !== 'too-many')
          problem({ ...at(indent + 1, word.length), code: 'too-many', most: mostSteps });
        return;
      }
      const step = parseHead(word, line);
      line.end(tailWords);
      const shape = Step.safeParse(step.kind === 'group' ? { ...step, steps: [{ kind: 'say', text: '' }] } : step);
      if (!shape.success)
        throw new Unreadable({
          ...at(indent + 1, body.length),
          code: 'not-allowed',
          why: shape.error.issues[0]?.message ?? 'its shape',
        });
      const place = `${owner ? `${owner.listAt}.` : ''}${list.length}`;
      list.push(step);
      lineOf.set(place, number);
      const within = inside(step, place);
      open.push({ indent, step, at: place, list: within?.list ?? [], listAt: within?.listAt ?? '' });
      if (step.kind === 'group') groups.push({ step, line: number, column: indent + 1 });
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      problem(error.problem);
      open = open.filter((o) => o.indent < indent);
      if (!body.startsWith('-')) lostAt = indent;
    }
  };
  for (const [index, raw] of read.split('\n').entries()) readLine(raw, index + 1);
  for (const { step, line, column } of groups)
    if (step.steps.length === 0)
      problem({ line, column, length: wordOf(step).length, code: 'nothing-inside', word: wordOf(step) });
  if (read.length < text.length)
    problem({ line: read.split('\n').length, column: 1, length: 1, code: 'too-long', most: mostScriptLength });
  return { from, to, steps, lineOf, problems };
}

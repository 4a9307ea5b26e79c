import type { Step } from '../model/route.ts';
import { parseScript } from '../script/parse.ts';
import { printSteps } from '../script/print.ts';
import type { TellingDraft } from './draft.ts';

/** A telling with the steps that are meant by it, as a script, and the parts that name nothing. */
export type Phrasing = Readonly<{ family: string; told: string; script: string; lost: readonly string[] }>;

/** Reads a file of phrasings: `# family`, `> telling`, lines of script, `? part that is not to be understood`. */
export function readPhrasings(text: string): Phrasing[] {
  const all: Array<{ family: string; told: string; script: string; lost: string[] }> = [];
  let family = '';
  for (const line of text.split('\n')) {
    if (line.startsWith('//') || line.trim() === '') continue;
    if (line.startsWith('# ')) family = line.slice(2).trim();
    else if (line.startsWith('> ')) all.push({ family, told: line.slice(2), script: '', lost: [] });
    else if (line.startsWith('? ')) all.at(-1)?.lost.push(line.slice(2));
    else {
      const last = all.at(-1);
      if (last) last.script += `${line}\n`;
    }
  }
  return all;
}

/** Steps as their lines, one a step, without the notes: what is held against each other. */
function linesOf(steps: readonly Step[]): string[] {
  return printSteps(steps)
    .split('\n')
    .filter((l) => l.trim() !== '' && !l.trim().startsWith('-'))
    .map((l) =>
      l
        .replace(/ within .* usually .*$/, ' within')
        .replace(/ within \d.*$/, (w) => (/^ +see|see/.test(l) ? ' within' : w)),
    );
}

/** How many lines two scripts share, in order. */
function common(a: readonly string[], b: readonly string[]): number {
  let row = new Array<number>(b.length + 1).fill(0);
  for (const x of a) {
    const next = [0];
    b.forEach((y, j) => {
      next.push(x === y ? (row[j] ?? 0) + 1 : Math.max(row[j + 1] ?? 0, next[j] ?? 0));
    });
    row = next;
  }
  return row.at(-1) ?? 0;
}

export type PhrasingScore = Readonly<{
  /** Share of the meant steps that were made, in order. */
  share: number;
  /** Share of the steps made that were not meant: wrong, and passed off as understood. */
  wrong: number;
  steps: number;
  lines: ReadonlyArray<
    Readonly<{
      family: string;
      told: string;
      wanted: string;
      got: string;
      wantedLost: readonly string[];
      gotLost: readonly string[];
      right: boolean;
    }>
  >;
}>;

/** Holds what a reader makes of phrasings against what is meant. */
export function scorePhrasings(
  phrasings: readonly Phrasing[],
  read: (family: string, told: string) => TellingDraft,
): PhrasingScore {
  let wanted = 0;
  let right = 0;
  let made = 0;
  const lines = phrasings.map(({ family, told, script, lost }) => {
    const want = linesOf(parseScript(script).steps);
    const intake = read(family, told);
    const got = linesOf(intake.steps);
    const same = common(want, got);
    wanted += want.length;
    right += same;
    made += got.length;
    return {
      family,
      told,
      wanted: want.join('\n'),
      got: got.join('\n'),
      wantedLost: lost,
      gotLost: intake.notUnderstood.map((p) => p.text),
      right: same === want.length && same === got.length,
    };
  });
  return { share: right / wanted, wrong: made === 0 ? 0 : (made - right) / made, steps: wanted, lines };
}

import { type Drawn, type DrawnAnswer, type DrawnNode, freshId, plainLabel } from './drawn.ts';
import { readMermaid } from './mermaid.ts';
import { mostNodes, readOutline, stepLine } from './outline.ts';
import { answerIn, answerStart, bareGoTo, goTo, headIn, sentences, type TextAnswer } from './text-answers.ts';
import { type BandContext, bandOfText, noContext } from './text-bands.ts';

/** What was made of a line, so that the trainer sees what was guessed. */
export type TextNote = Readonly<{
  line: number;
  code:
    | 'taken-as'
    | 'end-added'
    | 'answer-unread'
    | 'step-missing'
    | 'nothing-there'
    | 'too-many-steps'
    | 'other-diagram'
    | 'tolerance-assumed'
    | 'beta-assumed'
    | 'setting-unknown'
    | 'line-unread';
  text: string;
}>;

/** What reading a text leans on besides: ratings and settings of the family, and how far off is good where that was answered, by line. */
export type TextContext = BandContext & Readonly<{ shares?: ReadonlyMap<number, number> }>;

export type ReadText = Readonly<{ drawn: Drawn; notes: readonly TextNote[]; as: 'numbered' | 'outline' | 'mermaid' }>;

type Line = { line: number; label: string | null; text: string; more: Array<{ line: number; text: string }> };

const numbered = /^\s*(?:step\s+)?(\d{1,4}(?:\.\d+)*|[a-z])\s*[.):]\s+(.*)$/i;

/** Lines as steps: a number begins one, what follows without belongs to it. */
function linesOf(text: string): Line[] {
  const steps: Line[] = [];
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const said = raw.trim();
    if (said === '') continue;
    const [, label, rest] = numbered.exec(raw) ?? [];
    const last = steps.at(-1);
    if (label !== undefined && rest !== undefined)
      steps.push({ line: i + 1, label: label.toLowerCase(), text: rest.trim(), more: [] });
    else if (last && (/^\s/.test(raw) || /^[-*•]/.test(said) || answerStart.test(said)))
      last.more.push({ line: i + 1, text: said.replace(/^[-*•]\s*/, '') });
    else steps.push({ line: i + 1, label: null, text: said.replace(/^[-*•]\s*/, ''), more: [] });
  }
  return steps;
}

/** A step as somebody types it in one line: `measure voltage: At the plug`, or plain words whose kind is guessed. */
export function guessHead(text: string): { head: string; title: string } {
  const said = text.trim();
  const step = stepLine(said);
  if (step && step.id === null) return { head: step.head, title: plainLabel(step.title || step.head) };
  return { head: headIn(said, 0, said), title: plainLabel(said) };
}

/**
 * Reads a numbered list as people write one: questions, what to do when it is not so, where to go on. What is not said
 * leads to the next step. Every guess is noted at its line.
 */
function readNumbered(text: string, context: TextContext): { drawn: Drawn; notes: TextNote[] } {
  const lines = linesOf(text);
  const notes: TextNote[] = [];
  const taken = new Set<string>();
  const nodes: Array<{
    id: string;
    head: string;
    title: string;
    answers: DrawnAnswer[];
    fields?: Record<string, unknown>;
  }> = [];
  const steps = lines.map((line) => {
    const all = [{ line: line.line, text: line.text }, ...line.more];
    const parts = all.flatMap((l) => sentences(l.text).map((s) => ({ line: l.line, text: s })));
    const [first = { line: line.line, text: line.text }, ...rest] = parts;
    const answers: TextAnswer[] = [];
    const words: string[] = [];
    for (const part of rest) {
      const found = answerIn(part.text, part.line);
      if (found.length > 0) answers.push(...found);
      else words.push(part.text);
    }
    const whole = parts.map((p) => p.text).join(' ');
    const head = headIn(first.text, answers.length, whole);
    const title = plainLabel(first.text.replace(/[.;]$/, ''));
    const id = freshId(title, taken);
    taken.add(id);
    notes.push({ line: line.line, code: 'taken-as', text: head });
    return { line, head, title, id, answers, words, whole };
  });
  const byLabel = new Map(steps.flatMap((s) => (s.line.label ? [[s.line.label, s.id] as const] : [])));
  const extra: typeof nodes = [];
  let end: string | null = null;
  /** The one end a list without a last word comes to. */
  const theEnd = (line: number): string => {
    if (end !== null) return end;
    end = freshId('nothing found', taken);
    taken.add(end);
    notes.push({ line, code: 'end-added', text: 'Nothing found' });
    extra.push({ id: end, head: 'verdict nothing-found', title: 'Nothing found', answers: [] });
    return end;
  };
  const target = (label: string, line: number): string | null => {
    const id = byLabel.get(label.toLowerCase()) ?? null;
    if (id === null) notes.push({ line, code: 'step-missing', text: label });
    return id;
  };
  /** What an answer leads to: a step by its number, or new steps for what it says to do. */
  const lead = (said: TextAnswer, next: string | null): string | null => {
    const bare = bareGoTo.exec(said.does.trim());
    if (bare?.[1]) return target(bare[1], said.line);
    const jump = goTo.exec(said.does);
    const rest = said.does
      .replace(goTo, '')
      .replace(/\b(and|then)\s*[,.]?\s*$/i, '')
      .replace(/^[,;\s]+|[,;.\s]+$/g, '');
    const onward = jump?.[1] ? target(jump[1], said.line) : next;
    if (rest === '') return onward;
    const head = headIn(rest, 0, rest);
    const isLast = head.startsWith('verdict') || (head === 'act replace' && !jump);
    const title = plainLabel(`${rest[0]?.toUpperCase() ?? ''}${rest.slice(1)}`);
    // the same end is said once
    const known = isLast ? nodes.concat(extra).find((n) => n.title === title && n.answers.length === 0) : undefined;
    if (known) return known.id;
    const id = freshId(title, taken);
    taken.add(id);
    notes.push({
      line: said.line,
      code: 'taken-as',
      text: isLast && head === 'act replace' ? 'verdict cause-found' : head,
    });
    extra.push({
      id,
      head: isLast && head === 'act replace' ? 'verdict cause-found' : head,
      title,
      answers: isLast ? [] : head === 'look' || head.startsWith('measure') ? [] : [{ answer: 'done', next: onward }],
    });
    return id;
  };
  steps.forEach((step, i) => {
    const { head, answers } = step;
    const kind = head.split(' ')[0] ?? '';
    const next = steps[i + 1]?.id ?? null;
    const onward = (): string => next ?? theEnd(step.line.line);
    const jump = goTo.exec(step.whole);
    const of: DrawnAnswer[] = [];
    const say = (answer: string, to: string | null) => {
      if (!of.some((a) => a.answer === answer)) of.push({ answer, next: to });
    };
    if (kind === 'look') {
      for (const a of answers) {
        const left = of.some((x) => x.answer === 'no') ? 'yes' : 'no';
        const answer =
          a.answer === 'yes' || a.answer === 'no'
            ? a.answer
            : a.answer === 'out'
              ? 'no'
              : a.answer === 'else'
                ? left
                : of.length === 0
                  ? 'no'
                  : 'yes';
        if (answer !== a.answer && a.answer !== 'else' && a.answer !== 'out')
          notes.push({ line: a.line, code: 'answer-unread', text: a.answer });
        say(answer, lead(a, next));
      }
      say('yes', onward());
      say('no', of.length === 2 ? null : onward());
    } else if (kind === 'measure') {
      for (const a of answers) {
        const to = lead(a, next);
        const said = new Set(of.map((x) => x.answer));
        // what is said last is of all that was not said before
        if (a.answer === 'else')
          for (const other of said.has('pass') ? ['low', 'high'] : ['pass', 'low', 'high']) say(other, to);
        else if (a.answer === 'yes') say('pass', to);
        else if (a.answer === 'no' || a.answer === 'out') {
          say('low', to);
          say('high', to);
        } else say(a.answer, to);
      }
      if (!of.some((a) => a.answer === 'pass')) say('pass', onward());
      say('low', null);
      say('high', null);
    } else if (kind === 'ask' || kind === 'operate') {
      for (const a of answers)
        say(
          a.answer === 'else' || a.answer === 'out' ? (of.some((x) => x.answer === 'no') ? 'yes' : 'no') : a.answer,
          lead(a, next),
        );
      if (of.length < 2) say(of.some((a) => a.answer === 'no') ? 'yes' : of.length === 0 ? 'yes' : 'no', onward());
      if (of.length < 2) say('no', null);
    } else if (kind !== 'verdict') {
      say('done', jump?.[1] ? target(jump[1], step.line.line) : onward());
    }
    const share = context.shares?.get(step.line.line) ?? null;
    const band = kind === 'measure' ? bandOfText(step.whole, share, context) : null;
    const at = step.line.line;
    if (band?.assumed != null) notes.push({ line: at, code: 'tolerance-assumed', text: String(band.assumed) });
    if (band?.assumedBeta !== undefined) notes.push({ line: at, code: 'beta-assumed', text: String(band.assumedBeta) });
    if (kind === 'measure' && !band && /\bwithin\b.*\b(?:set|setting|set ?point|target)\b/i.test(step.whole))
      notes.push({ line: at, code: 'setting-unknown', text: step.title });
    const fields: Record<string, unknown> = {
      ...(step.words.length > 0 ? { text: step.words.join(' ').slice(0, 4000) } : {}),
      ...(band ? { band: band.band } : {}),
    };
    nodes.push({
      id: step.id,
      head,
      title: step.title,
      answers: of,
      ...(Object.keys(fields).length > 0 ? { fields } : {}),
    });
    for (const made of extra.splice(0)) nodes.push(made);
  });
  return { drawn: { start: nodes[0]?.id ?? '', nodes: nodes as DrawnNode[] }, notes };
}

/**
 * Reads text that was pasted as a chart: a Mermaid flowchart, an outline, or a numbered list in plain words; which of
 * them is told by the text itself. Nothing is refused silently: every line that was guessed or not read is noted.
 */
export function readChartText(text: string, context: TextContext = noContext): ReadText {
  const body = text.replace(/^\s*---\s*\n[\s\S]*?\n\s*---\s*\n/, '');
  const first = body.split(/\r?\n/).find((l) => l.trim() !== '' && !l.trim().startsWith('%%')) ?? '';
  if (
    /^\s*(flowchart|graph)\b/.test(first) ||
    /^\s*[a-z]+(Diagram|Graph)\b|^\s*(gantt|pie|mindmap|timeline|journey|kanban)\b/.test(first)
  ) {
    const { drawn, problems } = readMermaid(text);
    return {
      drawn,
      as: 'mermaid',
      notes: problems.map((p) => ({ ...p, code: p.code === 'no-flowchart' ? 'line-unread' : p.code })),
    };
  }
  if (stepLine(first.trim())) {
    const { drawn, problems } = readOutline(text);
    return {
      drawn,
      as: 'outline',
      notes: problems.map((p): TextNote => {
        const code =
          p.code === 'nothing-there' || p.code === 'too-many-steps'
            ? p.code
            : p.code === 'link-to-nothing'
              ? 'step-missing'
              : 'line-unread';
        return { line: p.line, code, text: p.text };
      }),
    };
  }
  const { drawn, notes } = readNumbered(text, context);
  const whole: TextNote[] = [
    ...(drawn.nodes.length === 0 ? [{ line: 1, code: 'nothing-there', text: '' } as const] : []),
    ...(drawn.nodes.length > mostNodes
      ? [{ line: 1, code: 'too-many-steps', text: String(drawn.nodes.length) } as const]
      : []),
  ];
  return { drawn, as: 'numbered', notes: [...whole, ...notes] };
}

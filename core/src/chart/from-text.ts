import { type Quantity, quantities, unitNames } from '../base/quantity.ts';
import { type Drawn, type DrawnAnswer, type DrawnNode, freshId, plainLabel, waitText } from './drawn.ts';
import { readMermaid } from './mermaid.ts';
import { mostNodes, readOutline, stepLine } from './outline.ts';

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
    | 'line-unread';
  text: string;
}>;

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

const answerStart = /^(yes|no|ok|good|bad|low|high|open|short|if\b|otherwise|else\b|when\b)/i;
const goTo =
  /\b(?:go(?: on)?(?: back)? to|continue (?:with|at)|proceed to|see|then|on to|→|->|=>)\s*(?:step\s*)?(\d{1,4}(?:\.\d+)*|[a-z])(?![\w.]*\w)/i;
const bareGoTo = /^(?:step\s*)?(\d{1,4}(?:\.\d+)*)\.?$/i;

/** The sentences of a step, each with its own clauses for what to do then. */
const sentences = (text: string): string[] =>
  text
    .split(/(?<=[.?!;])\s+(?=\S)/)
    .map((s) => s.trim())
    .filter(Boolean);

type Said = { answer: string; does: string; line: number };

/** `if not, clean it and go to 3` → what is answered and what follows. */
function answerIn(sentence: string, line: number): Said[] {
  const trimmed = sentence.replace(/[.;]$/, '').trim();
  const both = /^(.*?)[,;]?\s+(?:otherwise|else|if not)[,:]?\s+(.*)$/i.exec(trimmed);
  if (both?.[1] && both[2] && answerStart.test(both[1]))
    return [...answerIn(both[1], line), { answer: 'no', does: both[2], line }];
  const direct = /^(yes|no|ok|good|bad|low|too low|high|too high|open|short)\s*(?:[:,–—-]|→|->|=>)+\s*(.*)$/i.exec(
    trimmed,
  );
  if (direct?.[1]) return [{ answer: wordFor(direct[1]), does: direct[2] ?? '', line }];
  const otherwise = /^(?:otherwise|else)[,:]?\s+(.*)$/i.exec(trimmed);
  if (otherwise?.[1]) return [{ answer: 'no', does: otherwise[1], line }];
  const cond = /^(?:if|when)\s+(.+?)(?:\s*[,:;→]|\s+then\b|\s*->|\s+(?=go to\b))\s*(.*)$/i.exec(trimmed);
  if (cond?.[1]) return [{ answer: wordFor(cond[1]), does: cond[2] ?? '', line }];
  return [];
}

/** What a condition comes to as an answer. */
function wordFor(said: string): string {
  const text = said
    .trim()
    .toLowerCase()
    .replace(/^(it|this|that) (is|does|reads) /, '');
  if (/^(yes|so|it is|it does|ok|good|fine|in order|clean|free)$/.test(text)) return 'yes';
  if (/^(no|not|it is not|it does not|not so|bad|isn.t|doesn.t)$/.test(text) || /^not\b/.test(text)) return 'no';
  if (/\b(below|under|less|too low|low|lower|smaller)\b/.test(text)) return 'low';
  if (/\b(above|over|more|too high|high|higher|larger)\b/.test(text)) return 'high';
  if (/\bopen\b|\bol\b|infinite/.test(text)) return 'open';
  if (/\bshort/.test(text)) return 'short';
  return plainLabel(said);
}

const verbs: ReadonlyArray<readonly [RegExp, string]> = [
  [/^(?:re)?place\b|^fit a new|^change the|^renew|^swap/i, 'act replace'],
  [/^clean|^wipe|^rinse|^descale|^blow out|^clear the/i, 'act clean'],
  [/^isolate|^switch off and lock|^unplug|^disconnect the (?:supply|mains|battery)/i, 'act isolate'],
  [/^put .* back|^refit|^close the|^screw .* on|^reconnect/i, 'act put-back'],
  [/^reseat|^push .* (?:in|home)|^plug .* in|^unplug and plug/i, 'act reseat'],
  [/^adjust|^tighten|^set the|^turn the|^loosen|^free\b/i, 'act adjust'],
  [/^wait|^let it (?:stand|cool|warm|rest)/i, 'wait'],
  [/^measure|^meter\b|^ohm out|^read the (?:voltage|resistance|pressure)/i, 'measure'],
  [/^run|^start|^operate|^let it (?:run|drain|fill|heat)|^trigger/i, 'operate'],
  [/^ask/i, 'ask'],
  [/^hand (?:it )?on|^call|^send|^report to|^contact/i, 'verdict hand-on'],
  [/^stop\b|^do not (?:go on|use)|^take it out of use/i, 'verdict unsafe-stop'],
];

const unitQuantity = new Map<string, Quantity>(
  quantities.flatMap((q) =>
    unitNames(q)
      .filter(Boolean)
      .map((u) => [u.toLowerCase(), q] as const),
  ),
);
const number = String.raw`(\d+(?:[.,]\d+)?)`;
const unit = String.raw`\s*(k|M|m)?\s*(Ω|Ω|ohms?|kΩ|MΩ|V|mV|A|mA|bar|mbar|psi|kPa|°C|°F|L\/min|Hz|rpm|%|s\b|min\b)`;
const between = new RegExp(`${number}${unit}?\\s*(?:to|–|-|\\.\\.|and)\\s*${number}${unit}`, 'i');
const about = new RegExp(`${number}${unit}\\s*(?:±|\\+\\/-|\\+-)\\s*${number}\\s*%`, 'i');
const atLeast = new RegExp(`(?:at least|over|above|more than|from|≥|>)\\s*${number}${unit}`, 'i');
const atMost = new RegExp(`(?:at most|under|below|less than|up to|≤|<)\\s*${number}${unit}`, 'i');

const value = (text: string | undefined, prefix: string | undefined, name: string | undefined): number => {
  const plain = Number((text ?? '').replace(',', '.'));
  const p =
    prefix ?? (/^k/.test(name ?? '') ? 'k' : /^M/.test(name ?? '') ? 'M' : /^m[VA]/.test(name ?? '') ? 'm' : '');
  return plain * (p === 'k' ? 1e3 : p === 'M' ? 1e6 : p === 'm' ? 1e-3 : 1);
};
const quantityOf = (name: string | undefined): Quantity => {
  const bare = (name ?? '').replace(/^[kM](?=Ω|Ω)/, '').replace(/^m(?=[VA])/, '');
  if (/^(Ω|Ω|ohms?)$/i.test(bare)) return 'resistance';
  return unitQuantity.get(bare.toLowerCase()) ?? 'resistance';
};

/** The good band a sentence names, with what it is of; null where it names none. */
function bandIn(text: string): { quantity: Quantity; least: number | null; most: number | null } | null {
  const pm = about.exec(text);
  if (pm) {
    const middle = value(pm[1], pm[2], pm[3]);
    const share = Number((pm[4] ?? '').replace(',', '.')) / 100;
    return { quantity: quantityOf(pm[3]), least: middle * (1 - share), most: middle * (1 + share) };
  }
  const span = between.exec(text);
  if (span) {
    const [prefix, name] = [span[5], span[6]];
    return {
      quantity: quantityOf(name),
      least: value(span[1], span[2] ?? prefix, span[3] ?? name),
      most: value(span[4], prefix, name),
    };
  }
  const [low, high] = [atLeast.exec(text), atMost.exec(text)];
  if (low) return { quantity: quantityOf(low[3]), least: value(low[1], low[2], low[3]), most: null };
  if (high) return { quantity: quantityOf(high[3]), least: null, most: value(high[1], high[2], high[3]) };
  return null;
}

const waitMs = (text: string): number => {
  const [, n, u = ''] = /(\d+(?:[.,]\d+)?)\s*(s|sec|seconds?|min|minutes?|h|hours?|days?)\b/i.exec(text) ?? [];
  const size = /^d/i.test(u) ? 86_400_000 : /^h/i.test(u) ? 3_600_000 : /^m/i.test(u) ? 60_000 : 1000;
  return n ? Number(n.replace(',', '.')) * size : 600_000;
};

/** What kind of step a sentence asks for. */
function headIn(sentence: string, answers: number, all: string): string {
  const band = bandIn(all);
  const verb = verbs.find(([says]) => says.test(sentence))?.[1];
  if (verb === 'wait') return `wait ${waitText(waitMs(sentence))}`;
  if (verb === 'measure' || (band && /^(check|test|read)\b/i.test(sentence)))
    return `measure ${band?.quantity ?? 'resistance'}`;
  if (verb) return verb;
  if (/\?$/.test(sentence) || /^(check|look|see|inspect|is|are|does|do|has|can)\b/i.test(sentence) || answers > 0)
    return 'look';
  return 'act adjust';
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
function readNumbered(text: string): { drawn: Drawn; notes: TextNote[] } {
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
    const answers: Said[] = [];
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
  const lead = (said: Said, next: string | null): string | null => {
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
        const answer = a.answer === 'yes' || a.answer === 'no' ? a.answer : of.length === 0 ? 'no' : 'yes';
        if (answer !== a.answer) notes.push({ line: a.line, code: 'answer-unread', text: a.answer });
        say(answer, lead(a, next));
      }
      say('yes', onward());
      say('no', of.length === 2 ? null : onward());
    } else if (kind === 'measure') {
      for (const a of answers) {
        if (a.answer === 'yes') say('pass', lead(a, next));
        else if (a.answer === 'no') {
          const to = lead(a, next);
          say('low', to);
          say('high', to);
        } else say(a.answer, lead(a, next));
      }
      say('pass', onward());
      say('low', null);
      say('high', null);
    } else if (kind === 'ask' || kind === 'operate') {
      for (const a of answers) say(a.answer, lead(a, next));
      if (of.length < 2) say(of.some((a) => a.answer === 'no') ? 'yes' : of.length === 0 ? 'yes' : 'no', onward());
      if (of.length < 2) say('no', null);
    } else if (kind !== 'verdict') {
      say('done', jump?.[1] ? target(jump[1], step.line.line) : onward());
    }
    const band = kind === 'measure' ? bandIn(step.whole) : null;
    const fields: Record<string, unknown> = {
      ...(step.words.length > 0 ? { text: step.words.join(' ').slice(0, 4000) } : {}),
      ...(band ? { band: { kind: 'fixed', least: band.least, most: band.most } } : {}),
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
export function readChartText(text: string): ReadText {
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
  const { drawn, notes } = readNumbered(text);
  const whole: TextNote[] = [
    ...(drawn.nodes.length === 0 ? [{ line: 1, code: 'nothing-there', text: '' } as const] : []),
    ...(drawn.nodes.length > mostNodes
      ? [{ line: 1, code: 'too-many-steps', text: String(drawn.nodes.length) } as const]
      : []),
  ];
  return { drawn, as: 'numbered', notes: [...whole, ...notes] };
}

/** A note in one plain sentence. */
export function textNoteWords(note: TextNote): string {
  switch (note.code) {
    case 'taken-as':
      return `taken as ${note.text}`;
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
    case 'line-unread':
      return `“${note.text}” could not be read`;
  }
}

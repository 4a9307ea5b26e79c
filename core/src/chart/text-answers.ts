import { parseReading, type Quantity, quantities } from '../base/quantity.ts';
import { plainLabel, waitText } from './drawn.ts';

export const answerStart = /^(yes|no|ok|good|bad|low|high|open|short|if\b|otherwise|else\b|when\b)/i;
export const goTo =
  /\b(?:go(?: on)?(?: back)? to|continue (?:with|at)|proceed to|see|then|on to|→|->|=>)\s*(?:step\s*)?(\d{1,4}(?:\.\d+)*|[a-z])(?![\w.]*\w)/i;
export const bareGoTo = /^(?:step\s*)?(\d{1,4}(?:\.\d+)*)\.?$/i;

/** The sentences of a step, each with its own clauses for what to do then. */
export const sentences = (text: string): string[] =>
  text
    .split(/(?<=[.?!;])\s+(?=\S)/)
    .map((s) => s.trim())
    .filter(Boolean);

export type TextAnswer = { answer: string; does: string; line: number };

/** `if not, clean it and go to 3` → what is answered and what follows. */
export function answerIn(sentence: string, line: number): TextAnswer[] {
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

/** Statements that end a list: what was found, that nothing was, or how it is left. */
const ends: ReadonlyArray<readonly [RegExp, string]> = [
  [
    /^(?:nothing|no (?:fault|cause))(?: was| is)?(?: to be)? found\b|^no fault\b|^(?:it )?(?:all )?is (?:good|well|in order)\b/i,
    'nothing-found',
  ],
  [/^(?:the )?cause(?: is\b|:| found\b)/i, 'cause-found'],
  [
    /\b(?:is|are|has|have|was|were) (?:been )?(?:bad|faulty|broken|defective|shorted|open|worn|blocked|clogged|stuck|seized|gone|dead|burnt|burned|damaged|leaking|failed|drifted)(?:\s[\w-]+){0,4}[.;!]?$/i,
    'cause-found',
  ],
  [/^leave it (?:running )?(?:limited|without|on one)|^(?:it )?runs? (?:on )?limited\b/i, 'left-limited'],
];

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const unit = String.raw`\s*((?:k|M|m)?\s*(?:Ω|Ω|ohms?)|m?V|m?A|m?bar|psi|kPa|°C|°F|L\/min|gpm|k?Hz|rpm|%|s\b|min\b|kW|W\b|kg|g\b|L\b)`;
const between = new RegExp(`${number}(?:${unit})?\\s*(?:to|–|-|\\.\\.|and)\\s*${number}${unit}`, 'i');
const about = new RegExp(`${number}${unit}\\s*(?:±|\\+\\/-|\\+-)\\s*${number}\\s*%`, 'i');
const atLeast = new RegExp(`(?:at least|over|above|more than|from|≥|>)\\s*${number}${unit}`, 'i');
const atMost = new RegExp(`(?:at most|under|below|less than|up to|≤|<)\\s*${number}${unit}`, 'i');

/** A number with its unit, in the base unit of whatever it is of; the first quantity that has such a unit. */
function amountIn(digits: string, unitText: string): { quantity: Quantity; value: number } | null {
  for (const quantity of quantities) {
    const read = parseReading(`${digits} ${unitText.replace(/\s+/g, '')}`, quantity);
    if (read.ok && read.value.kind === 'value') return { quantity, value: read.value.value };
  }
  return null;
}

/** The good band a sentence names, in base units, with what it is of; null where it names none. */
export function bandIn(text: string): { quantity: Quantity; least: number | null; most: number | null } | null {
  const [, middle, ofMiddle, percent] = about.exec(text) ?? [];
  if (middle && ofMiddle && percent) {
    const read = amountIn(middle, ofMiddle);
    const share = Number(percent.replace(',', '.')) / 100;
    return read && { quantity: read.quantity, least: read.value * (1 - share), most: read.value * (1 + share) };
  }
  const [, from, ofFrom, to, ofTo] = between.exec(text) ?? [];
  if (from && to && ofTo) {
    const [least, most] = [amountIn(from, ofFrom ?? ofTo), amountIn(to, ofTo)];
    return least && most && { quantity: most.quantity, least: least.value, most: most.value };
  }
  const [low, high] = [atLeast.exec(text), atMost.exec(text)];
  const bound = low ?? high;
  const read = bound?.[1] && bound[2] ? amountIn(bound[1], bound[2]) : null;
  return read && { quantity: read.quantity, least: low ? read.value : null, most: low ? null : read.value };
}

const waitMs = (text: string): number => {
  const [, n, u = ''] = /(\d+(?:[.,]\d+)?)\s*(s|sec|seconds?|min|minutes?|h|hours?|days?)\b/i.exec(text) ?? [];
  const size = /^d/i.test(u) ? 86_400_000 : /^h/i.test(u) ? 3_600_000 : /^m/i.test(u) ? 60_000 : 1000;
  return n ? Number(n.replace(',', '.')) * size : 600_000;
};

/** What kind of step a sentence asks for. */
export function headIn(sentence: string, answers: number, all: string): string {
  const band = bandIn(all);
  const verb = verbs.find(([says]) => says.test(sentence))?.[1];
  if (verb === 'wait') return `wait ${waitText(waitMs(sentence))}`;
  if (verb === 'measure' || (band && /^(check|test|read)\b/i.test(sentence)))
    return `measure ${band?.quantity ?? 'resistance'}`;
  if (verb) return verb;
  if (/\?$/.test(sentence) || /^(check|look|see|inspect|is|are|does|do|has|can)\b/i.test(sentence) || answers > 0)
    return 'look';
  // what says where to go on is no end
  const end = goTo.test(all) ? undefined : ends.find(([says]) => says.test(sentence))?.[1];
  return end ? `verdict ${end}` : 'act adjust';
}

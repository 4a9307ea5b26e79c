import { plainLabel, waitText } from './drawn.ts';
import { bandOfText } from './text-bands.ts';

export const answerStart = /^(yes|no|ok|good|bad|low|high|open|short|out\b|if\b|otherwise|else\b|when\b)/i;
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
    return [...answerIn(both[1], line), { answer: 'else', does: both[2], line }];
  const direct =
    /^(yes|no|ok|good|bad|low|too low|high|too high|open|short|out|out of range)\s*(?:[:,–—-]|→|->|=>)+\s*(.*)$/i.exec(
      trimmed,
    );
  if (direct?.[1]) return [{ answer: wordFor(direct[1]), does: direct[2] ?? '', line }];
  const otherwise = /^(?:otherwise|else)[,:]?\s+(.*)$/i.exec(trimmed);
  if (otherwise?.[1]) return [{ answer: 'else', does: otherwise[1], line }];
  const cond = /^(?:if|when)\s+(.+?)(?:\s*[,:;→]|\s+then\b|\s*->|\s+(?=go to\b))\s*(.*)$/i.exec(trimmed);
  if (cond?.[1]) return [{ answer: wordFor(cond[1]), does: cond[2] ?? '', line }];
  return [];
}

/** What a condition comes to as an answer. */
function wordFor(said: string): string {
  const text = said
    .trim()
    .toLowerCase()
    .replace(/^(?:it|this|that|the reading|the value)(?: is|'s| does| reads)? /, '')
    .replace(/^(?:is|reads|measures) /, '');
  if (
    /^(?:out|out of (?:it|range|limits|band|spec|tolerance)|outside(?: (?:it|of it|this|that|the range))?|off|not (?:in|within) (?:it|range|limits|spec|tolerance)|wrong|not right|not good|anything else)$/.test(
      text,
    )
  )
    return 'out';
  if (/^(?:in|in range|within(?: it| range| limits| spec| tolerance)?|right|correct)$/.test(text)) return 'yes';
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

const waitMs = (text: string): number => {
  const [, n, u = ''] = /(\d+(?:[.,]\d+)?)\s*(s|sec|seconds?|min|minutes?|h|hours?|days?)\b/i.exec(text) ?? [];
  const size = /^d/i.test(u) ? 86_400_000 : /^h/i.test(u) ? 3_600_000 : /^m/i.test(u) ? 60_000 : 1000;
  return n ? Number(n.replace(',', '.')) * size : 600_000;
};

/** What kind of step a sentence asks for. */
export function headIn(sentence: string, answers: number, all: string): string {
  const band = bandOfText(all);
  const verb = verbs.find(([says]) => says.test(sentence))?.[1];
  if (verb === 'wait') return `wait ${waitText(waitMs(sentence))}`;
  if (
    verb === 'measure' ||
    (band && (band.assumed === null || band.quantity === 'resistance') && /^(check|test|read)\b/i.test(sentence))
  )
    return `measure ${band?.quantity ?? 'resistance'}`;
  if (verb) return verb;
  if (/\?$/.test(sentence) || /^(check|look|see|inspect|is|are|does|do|has|can)\b/i.test(sentence) || answers > 0)
    return 'look';
  // what says where to go on is no end
  const end = goTo.test(all) ? undefined : ends.find(([says]) => says.test(sentence))?.[1];
  return end ? `verdict ${end}` : 'act adjust';
}

import type { NodeId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Chart, ChartNode } from '../model/chart.ts';

/** One answer a node takes. `next` is null at an open end, and where the answer means the same node once more. */
export type Choice = Readonly<{ answer: string; next: NodeId | null; again: boolean }>;

const to = (answer: string, next: NodeId | null | undefined): Choice => ({ answer, next: next ?? null, again: false });
const onlyIf = (answer: string, next: NodeId | undefined): Choice[] => (next ? [to(answer, next)] : []);

/** What "cannot tell" is called among the answers; it has one way for the whole chart unless a node has its own. */
export const cannotTell = 'cannot tell';
export const otherwise = 'something else';
/** What a reading is called that is good only since something was done about it. */
export const passAfterRemedy = 'pass after a remedy';
export const [itStopped, itComesAgain] = ['it stopped', 'it comes again'] as const;

/**
 * The answers a node takes and where each leads. Measurements and comparisons answer with their verdict, what is run
 * and watched with `pass` or `fail`, a call with what the other chart finds. A verdict has none.
 */
export function choicesOf(node: ChartNode, chart: Pick<Chart, 'cannotTell'>): Choice[] {
  const doubt = (own: NodeId | undefined): Choice[] => onlyIf(cannotTell, own ?? chart.cannotTell);
  switch (node.kind) {
    case 'look':
      return [to('yes', node.yes), to('no', node.no), ...doubt(node.cannotTell)];
    case 'ask':
      return [...node.answers.map(({ answer, next }) => to(answer, next)), ...doubt(node.cannotTell)];
    case 'operate':
      return [
        ...(node.watch
          ? [to('pass', node.pass), to('fail', node.fail)]
          : node.answers.map(({ answer, next }) => to(answer, next))),
        ...doubt(node.cannotTell),
      ];
    case 'measure':
      return [
        to('pass', node.pass),
        to('low', node.low),
        to('high', node.high),
        ...onlyIf('open', node.open),
        ...onlyIf('short', node.short),
        ...onlyIf(passAfterRemedy, node.passAfter),
        node.tooClose ? to('too-close', node.tooClose) : { answer: 'too-close', next: null, again: true },
      ];
    case 'compare':
      return [to('pass', node.pass), to('low', node.low), to('high', node.high)];
    case 'remedies':
      return [to(itStopped, node.stopped), to(itComesAgain, node.comesAgain)];
    case 'act':
    case 'wait':
    case 'set':
      return [to('done', node.next)];
    case 'split':
      return [...node.cases.map((c) => to(c.is, c.next)), ...onlyIf(otherwise, node.otherwise)];
    case 'call':
      return [to('nothing found', node.nothingFound), ...onlyIf('cause found', node.causeFound)];
    case 'verdict':
      return [];
    default:
      return assertNever(node);
  }
}

/** Gives every place of a node that names another node to `change`, and puts back what it returns; null opens the end. */
export function changeTargets<N extends ChartNode>(node: N, change: (id: NodeId, answer: string) => NodeId | null): N {
  const any: ChartNode = node;
  const must = (id: NodeId | null, answer: string): NodeId | null => (id === null ? null : change(id, answer));
  const may = <K extends string>(key: K, id: NodeId | undefined, answer: string): { [P in K]?: NodeId } => {
    const now = id === undefined ? null : change(id, answer);
    return (now === null ? {} : { [key]: now }) as { [P in K]?: NodeId };
  };
  const without = <T extends object, K extends keyof T>(of: T, ...keys: K[]): Omit<T, K> => {
    const copy = { ...of };
    for (const key of keys) delete copy[key];
    return copy;
  };
  const done = ((): ChartNode => {
    switch (any.kind) {
      case 'look':
        return {
          ...without(any, 'cannotTell'),
          yes: must(any.yes, 'yes'),
          no: must(any.no, 'no'),
          ...may('cannotTell', any.cannotTell, cannotTell),
        };
      case 'ask':
      case 'operate': {
        const answers = any.answers.map((a) => ({ ...a, next: must(a.next, a.answer) }));
        const doubt = may('cannotTell', any.cannotTell, cannotTell);
        if (any.kind === 'ask') return { ...without(any, 'cannotTell'), answers, ...doubt };
        return {
          ...without(any, 'cannotTell', 'pass', 'fail'),
          answers,
          ...doubt,
          ...may('pass', any.pass, 'pass'),
          ...may('fail', any.fail, 'fail'),
        };
      }
      case 'measure':
        return {
          ...without(any, 'tooClose', 'open', 'short', 'passAfter'),
          pass: must(any.pass, 'pass'),
          low: must(any.low, 'low'),
          high: must(any.high, 'high'),
          ...may('tooClose', any.tooClose, 'too-close'),
          ...may('open', any.open, 'open'),
          ...may('short', any.short, 'short'),
          ...may('passAfter', any.passAfter, passAfterRemedy),
        };
      case 'compare':
        return { ...any, pass: must(any.pass, 'pass'), low: must(any.low, 'low'), high: must(any.high, 'high') };
      case 'remedies':
        return {
          ...any,
          stopped: must(any.stopped, itStopped),
          comesAgain: must(any.comesAgain, itComesAgain),
        };
      case 'act':
      case 'wait':
      case 'set':
        return { ...any, next: must(any.next, 'done') };
      case 'split':
        return {
          ...without(any, 'otherwise'),
          cases: any.cases.map((c) => ({ ...c, next: must(c.next, c.is) })),
          ...may('otherwise', any.otherwise, otherwise),
        };
      case 'call':
        return {
          ...without(any, 'causeFound'),
          nothingFound: must(any.nothingFound, 'nothing found'),
          ...may('causeFound', any.causeFound, 'cause found'),
        };
      case 'verdict':
        return any;
      default:
        return assertNever(any);
    }
  })();
  const { retries } = done;
  return (retries?.after ? { ...done, retries: { ...retries, after: must(retries.after, 'retries') } } : done) as N;
}

/**
 * Leads one answer of a node to another node, or opens its end with null. An answer that is not there is added where
 * the node takes any; elsewhere it counts as what the node says of everything else.
 */
export function leadAnswer(node: ChartNode, answer: string, next: NodeId | null): ChartNode {
  const optional = <N extends ChartNode, K extends string>(of: N, key: K): N => {
    const copy = { ...of } as N & Record<K, unknown>;
    delete copy[key];
    return (next === null ? copy : { ...copy, [key]: next }) as N;
  };
  const inList = <T extends { next: NodeId | null }>(list: readonly T[], is: (item: T) => boolean, made: T): T[] =>
    list.some(is) ? list.map((item) => (is(item) ? { ...item, next } : item)) : [...list, made];
  switch (node.kind) {
    case 'look':
      if (answer === 'yes' || answer === 'no') return { ...node, [answer]: next };
      return optional(node, 'cannotTell');
    case 'ask':
    case 'operate':
      if (answer === cannotTell) return optional(node, 'cannotTell');
      if (node.kind === 'operate' && node.watch && (answer === 'pass' || answer === 'fail'))
        return optional(node, answer);
      return {
        ...node,
        answers: inList(node.answers, (a) => a.answer === answer, { answer, next }),
      };
    case 'measure':
      if (answer === 'pass' || answer === 'low' || answer === 'high') return { ...node, [answer]: next };
      if (answer === 'open' || answer === 'short') return optional(node, answer);
      if (answer === passAfterRemedy) return optional(node, 'passAfter');
      return optional(node, 'tooClose');
    case 'compare':
      return answer === 'pass' || answer === 'low' || answer === 'high' ? { ...node, [answer]: next } : node;
    case 'remedies':
      return answer === itStopped ? { ...node, stopped: next } : { ...node, comesAgain: next };
    case 'act':
    case 'wait':
    case 'set':
      return { ...node, next };
    case 'split':
      if (answer === otherwise) return optional(node, 'otherwise');
      return { ...node, cases: inList(node.cases, (c) => c.is === answer, { is: answer, next }) };
    case 'call':
      return answer === 'cause found' ? optional(node, 'causeFound') : { ...node, nothingFound: next };
    case 'verdict':
      return node;
    default:
      return assertNever(node);
  }
}

import type { NodeId, PartId } from '../base/ids.ts';
import type { ChartNode, NodeOf } from '../model/chart.ts';
import { itStopped } from './choices.ts';
import { foundParts } from './graph.ts';
import type { Step } from './step.ts';

export type Remedy = NodeOf<'remedies'>['remedies'][number];

/** Which of a node's remedies a walk is at, from 0: as many as it has come again after since it came there. */
export function remedyAt(path: readonly Step[], node: NodeId): number {
  const since = path.findLastIndex((s) => s.node.id !== node);
  return path.length - 1 - since;
}

/** The remedy that helped, where one has: the last that is said to have stopped it. */
export function stoppedBy(path: readonly Step[]): Remedy | null {
  const at = path.findLastIndex((s) => s.node.kind === 'remedies' && s.answer === itStopped);
  const step = path[at];
  if (step?.node.kind !== 'remedies') return null;
  return step.node.remedies[remedyAt(path.slice(0, at), step.node.id)] ?? null;
}

/** Remedies that were done on a walk: those before the one it is at, and the one that helped. */
export const remediesDone = (path: readonly Step[]): Remedy[] =>
  path.flatMap((step, i) =>
    step.node.kind === 'remedies' && step.skipped === null
      ? (step.node.remedies[remedyAt(path.slice(0, i), step.node.id)] ?? [])
      : [],
  );

/** The parts that were put in new on the way: at a step that replaces one, or as a remedy. */
export const putInNew = (path: readonly Step[]): ReadonlySet<PartId> =>
  new Set([
    ...path.flatMap(({ node }) => (node.kind === 'act' && node.act === 'replace' && node.part ? [node.part] : [])),
    ...remediesDone(path).flatMap(({ act, part }) => (act === 'replace' && part ? [part] : [])),
  ]);

const helps: ReadonlySet<string> = new Set(['clean', 'reseat', 'adjust', 'replace']);
/** Whether a step does something about a fault. */
export const isRemedyNode = (node: ChartNode): boolean =>
  node.kind === 'remedies' || (node.kind === 'act' && helps.has(node.act));
const isRemedy = ({ node, skipped }: Step): boolean => skipped === null && isRemedyNode(node);

/** The parts something is done to in a step. */
const partsOf = (node: ChartNode): readonly PartId[] => [
  ...node.about,
  ...(node.kind === 'act' && node.part ? [node.part] : []),
  ...foundParts(node),
];

/** Whether a remedy is done to what a step is about. */
export const touches = (remedy: ChartNode, { about }: ChartNode): boolean =>
  partsOf(remedy).some((part) => about.includes(part));

/**
 * What was done about a reading: a part that was cleaned, put right or changed since it was last not good at this step, or,
 * where it was not read before, one that this step is about. Null where nothing was.
 */
export function remediedBefore(path: readonly Step[], node: ChartNode): ChartNode | null {
  const bad = path.findLastIndex((s) => s.node.id === node.id && s.skipped === null && s.answer !== 'pass');
  const done = path.slice(bad + 1).filter(isRemedy);
  return (bad < 0 ? done.find((s) => touches(s.node, node)) : done[0])?.node ?? null;
}

/** The part behind it, where a new one is wanted: not where cleaning it or putting it right was what helped. */
export function causeToRenew(path: readonly Step[], cause: PartId | null): PartId | null {
  const helped = stoppedBy(path);
  return helped?.part !== cause || helped?.act === 'replace' ? cause : null;
}

/** The part that was behind it: as the verdict says, else what the remedy was done to that helped. */
export const causeOf = (path: readonly Step[], cause: PartId | undefined): PartId | null =>
  cause ?? stoppedBy(path)?.part ?? null;

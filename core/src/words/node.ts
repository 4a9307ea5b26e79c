import { assertNever } from '../base/result.ts';
import { waitText } from '../chart/drawn.ts';
import { type ChartNode, nodeKinds } from '../model/chart.ts';
import { verdictWords } from './band.ts';
import { nodeKindWords } from './names.ts';

/** What a step of a chart asks for, and how much of it, as people say it: “Measure resistance”, “Wait 8 min”. */
export function nodeHeadWords(node: ChartNode): string {
  const kind = nodeKindWords[node.kind];
  switch (node.kind) {
    case 'measure':
      return `${kind} ${node.quantity.replaceAll('-', ' ')}`;
    case 'act':
      return `${kind}: ${node.act.replaceAll('-', ' ')}`;
    case 'wait':
      return `${kind} ${waitText(node.waitMs)}`;
    case 'verdict':
      return verdictWords[node.verdict];
    case 'ask':
    case 'call':
    case 'compare':
    case 'look':
    case 'operate':
    case 'remedies':
    case 'set':
    case 'split':
      return kind;
    default:
      return assertNever(node);
  }
}

/** The head of a step in words: what it asks for, and what is done. */
export function headWords(head: string): string {
  const [kind = '', ...more] = head.split(' ');
  const words = nodeKinds.find((k) => k === kind);
  return [words ? nodeKindWords[words] : kind, more.join(' ').replaceAll('-', ' ')].filter(Boolean).join(': ');
}

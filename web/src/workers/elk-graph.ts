import type { ElkNode } from 'elkjs/lib/elk-api.js';

export type Box = Readonly<{ id: string; width: number; height: number }>;
export type Arrow = Readonly<{
  id: string;
  from: string;
  to: string;
  label: Readonly<{ width: number; height: number }>;
}>;

/** Boxes and arrows as the layout engine takes them: downwards, layer by layer, no label upon anything. */
export const elkGraph = (boxes: readonly Box[], arrows: readonly Arrow[]): ElkNode => ({
  id: 'root',
  layoutOptions: {
    'elk.algorithm': 'layered',
    'elk.direction': 'DOWN',
    'elk.edgeRouting': 'ORTHOGONAL',
    'elk.layered.spacing.nodeNodeBetweenLayers': '46',
    'elk.spacing.nodeNode': '50',
    'elk.spacing.edgeNode': '22',
    'elk.spacing.edgeEdge': '16',
    'elk.spacing.edgeLabel': '4',
    'elk.layered.edgeLabels.sideSelection': 'ALWAYS_DOWN',
  },
  children: boxes.map((b) => ({ ...b })),
  edges: arrows.map((a) => ({
    id: a.id,
    sources: [a.from],
    targets: [a.to],
    labels: [{ id: `${a.id} label`, text: 'x', ...a.label }],
  })),
});

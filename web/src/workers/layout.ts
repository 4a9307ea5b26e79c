import ELK, { type ElkNode } from 'elkjs/lib/elk-api.js';
import elkUrl from 'elkjs/lib/elk-worker.min.js?url';

let engine: InstanceType<typeof ELK> | null = null;

export type Placed = ReadonlyMap<string, Readonly<{ x: number; y: number }>>;

/** Places boxes so that what leads on stands to the right, worked out in a worker. */
export async function layoutGraph(
  boxes: ReadonlyArray<Readonly<{ id: string; width: number; height: number }>>,
  arrows: ReadonlyArray<Readonly<{ id: string; from: string; to: string }>>,
): Promise<Placed> {
  engine ??= new ELK({ workerFactory: () => new Worker(elkUrl) });
  const graph: ElkNode = {
    id: 'root',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.layered.spacing.nodeNodeBetweenLayers': '150',
      'elk.spacing.nodeNode': '46',
      'elk.layered.feedbackEdges': 'true',
    },
    children: boxes.map((b) => ({ ...b })),
    edges: arrows.filter((a) => a.from !== a.to).map((a) => ({ id: a.id, sources: [a.from], targets: [a.to] })),
  };
  const done = await engine.layout(graph);
  return new Map((done.children ?? []).map((c) => [c.id, { x: c.x ?? 0, y: c.y ?? 0 }] as const));
}

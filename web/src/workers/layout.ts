import ELK, { type ElkExtendedEdge } from 'elkjs/lib/elk-api.js';
import elkUrl from 'elkjs/lib/elk-worker.min.js?url';
import { type Arrow, type Box, elkGraph } from './elk-graph.ts';

let engine: InstanceType<typeof ELK> | null = null;

type Point = Readonly<{ x: number; y: number }>;
export type Placed = Readonly<{
  boxes: ReadonlyMap<string, Point>;
  /** The corners of each arrow, and where the middle of its label stands. */
  arrows: ReadonlyMap<string, Readonly<{ points: readonly Point[]; label: Point | null }>>;
}>;

/** Stops whatever is being placed: the worker ends, and what waits for it is never answered. */
export function stopLayout(): void {
  engine?.terminateWorker();
  engine = null;
}

/** Places boxes, arrows and their labels so that nothing lies upon another, worked out in a worker. */
export async function layoutGraph(boxes: readonly Box[], arrows: readonly Arrow[]): Promise<Placed> {
  engine ??= new ELK({ workerFactory: () => new Worker(elkUrl) });
  const done = await engine.layout(elkGraph(boxes, arrows));
  const edges = (done.edges ?? []) as ElkExtendedEdge[];
  return {
    boxes: new Map((done.children ?? []).map((c) => [c.id, { x: c.x ?? 0, y: c.y ?? 0 }] as const)),
    arrows: new Map(
      edges.map((e) => {
        const section = e.sections?.[0];
        const label = e.labels?.[0];
        const middle = label
          ? { x: (label.x ?? 0) + (label.width ?? 0) / 2, y: (label.y ?? 0) + (label.height ?? 0) / 2 }
          : null;
        const points = section ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint] : [];
        return [e.id, { points, label: middle }] as const;
      }),
    ),
  };
}

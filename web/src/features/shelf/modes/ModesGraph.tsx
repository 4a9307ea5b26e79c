import type { MapEdge, MapNode, ModesMap } from '@wire-trail/core';
import {
  BaseEdge,
  Controls,
  type Edge,
  EdgeLabelRenderer,
  type EdgeProps,
  Handle,
  MarkerType,
  type Node,
  type NodeProps,
  Position,
  ReactFlow,
} from '@xyflow/react';
import '@xyflow/react/dist/base.css';
import '../../../parts/graph/graph.css';
import { useEffect, useMemo, useState } from 'react';
import { rounded } from '../../../parts/graph/rounded.ts';
import { Loading } from '../../../parts/states/States.tsx';
import { layoutGraph, type Placed } from '../../../workers/layout.ts';

const width = 190;
const height = 86;
const seconds = (ms: number): string => (ms >= 120_000 ? `${Math.round(ms / 60_000)} min` : `${ms / 1000} s`);

type ModeNode = Node<{ mode: MapNode; now: boolean; draws: boolean }, 'mode'>;
type WayEdge = Edge<
  { label: string; alone: boolean; hazard: boolean; route?: NonNullable<ReturnType<Placed['arrows']['get']>> },
  'way'
>;

function ModeBox({ data, selected }: NodeProps<ModeNode>) {
  const { mode, now, draws } = data;
  return (
    <div
      className={`graph-box mode-box ${mode.sort} ${selected ? 'picked' : ''} ${now ? 'now' : ''} ${draws ? 'draws' : ''} ${mode.unreachable || mode.deadEnd ? 'unsafe-stop' : ''}`}
    >
      <Handle type="target" position={Position.Top} />
      <strong>{mode.id === 'any' ? 'any mode' : mode.name}</strong>
      <span className="small">
        {mode.id === 'any' ? '' : mode.controllerName}
        {mode.idleMs !== null && ` · idle ${seconds(mode.idleMs)}`}
        {mode.tests > 0 && ` · ${mode.tests} tests`}
      </span>
      {(mode.unreachable || mode.deadEnd) && (
        <span className="says bad small">{mode.unreachable ? 'nothing leads here' : 'nothing leads away'}</span>
      )}
      <Handle type="source" position={Position.Bottom} />
    </div>
  );
}

function Way({ data, markerEnd }: EdgeProps<WayEdge>) {
  const route = data?.route;
  if (!route) return null;
  return (
    <>
      <BaseEdge
        path={rounded(route.points)}
        markerEnd={markerEnd}
        className={`way ${data?.alone ? 'by-itself' : ''} ${data?.hazard ? 'hazard' : ''}`}
      />
      {route.label && (
        <EdgeLabelRenderer>
          <span
            className={`graph-word ${data?.alone ? 'by-itself' : ''}`}
            style={{ transform: `translate(-50%,-50%) translate(${route.label.x}px,${route.label.y}px)` }}
          >
            {data?.hazard && '⚠ '}
            {data?.label}
          </span>
        </EdgeLabelRenderer>
      )}
    </>
  );
}

/** How much room a label takes, in two lines at the most. */
const labelSize = (text: string) => ({
  width: Math.min(150, 14 + text.length * 6.4),
  height: text.length * 6.4 > 136 ? 32 : 17,
});

const nodeTypes = { mode: ModeBox };
const edgeTypes = { way: Way };

/** Several ways between the same two modes are told together. */
function together(edges: readonly MapEdge[]): WayEdge[] {
  const groups = new Map<string, MapEdge[]>();
  for (const e of edges) {
    const key = `${e.from} ${e.to} ${e.kind === 'route' ? 'route' : 'alone'}`;
    groups.set(key, [...(groups.get(key) ?? []), e]);
  }
  return [...groups].map(([key, all]): WayEdge => {
    const [first] = all;
    const alone = first?.kind !== 'route';
    const words = all.map((e) =>
      e.kind === 'route'
        ? e.name
        : e.afterMs === null
          ? e.name || `by ${e.kind}`
          : `${seconds(e.afterMs)}${e.kind === 'idle' ? ' idle' : ''}`,
    );
    return {
      id: key,
      type: 'way',
      source: first?.from ?? '',
      target: first?.to ?? '',
      markerEnd: { type: MarkerType.ArrowClosed, width: 18, height: 18, color: 'var(--spruce)' },
      data: {
        label: words.length > 2 ? `${words.slice(0, 2).join(' · ')} · ${words.length - 2} more` : words.join(' · '),
        alone,
        hazard: all.some((e) => e.hazards.length > 0),
      },
    };
  });
}

type Props = Readonly<{
  map: ModesMap;
  picked: string | null;
  /** Where the unit stands that is played beside. */
  now: string | null;
  supply: boolean;
  onPick: (id: string | null) => void;
  /** A way is drawn from one to another; null where nobody may. */
  onDraw: ((from: string, to: string) => void) | null;
}>;

/** The map itself: boxes for modes, arrows for what leads on. */
export default function ModesGraph({ map, picked, now, supply, onPick, onDraw }: Props) {
  const [placed, setPlaced] = useState<Placed | null>(null);
  // without its supply a unit is off: that mode is drawn when something drawn leads there
  const shown = useMemo(
    () =>
      map.nodes.filter(
        (n) => supply || n.sort !== 'off' || map.edges.some((e) => e.kind !== 'supply' && e.to === n.id),
      ),
    [map, supply],
  );
  const edges = useMemo(() => together(map.edges.filter((e) => supply || e.kind !== 'supply')), [map, supply]);
  useEffect(() => {
    let stale = false;
    void layoutGraph(
      shown.map((n) => ({ id: n.id, width, height })),
      edges.map((e) => ({ id: e.id, from: e.source, to: e.target, label: labelSize(e.data?.label ?? '') })),
    ).then((done) => {
      if (!stale) setPlaced(done);
    });
    return () => {
      stale = true;
    };
  }, [shown, edges]);
  if (!placed) return <Loading what="the map" />;
  const nodes = shown.map(
    (mode): ModeNode => ({
      id: mode.id,
      type: 'mode',
      position: placed.boxes.get(mode.id) ?? { x: 0, y: 0 },
      data: { mode, now: now === mode.id, draws: onDraw !== null && mode.id !== 'any' },
      selected: picked === mode.id,
      width,
      height,
    }),
  );
  return (
    <ReactFlow
      nodes={nodes}
      edges={edges.map(
        (e): WayEdge => ({
          ...e,
          data: { label: '', alone: false, hazard: false, ...e.data, route: placed.arrows.get(e.id) },
        }),
      )}
      nodeTypes={nodeTypes}
      edgeTypes={edgeTypes}
      nodesDraggable={false}
      nodesConnectable={onDraw !== null}
      onConnect={({ source, target }) => {
        if (source !== 'any' && target !== 'any') onDraw?.(source, target);
      }}
      fitView
      fitViewOptions={{ padding: 0.12 }}
      minZoom={0.25}
      onNodeClick={(_, node) => onPick(node.id)}
      onPaneClick={() => onPick(null)}
      proOptions={{ hideAttribution: true }}
    >
      <Controls showInteractive={false} />
    </ReactFlow>
  );
}

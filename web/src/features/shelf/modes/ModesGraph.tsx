import type { MapEdge, MapNode, ModesMap } from '@wire-trail/core';
import {
  BaseEdge,
  Controls,
  type Edge,
  EdgeLabelRenderer,
  type EdgeProps,
  getBezierPath,
  Handle,
  MarkerType,
  type Node,
  type NodeProps,
  Position,
  ReactFlow,
} from '@xyflow/react';
import '@xyflow/react/dist/base.css';
import { useEffect, useMemo, useState } from 'react';
import { Loading } from '../../../parts/states/States.tsx';
import { layoutGraph, type Placed } from '../../../workers/layout.ts';

const width = 190;
const height = 74;
const seconds = (ms: number): string => (ms >= 120_000 ? `${Math.round(ms / 60_000)} min` : `${ms / 1000} s`);

type ModeNode = Node<{ mode: MapNode }, 'mode'>;
type WayEdge = Edge<{ label: string; alone: boolean; loops: boolean; hazard: boolean; shift: number }, 'way'>;

function ModeBox({ data, selected }: NodeProps<ModeNode>) {
  const { mode } = data;
  return (
    <div
      className={`mode-box ${mode.sort} ${selected ? 'picked' : ''} ${mode.unreachable || mode.deadEnd ? 'troubled' : ''}`}
    >
      <Handle type="target" position={Position.Left} />
      <strong>{mode.id === 'any' ? 'any mode' : mode.name}</strong>
      <span className="small">
        {mode.id === 'any' ? '' : mode.controllerName}
        {mode.idleMs !== null && ` · idle ${seconds(mode.idleMs)}`}
        {mode.tests > 0 && ` · ${mode.tests} tests`}
      </span>
      {(mode.unreachable || mode.deadEnd) && (
        <span className="mode-flag">{mode.unreachable ? 'nothing leads here' : 'nothing leads away'}</span>
      )}
      <Handle type="source" position={Position.Right} />
    </div>
  );
}

function Way({ sourceX, sourceY, targetX, targetY, data, markerEnd }: EdgeProps<WayEdge>) {
  const shift = data?.shift ?? 0;
  const [path, labelX, labelY] = data?.loops
    ? [
        `M${sourceX} ${sourceY} C${sourceX + 70} ${sourceY - 95 - shift}, ${targetX - 70} ${targetY - 95 - shift}, ${targetX} ${targetY}`,
        (sourceX + targetX) / 2,
        sourceY - 72 - shift * 0.75,
      ]
    : getBezierPath({
        sourceX,
        sourceY: sourceY + shift,
        sourcePosition: Position.Right,
        targetX,
        targetY: targetY + shift,
        targetPosition: Position.Left,
      });
  return (
    <>
      <BaseEdge
        path={path}
        markerEnd={markerEnd}
        className={`way ${data?.alone ? 'by-itself' : ''} ${data?.hazard ? 'hazard' : ''}`}
      />
      <EdgeLabelRenderer>
        <span
          className={`way-label ${data?.alone ? 'by-itself' : ''}`}
          style={{ transform: `translate(-50%,-50%) translate(${labelX}px,${labelY}px)` }}
        >
          {data?.hazard && '⚠ '}
          {data?.label}
        </span>
      </EdgeLabelRenderer>
    </>
  );
}

const nodeTypes = { mode: ModeBox };
const edgeTypes = { way: Way };

/** Several ways between the same two modes are told together. */
function together(edges: readonly MapEdge[]): WayEdge[] {
  const groups = new Map<string, MapEdge[]>();
  for (const e of edges) {
    const key = `${e.from} ${e.to} ${e.kind === 'route' ? 'route' : 'alone'}`;
    groups.set(key, [...(groups.get(key) ?? []), e]);
  }
  const seen = new Map<string, number>();
  return [...groups].map(([key, all]): WayEdge => {
    const [first] = all;
    const pair = `${first?.from} ${first?.to}`;
    const nth = seen.get(pair) ?? 0;
    seen.set(pair, nth + 1);
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
        loops: first?.from === first?.to,
        hazard: all.some((e) => e.hazards.length > 0),
        shift: nth * 18,
      },
    };
  });
}

export default function ModesGraph({
  map,
  picked,
  onPick,
}: {
  map: ModesMap;
  picked: string | null;
  onPick: (id: string | null) => void;
}) {
  const [placed, setPlaced] = useState<Placed | null>(null);
  const edges = useMemo(() => together(map.edges), [map]);
  useEffect(() => {
    let stale = false;
    void layoutGraph(
      map.nodes.map((n) => ({ id: n.id, width, height })),
      edges.map((e) => ({ id: e.id, from: e.source, to: e.target })),
    ).then((done) => {
      if (!stale) setPlaced(done);
    });
    return () => {
      stale = true;
    };
  }, [map, edges]);
  if (!placed) return <Loading what="the map" />;
  const nodes = map.nodes.map(
    (mode): ModeNode => ({
      id: mode.id,
      type: 'mode',
      position: placed.get(mode.id) ?? { x: 0, y: 0 },
      data: { mode },
      selected: picked === mode.id,
      width,
      height,
    }),
  );
  return (
    <ReactFlow
      nodes={nodes}
      edges={edges}
      nodeTypes={nodeTypes}
      edgeTypes={edgeTypes}
      nodesDraggable={false}
      nodesConnectable={false}
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

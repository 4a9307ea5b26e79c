import Button from '@mui/material/Button';
import {
  type Chart,
  type ChartNode,
  choicesOf,
  drawnOf,
  isLiveWork,
  leadTo,
  nodeKindWords,
  outlineRows,
  type Severity,
  verdictWords,
} from '@wire-trail/core';
import {
  BaseEdge,
  type Connection,
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
  type ReactFlowInstance,
} from '@xyflow/react';
import '@xyflow/react/dist/base.css';
import '../../../parts/graph/graph.css';
import { useEffect, useMemo, useRef, useState } from 'react';
import { rounded } from '../../../parts/graph/rounded.ts';
import { Loading } from '../../../parts/states/States.tsx';
import { layoutGraph, type Placed, stopLayout } from '../../../workers/layout.ts';
import type { EditChart } from './tabs.ts';

/** Up to so many steps are drawn without being asked for. */
const mostAtOnce = 400;
const width = 196;
/** Room for the head and a title of two or three lines. */
const heightOf = (node: ChartNode): number => 46 + Math.ceil(node.title.length / 25) * 19;

type StepNode = Node<{ step: ChartNode; severity: Severity | null; isStart: boolean }, 'step'>;
type WayEdge = Edge<{ label: string; route?: NonNullable<ReturnType<Placed['arrows']['get']>> }, 'way'>;

function StepBox({ data, selected }: NodeProps<StepNode>) {
  const { step, severity, isStart } = data;
  const more = step.kind === 'verdict' ? verdictWords[step.verdict] : `${step.minutes} min`;
  return (
    <div
      className={`graph-box step-box ${step.kind} ${step.kind === 'verdict' ? step.verdict : ''} ${selected ? 'picked' : ''}`}
    >
      <Handle type="target" position={Position.Top} />
      <span className="row spread small soft">
        {isStart && <strong>begin · </strong>}
        {nodeKindWords[step.kind]} · {more}
        {isLiveWork(step) && ' · energised'}
        {severity && <span className={`flag ${severity}`} role="img" aria-label={severity} />}
      </span>
      <strong>{step.title}</strong>
      {step.kind !== 'verdict' && <Handle type="source" position={Position.Bottom} />}
    </div>
  );
}

function Way({ data, markerEnd }: EdgeProps<WayEdge>) {
  const route = data?.route;
  if (!route) return null;
  return (
    <>
      <BaseEdge path={rounded(route.points)} markerEnd={markerEnd} className="way" />
      {route.label && (
        <EdgeLabelRenderer>
          <span
            className="graph-word"
            style={{ transform: `translate(-50%,-50%) translate(${route.label.x}px,${route.label.y}px)` }}
          >
            {data?.label}
          </span>
        </EdgeLabelRenderer>
      )}
    </>
  );
}

const arrowHead = (isPicked: boolean) => ({
  type: MarkerType.ArrowClosed,
  width: isPicked ? 12 : 17,
  height: isPicked ? 12 : 17,
  color: isPicked ? 'var(--copper)' : 'var(--unit-line)',
});

const nodeTypes = { step: StepBox };
const edgeTypes = { way: Way };

/** Answers that lead to the same step are drawn as one line. */
function waysOf(chart: Chart): WayEdge[] {
  const ways = new Map<string, { from: string; to: string; answers: string[] }>();
  for (const node of chart.nodes)
    for (const c of choicesOf(node, {})) {
      if (c.next === null) continue;
      const key = `${node.id}>${c.next}`;
      const known = ways.get(key);
      if (known) known.answers.push(c.answer);
      else ways.set(key, { from: node.id, to: c.next, answers: [c.answer] });
    }
  return [...ways].map(([id, w]): WayEdge => {
    const label = w.answers.join(', ') === 'done' ? '' : w.answers.join(', ');
    return {
      id,
      type: 'way',
      source: w.from,
      target: w.to,
      data: { label: label.length > 34 ? `${label.slice(0, 33)}…` : label },
    };
  });
}

const fit = { padding: 0.08, minZoom: 0.62, maxZoom: 1 };

/** A long chart is shown from its beginning, large enough to be read; a short one whole. */
const beginningOf = (chart: Chart): Array<{ id: string }> =>
  outlineRows(drawnOf(chart))
    .flatMap((r) => (r.kind === 'step' ? [{ id: r.node }] : []))
    .slice(0, chart.nodes.length > 12 ? 4 : chart.nodes.length);

type Props = Readonly<{
  body: Chart;
  picked: string | null;
  findingAt: ReadonlyMap<string, Severity>;
  onPick: (id: string | null) => void;
  onEdit: EditChart;
}>;

/** The chart drawn: placed by itself, so that nobody has to move boxes about. A line drawn from one step to another leads there. */
export default function Drawing({ body, picked, findingAt, onPick, onEdit }: Props) {
  const [placed, setPlaced] = useState<Placed | null>(null);
  // a chart this long takes its time to be placed: only when somebody asks for it
  const isLong = body.nodes.length > mostAtOnce;
  const [wanted, setWanted] = useState(false);
  const draws = !isLong || wanted;
  const [flow, setFlow] = useState<ReactFlowInstance<StepNode, WayEdge> | null>(null);
  const ways = useMemo(() => waysOf(body), [body]);
  // only what takes room or leads somewhere asks for a new layout
  const shape = useMemo(
    () => JSON.stringify([body.nodes.map((n) => [n.id, heightOf(n)]), ways.map((w) => [w.id, w.data?.label])]),
    [body.nodes, ways],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: the layout depends on the shape alone, which is made of the rest
  useEffect(() => {
    if (!draws) return;
    let stale = false;
    void layoutGraph(
      body.nodes.map((n) => ({ id: n.id, width, height: heightOf(n) })),
      ways.map((w) => ({
        id: w.id,
        from: w.source,
        to: w.target,
        label: { width: w.data?.label ? 12 + w.data.label.length * 6.4 : 0, height: w.data?.label ? 17 : 0 },
      })),
    ).then((done) => {
      if (!stale) setPlaced(done);
    });
    return () => {
      stale = true;
    };
  }, [shape, draws]);
  const nodes = useMemo(
    () =>
      body.nodes.map(
        (step): StepNode => ({
          id: step.id,
          type: 'step',
          position: placed?.boxes.get(step.id) ?? { x: 0, y: 0 },
          data: { step, severity: findingAt.get(step.id) ?? null, isStart: body.start === step.id },
          selected: picked === step.id,
          hidden: !placed?.boxes.has(step.id),
          width,
          height: heightOf(step),
        }),
      ),
    [body, placed, findingAt, picked],
  );
  const edges = useMemo(
    () =>
      ways.map((w): WayEdge => {
        const route = placed?.arrows.get(w.id);
        const isPicked = picked !== null && (w.source === picked || w.target === picked);
        return {
          ...w,
          selected: isPicked,
          markerEnd: arrowHead(isPicked),
          data: {
            label: w.data?.label ?? '',
            ...(route && { route }),
          },
        };
      }),
    [ways, placed, picked],
  );
  const picture = useRef({ size: 0, picked: '' });
  useEffect(() => {
    if (!placed || !flow) return;
    const { size, picked: before } = picture.current;
    picture.current = { size: placed.boxes.size, picked: picked ?? '' };
    const box = picked === null ? undefined : placed.boxes.get(picked);
    const step = body.nodes.find((n) => n.id === picked);
    // a chart that became another one, by a paste or an undo, is shown from its beginning again
    const isAnother = Math.abs(placed.boxes.size - size) > 2;
    const show = () => {
      if (box && step && (before !== picked || isAnother)) {
        const zoom = Math.max(flow.getZoom(), 0.85);
        void flow.setCenter(box.x + width / 2, box.y + heightOf(step) / 2, { zoom });
      } else if (isAnother) void flow.fitView({ ...fit, nodes: beginningOf(body) });
    };
    const frame = requestAnimationFrame(show);
    return () => cancelAnimationFrame(frame);
  }, [picked, placed, flow, body]);
  if (!draws)
    return (
      <div className="card">
        <p>{body.nodes.length} steps are much to draw; the outline shows them all.</p>
        <Button onClick={() => setWanted(true)}>Draw them all the same</Button>
      </div>
    );
  if (!placed)
    return isLong ? (
      <div className="card" role="status">
        <p>Placing {body.nodes.length} steps …</p>
        <Button
          onClick={() => {
            stopLayout();
            setWanted(false);
          }}
        >
          Stop
        </Button>
      </div>
    ) : (
      <Loading what="the drawing" />
    );
  const connect = ({ source, target }: Connection) => {
    const from = body.nodes.find((n) => n.id === source);
    const open = from && choicesOf(from, {}).find((c) => c.next === null && !c.again);
    if (from && open) onEdit(leadTo(body, { node: from.id, answer: open.answer }, target), '');
  };
  return (
    <ReactFlow
      nodes={nodes}
      edges={edges}
      nodeTypes={nodeTypes}
      edgeTypes={edgeTypes}
      onInit={setFlow}
      nodesDraggable={false}
      onlyRenderVisibleElements={body.nodes.length > 120}
      minZoom={0.15}
      onNodeClick={(_, node) => onPick(node.id)}
      onPaneClick={() => onPick(null)}
      onConnect={connect}
      proOptions={{ hideAttribution: true }}
      aria-label={`${body.title}, drawn`}
    >
      <Controls showInteractive={false} />
    </ReactFlow>
  );
}

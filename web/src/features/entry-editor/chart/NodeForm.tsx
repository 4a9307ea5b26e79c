import Button from '@mui/material/Button';
import {
  Chart,
  ChartNode,
  type ChartUse,
  changeKind,
  drawnOf,
  entriesOf,
  headOf,
  headWords,
  leadTo,
  nodeKinds,
  outlineRows,
  problemsIn,
  removeStep,
  type ChartNode as Step,
} from '@wire-trail/core';
import { useMemo } from 'react';
import { ChartUseFields } from '../ChartUseFields.tsx';
import { Choice, Text } from '../inputs.tsx';
import { SchemaFields } from '../SchemaFields.tsx';
import { shapeOf } from '../schema.ts';
import type { ChartAt } from './chart-at.ts';

/** Ways on are led as such, here as in the outline and the drawing; the rest of a step is read off its schema. */
const led = new Set([
  'id',
  'kind',
  'title',
  'yes',
  'no',
  'cannotTell',
  'pass',
  'low',
  'high',
  'fail',
  'tooClose',
  'open',
  'short',
  'passAfter',
  'stopped',
  'comesAgain',
  'next',
  'answers',
  'otherwise',
  'nothingFound',
  'causeFound',
  'use',
]);
/** Ways on that a step need not have. */
const optionalWays: Partial<Record<Step['kind'], readonly string[]>> = {
  look: ['cannot tell'],
  ask: ['cannot tell'],
  operate: ['cannot tell', 'pass', 'fail'],
  measure: ['too-close', 'open', 'short', 'pass after a remedy'],
  split: ['something else'],
  call: ['cause found'],
};
/** What any step may have; what belongs to its kind alone stands before it. */
const general = ['minutes', 'about', 'hazards', 'tools', 'ways', 'access', 'retries', 'source', 'standing', 'pictures'];

function inOrder<T>(fields: ReadonlyArray<readonly [string, T]>): Array<readonly [string, T]> {
  const rank = (name: string): number => (name === 'text' ? -2 : general.includes(name) ? general.indexOf(name) : -1);
  return fields.filter(([name]) => !led.has(name)).sort(([a], [b]) => rank(a) - rank(b));
}

/** Everything of a step that the drawing does not say. */
export function NodeForm({ body, bodies, node, onEdit, onGone }: ChartAt & { node: Step; onGone: () => void }) {
  const index = body.nodes.findIndex((n) => n.id === node.id);
  const schema = ChartNode.options.find((o) => o.shape.kind.value === node.kind);
  const shape = schema ? shapeOf(schema) : null;
  const problems = useMemo(() => problemsIn(body, bodies.entries), [body, bodies]);
  const put = (next: Step, about: string) =>
    onEdit({ ...body, nodes: body.nodes.map((n) => (n.id === node.id ? next : n)) }, about);
  const own = useMemo(
    () =>
      outlineRows(drawnOf(body)).flatMap((row) =>
        row.kind === 'answer' && row.node === node.id ? [{ answer: row.answer, to: row.to, own: true }] : [],
      ),
    [body, node.id],
  );
  const steps = body.nodes.map((n) => [n.id as string, n.title] as const);
  /** Probes that are called as a point of a picture are shown on it. */
  const likely = (name: string): string[] =>
    name === 'probes'
      ? entriesOf(bodies, 'asset')
          .filter((a) => node.pictures.length === 0 || node.pictures.includes(a.id))
          .flatMap((a) => a.marks.map((m) => m.label))
      : [];
  if (shape?.kind !== 'object') return null;
  const heads = [...new Set([headOf(node), ...nodeKinds])];
  const flat: Record<string, unknown> = node;
  const ways = [
    ...('next' in node ? [{ answer: 'done', to: node.next, own: true }] : []),
    ...own,
    ...(optionalWays[node.kind] ?? [])
      .filter((answer) => !own.some((way) => way.answer === answer))
      .map((answer) => ({ answer, to: null, own: false })),
  ];
  return (
    <section className="sheet node-form" aria-label={`step: ${node.title}`}>
      <div className="two">
        <Text
          label="title"
          value={node.title}
          wrong={problems.get(`nodes.${index}.title`) ?? null}
          onChange={(title) => put({ ...node, title }, `nodes.${index}.title`)}
        />
        <Choice
          label="type"
          value={headOf(node)}
          options={heads.map((h) => [h, headWords(h)] as const)}
          onChange={(head) => onEdit(changeKind(body, node.id, head), '')}
        />
      </div>
      <div className="row">
        {ways.map(({ answer, to, own }) => (
          <Choice
            key={answer}
            label={`${answer} leads to`}
            value={to ?? ''}
            options={[['', own ? 'nowhere yet' : 'nowhere of its own'], ...steps]}
            onChange={(to) => onEdit(leadTo(body, { node: node.id, answer }, to || null), '')}
          />
        ))}
      </div>
      {node.kind === 'call' && (
        <ChartUseFields
          chart={entriesOf(bodies, 'chart').find((c) => c.id === node.chart)}
          use={node.use}
          bodies={bodies}
          onChange={(use: ChartUse) => put({ ...node, use }, '')}
        />
      )}
      <SchemaFields
        fields={inOrder(shape.fields)}
        value={flat}
        path={['nodes', index]}
        context={{ bodies, root: { schema: Chart, value: body }, problems, likely }}
        onChange={(next, about) => put(next as Step, about)}
      />
      <div className="row spread">
        {body.start === node.id ? (
          <span className="tag">the chart begins here</span>
        ) : (
          <Button onClick={() => onEdit({ ...body, start: node.id }, '')}>Begin the chart here</Button>
        )}
        <Button
          disabled={body.nodes.length === 1}
          onClick={() => {
            onGone();
            onEdit(removeStep(body, node.id), '');
          }}
        >
          Take this step out
        </Button>
      </div>
    </section>
  );
}

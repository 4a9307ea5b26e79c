import {
  type Chart,
  type ChartNode,
  choicesOf,
  entriesOf,
  entryOf,
  minutesAhead,
  type TakenReading,
  walkChart,
} from '@wire-trail/core';
import { StandingMark } from '../../../parts/code/CodeGlyph.tsx';
import { Picture } from '../../../parts/picture/Picture.tsx';
import { faceOf } from '../trail-data.ts';
import { coverWords } from '../words.ts';
import { HazardNote, WaysThere } from './Before.tsx';
import { Measure } from './Measure.tsx';
import { ModeWork } from './mode-work/ModeWork.tsx';
import { NoChart, NoSubject, NothingStored } from './NoTest.tsx';
import { Next, Room, type StationProps, useTopOf } from './station.tsx';

/** The test chart, one question at a time, until one cause is left or the case is out of scope. */
export function TestStation({ walk, data, add }: StationProps) {
  const { chart, subject } = data;
  useTopOf(walk.answers.length);
  if (walk.special && !subject) return <NothingStored walk={walk} data={data} add={add} />;
  if (!subject) return <NoSubject walk={walk} data={data} add={add} />;
  if (!chart) return <NoChart walk={walk} data={data} add={add} />;
  const answers = walk.answers.filter((a) => a.chart === chart.id);
  const at = walkChart(chart, answers);
  const answer = (text: string, reading: TakenReading | null = null) =>
    void add({ kind: 'answered', chart: chart.id, node: at.at.id, answer: text, reading });
  const marks = at.at.kind === 'measure' ? at.at.marks : [];
  const face = (marks[0] && faceOf(data.panel, marks[0])) || data.front;
  const ahead = minutesAhead(chart, at.at.id);
  return (
    <Room
      panel={{ face, pointed: new Set<string>(marks) }}
      panelTitle={face.label}
      beside={
        <div className="sheet small">
          {coverWords(face) && <p className="tag">{coverWords(face)}</p>}
          <h3>So far</h3>
          <Path chart={chart} answers={answers} />
          <p className="soft">
            {at.minutes} min spent · {at.ended ? 'at the end' : `${ahead.least} to ${ahead.most} min ahead`}
          </p>
          <StandingMark standing={chart.standing} />
          {data.subject?.pictures.map((id) => {
            const asset = entryOf(data.bundle, 'asset', id);
            return asset && <Picture key={id} asset={asset} />;
          })}
        </div>
      }
    >
      <p className="soft">{chart.title}</p>
      {at.wentRound && <div className="note bad">You came through here often. Note what you have and hand it on.</div>}
      <HazardNote
        ids={at.at.hazards}
        data={data}
        {...(at.at.kind === 'measure' && at.at.supply === 'energised' ? { energised: at.at.protection ?? '' } : {})}
      />
      <h1>{at.at.title}</h1>
      {at.at.text && <p className="node-text">{at.at.text}</p>}
      {at.at.access && <p className="tag">{at.at.access}</p>}
      <WaysThere ids={at.at.ways} data={data} />
      {at.at.pictures.map((id) => {
        const asset = entryOf(data.bundle, 'asset', id);
        return asset && <Picture key={id} asset={asset} />;
      })}
      {at.at.tools.length > 0 && <p className="small soft">Tools: {at.at.tools.join(', ')}</p>}
      <NodeBody
        key={`${at.at.id}${answers.length}`}
        node={at.at}
        data={data}
        onAnswer={answer}
        onClear={() => void add({ kind: 'skipped', station: 'test', why: 'the chart came to its end' })}
      />
      <ModeWork walk={walk} data={data} add={add} />
    </Room>
  );
}

type BodyProps = Readonly<{
  node: ChartNode;
  data: StationProps['data'];
  onAnswer: (answer: string, reading?: TakenReading | null) => void;
  onClear: () => void;
}>;

function NodeBody({ node, data, onAnswer, onClear }: BodyProps) {
  switch (node.kind) {
    case 'measure':
      return (
        <Measure
          node={node}
          parameters={data.parameters}
          instruments={entriesOf(data.bundle, 'instrument')}
          onTake={(reading) => onAnswer(reading.verdict, reading)}
        />
      );
    case 'look':
      return (
        <>
          {(node.looksGood || node.looksBad) && (
            <dl className="looks">
              {node.looksGood && (
                <div>
                  <dt>good</dt>
                  <dd>{node.looksGood}</dd>
                </div>
              )}
              {node.looksBad && (
                <div>
                  <dt>bad</dt>
                  <dd>{node.looksBad}</dd>
                </div>
              )}
            </dl>
          )}
          <Answers node={node} onAnswer={onAnswer} />
        </>
      );
    case 'operate':
      return (
        <>
          <div className="note">Watch for: {node.watchFor}</div>
          <Answers node={node} onAnswer={onAnswer} />
        </>
      );
    case 'ask':
      return <Answers node={node} onAnswer={onAnswer} />;
    case 'act':
      return (
        <div className="actions">
          <Next onClick={() => onAnswer('done')}>Done</Next>
        </div>
      );
    case 'wait':
      return (
        <div className="actions">
          <p>Wait {Math.round(node.waitMs / 60_000)} min.</p>
          <Next onClick={() => onAnswer('done')}>Waited</Next>
        </div>
      );
    case 'verdict':
      return <Verdict node={node} data={data} onClear={onClear} />;
  }
}

function Answers({ node, onAnswer }: { node: ChartNode; onAnswer: (answer: string) => void }) {
  return (
    <div className="actions answers">
      {choicesOf(node).map((choice) => (
        <button key={choice.answer} type="button" className="act big" onClick={() => onAnswer(choice.answer)}>
          {choice.answer[0]?.toUpperCase()}
          {choice.answer.slice(1)}
        </button>
      ))}
    </div>
  );
}

const verdictWords = {
  'cause-found': 'Cause found',
  'hand-on': 'Hand it on',
  'nothing-found': 'Nothing found',
  'unsafe-stop': 'Stop: unsafe',
  'left-limited': 'Left running limited',
} as const;

function Verdict({
  node,
  data,
  onClear,
}: {
  node: Extract<ChartNode, { kind: 'verdict' }>;
  data: StationProps['data'];
  onClear: () => void;
}) {
  const family = entriesOf(data.bundle, 'family')[0];
  const part = family?.parts.find((p) => p.id === node.cause);
  return (
    <div className="stack">
      <div className={`note ${node.verdict === 'cause-found' ? 'good' : 'bad'}`}>
        <strong>{verdictWords[node.verdict]}</strong>
        {part && (
          <p>
            {part.name}
            {part.location ? `: ${part.location}` : ''}
          </p>
        )}
        {node.handOnTo && <p>To {node.handOnTo}, with the full code and the readings.</p>}
        {node.putBack && <p>{node.putBack}</p>}
        {part?.afterReplacing && <p>After replacing: {part.afterReplacing}</p>}
      </div>
      <div className="actions">
        <Next onClick={onClear}>{node.verdict === 'cause-found' ? 'Repaired: go on to Clear' : 'Go on to Clear'}</Next>
      </div>
    </div>
  );
}

function Path({ chart, answers }: { chart: Chart; answers: StationProps['walk']['answers'] }) {
  if (answers.length === 0) return <p className="soft">Nothing answered yet.</p>;
  return (
    <ol className="path">
      {answers.map((a, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an answer is known by its place in the path
        <li key={`${a.node}${i}`}>
          {chart.nodes.find((n) => n.id === a.node)?.title}{' '}
          <strong>{a.reading ? `${a.reading.typed}: ${a.answer}` : a.answer}</strong>
        </li>
      ))}
    </ol>
  );
}

import Button from '@mui/material/Button';
import {
  type ChartWalk,
  coverWords,
  entryOf,
  type FirstMove,
  isLiveWork,
  lacking,
  minutesAhead,
  openRoots,
  permitForNode,
  permitForSubject,
  probePoints,
  type Route,
} from '@wire-trail/core';
import { type ReactNode, useState } from 'react';
import { useActor } from '../../../../foundation/use-actor.ts';
import { HazardNote, WaysThere } from '../../../../parts/before/Before.tsx';
import { StandingMark } from '../../../../parts/code/CodeGlyph.tsx';
import { Picture } from '../../../../parts/picture/Picture.tsx';
import { faceOf } from '../../trail-data.ts';
import { Beyond } from '../Beyond.tsx';
import { Coach } from '../coach/Coach.tsx';
import { ModeWork } from '../mode-work/ModeWork.tsx';
import { OtherCodes } from '../OtherCodes.tsx';
import { StationLayout, type StationProps, useTopOf } from '../StationLayout.tsx';
import { AfterFirst, DoingFirst, OfferFirst } from './DoFirst.tsx';
import { Ended } from './Ended.tsx';
import { NodeBody } from './NodeBody.tsx';
import { NoChart, NoSubject, NothingStored } from './NoTest.tsx';
import { OnTheWay } from './OnTheWay.tsx';
import { OnUnit } from './OnUnit.tsx';
import { Path } from './Path.tsx';
import type { Say } from './say.ts';
import { Until } from './Wait.tsx';

/** The test chart, one question at a time, until one cause is left or the case is out of scope. */
export function TestStation(props: StationProps) {
  const { walk, data } = props;
  const { subject } = data;
  useTopOf(walk.answers.length);
  if (walk.special && !subject) return <NothingStored {...props} />;
  if (!subject) return <NoSubject {...props} />;
  const isDone = walk.found !== null || (walk.code !== null && walk.settled.has(walk.code));
  if (isDone && openRoots(data.roots).length > 0) return <OtherCodes {...props} title="Other codes were read" />;
  if (walk.waitingUntil) return <Until {...props} until={walk.waitingUntil} />;
  const { resetFirst } = walk;
  if (subject.kind === 'code' && resetFirst?.code === subject.id && resetFirst.returned === null)
    return <AfterFirst props={props} code={subject} move={data.firstMoves.find((m) => m.by === resetFirst.by)} />;
  return <Testing {...props} />;
}

/** At the chart or, where there is none, at the suspects; unless something is done first. */
function Testing(props: StationProps) {
  const { chartWalk, subject } = props.data;
  const [first, setFirst] = useState<FirstMove | null>(null);
  const actor = useActor();
  const needs = subject && lacking(actor, permitForSubject(props.data.bundle, subject));
  // with a chart it is each step that says it
  if (needs && !chartWalk)
    return (
      <Beyond offer={{ needs, what: subject.title, chart: null, node: null }} data={props.data} chartWalk={chartWalk} />
    );
  const code = subject?.kind === 'code' ? subject : null;
  if (first && code) return <DoingFirst props={props} code={code} move={first} onBack={() => setFirst(null)} />;
  const offer = code && <OfferFirst props={props} code={code} onBegin={setFirst} />;
  if (!chartWalk) return <NoChart {...props} offer={offer} />;
  return <AtNode {...props} at={chartWalk} offer={offer} />;
}

function AtNode({ at, offer, ...props }: StationProps & { at: ChartWalk; offer: ReactNode }) {
  const { walk, data, add } = props;
  const { at: node, chart } = at;
  const [coached, setCoached] = useState<Route | null>(null);
  const actor = useActor();
  const say: Say = (answer, { reading, skipped } = {}) =>
    void add({
      kind: 'answered',
      chart: chart.id,
      node: node.id,
      answer,
      reading: reading ?? null,
      ...(skipped ? { skipped } : {}),
    });
  const marks = node.kind === 'measure' ? node.marks : [];
  const face = (marks[0] && faceOf(data.panel, marks[0])) || data.front;
  const ahead = minutesAhead(chart, node.id);
  const before = at.path.map((s) => s.node);
  const known = new Set(before.flatMap((n) => n.tools));
  const fetched = node.tools.filter((t) => !known.has(t));
  const isNewHere = before.length > 0 && node.hazards.some((h) => !before.at(-1)?.hazards.includes(h));
  const needs = lacking(actor, permitForNode(data.bundle, node, data.subject));
  if (!at.ended && needs)
    return <Beyond offer={{ needs, what: node.title, chart: chart.id, node: node.id }} data={data} chartWalk={at} />;
  if (coached)
    return (
      <Coach
        route={coached}
        data={data}
        title={data.front.label}
        failed={0}
        onEnd={(took) => {
          void add({ kind: 'tried', route: coached.id, took });
          setCoached(null);
        }}
        aside={
          <div className="sheet small">
            <HazardNote ids={[...new Set([...node.hazards, ...coached.hazards])]} data={data} />
            <Button variant="text" onClick={() => setCoached(null)}>
              Back to “{node.title}”
            </Button>
          </div>
        }
      />
    );
  const probes = node.kind === 'measure' ? node.probes : [];
  const pictures = node.pictures
    .flatMap((id) => entryOf(data.bundle, 'asset', id) ?? [])
    .map((asset) => ({ asset, meant: probePoints(asset, probes) }));
  const spot = pictures.find((p) => p.meant.length > 0);
  return (
    <StationLayout
      panel={{ face, pointed: new Set<string>(marks) }}
      panelTitle={face.label}
      closer={spot && <Picture {...spot} />}
      beside={
        <div className="sheet small">
          {coverWords(face) && <p className="tag">{coverWords(face)}</p>}
          <h3>So far</h3>
          <Path walk={at} />
          <p className="soft">
            {at.minutes} min spent · {at.ended ? 'at the end' : `${ahead.least} to ${ahead.most} min ahead`}
          </p>
          <StandingMark standing={node.standing ?? chart.standing} />
          {data.subject?.pictures.map((id) => {
            const asset = entryOf(data.bundle, 'asset', id);
            return asset && <Picture key={id} asset={asset} />;
          })}
        </div>
      }
    >
      <p className="soft">{chart.title}</p>
      {isNewHere && !at.ended && <p className="tag warning">Other dangers than a step ago</p>}
      <HazardNote
        ids={node.hazards}
        data={data}
        {...(isLiveWork(node) ? { energised: node.protection ?? '', isolation: node.isolation } : {})}
      />
      <h1>{node.title}</h1>
      {node.text && <p>{node.text}</p>}
      {node.access && <p className="tag">{node.access}</p>}
      <WaysThere ids={node.ways} data={data} />
      {pictures
        .filter((p) => p !== spot)
        .map(({ asset }) => (
          <Picture key={asset.id} asset={asset} />
        ))}
      {node.tools.length > 0 && (
        <p className="small soft">
          Tools: {node.tools.join(', ')}
          {fetched.length > 0 && before.length > 0 && <strong> · fetch now: {fetched.join(', ')}</strong>}
        </p>
      )}
      {at.ended ? (
        <Ended {...props} at={at} />
      ) : (
        <>
          <OnUnit node={node} walk={walk} data={data} onCoach={setCoached} />
          <NodeBody key={`${node.id}${walk.answers.length}`} {...props} at={at} say={say} />
          <OnTheWay {...props} at={at} say={say} />
          {offer}
        </>
      )}
      <ModeWork {...props} />
    </StationLayout>
  );
}

import Button from '@mui/material/Button';
import {
  assertNever,
  type ChartNode,
  choicesOf,
  enteredBefore,
  entriesOf,
  entryOf,
  familyEntry,
  type NodeOf,
  readingsOnPath,
  shownBy,
  variantName,
} from '@wire-trail/core';
import { SwapGuide } from '../../../../parts/swap/SwapGuide.tsx';
import { Next } from '../StationLayout.tsx';
import { BesideOthers } from './BesideOthers.tsx';
import type { BodyProps } from './body-props.ts';
import { Earlier } from './Earlier.tsx';
import { Measure } from './Measure.tsx';
import { NeedsPlate } from './NeedsPlate.tsx';
import { Remedies } from './Remedies.tsx';
import { SetTo } from './SetTo.tsx';
import { Wait } from './Wait.tsx';
import { Watched } from './Watched.tsx';

/** What there is to do at a step, by its kind. */
export function NodeBody(props: BodyProps) {
  const { at, data, say } = props;
  const { at: node, chart } = at;
  const former = enteredBefore(props.events, chart.id, node.id);
  switch (node.kind) {
    case 'measure':
      return (
        <>
          <Earlier {...props} node={node} />
          <Measure
            node={node}
            known={data.bandKnown}
            instruments={entriesOf(data.bundle, 'instrument')}
            shown={shownBy(data.bundle, node)}
            former={former?.reading ?? null}
            settingName={(id) => entryOf(data.bundle, 'setting', id)?.name ?? id}
            keptAs={`wire-trail-readings:${props.walk.id}/${chart.id}/${node.id}`}
            needsPlate={(cases) => <NeedsPlate cases={cases} data={data} goTo={props.goTo} />}
            variantName={(id) => variantName(familyEntry(data.bundle), id)}
            settingUnit={settingUnit(node, data)}
            onTake={(reading, answer) => say(answer, { reading })}
          />
          <BesideOthers
            {...props}
            chart={chart.id}
            node={node}
            measure={(onTake, of) => (
              <Measure
                key={of}
                node={node}
                known={data.bandKnown}
                instruments={entriesOf(data.bundle, 'instrument')}
                action={`Take it for ${of}`}
                onTake={onTake}
              />
            )}
          />
        </>
      );
    case 'look':
      return (
        <>
          {(node.looksGood || node.looksBad) && (
            <dl className="looks">
              {node.looksGood && (
                <>
                  <dt>good</dt>
                  <dd>{node.looksGood}</dd>
                </>
              )}
              {node.looksBad && (
                <>
                  <dt>bad</dt>
                  <dd>{node.looksBad}</dd>
                </>
              )}
            </dl>
          )}
          <Answers {...props} node={node} former={former?.answer ?? null} />
        </>
      );
    case 'operate':
      return (
        <>
          <div className="note">Watch for: {node.watchFor}</div>
          {node.watch ? (
            <Watched {...props} node={node} watch={node.watch} />
          ) : (
            <Answers {...props} node={node} former={former?.answer ?? null} />
          )}
        </>
      );
    case 'split':
      return (
        <>
          <p className="soft">Nothing on this walk decides it; what holds here?</p>
          <Answers {...props} node={node} former={former?.answer ?? null} />
        </>
      );
    case 'compare':
      return <NotCompared {...props} node={node} />;
    case 'ask':
      return <Answers {...props} node={node} former={former?.answer ?? null} />;
    case 'remedies':
      return <Remedies {...props} node={node} />;
    case 'act': {
      const part = node.act === 'replace' ? familyEntry(data.bundle).parts.find((p) => p.id === node.part) : undefined;
      return (
        <>
          {part && <SwapGuide part={part} data={data} />}
          <div className="actions">
            <Next onClick={() => say('done')}>Done</Next>
          </div>
        </>
      );
    }
    case 'wait':
      return <Wait {...props} node={node} />;
    case 'set':
      return <SetTo {...props} node={node} />;
    case 'call':
    case 'verdict':
      // a call is gone into and a verdict ends the chart: neither is ever asked
      return null;
    default:
      return assertNever(node);
  }
}

/** What the setting a band goes by is keyed in. */
const settingUnit = (node: NodeOf<'measure'>, data: BodyProps['data']): string | undefined =>
  node.band.kind === 'of-setting' ? entryOf(data.bundle, 'setting', node.band.setting)?.unit : undefined;

/** One button for each answer; the one that was given before, if it was taken back, is marked. */
function Answers({ node, at, say, former }: BodyProps & { node: ChartNode; former: string | null }) {
  return (
    <div className="actions answers">
      {choicesOf(node, at.chart).map(({ answer }) => (
        <Button key={answer} size="glove" onClick={() => say(answer)}>
          {answer[0]?.toUpperCase()}
          {answer.slice(1)}
          {former === answer && <span className="soft small"> · as before</span>}
        </Button>
      ))}
    </div>
  );
}

/** A comparison that cannot be done: a reading was never taken, or it depends on the variant. It says so, and is answered by eye. */
function NotCompared({ at, say, data, goTo, node }: BodyProps & { node: NodeOf<'compare'> }) {
  const taken = readingsOnPath(at);
  const wanted = [
    node.reading,
    ...(node.warmed ? [node.warmed.from, node.warmed.to] : []),
    ...(node.against.kind === 'reading' ? [node.against.node] : []),
  ];
  const missing = wanted.filter((id) => !taken.has(id)).map((id) => at.chart.nodes.find((n) => n.id === id)?.title);
  const depends = missing.length === 0 && data.alive.length > 1;
  return (
    <>
      <p className="soft">
        {depends
          ? 'What is right here depends on which variant this is. It needs the plate. What would it be?'
          : `${missing.length > 1 ? 'Some readings were' : 'One of the readings was'} not taken${missing.length > 0 ? ` (“${missing.join('”, “')}”)` : ''}. What would it be?`}
      </p>
      {depends && goTo && (
        <div className="row">
          <Button onClick={() => goTo('unit')}>Read the plate</Button>
        </div>
      )}
      <div className="actions answers">
        {(['pass', 'low', 'high'] as const).map((answer) => (
          <Button
            key={answer}
            size="glove"
            onClick={() =>
              say(answer, {
                skipped: depends ? 'not compared: the variant is not known' : 'not compared: a reading was not taken',
              })
            }
          >
            {{ pass: 'As it should be', low: 'Too low', high: 'Too high' }[answer]}
          </Button>
        ))}
      </div>
    </>
  );
}

import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import {
  entriesOf,
  genericMeaning,
  isTold,
  partName,
  type SeenLamp,
  type Sign,
  type SignId,
  type Stage,
  signsOfReads,
  tellsWords,
} from '@wire-trail/core';
import { useState } from 'react';
import { usePageKeys } from '../../../../foundation/keys.ts';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { faceOfSign } from '../../../../parts/panel/face-of-sign.ts';
import { Several } from '../Several.tsx';
import { Skip } from '../Skip.tsx';
import { Next, StationLayout, type StationProps } from '../StationLayout.tsx';
import { Unlisted } from '../Unlisted.tsx';
import { CallerBox } from './CallerBox.tsx';
import { Advice, Candidates, Specials } from './Findings.tsx';
import { LampField } from './LampField.tsx';
import { Collected, MarkChoice, Slots, Sweep } from './Layers.tsx';
import { tappedLamp, toldLamp } from './lamp-cycle.ts';
import { Paint } from './Paint.tsx';
import { StageInput } from './StageInput.tsx';
import { CodeWords, StageTabs } from './StageTabs.tsx';
import { howTo, litOnce, questionOf, shownLamps, shownTexts, weightsOf } from './shown.ts';
import { type Reading, useDecoding } from './use-decoding.ts';
import { useTaking } from './use-taking.ts';

/** From this on a reading is said without a doubt. */
const sure = 0.9;

/** Get the code out of what shows: lamps, blinks or a display, stage by stage; what is undecided is said. */
export function ReadStation({ walk, data, add }: StationProps) {
  const reading = useDecoding(walk, data);
  const { readout, stage, decoded, look, entered, slot, item, codes } = reading;
  const { alone, first, swept, several, unlisted, setUnlisted, take, takeCode, takeSpecial, keepAndNext } = useTaking(
    { walk, data, add },
    reading,
  );
  const isNarrow = useMediaQuery('(max-width: 700px)', { noSsr: true });
  const [pointed, setPointed] = useState(false);
  const [paint, setPaint] = useState<SeenLamp | null>(null);
  usePageKeys({ ' ': reading.again, u: () => reading.undo?.() });
  if (!readout || !decoded || !stage || unlisted || (walk.unlisted && walk.code === null))
    return (
      <Unlisted
        walk={walk}
        data={data}
        text={decoded?.literal ?? walk.unlisted?.text ?? ''}
        onKeep={(happening) => void add(happening)}
        onBack={readout && unlisted ? () => setUnlisted(false) : null}
      />
    );

  const sits = faceOfSign(entriesOf(data.bundle, 'panel'), signsOfReads(stage.reads)[0]);
  const panel = sits?.panel ?? data.panel;
  const nameOf = (id: string): string => partName(panel, id);
  const tap = (sign: Sign) =>
    reading.write(paint ? toldLamp(stage, look, sign.id, { state: paint }) : tappedLamp(readout, stage, look, sign));
  const before = walk.taken.find(
    (t) => t.slot === slot && (t.controller === null || t.controller === item?.controller.id),
  );
  // what does not stand out is not offered as the answer; each of those left can still be taken
  const told = isTold(decoded);
  const isStrange = decoded.rest > 0.5;
  // what goes better with another readout of the same signs is read there first
  const better = reading.elsewhere.find((e) => e.fitsBetter);
  // what was taken is not offered again beside the way on
  const isTaken = before !== undefined && codes.some((c) => c.id === before.code && c.text === first?.code);
  const generic = first?.kind === 'unlisted' ? (genericMeaning(data.bundle, first.code)?.says ?? null) : null;
  const isLamps = stage.reads.kind === 'lamps';
  // on a phone the lamps come close, and stand in for the panel
  const isClose = isLamps && isNarrow;
  // a code is offered once every part of it was looked at; what shows beside it may come after
  const unread = readout.stages.filter(
    (s) => !reading.parts?.has(s.id) && !entered.looks.some((l) => l.stage === s.id),
  );
  const makesCode = new Set(readout.compose.flatMap((part) => (part.kind === 'stage' ? [part.stage] : [])));
  const isWhole = first?.kind === 'special' || unread.every((s) => !makesCode.has(s.id));
  const isStageRead = reading.parts?.get(stage.id) !== undefined;
  const takeWords = first?.kind === 'special' ? 'Take it: no code' : `Take ${first?.code}`;
  // while one lamp decides, looking at it once more comes before the answer
  const [decides] = decoded.undecided;
  const doubted = first && first.certainty <= sure && decides?.kind === 'lamp' ? decides : null;
  const lookAgain = (at: { stage: string }) => {
    reading.setStageIndex(
      Math.max(
        0,
        readout.stages.findIndex((s) => s.id === at.stage),
      ),
    );
    setPointed(true);
  };
  const nextStage = unread.find((s) => s.id !== stage.id);
  const openStage = (of: Stage) => reading.setStageIndex(readout.stages.indexOf(of));
  const input = (
    <StageInput
      key={`${item?.controller.id}${slot}${stage.id}`}
      data={{ ...data, panel }}
      readout={readout}
      stage={stage}
      look={look}
      parts={reading.parts ?? new Map()}
      onLook={reading.write}
    />
  );
  return (
    <StationLayout
      panel={
        isClose
          ? null
          : {
              face: sits?.face ?? data.front,
              lamps: shownLamps(reading, stage),
              texts: shownTexts(stage, look),
              weights: weightsOf(stage),
              onSign: isLamps ? tap : undefined,
            }
      }
      panelTitle="Front, as you see it"
      beside={
        <>
          {isLamps && !isClose && <Paint paint={paint} onPaint={setPaint} />}
          <Sweep walk={walk} reading={reading} />
          <Slots walk={walk} reading={reading} />
        </>
      }
      actions={
        readout.tells !== 'codes' ? (
          <Next onClick={() => item && reading.readBy(item.readout)}>Back to the codes</Next>
        ) : better ? (
          <>
            <Next onClick={() => reading.readBy(better.readout, better.looks)}>
              It is {better.reads}: read it on “{better.readout.name}”
            </Next>
            {first && told && isWhole && (
              <Button size="glove" onClick={() => void take(first)}>
                {takeWords} all the same
              </Button>
            )}
          </>
        ) : first && told && !isTaken && isWhole ? (
          doubted ? (
            <>
              <Next onClick={() => lookAgain(doubted)}>Lamp {nameOf(doubted.sign)}: look again</Next>
              <Button size="glove" onClick={() => void take(first)}>
                {takeWords}
              </Button>
            </>
          ) : (
            <Next onClick={() => void take(first)}>{takeWords}</Next>
          )
        ) : (
          isStageRead && nextStage && <Next onClick={() => openStage(nextStage)}>Now {nextStage.label}</Next>
        )
      }
      more={
        <>
          <Button onClick={reading.again} disabled={!look}>
            Seen again, the same <kbd className="hide-narrow">space</kbd>
          </Button>
          <Button onClick={() => reading.undo?.()} disabled={!reading.undo}>
            Undo the last tap <kbd className="hide-narrow">u</kbd>
          </Button>
          {slot < readout.slots.count && (
            <Button onClick={() => void keepAndNext()} disabled={!first}>
              Next stored code
            </Button>
          )}
          {!alone && (
            <Button onClick={() => void add(...swept('no-answer'))}>{item?.controller.name} does not answer</Button>
          )}
          <Specials readout={readout} onTake={(id) => void takeSpecial(id)} />
          <OtherReadouts reading={reading} />
          <div className="row">
            <Button variant="text" onClick={() => setUnlisted(true)}>
              It is none of these …
            </Button>
            <Skip
              example="nothing shows: the panel is dead"
              onSkip={(why) => void add({ kind: 'skipped', station: 'read', why })}
            />
          </div>
        </>
      }
    >
      <h1 className="room-title">{questionOf(stage)}</h1>
      {!alone && item && (
        <p>
          <span className="tag">{item.controller.name}</span>
        </p>
      )}
      {before && (
        <p>
          <span className="tag">
            stored code {slot} was taken as {before.code.toUpperCase()}
          </span>
        </p>
      )}
      <Collected
        walk={walk}
        data={data}
        reading={reading}
        onGoTo={reading.goTo}
        onConfirm={(controller, agrees) => void add({ kind: 'confirmed', controller, agrees })}
        onDone={(code) => void add({ kind: 'read-done', code })}
        quiet={Boolean(first && !isTaken)}
      />
      <StageTabs
        readout={readout}
        looks={entered.looks}
        parts={reading.parts ?? new Map()}
        index={reading.stageIndex}
        onPick={reading.setStageIndex}
        nameOf={nameOf}
      />
      {isClose && (
        <LampField
          face={sits?.face ?? data.front}
          panel={panel}
          stage={stage}
          lamps={shownLamps(reading, stage)}
          weights={weightsOf(stage)}
          pointed={pointed && doubted ? doubted.sign : null}
          onTap={tap}
        />
      )}
      {!isLamps && input}
      {isStageRead && nextStage && isWhole && (
        <Button fullWidth onClick={() => openStage(nextStage)}>
          Now {nextStage.label}
        </Button>
      )}
      {first ? (
        <div className="sheet">
          {told ? (
            <>
              <p className="soft small">
                {[first.certainty > sure ? 'reads as' : 'most likely', tellsWords[readout.tells]]
                  .filter(Boolean)
                  .join(': ')}
              </p>
              <div className="row spread">
                <CodeGlyph text={first.kind === 'special' ? 'no code' : first.code} size="huge" />
                <CodeWords candidate={first} codes={codes} readout={readout} generic={generic} />
              </div>
            </>
          ) : (
            <p>
              <strong>Cannot be told yet:</strong>{' '}
              {isStrange ? 'nothing in the table goes well with it.' : `${decoded.candidates.length} are left.`}
            </p>
          )}
          {!isStrange && (
            <Candidates
              candidates={decoded.candidates}
              panel={panel}
              isTable={readout.tells === 'codes'}
              onTake={(c) => readout.tells === 'codes' && void take(c)}
            />
          )}
          <Several codes={several} data={data} onTake={(code) => void takeCode(code)} />
          <MarkChoice reading={reading} />
          <Advice
            reading={reading}
            panel={panel}
            onAlive={(sign) => reading.enter({ looks: [...entered.looks, litOnce(stage, sign as SignId)] })}
          />
        </div>
      ) : (
        <div className="sheet soft">
          <p>{howTo(stage)}</p>
          {readout.note && <p>{readout.note}</p>}
        </div>
      )}
      {isLamps && input}
      {isClose && <Paint paint={paint} onPaint={setPaint} />}
      {isClose && (
        <>
          <Sweep walk={walk} reading={reading} />
          <Slots walk={walk} reading={reading} />
        </>
      )}
      <CallerBox
        data={{ ...data, panel }}
        readout={readout}
        listed={reading.listed}
        onHeard={(looks, said) => reading.enter({ looks: [...entered.looks, ...looks], said })}
      />
    </StationLayout>
  );
}

function OtherReadouts({ reading }: { reading: Reading }) {
  const { readouts, readout, item } = reading;
  const others = readouts.filter(
    (r) => r !== readout && (r.controller === item?.controller.id || r.id === item?.readout.id),
  );
  if (others.length === 0) return null;
  return (
    <div className="row">
      <span className="soft small">It shows in another way:</span>
      {others.map((r) => (
        <Button key={r.id} onClick={() => reading.readBy(r)}>
          {r.name}
        </Button>
      ))}
    </div>
  );
}

import {
  type Candidate,
  type Code,
  decode,
  type Look,
  literalOf,
  type Readout,
  type SeenLamp,
  type Sign,
  type SignId,
  type Stage,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { usePageKeys } from '../../../app/keys.ts';
import type { Happening } from '../../../offline/walks.ts';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import type { LampShow } from '../../../parts/panel/PanelDrawing.tsx';
import { partName } from '../../../parts/words/coach-words.ts';
import { Advice, Candidates, Slots, Specials } from './ReadFindings.tsx';
import { BlinkCount, LampKeys } from './ReadInputs.tsx';
import { CodeWords, StageTabs } from './ReadParts.tsx';
import { Several } from './Several.tsx';
import { Skip } from './Skip.tsx';
import { Next, Room, type StationProps } from './station.tsx';
import { Unlisted } from './Unlisted.tsx';

/** What was entered of one slot: the looks so far, the newest of each stage last. */
type Entered = Readonly<{ looks: readonly Look[] }>;

/** Get the code out of what shows: tap the lamps of each stage on the drawn panel; what is undecided is said. */
export function ReadStation({ walk, data, add }: StationProps) {
  const { readout } = data;
  const [slot, setSlot] = useState(1);
  const kept = walk.seen.find((s) => s.slot === slot);
  const [entered, setEntered] = useState<Entered>({ looks: kept?.looks ?? [] });
  const [stageIndex, setStageIndex] = useState(0);
  const [unlisted, setUnlisted] = useState(false);
  const codes = useMemo(() => data.codes.filter((c) => c.readout === readout?.id), [data, readout]);
  const [several, setSeveral] = useState<readonly Code[]>([]);
  const decoded = useMemo(
    () => (readout ? decode(readout, listedOf(codes), { slot, looks: [...entered.looks] }) : null),
    [readout, codes, entered, slot],
  );
  const stage = readout?.stages[stageIndex];
  const again = () =>
    stage && setEntered({ looks: [...entered.looks, ...entered.looks.filter((l) => l.stage === stage.id).slice(-1)] });
  usePageKeys({ ' ': again });
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

  const look = entered.looks.findLast((l) => l.stage === stage.id);
  const write = (next: Look) =>
    setEntered({ looks: look ? entered.looks.with(entered.looks.lastIndexOf(look), next) : [...entered.looks, next] });
  const tap = (sign: Sign) => write(tapped(readout, stage, look, sign.id));
  const first = decoded.candidates[0];
  const keep = (): Happening => ({
    kind: 'seen',
    readout: readout.id,
    seen: { slot, looks: [...entered.looks] },
    made: decoded.candidates.slice(0, 20).map((c) => ({ code: c.code, certainty: Math.min(1, c.certainty) })),
  });
  const take = async (candidate: Candidate) => {
    if (candidate.kind === 'special')
      return add(keep(), { kind: 'special', readout: readout.id, special: candidate.code as Stage['id'] });
    const [code, ...others] = codes.filter((c) => c.text === candidate.code);
    if (!code) return setUnlisted(true);
    // entries for several variants, and it is not known which this is: both stay in sight
    if (others.length > 0) return setSeveral([code, ...others]);
    await add(keep(), { kind: 'code-taken', code: code.id, slot });
  };
  const goToSlot = (next: number) => {
    setSlot(next);
    setStageIndex(0);
    setEntered({ looks: walk.seen.find((s) => s.slot === next)?.looks ?? [] });
  };
  const keepAndNext = async () => {
    const code = first?.kind === 'listed' ? codes.find((c) => c.text === first.code) : undefined;
    await add(keep(), ...(code ? [{ kind: 'code-taken' as const, code: code.id, slot }] : []));
    goToSlot(slot + 1);
  };
  const taken = walk.slots.get(slot);
  return (
    <Room
      panel={{
        face: data.front,
        lamps: shownLamps(readout, stage, look),
        weights: weightsOf(stage),
        onSign: stage.reads.kind === 'lamps' ? tap : undefined,
      }}
      panelTitle="Front, as you see it"
      beside={
        <>
          <LampKeys data={data} stage={stage} look={look} onTap={(id) => write(tapped(readout, stage, look, id))} />
          <Slots walk={walk} readout={readout} slot={slot} literal={decoded.literal} onGo={goToSlot} />
        </>
      }
      actions={
        first && (
          <Next onClick={() => void take(first)}>
            {first.kind === 'special' ? 'Take it: no code' : `Take ${first.code}`}
          </Next>
        )
      }
      more={
        <>
          <button type="button" className="act" onClick={again} disabled={!look}>
            Seen again, the same <kbd className="hide-narrow">space</kbd>
          </button>
          {slot < readout.slots.count && (
            <button type="button" className="act" onClick={() => void keepAndNext()} disabled={!first}>
              Next slot
            </button>
          )}
          <Specials
            readout={readout}
            onTake={(id) => void add(keep(), { kind: 'special', readout: readout.id, special: id })}
          />
          <div className="row">
            <button type="button" className="plain" onClick={() => setUnlisted(true)}>
              It is none of these …
            </button>
            <Skip
              example="nothing shows: the panel is dead"
              onSkip={(why) => void add({ kind: 'skipped', station: 'read', why })}
            />
          </div>
        </>
      }
    >
      <h1 className="room-title">What do the lamps show{readout.stages.length > 1 ? '' : ' now'}?</h1>
      {taken && (
        <p className="tag">
          slot {slot} was taken as {taken.toUpperCase()}
        </p>
      )}
      <StageTabs
        readout={readout}
        looks={entered.looks}
        index={stageIndex}
        onPick={setStageIndex}
        nameOf={(id) => partName(data.panel, id)}
      />
      {stage.reads.kind === 'blinks' && (
        <BlinkCount
          stage={stage}
          look={look}
          most={stage.reads.most}
          onCount={(count) => write({ kind: 'blinks', stage: stage.id, count })}
        />
      )}
      {stage.reads.kind === 'text' && (
        <label className="field">
          What does the display show?
          <input
            className="box mono"
            maxLength={12}
            value={look?.kind === 'text' ? look.text : ''}
            onChange={(e) => write({ kind: 'text', stage: stage.id, text: e.target.value })}
          />
        </label>
      )}
      {look && literalOf(stage, [look]) !== null && stageIndex < readout.stages.length - 1 && (
        <button type="button" className="act wide" onClick={() => setStageIndex(stageIndex + 1)}>
          Now {readout.stages[stageIndex + 1]?.label}
        </button>
      )}
      {first ? (
        <div className="sheet">
          <p className="soft small">{first.certainty > 0.9 ? 'reads as' : 'most likely'}</p>
          <div className="row spread">
            <CodeGlyph text={first.kind === 'special' ? 'no code' : first.code} size="huge" />
            <CodeWords candidate={first} codes={codes} readout={readout} />
          </div>
          <Candidates
            candidates={decoded.candidates}
            nameOf={(id) => partName(data.panel, id)}
            onTake={(c) => void take(c)}
          />
          <Several
            codes={several}
            data={data}
            onTake={(code) => void add(keep(), { kind: 'code-taken', code: code.id, slot })}
          />
          <Advice data={data} readout={readout} decoded={decoded} codes={[...new Set(codes.map((c) => c.text))]} />
        </div>
      ) : (
        <div className="sheet soft">
          <p>
            Tap each lamp: lit, then cannot tell, then dark again. What you do not tap counts as dark once you tapped
            one.
          </p>
          {readout.note && <p>{readout.note}</p>}
        </div>
      )}
    </Room>
  );
}

/** Each text once, as frequent as all its entries together. */
function listedOf(codes: readonly Code[]): Array<{ text: string; frequency: number }> {
  const byText = new Map<string, number>();
  for (const { text, frequency } of codes) byText.set(text, (byText.get(text) ?? 0) + frequency);
  return [...byText].map(([text, frequency]) => ({ text, frequency }));
}

const cycleOf = (readout: Readout, stage: Stage): SeenLamp[] => {
  const used = new Set<SeenLamp>(['dark']);
  if (stage.reads.kind === 'lamps') used.add(stage.reads.onIs).add(stage.reads.offIs);
  const blinks = readout.specials.some((s) =>
    s.signs.some((x) => x.kind === 'lamp' && (x.state === 'slow' || x.state === 'fast')),
  );
  return [...used, 'unsure', ...(blinks && !used.has('slow') ? (['slow'] as const) : [])];
};

/** The look after a lamp was tapped: the next thing it may show. The first tap says that the others are dark. */
function tapped(readout: Readout, stage: Stage, look: Look | undefined, sign: SignId): Look {
  if (stage.reads.kind !== 'lamps') throw new Error(`stage ${stage.id} has no lamps`);
  const { offIs, lamps } = stage.reads;
  const before = look?.kind === 'lamps' ? look.lamps : Object.fromEntries(lamps.map((l) => [l.sign, offIs]));
  const cycle = cycleOf(readout, stage);
  const now = before[sign] ?? offIs;
  return {
    kind: 'lamps',
    stage: stage.id,
    lamps: { ...before, [sign]: cycle[(cycle.indexOf(now) + 1) % cycle.length] ?? offIs },
  };
}

function shownLamps(readout: Readout, stage: Stage, look: Look | undefined): ReadonlyMap<SignId, LampShow> {
  const colour = stage.comes.kind === 'colour' ? stage.comes.colour : undefined;
  const counted = new Set(
    readout.stages.flatMap((s) => (s.reads.kind === 'lamps' ? s.reads.lamps.map((l) => l.sign) : [])),
  );
  const mine = stage.reads.kind === 'lamps' ? stage.reads.lamps.map((l) => l.sign) : [];
  return new Map(
    [...counted].map((sign) => [
      sign,
      { state: look?.kind === 'lamps' && mine.includes(sign) ? (look.lamps[sign] ?? 'unseen') : 'unseen', colour },
    ]),
  );
}

const weightsOf = (stage: Stage): ReadonlyMap<SignId, string> =>
  new Map(
    stage.reads.kind === 'lamps'
      ? stage.reads.lamps.flatMap((l) => (l.weight ? [[l.sign, String(l.weight)] as const] : []))
      : [],
  );

import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  coachCards,
  type Happened,
  happenedOf,
  missedWords,
  planUnit,
  type Route,
  type StoodAs,
  startForRoute,
  stepsAsDone,
  stoodAs,
  unitStoodAs,
} from '@wire-trail/core';
import { useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { unitShow } from '../../../../parts/panel/unit-show.ts';
import { MenuBox } from '../../../../parts/unit/MenuBox.tsx';
import { useUnit } from '../../../../parts/unit/use-unit.ts';
import type { TrailData } from '../../trail-data.ts';
import { WalkAround } from '../Beyond.tsx';
import { Next, StationLayout, useTopOf } from '../StationLayout.tsx';
import { OfferWay } from './OfferWay.tsx';

const stoodWords: Readonly<Record<StoodAs, string>> = {
  'as-it-begins': 'as it should',
  'just-switched-on': 'just switched on',
  'switched-off': 'switched off',
};

type Props = Readonly<{
  route: Route;
  data: TrailData;
  onBack: () => void;
  /** What it was, once the unit has said it. */
  onTold: (happened: Happened) => void;
}>;

/** The drawn panel as a unit that is worked as the real one was: it says what was otherwise, and by how much. */
export function ShowWhatYouDid({ route, data, onBack, onTold }: Props) {
  const plan = useMemo(() => planUnit(data.bundle), [data.bundle]);
  const ways = useMemo(() => stoodAs.filter((as) => unitStoodAs(plan, route, as) !== null), [plan, route]);
  const [stood, setStood] = useState<StoodAs>('as-it-begins');
  const begin = useCallback(() => unitStoodAs(plan, route, stood) ?? startForRoute(plan, route), [plan, route, stood]);
  const unit = useUnit(plan, begin);
  const { restart } = unit;
  const around = useContext(WalkAround);
  const [offering, setOffering] = useState(false);
  useTopOf(String(offering));
  // how it stood decides how it begins
  // biome-ignore lint/correctness/useExhaustiveDependencies: anew whenever that changes
  useEffect(restart, [stood]);
  const faces = data.panel.faces.filter((f) => f.controls.length > 0);
  const worked = useMemo(
    () => new Set<string>(coachCards(route.steps).flatMap((c) => c.acts.flatMap((a) => a.control ?? []))),
    [route],
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const face =
    faces.find((f) => f.id === chosen) ?? faces.find((f) => f.controls.some((c) => worked.has(c.id))) ?? data.front;
  const missed = unit.happened.find((h) => h.kind === 'missed');
  const all = missed?.kind === 'missed' ? [missed.nearest, ...missed.others] : [];
  // whoever means this way is told of this way
  const told = all.find(({ of }) => of.kind === 'route' && of.id === route.id) ?? all[0];
  const done = unit.happened.some((h) => h.kind === 'done' && h.of.kind === 'route' && h.of.id === route.id);
  const instead = unit.happened.find((h) => h.kind === 'done' && !(h.of.kind === 'route' && h.of.id === route.id));
  const happened: Happened | null = done
    ? 'nothing'
    : told
      ? happenedOf[told.miss.code]
      : instead
        ? 'other-mode'
        : null;
  if (offering && around)
    return (
      <OfferWay
        route={route}
        data={data}
        steps={stepsAsDone(unit.hands(), plan.facts)}
        onBack={() => setOffering(false)}
        onOffer={(steps, words) =>
          void around.add(
            { kind: 'proposed', offer: { kind: 'way', route: route.id, steps }, words },
            { kind: 'tried', route: route.id, took: true },
          )
        }
      />
    );
  return (
    <StationLayout
      panel={{
        face,
        ...unitShow(plan, unit.state, unit.clock),
        onControl: (control, place, way) => unit.operate(control, place, way, false),
        onControlEnd: unit.end,
      }}
      actions={
        <>
          {happened !== null && <Next onClick={() => onTold(happened)}>What to do now</Next>}
          {around && unit.hands().length > 0 && (
            <Button size="glove" onClick={() => setOffering(true)}>
              This worked on the unit: offer it
            </Button>
          )}
          <Button size="glove" onClick={unit.happened.length > 0 ? restart : onBack}>
            {unit.happened.length > 0 ? 'Show it once more' : 'Back'}
          </Button>
        </>
      }
    >
      <h1>Do it here as you did it there</h1>
      <p className="soft">Press, hold and wait as long as you did on the unit.</p>
      {ways.length > 1 && (
        <div className="stack">
          <span className="soft small" id="how-it-stood">
            How the unit stood when you began
          </span>
          <ToggleButtonGroup
            exclusive
            fullWidth
            value={stood}
            aria-labelledby="how-it-stood"
            onChange={(_, next: StoodAs | null) => next && setStood(next)}
          >
            {ways.map((as) => (
              <ToggleButton key={as} value={as}>
                {stoodWords[as]}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </div>
      )}
      {faces.length > 1 && (
        <div className="row">
          {faces.map((f) => (
            <Button key={f.id} variant={f.id === face.id ? 'outlined' : 'text'} onClick={() => setChosen(f.id)}>
              {f.label}
            </Button>
          ))}
        </div>
      )}
      <MenuBox
        bundle={data.bundle}
        mode={[...unit.state.controllers.values()].map((m) => m.mode)}
        onChoose={(on, words) => unit.take({ kind: 'choose', on, words })}
      />
      <div aria-live="polite">
        {done ? (
          <div className="note">
            <strong>Done so, it is taken here.</strong> It was not your hands: check the supply and how the unit stood.
          </div>
        ) : told ? (
          <div className="note bad">{missedWords(data.bundle, told.of, told.miss)}</div>
        ) : instead?.kind === 'done' ? (
          <div className="note bad">That is “{instead.of.name}”: the unit goes there instead.</div>
        ) : null}
      </div>
    </StationLayout>
  );
}

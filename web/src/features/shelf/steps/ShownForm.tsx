import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  type ControllerId,
  type Entry,
  entriesOf,
  type FamilyId,
  keyText,
  liveReadout,
  liveValuesIn,
  type Panel,
  type PartsAsked,
  type PartsWrong,
  type Readout,
  readoutAsAsked,
  readoutInParts,
  type ShowsBy,
  type SignId,
  showsByWords,
  signsFor,
  slipWords,
  statesOf,
  waysOf,
  withStates,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Field } from '../../../parts/field/Field.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { useLookAlikes } from '../../../parts/look-alikes/use-look-alikes.ts';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../../parts/panel/use-play.ts';
import type { Shelved } from '../tab-props.ts';
import { PartsForm, partsBegun } from './PartsForm.tsx';
import { ShownDrawing } from './ShownDrawing.tsx';
import { useKeep } from './use-keep.tsx';

type Props = Readonly<{ family: string; entries: readonly Shelved[] }>;

/** Later drafts of the same entry take the place of earlier ones. */
const merged = (drafts: readonly Entry[]): Entry[] => [
  ...new Map(drafts.map((d) => [keyText(d), d] as const)).values(),
];

/** How a code is shown, asked with drawn answers: only what this panel can do; a live example beside it. */
export function ShownForm({ family, entries }: Props) {
  const bodies = useMemo(() => entries.map((e) => e.body), [entries]);
  const panels = useMemo(() => entriesOf({ entries: bodies }, 'panel'), [bodies]);
  const codes = useMemo(() => entriesOf({ entries: bodies }, 'code').map((c) => c.text), [bodies]);
  const controller = entriesOf({ entries: bodies }, 'family')[0]?.controllers[0]?.id ?? ('main' as ControllerId);
  const ways = waysOf(panels);
  const [by, setBy] = useState<ShowsBy | null>(ways.length === 1 ? (ways[0] ?? null) : null);
  const [sign, setSign] = useState('');
  const [nothing, setNothing] = useState('');
  const [live, setLive] = useState('');
  const [typedParts, setParts] = useState<PartsAsked | null>(null);
  const parts = useMemo(() => typedParts ?? partsBegun(panels, codes), [typedParts, panels, codes]);
  const { keep, isKeeping, said } = useKeep(family, entries);
  const signs = by === null ? [] : signsFor(by, panels);
  const own = signs.find((s) => s.id === sign) ?? signs[0];
  const values = useMemo(() => liveValuesIn(live), [live]);
  /** The readout with the state it is read in; the state that shows what is stored is added where there is none. */
  const made = useMemo((): { readout: Readout; all: Entry[] } | PartsWrong | null => {
    if (by === null || by === 'lamps' || !own) return null;
    const states = statesOf({ entries: bodies });
    const wanted = [...new Set([...states.on, 'normal' as const, 'stored' as const])];
    const first = withStates({ entries: bodies }, { ...states, on: wanted });
    const with1 = merged([...bodies, ...first]);
    const stored = entriesOf({ entries: with1 }, 'mode').filter((m) => m.sort === 'memory');
    const about = {
      id: 'codes',
      family: family as FamilyId,
      name: 'Codes',
      controller,
      modes: stored.map((m) => m.id),
    };
    const asked =
      by === 'parts'
        ? readoutInParts(parts, codes, panels, about)
        : { ok: true as const, value: readoutAsAsked({ by, sign: own.id as SignId, codes, nothing }, panels, about) };
    if (!asked.ok) return asked.error;
    const readout = asked.value;
    const last = withStates({ entries: [...with1, readout] }, { ...states, on: wanted });
    const told = last.find((d) => d.kind === 'readout' && d.id === readout.id) ?? readout;
    const liveOnes =
      values.ok && values.value.length > 0
        ? liveOf(with1, values.value, own.id as SignId, panels, family as FamilyId, controller)
        : [];
    return { readout: told as Readout, all: merged([...first, readout, ...last, ...liveOnes]) };
  }, [by, own, parts, bodies, codes, nothing, panels, family, controller, values]);
  const drafts = made && 'all' in made ? made : null;
  if (ways.length === 0) return <p className="note">First its panel: what shows a code stands on it.</p>;
  return (
    <section className="sheet stack" aria-label="how a code is shown">
      <ToggleButtonGroup
        exclusive
        className="drawn-answers"
        aria-label="how does it show a code"
        value={by}
        onChange={(_, next: ShowsBy | null) => setBy(next)}
      >
        {ways.map((w) => (
          <ToggleButton key={w} value={w} aria-label={showsByWords[w].name}>
            <span className="stack">
              <ShownDrawing by={w} />
              <strong>{showsByWords[w].name}</strong>
              <span className="soft small">{showsByWords[w].says}</span>
            </span>
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {by === 'lamps' && (
        <>
          <p className="soft">Three codes you are sure of are often enough: what each lamp counts is worked out.</p>
          <div className="row">
            <Button
              component={Link}
              variant="contained"
              color="primary"
              to={`/shelf/${family}/readout/codes?new=Codes&tab=${encodeURIComponent('Learn from examples')}`}
            >
              Learn from examples
            </Button>
          </div>
        </>
      )}
      {by !== null && by !== 'lamps' && (
        <>
          {by === 'parts' && (
            <PartsForm
              value={parts}
              onChange={setParts}
              panels={panels}
              codes={codes}
              entries={entries}
              wrong={made && 'is' in made ? made : null}
            />
          )}
          {signs.length > 1 && by !== 'which' && by !== 'parts' && (
            <label className="field">
              On which
              <Select native fullWidth value={own?.id ?? ''} onChange={(e) => setSign(e.target.value)}>
                {signs.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.label}
                  </option>
                ))}
              </Select>
            </label>
          )}
          {(by === 'display' || by === 'pair') && (
            <>
              <Field
                label="Where nothing is stored it reads"
                hint="such as ---"
                value={nothing}
                maxLength={12}
                onChange={(e) => setNothing(e.target.value)}
              />
              <Field
                label="Live values, one a line"
                hint="as it names them, what it is, from least to most: t1 cabinet, -10 to 60 °C"
                multiline
                rows={3}
                value={live}
                wrong={
                  !values.ok &&
                  `Line ${values.error.line}, “${values.error.text}”: say from least to most, with the unit.`
                }
                onChange={(e) => setLive(e.target.value)}
              />
            </>
          )}
          {codes.length === 0 && (
            <p className="soft small">Once the codes are there, lengths and letters come of them: paste them first.</p>
          )}
          {drafts && <Example readout={drafts.readout} text={codes[0] ?? null} panels={panels} />}
          {drafts && <TakenFor readout={drafts.readout} codes={codes} panels={panels} />}
          {said}
          <div className="row">
            <Button
              variant="contained"
              color="primary"
              disabled={!drafts || isKeeping || !values.ok}
              onClick={() => drafts && void keep(drafts.all, 'how a code is shown')}
            >
              That is how
            </Button>
          </div>
        </>
      )}
    </section>
  );
}

/** Live values as a readout of their own, in a state of their own. */
function liveOf(
  all: Entry[],
  values: Parameters<typeof liveReadout>[0],
  sign: SignId,
  panels: Parameters<typeof liveReadout>[2],
  family: FamilyId,
  controller: ControllerId,
): Entry[] {
  const states = statesOf({ entries: all });
  const made = withStates({ entries: all }, { ...states, on: [...new Set([...states.on, 'live' as const])] });
  const mode = entriesOf({ entries: merged([...all, ...made]) }, 'mode').find((m) => m.sort === 'live');
  if (!mode) return [];
  const readout = liveReadout(values, sign, panels, {
    id: 'live-values',
    family,
    name: 'Live values',
    controller,
    modes: [mode.id],
  });
  return [...made, readout];
}

/** The first code of the unit as it would show. */
function Example({
  readout,
  text,
  panels,
}: {
  readout: Readout;
  text: string | null;
  panels: Parameters<typeof liveReadout>[2];
}) {
  const play = usePlay(readout, text, 0);
  const face = panels[0]?.faces[0];
  if (!face || text === null) return null;
  return (
    <figure className="stack">
      <figcaption className="soft small">{text} as it shows</figcaption>
      <PanelDrawing face={face} lamps={play.lamps} texts={play.texts} sounding={play.sounding} />
    </figure>
  );
}

/** So many that are taken for others are told here; all of them stand with the readout once it is kept. */
const mostTold = 5;

/** Which codes are taken for which, where one thing of them is seen wrong. */
function TakenFor({
  readout,
  codes,
  panels,
}: {
  readout: Readout;
  codes: readonly string[];
  panels: readonly Panel[];
}) {
  const found = useLookAlikes(readout, codes);
  const [panel] = panels;
  if (!found || found.length === 0 || !panel) return null;
  return (
    <div className="stack">
      <h2>Easily taken for another</h2>
      <ul className="plain small" aria-label="easily taken for another">
        {found.slice(0, mostTold).map((l) => (
          <li key={`${l.code} ${l.becomes}`}>
            <strong>{l.code}</strong> reads as <strong>{l.becomes}</strong> if {slipWords(l, panel)}
          </li>
        ))}
        {found.length > mostTold && <li className="soft">and {found.length - mostTold} more</li>}
      </ul>
    </div>
  );
}

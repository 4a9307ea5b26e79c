import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import {
  assertNever,
  type ControlFacts,
  type ControlId,
  type Entries,
  entriesIn,
  type Leads,
  leadsOf,
  type Mode,
  type PlaceId,
  type UnitFacts,
  type Way,
  wayOf,
  withWay,
} from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import '../steps/steps.css';

type By = Way['by'] | 'gone';
const byWords: Readonly<Record<By, string>> = {
  press: 'when a key is pressed',
  hold: 'when a key is held',
  turn: 'when a knob is turned',
  put: 'when something is put to a place',
  idle: 'when nothing is done for',
  after: 'by itself after',
  supply: 'when the supply comes',
  gone: 'when the supply goes',
  code: 'when a code comes up',
};

type Props = Readonly<{
  mode: Mode;
  modes: readonly Mode[];
  facts: UnitFacts;
  /** Where it was drawn to, where it was. */
  to: string | null;
  /** Which of its ways is written anew; null for one more. */
  at: number | null;
  onKeep: (mode: Mode) => void;
  onClose: () => void;
}>;

const whole = (text: string): number | null => {
  const n = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(n) && n > 0 ? n : null;
};

const partsOf = (facts: UnitFacts) => {
  const all = [...facts.controls.values()];
  const of = (is: (own: ControlFacts) => boolean) => all.filter(is);
  return {
    keys: of((c) => c.mechanism.kind === 'push'),
    knobs: of((c) => c.mechanism.kind === 'clicks'),
    placed: of((c) => c.mechanism.kind === 'places'),
  };
};

/** One way from a mode, as a sentence with its gaps to fill. */
export function WayDialog({ mode, modes, facts, to, at, onKeep, onClose }: Props) {
  const { keys, knobs, placed } = partsOf(facts);
  const before = at === null ? undefined : mode.transitions[at];
  const way = before ? wayOf(before) : null;
  const leads = before ? leadsOf(mode, before) : null;
  const entries = entriesIn(mode);
  const [goal, setGoal] = useState(() =>
    leads
      ? leads.to === 'mode'
        ? `mode ${leads.mode}`
        : leads.to
      : `mode ${to ?? modes.find((m) => m !== mode)?.id ?? mode.id}`,
  );
  const [by, setBy] = useState<By>(() =>
    way ? (way.by === 'supply' && way.becomes === 'off' ? 'gone' : way.by) : keys.length > 0 ? 'press' : 'idle',
  );
  const timed = way && 'ms' in way ? way.ms : null;
  const [unit, setUnit] = useState<'s' | 'min'>(
    timed === null ? (keys.length > 0 ? 's' : 'min') : timed >= 120_000 ? 'min' : 's',
  );
  const [long, setLong] = useState(timed === null ? '5' : String(timed >= 120_000 ? timed / 60_000 : timed / 1000));
  const [control, setControl] = useState<string>(way && 'control' in way ? way.control : '');
  const [often, setOften] = useState(
    way?.by === 'press' ? String(way.times) : way?.by === 'turn' ? String(way.clicks) : '1',
  );
  const [turns, setTurns] = useState<'cw' | 'ccw'>(way?.by === 'turn' ? way.way : 'cw');
  const [place, setPlace] = useState<string>(way?.by === 'put' ? way.to : '');
  const [of, setOf] = useState(String(entries?.of ?? 8));
  const [wraps, setWraps] = useState(entries?.wraps ?? true);
  const [tried, setTried] = useState(false);
  const choices = by === 'turn' ? knobs : by === 'put' ? placed : keys;
  const picked = choices.find((c) => c.control.id === control) ?? choices[0];
  const mechanism = picked?.mechanism;
  const places = mechanism?.kind === 'places' ? mechanism.places : [];
  const at1 = places.find((p) => p.id === place) ?? places.find((p) => p.id !== picked?.start) ?? places[0];
  const isStep = goal === 'next' || goal === 'before';
  const ms = (whole(long) ?? 0) * (unit === 'min' ? 60_000 : 1000);
  const isTimed = by === 'idle' || by === 'after' || by === 'hold';
  const wrong =
    isTimed && whole(long) === null
      ? 'Say how long.'
      : (by === 'press' || by === 'turn') && whole(often) === null
        ? 'Say how often.'
        : isStep && whole(of) === null
          ? 'Say how many there are.'
          : null;
  const made = (): Way => {
    const id = picked?.control.id as ControlId;
    switch (by) {
      case 'press':
        return { by, control: id, times: Math.round(whole(often) ?? 1) };
      case 'hold':
        return { by, control: id, ms };
      case 'turn':
        return { by, control: id, way: turns, clicks: Math.round(whole(often) ?? 1) };
      case 'put':
        return { by, control: id, to: at1?.id as PlaceId };
      case 'idle':
      case 'after':
        return { by, ms };
      case 'code':
        return { by };
      case 'supply':
        return { by, becomes: 'on' };
      case 'gone':
        return { by: 'supply', becomes: 'off' };
      default:
        return assertNever(by);
    }
  };
  const leadsTo = (): Leads =>
    goal === 'next' || goal === 'before' || goal === 'erased'
      ? { to: goal }
      : { to: 'mode', mode: goal.slice('mode '.length) as Mode['id'] };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong) return;
    const list: Entries | null = isStep ? { of: Math.round(whole(of) ?? 8), wraps } : null;
    onKeep(withWay(mode, made(), leadsTo(), list, at));
  };
  const can = (option: By): boolean =>
    option === 'press' || option === 'hold'
      ? keys.length > 0
      : option === 'turn'
        ? knobs.length > 0
        : option === 'put'
          ? placed.length > 0
          : true;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="way-title">
      <form onSubmit={submit} noValidate>
        <DialogTitle id="way-title">{before ? 'This way' : 'A way on'}</DialogTitle>
        <DialogContent className="stack way-gaps">
          <div className="sentence">
            <span>
              From <strong>{mode.name}</strong> it goes to
            </span>
            <Select
              native
              autoFocus
              value={goal}
              onChange={(e) => setGoal(e.target.value)}
              inputProps={{ 'aria-label': 'where it leads' }}
            >
              {modes.map((m) => (
                <option key={m.id} value={`mode ${m.id}`}>
                  {m.id === mode.id ? `${m.name} (begins anew)` : m.name}
                </option>
              ))}
              <option value="next">the next entry here</option>
              <option value="before">the entry before, here</option>
              <option value="erased">an empty memory, and stays here</option>
            </Select>
          </div>
          <div className="sentence">
            <Select
              native
              value={by}
              onChange={(e) => setBy(e.target.value as By)}
              inputProps={{ 'aria-label': 'when' }}
            >
              {(Object.keys(byWords) as By[]).filter(can).map((option) => (
                <option key={option} value={option}>
                  {byWords[option]}
                </option>
              ))}
            </Select>
            {(by === 'press' || by === 'hold' || by === 'turn' || by === 'put') && (
              <Select
                native
                value={picked?.control.id ?? ''}
                onChange={(e) => setControl(e.target.value)}
                inputProps={{ 'aria-label': 'which' }}
              >
                {choices.map((c) => (
                  <option key={c.control.id} value={c.control.id}>
                    {c.control.label}
                  </option>
                ))}
              </Select>
            )}
            {by === 'put' && (
              <>
                <span>to</span>
                <Select
                  native
                  value={at1?.id ?? ''}
                  onChange={(e) => setPlace(e.target.value)}
                  inputProps={{ 'aria-label': 'place' }}
                >
                  {places.map((p) => (
                    <option key={p.id} value={p.id}>
                      {p.label}
                    </option>
                  ))}
                </Select>
              </>
            )}
            {(by === 'press' || by === 'turn') && (
              <Input
                value={often}
                error={tried && whole(often) === null}
                onChange={(e) => setOften(e.target.value)}
                slotProps={{
                  input: { size: 3, inputMode: 'numeric', 'aria-label': by === 'turn' ? 'clicks' : 'how often' },
                }}
              />
            )}
            {by === 'press' && <span>{whole(often) === 1 ? 'time' : 'times'}</span>}
            {by === 'turn' && (
              <>
                <span>{whole(often) === 1 ? 'click' : 'clicks'}</span>
                <Select
                  native
                  value={turns}
                  onChange={(e) => setTurns(e.target.value as 'cw' | 'ccw')}
                  inputProps={{ 'aria-label': 'which way round' }}
                >
                  <option value="cw">right</option>
                  <option value="ccw">left</option>
                </Select>
              </>
            )}
            {by === 'hold' && <span>for</span>}
            {isTimed && (
              <>
                <Input
                  value={long}
                  error={tried && whole(long) === null}
                  onChange={(e) => setLong(e.target.value)}
                  slotProps={{ input: { size: 3, inputMode: 'decimal', 'aria-label': 'how long' } }}
                />
                <Select
                  native
                  value={unit}
                  onChange={(e) => setUnit(e.target.value as 's' | 'min')}
                  inputProps={{ 'aria-label': 'seconds or minutes' }}
                >
                  <option value="s">s</option>
                  <option value="min">min</option>
                </Select>
              </>
            )}
          </div>
          {isStep && (
            <div className="sentence">
              <span>of</span>
              <Input
                value={of}
                error={tried && whole(of) === null}
                onChange={(e) => setOf(e.target.value)}
                slotProps={{ input: { size: 3, inputMode: 'numeric', 'aria-label': 'how many entries' } }}
              />
              <span>, and behind the last it</span>
              <Select
                native
                value={wraps ? 'again' : 'stays'}
                onChange={(e) => setWraps(e.target.value === 'again')}
                inputProps={{ 'aria-label': 'behind the last' }}
              >
                <option value="again">begins again</option>
                <option value="stays">stays</option>
              </Select>
            </div>
          )}
          {before?.when && <p className="soft small">The condition it stands under stays.</p>}
          {tried && wrong && (
            <p className="wrong" role="alert">
              {wrong}
            </p>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="primary">
            Keep this way
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

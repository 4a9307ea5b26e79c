import {
  type Bundle,
  type Entries,
  entriesIn,
  idWords,
  type Leads,
  leadsOf,
  type Mode,
  wayOf,
  withWay,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Select } from '../../../parts/field/Select.tsx';
import { BesidesGap } from './BesidesGap.tsx';
import { type BesideRow, besideOf, besideTyped, type Effect } from './besides-draft.ts';
import { useOnly } from './OnlyGap.tsx';
import { SentenceDialog } from './SentenceDialog.tsx';
import { aroundOf, type By, canBe, draftOf, type WayDraft, wayTyped, whole } from './way-draft.ts';
import { Gap, Pick, WayGaps } from './way-gaps.tsx';

const byWords: Readonly<Record<By, string>> = {
  press: 'when a key is pressed',
  hold: 'when a key is held',
  kept: 'when a key is kept down',
  turn: 'when a knob is turned',
  put: 'when something is put to a place',
  steps: 'when this is done:',
  idle: 'when nothing is done for',
  after: 'by itself after',
  supply: 'when the supply comes',
  gone: 'when the supply goes',
  code: 'when a code comes up',
  stands: 'as soon as a code stands',
  sign: 'when a sign shows:',
  passes: 'when a quantity passes:',
  message: 'when another board speaks:',
};

type Props = Readonly<{
  mode: Mode;
  modes: readonly Mode[];
  bundle: Bundle;
  /** Where it was drawn to, where it was. */
  to: string | null;
  /** Which of its ways is written anew; null for one more. */
  at: number | null;
  onKeep: (mode: Mode) => void;
  onClose: () => void;
}>;

const goalOf = (leads: Leads): string =>
  leads.to === 'mode' ? `mode ${leads.mode}` : leads.to === 'flag' ? `flag ${leads.flag} ${leads.is}` : leads.to;

/** One way from a mode, as a sentence with its gaps to fill. */
export function WayDialog({ mode, modes, bundle, to, at, onKeep, onClose }: Props) {
  const around = useMemo(() => aroundOf(bundle, mode), [bundle, mode]);
  const before = at === null ? undefined : mode.transitions[at];
  const known = before ? leadsOf(mode, before) : null;
  const entries = entriesIn(mode);
  const flags = mode.variables.filter((v) => v.kind === 'flag');
  const [goal, setGoal] = useState(() =>
    known ? goalOf(known.leads) : `mode ${to ?? modes.find((m) => m !== mode)?.id ?? mode.id}`,
  );
  const [draft, setDraft] = useState<WayDraft>(() => draftOf(before ? wayOf(before) : null, around));
  const only = useOnly(before?.when, mode, around);
  const [rows, setRows] = useState<readonly BesideRow[]>(() =>
    (known?.besides ?? []).map((e) => besideOf(e, mode, around)),
  );
  const [of, setOf] = useState(String(entries?.of ?? 8));
  const [wraps, setWraps] = useState(entries?.wraps ?? true);
  const [tried, setTried] = useState(false);
  const isStep = goal === 'next' || goal === 'before';
  const way = wayTyped(draft, around);
  const { when, wrong: wrongOnly } = only.only();
  const besides = rows.map((r) => besideTyped(r, mode, modes, around));
  const wrong =
    typeof way === 'string'
      ? way
      : isStep && whole(of) === null
        ? 'Say how many there are.'
        : (wrongOnly ??
          besides.find((b) => typeof b === 'string') ??
          (goal === 'stays' && rows.length === 0 ? 'Say what it does.' : null));
  const leadsTo = (): Leads => {
    if (goal === 'next' || goal === 'before' || goal === 'erased' || goal === 'stays') return { to: goal };
    const [kind, id = '', is] = goal.split(' ');
    return kind === 'flag'
      ? { to: 'flag', flag: id as Extract<Leads, { to: 'flag' }>['flag'], is: is === 'true' }
      : { to: 'mode', mode: id as Mode['id'] };
  };
  const submit = () => {
    setTried(true);
    if (wrong !== null || typeof way === 'string') return;
    const does = besides.filter((b): b is Effect => typeof b !== 'string');
    const list: Entries | null = isStep ? { of: Math.round(whole(of) ?? 8), wraps } : null;
    onKeep(withWay(mode, way, leadsTo(), list, at, when ?? null, does));
  };
  return (
    <SentenceDialog
      title={before ? 'This way' : 'A way on'}
      keeps="Keep this way"
      wrong={tried ? wrong : null}
      onKeep={submit}
      onClose={onClose}
    >
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
          <option value="stays">nowhere: it stays here</option>
          {flags.flatMap((f) =>
            [true, false].map((is) => (
              <option key={`${f.id} ${is}`} value={`flag ${f.id} ${is}`}>
                stays here, and {idWords(f.id)} is {is ? 'so' : 'not so'} from then on
              </option>
            )),
          )}
        </Select>
      </div>
      <div className="sentence">
        <Pick
          name="when"
          value={draft.by}
          of={(Object.keys(byWords) as By[]).filter((b) => canBe(b, around)).map((b) => [b, byWords[b]])}
          onPick={(by) => setDraft({ ...draft, by: by as By })}
        />
        <WayGaps draft={draft} around={around} tried={tried} onChange={(next) => setDraft({ ...draft, ...next })} />
      </div>
      <BesidesGap rows={rows} mode={mode} modes={modes} around={around} onChange={setRows} />
      {only.gaps(tried)}
      {isStep && (
        <div className="sentence">
          <span>of</span>
          <Gap name="how many entries" wrong={tried && whole(of) === null} value={of} onType={setOf} />
          <span>, and behind the last it</span>
          <Pick
            name="behind the last"
            value={wraps ? 'again' : 'stays'}
            of={[
              ['again', 'begins again'],
              ['stays', 'stays'],
            ]}
            onPick={(next) => setWraps(next === 'again')}
          />
        </div>
      )}
      {draft.by === 'steps' && (
        <p className="soft small">
          A line for each step, as a route is written: press a 2 times, below it hold b for 3 s
        </p>
      )}
    </SentenceDialog>
  );
}

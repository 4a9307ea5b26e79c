import Button from '@mui/material/Button';
import {
  codeIdOf,
  type Entry,
  type EntryKey,
  entriesOf,
  keyOf,
  printStep,
  printSteps,
  type Route,
  type Step,
  type Told,
} from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { entryIn } from '../../foundation/entry-draft-slice.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Select } from '../../parts/field/Select.tsx';
import { useUndo } from '../../parts/undo/use-undo.tsx';

type Props = Readonly<{
  family: string;
  told: Told;
  entries: readonly Entry[];
  lost: number;
  picked: string | null;
  onPick: (at: string) => void;
}>;

const purposes: Readonly<Record<string, Route['purpose']>> = { Erase: 'clear', Next: 'step', Leave: 'leave' };

/** Draft ways of a telling: each is accepted as a way of its own or as a telling beside one that is there, or dropped. */
export function Drafts({ family, told, entries, lost, picked, onPick }: Props) {
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [saved, setSaved] = useState<ReadonlyMap<number, EntryKey>>(new Map());
  const [acceptAll, setAcceptAll] = useState(0);
  const undo = useUndo();
  const drop = (at: string) => {
    const was = dropped;
    setDropped(new Set([...dropped, at]));
    undo('A draft step is dropped.', () => setDropped(was));
  };
  return (
    <>
      <div className="row spread" role="status">
        <span className="soft">
          {told.routes.length} {told.routes.length === 1 ? 'draft' : 'drafts'}
          {lost > 0 && ` · ${lost} ${lost === 1 ? 'stretch' : 'stretches'} not understood`}
          {told.contradictions.length > 0 && ` · ${told.contradictions.length} said differently`}
        </span>
        {lost === 0 && told.doubts.length === 0 && told.contradictions.length === 0 && (
          <span className="tag">nothing that names a control was left over</span>
        )}
        <Button variant="contained" color="primary" onClick={() => setAcceptAll(acceptAll + 1)}>
          Accept what is clear
        </Button>
      </div>
      {told.contradictions.map((c) => (
        <div key={c.from} className="note bad">
          <strong>Said twice, differently ({c.about.replace('-', ' ')}):</strong> summed up as “{c.said}”; the steps say{' '}
          {c.before ? `“${printStep(c.before)}”` : 'nothing of it'}.
        </div>
      ))}
      {told.doubts.map((d) => (
        <p key={`${d.from}${d.about}`} className="note">
          “{told.text.slice(d.from, d.to)}”: {d.about} was not said. No step was made of it.
        </p>
      ))}
      {told.routes.map((route, i) => (
        <Draft
          // biome-ignore lint/suspicious/noArrayIndexKey: drafts are their places in the telling
          key={i}
          index={i}
          name={route.name}
          text={told.text.slice(route.phrases[0]?.from ?? 0, route.phrases.at(-1)?.to)}
          steps={route.steps}
          dropped={dropped}
          picked={picked}
          saved={saved.get(i) ?? null}
          family={family}
          entries={entries}
          onPick={onPick}
          acceptAll={acceptAll}
          onDrop={drop}
          onSaved={(key) => setSaved((was) => new Map([...was, [i, key]]))}
        />
      ))}
    </>
  );
}

const linesOf = (step: Step): string[] => printSteps([step]).trimEnd().split('\n');

type DraftProps = Readonly<{
  index: number;
  name: string;
  text: string;
  steps: readonly Step[];
  dropped: ReadonlySet<string>;
  picked: string | null;
  saved: EntryKey | null;
  family: string;
  entries: readonly Entry[];
  onPick: (at: string) => void;
  onDrop: (at: string) => void;
  onSaved: (key: EntryKey) => void;
  /** Counts up each time all that is clear is accepted. */
  acceptAll: number;
}>;

function Draft(props: DraftProps) {
  const { index, steps, dropped, picked, saved, family, entries, onPick, onDrop, onSaved, acceptAll } = props;
  const [name, setName] = useState(props.name === 'Steps' ? '' : props.name);
  const routes = entriesOf({ entries: [...entries] }, 'route');
  // what is there under that name is told of once more
  const [as, setAs] = useState<string>(routes.find((r) => r.id === codeIdOf(props.name))?.id ?? '');
  const [who, setWho] = useState('');
  const [saveDraft, { isLoading, error }] = api.useSaveDraftMutation();
  const own = useAppSelector((s) => (s.session.status === 'signed-in' ? s.session.user.name : ''));
  const kept = steps.filter((_, i) => !dropped.has(`${index}.${i}`));
  const taken = routes.some((r) => r.id === codeIdOf(name));
  const wrong = as !== '' || name.trim() === '' ? null : taken ? 'There is a way of this name.' : null;
  const isClear = kept.length > 0 && wrong === null && (as !== '' || name.trim() !== '');
  const accept = async () => {
    const body =
      as === ''
        ? asRoute({ family, name, steps: kept })
        : asAccount({ family, route: as, who: who || own, text: props.text, steps: kept });
    if (!body) return;
    const key = keyOf(body);
    const result = await saveDraft({ key, basedOn: 0, note: 'from a telling', body });
    if ('data' in result && result.data) onSaved(key);
  };
  const all = useRef(acceptAll);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each time all that is clear is accepted
  useEffect(() => {
    if (all.current === acceptAll) return;
    all.current = acceptAll;
    if (isClear && !saved) void accept();
  }, [acceptAll]);
  return (
    <section className="sheet stack" aria-label={name || `draft ${index + 1}`}>
      <div className="two">
        <label className="field">
          It becomes
          <Select native fullWidth value={as} onChange={(e) => setAs(e.target.value)}>
            <option value="">a way of its own</option>
            {routes.map((r) => (
              <option key={r.id} value={r.id}>
                a telling beside “{r.name}”
              </option>
            ))}
          </Select>
        </label>
        {as === '' ? (
          <Field
            label="What the way is called"
            value={name}
            wrong={wrong}
            maxLength={120}
            onChange={(e) => setName(e.target.value)}
          />
        ) : (
          <Field label="Who told it" value={who} maxLength={120} onChange={(e) => setWho(e.target.value)} />
        )}
      </div>
      <ol className="plain telling-steps">
        {steps.map((step, i) => {
          const at = `${index}.${i}`;
          const isGone = dropped.has(at);
          return (
            <li key={at} className={`row spread ${picked === at ? 'picked' : ''} ${isGone ? 'gone' : ''}`}>
              <Button variant="text" size="inline" className="mono" onClick={() => onPick(at)}>
                <span>
                  {linesOf(step).map((line) => (
                    <span key={line} className="telling-line">
                      {line}
                    </span>
                  ))}
                </span>
              </Button>
              {!isGone && !saved && (
                <Button variant="text" aria-label={`drop ${printStep(step).split('\n')[0]}`} onClick={() => onDrop(at)}>
                  Drop
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {saved ? (
        <p role="status">
          Kept as a draft:{' '}
          <Link to={`/shelf/${family}/${saved.kind}/${saved.id}`}>{saved.kind === 'route' ? name : 'the telling'}</Link>
        </p>
      ) : (
        <div className="row">
          <Button variant="contained" color="primary" disabled={isLoading || !isClear} onClick={() => void accept()}>
            Accept
          </Button>
          {as === '' && name.trim() === '' && <span className="soft small">Give it a name first.</span>}
          {error && <span className="wrong">{(error as ApiError).title}</span>}
        </div>
      )}
    </section>
  );
}

const asRoute = ({ family, name, steps }: { family: string; name: string; steps: readonly Step[] }): Entry | null =>
  entryIn({
    kind: 'route',
    id: codeIdOf(name).slice(0, 64),
    family,
    name: name.trim(),
    purpose: purposes[name.trim()] ?? 'enter',
    from: 'any',
    to: null,
    steps,
    standing: 'hearsay',
  });

type Beside = Readonly<{ family: string; route: string; who: string; text: string; steps: readonly Step[] }>;
const asAccount = ({ family, route, who, text, steps }: Beside): Entry | null =>
  entryIn({
    kind: 'account',
    id: `${route}-${codeIdOf(who)}`.slice(0, 64),
    family,
    route,
    name: who,
    told: text.slice(0, 4000),
    steps,
    source: null,
    standing: 'hearsay',
  });

import Button from '@mui/material/Button';
import {
  alignAccounts,
  cardBig,
  cardDetails,
  cardLead,
  coachCards,
  codeIdOf,
  differWords,
  type Entry,
  type EntryKey,
  entriesOf,
  keyOf,
  type Panel,
  printStep,
  type Step,
  type UnitFacts,
} from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Select } from '../../parts/field/Select.tsx';
import { asAccount, asRoute, usualName } from './draft-entries.ts';
import { type Answer, Picks, stepWords } from './Questions.tsx';
import { type Asked, besideOf, type Row, stepsOfRows } from './rows.ts';

/** How another teller tells the same way. */
export type OtherTelling = Readonly<{ who: string; steps: readonly Step[] }>;
/** What a draft becomes: a way of its own, the steps of the one it was asked for, or a telling beside one. */
const own = '';
const into = ' into';

type Props = Readonly<{
  /** What it is for, as the telling says. */
  told: string;
  who: string;
  text: string;
  rows: readonly Row[];
  /** Whether what was summed up otherwise is settled. */
  isSettled: boolean;
  others: readonly OtherTelling[];
  family: string;
  entries: readonly Entry[];
  facts: UnitFacts;
  panel: Panel | undefined;
  asked: Asked;
  dropped: ReadonlySet<string>;
  picked: string | null;
  onPick: (key: string) => void;
  onDrop: (key: string) => void;
  onAnswer: Answer;
  /** Counts up each time all that is clear is accepted. */
  acceptAll: number;
  saved: EntryKey | null;
  onSaved: (key: EntryKey) => void;
}>;

/** One way somebody told: its steps in words, what is open at its place, and what it becomes. */
export function Draft(props: Props) {
  const { rows, family, entries, facts, panel, asked, dropped, picked, others, saved, onSaved, acceptAll } = props;
  const usual = usualName(props.told);
  const [name, setName] = useState(usual);
  const [chosen, setChosen] = useState<string | null>(null);
  const [who, setWho] = useState(props.who);
  const [saveDraft, { isLoading, error }] = api.useSaveDraftMutation();
  const go = useNavigate();
  const user = useAppSelector((s) => (s.session.status === 'signed-in' ? s.session.user.name : ''));
  const routes = entriesOf({ entries: [...entries] }, 'route');
  // what is there under that name is told of once more
  const usually =
    asked.into !== null && props.told === 'Steps'
      ? into
      : asked.beside !== null && props.told === 'Steps'
        ? asked.beside
        : besideOf(entries, codeIdOf(usual));
  const as = chosen ?? usually;
  const steps = stepsOfRows(rows, dropped);
  const open = rows.filter((r) => r.is === 'open' && !dropped.has(r.id)).length;
  const taken = routes.some((r) => r.id === codeIdOf(name));
  const wrong = as === own && taken ? 'There is a way of this name.' : null;
  const isReady = steps.length > 0 && wrong === null && (as !== own || name.trim() !== '');
  const isClear = isReady && open === 0 && props.isSettled && as !== into;
  const accept = async () => {
    if (as === into && asked.into !== null) {
      const told = { route: asked.into, steps, summary: props.text.slice(0, 2000) };
      const search = asked.isNew === null ? '' : `?new=${encodeURIComponent(asked.isNew)}`;
      await go(`/shelf/${family}/route/${asked.into}${search}`, { state: { told } });
      return;
    }
    const accounts = new Set(entriesOf({ entries: [...entries] }, 'account').map((a) => a.id as string));
    const body =
      as === own
        ? asRoute({ family, told: props.told, name, steps })
        : asAccount({ family, route: as, who: who.trim() || user, text: props.text, steps, taken: accounts });
    const key = keyOf(body);
    const result = await saveDraft({ key, basedOn: 0, note: 'from a telling', body });
    if (!('data' in result) || !result.data) return;
    onSaved(key);
    if (asked.beside !== null && as === asked.beside) await go(`/shelf/${family}/route/${as}?tab=Descriptions`);
  };
  const all = useRef(acceptAll);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each time all that is clear is accepted
  useEffect(() => {
    if (all.current === acceptAll) return;
    all.current = acceptAll;
    if (isClear && !saved) void accept();
  }, [acceptAll]);
  const standing = saved
    ? 'kept'
    : open > 0
      ? `${open} ${open === 1 ? 'question' : 'questions'}`
      : props.isSettled
        ? 'clear'
        : 'said differently';
  return (
    <section className="sheet stack" aria-label={name || usual}>
      <div className="row spread">
        <h2 className="row">
          {as === own || as === into ? name || usual : routes.find((r) => r.id === as)?.name}{' '}
          <span className={`tag ${standing === 'clear' || saved ? 'good' : 'doubt'}`}>{standing}</span>
        </h2>
        {!saved && (
          <Button variant="contained" color="primary" disabled={isLoading || !isReady} onClick={() => void accept()}>
            {as === into ? 'Use these steps' : 'Accept'}
          </Button>
        )}
      </div>
      {!saved && (
        <div className="two">
          <label className="field">
            It becomes
            <Select native fullWidth value={as} onChange={(e) => setChosen(e.target.value)}>
              {asked.into !== null && <option value={into}>the steps of the way that is being written</option>}
              <option value={own}>a way of its own</option>
              {routes.map((r) => (
                <option key={r.id} value={r.id}>
                  a telling beside “{r.name}”
                </option>
              ))}
            </Select>
          </label>
          {as === own && (
            <Field
              label="What the way is called"
              value={name}
              wrong={wrong}
              maxLength={120}
              onChange={(e) => setName(e.target.value)}
            />
          )}
          {as !== own && as !== into && (
            <Field
              label="Who told it"
              value={who}
              placeholder={user}
              maxLength={120}
              onChange={(e) => setWho(e.target.value)}
            />
          )}
        </div>
      )}
      <ol className="plain telling-steps">
        {rows.map((row) => {
          const isGone = dropped.has(row.id);
          const lines = row.is === 'step' ? linesOf(row.step, panel) : [];
          return (
            <li
              key={row.key}
              className={`row spread ${picked === row.key ? 'picked' : ''} ${isGone ? 'gone' : ''} ${row.is === 'open' ? 'open' : ''}`}
            >
              {row.is === 'step' ? (
                <Button variant="text" size="inline" onClick={() => props.onPick(row.key)}>
                  <span>
                    {lines.map((line, i) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the step
                      <span key={i} className="telling-line">
                        <span className="soft">{line.lead}</span> <strong>{line.big}</strong> {line.more}
                      </span>
                    ))}
                  </span>
                </Button>
              ) : (
                <span className="stack grow">
                  <span>
                    “{row.text}”: <strong>{row.doubt ? row.doubt.about : 'not understood'}</strong>
                  </span>
                  {row.doubt?.asked && !saved && !isGone && (
                    <Picks asked={row.doubt.asked} facts={facts} panel={panel} onAnswer={props.onAnswer} />
                  )}
                </span>
              )}
              {!isGone && !saved && (
                <Button
                  variant="text"
                  size="inline"
                  aria-label={`drop ${row.is === 'step' ? wordsOf(lines[0]) : row.text}`}
                  onClick={() => props.onDrop(row.id)}
                >
                  Drop
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {others.map((o) => (
        <Otherwise key={o.who} steps={steps} other={o} panel={panel} />
      ))}
      {saved ? (
        <p role="status">
          Kept as a draft:{' '}
          <Link to={`/shelf/${family}/${saved.kind}/${saved.id}`}>{saved.kind === 'route' ? name : 'the telling'}</Link>
        </p>
      ) : (
        <>
          {open > 0 && as !== into && (
            <p className="soft small">What is open stays in it as a line to be seen, unless it is dropped.</p>
          )}
          {error && <p className="wrong">{(error as ApiError).title}</p>}
        </>
      )}
    </section>
  );
}

type Line = Readonly<{ lead: string; big: string; more: string }>;
const wordsOf = (line: Line | undefined): string =>
  line ? [line.lead, line.big, line.more].filter(Boolean).join(' ') : '';

/** A step in the words it will be told in, a line a card: what it is about, what is done, and what belongs to that. */
function linesOf(step: Step, panel: Panel | undefined): Line[] {
  const cards = panel ? coachCards([step]) : [];
  if (!panel || cards.length === 0) return [{ lead: '', big: printStep(step), more: '' }];
  return cards.map((card) => ({
    lead: cardLead(card, panel),
    big: cardBig(card, panel),
    more: cardDetails(card, panel)
      .map((d) => d.words)
      .join(' '),
  }));
}

/** Where another teller tells it otherwise: what each says, and in what they differ. */
function Otherwise({ steps, other, panel }: { steps: readonly Step[]; other: OtherTelling; panel: Panel | undefined }) {
  const rows = alignAccounts([steps, other.steps]).filter((r) => r.differs.length > 0);
  const say = (step: Step | undefined): string => (step === undefined ? 'nothing of it' : stepWords(step, panel));
  if (rows.length === 0) return <p className="soft small">{other.who} tells it the same way.</p>;
  return (
    <section className="note" aria-label={`${other.who} tells it otherwise`}>
      <strong>{other.who} tells it otherwise</strong>
      <ul>
        {rows.slice(0, 12).map((row) => (
          <li key={`${row.about}${row.cells.map((c) => c?.at ?? '').join()}`}>
            here “{say(row.cells[0]?.step)}”, there “{say(row.cells[1]?.step)}” (
            {row.differs.map((d) => differWords[d]).join(', ')})
          </li>
        ))}
      </ul>
      {rows.length > 12 && <p className="soft small">and {rows.length - 12} more</p>}
      <p className="soft small">
        Kept as a telling beside the way, the two are settled step by step under “Descriptions”.
      </p>
    </section>
  );
}

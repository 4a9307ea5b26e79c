import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import {
  type Bundle,
  bundleFacts,
  type Entry,
  entriesOf,
  stretchesOf,
  type Told,
  type Working,
} from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { usePageKeys } from '../../foundation/keys.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { Empty } from '../../parts/states/States.tsx';
import { TabRow } from '../../parts/tabs/TabRow.tsx';
import { useUndo } from '../../parts/undo/use-undo.tsx';
import { Drafts } from './Drafts.tsx';
import { type Kept, keepTellings, keptTellings, type Telling, whoOf, whoWords } from './kept.ts';
import { type Answer, answered } from './Questions.tsx';
import type { Asked } from './rows.ts';
import { Stretches } from './Stretches.tsx';
import { useFurtherName } from './use-further-name.ts';
import { useTold } from './use-told.ts';

type Props = Readonly<{
  family: string;
  working: readonly Working[];
  entries: readonly Entry[];
  bundle: Bundle;
  asked: Asked;
}>;

/** From here on, in letters, it takes long enough to be stopped before anything is read. */
const long = 20_000;

/** The tellings of a unit, one picked: its words by what became of them, and the ways it makes, held against the others’. */
export function Reading({ family, working, entries, bundle, asked }: Props) {
  const [kept, setKept] = useState<Kept>(() => keptTellings(family));
  const { tellings, answers } = kept;
  const files = useRef<HTMLInputElement>(null);
  const [at, setAt] = useState(tellings[0]?.id ?? 1);
  const telling = tellings.find((t) => t.id === at) ?? tellings[0] ?? { id: 1, who: '', text: '' };
  const [typing, setTyping] = useState(telling.text === '');
  const [picked, setPicked] = useState<string | null>(null);
  const [read, setRead] = useState<ReadonlyMap<number, Told>>(new Map());
  const { told, is, share, stop, again } = useTold(telling.id, telling.text, bundle, answers);
  const undo = useUndo();
  const teach = useFurtherName(working);
  const facts = useMemo(() => bundleFacts(bundle), [bundle]);
  const panel = entriesOf(bundle, 'panel').find((p) => p.family === family);
  const stretches = useMemo(
    () =>
      told && told.text.length > 0
        ? stretchesOf(told)
        : [{ is: 'talk' as const, from: 0, to: telling.text.length, text: telling.text }],
    [told, telling.text],
  );
  const change = (next: Kept) => {
    setKept(next);
    keepTellings(family, next);
  };
  const edit = (to: Partial<Telling>) =>
    change({ ...kept, tellings: tellings.map((t) => (t.id === telling.id ? { ...t, ...to } : t)) });
  const pick = (id: number) => {
    setAt(id);
    setPicked(null);
    setTyping(tellings.find((t) => t.id === id)?.text === '');
  };
  const add = (more: ReadonlyArray<Readonly<{ who: string; text: string }>>) => {
    // an empty one is filled before others are put beside it
    const held = tellings.filter((t) => t.text.trim() !== '');
    const first = Math.max(0, ...tellings.map((t) => t.id)) + 1;
    const fresh = more.map((m, i): Telling => ({ ...m, id: first + i }));
    change({ ...kept, tellings: [...held, ...fresh] });
    setAt(fresh[0]?.id ?? at);
    setPicked(null);
    setTyping(fresh[0]?.text === '');
  };
  const bring = async (files: FileList | null) => {
    if (!files || files.length === 0) return;
    add(await Promise.all([...files].map(async (f) => ({ who: whoOf(f.name), text: await f.text() }))));
  };
  const remove = () => {
    const was = kept;
    const left = tellings.filter((t) => t.id !== telling.id);
    const next = left.length > 0 ? left : [{ id: telling.id + 1, who: '', text: '' }];
    change({ ...kept, tellings: next });
    pick(next[0]?.id ?? 1);
    undo(`${whoWords(telling)} is put away.`, () => {
      change(was);
      setAt(telling.id);
      setTyping(false);
    });
  };
  const answer: Answer = (about, to) => {
    const was = kept;
    change({ ...kept, answers: answered(answers, about, to) });
    const name = about.is === 'way' || about.is === 'unit' ? null : about.phrase;
    if (about.is === 'name') teach(about.phrase, to);
    const words =
      about.is === 'meant'
        ? `“${about.phrase}” is a step.`
        : name === null
          ? 'Answered for all of them.'
          : `“${name}” is ${labelOf(facts.controls, to)} from now on.`;
    undo(words, () => change(was));
  };
  const steps = stretches.flatMap((s) => (s.is === 'step' ? [`${s.route}.${s.at}`] : []));
  const move = (by: number) => {
    const now = picked === null ? -1 : steps.indexOf(picked);
    setPicked(steps[Math.max(0, Math.min(steps.length - 1, now + by))] ?? null);
  };
  usePageKeys({ j: () => move(1), k: () => move(-1), ArrowDown: () => move(1), ArrowUp: () => move(-1) });
  const others = tellings.flatMap((t) => {
    const other = t.id === telling.id ? undefined : read.get(t.id);
    return other ? [{ who: whoWords(t), told: other }] : [];
  });
  return (
    <>
      {tellings.flatMap((t) =>
        t.id === telling.id || t.text.trim() === ''
          ? []
          : [
              <Aside
                key={t.id}
                id={t.id}
                text={t.text}
                bundle={bundle}
                answers={answers}
                onRead={(other) => setRead((was) => new Map([...was, [t.id, other]]))}
              />,
            ],
      )}
      <div className="telling-room">
        <section
          className="stack telling-said"
          aria-label="what was said"
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault();
            void bring(e.dataTransfer.files);
          }}
        >
          <div className="row spread">
            <h1>From a telling</h1>
            <span className="row">
              <Button onClick={() => files.current?.click()}>Files …</Button>
              <input
                ref={files}
                type="file"
                hidden
                multiple
                accept=".vtt,.srt,.txt,text/plain,text/vtt"
                aria-label="files with tellings"
                onChange={(e) => void bring(e.target.files)}
              />
              {telling.text !== '' && (
                <Button onClick={() => setTyping(!typing)}>{typing ? 'Read it' : 'Change the words'}</Button>
              )}
            </span>
          </div>
          {(tellings.length > 1 || telling.text !== '') && (
            <div className="row spread">
              <TabRow
                name="tellings"
                value={telling.id}
                tabs={tellings.map((t) => ({ value: t.id, label: whoWords(t) }))}
                onPick={pick}
              />
              <Button variant="text" onClick={() => add([{ who: '', text: '' }])}>
                Another telling
              </Button>
            </div>
          )}
          {is === 'reading' && (
            <div className="row">
              <LinearProgress
                className="grow"
                aria-label="reading"
                {...(share > 0 && { variant: 'determinate' as const, value: share * 100 })}
              />
              {(share > 0 || telling.text.length > long) && <Button onClick={stop}>Stop</Button>}
            </div>
          )}
          {is === 'stopped' && (
            <p className="row">
              {told ? 'Stopped. What was read before stands at the right.' : 'Stopped. The words are kept.'}{' '}
              <Button onClick={again}>Read it</Button>
            </p>
          )}
          {is === 'failed' && <p className="wrong">It could not be read. The words are kept.</p>}
          {told?.left !== undefined && told.left > 0 && (
            <p className="note">
              It is read up to its first {(told.text.length / 1000).toFixed(0)} thousand letters;{' '}
              {(told.left / 1000).toFixed(0)} thousand more were not read. Bring the rest as a telling of its own.
            </p>
          )}
          {typing ? (
            <>
              <label className="field">
                In their words: text, captions of a clip, or a chat
                <Input
                  multiline
                  fullWidth
                  minRows={14}
                  autoFocus
                  value={telling.text}
                  placeholder="So power off, and you count to ten, and then you hold melt and eco …"
                  onChange={(e) => edit({ text: e.target.value })}
                  slotProps={{ input: { style: { maxHeight: 'none' } } }}
                />
              </label>
              {telling.text !== '' && (
                <div className="row spread">
                  <Field
                    label="Whose words"
                    value={telling.who}
                    maxLength={60}
                    onChange={(e) => edit({ who: e.target.value })}
                  />
                  <Button variant="text" onClick={remove}>
                    Put it away
                  </Button>
                </div>
              )}
            </>
          ) : (
            <Stretches stretches={stretches} picked={picked} onPick={setPicked} />
          )}
          <p className="small soft no-print">
            <kbd>J</kbd> next step · <kbd>K</kbd> the one before · <kbd>D</kbd> drop it · <kbd>A</kbd> accept what is
            clear · nothing leaves this device before it is accepted
          </p>
        </section>
        <section className="stack" aria-label="drafts">
          {told && told.routes.length > 0 ? (
            <Drafts
              key={telling.id}
              family={family}
              who={telling.who}
              told={told}
              others={others}
              entries={entries}
              facts={facts}
              panel={panel}
              asked={asked}
              picked={picked}
              onPick={(key) => {
                setPicked(key);
                setTyping(false);
              }}
              onAnswer={answer}
            />
          ) : (
            <Empty
              title={
                telling.text.trim() === ''
                  ? 'Nothing told yet'
                  : is === 'reading'
                    ? 'Being read …'
                    : told
                      ? 'Nothing in it is an instruction on this unit’s controls'
                      : 'Not read yet'
              }
            >
              Paste what somebody said, or bring a file or several. Nothing leaves this device before you accept a
              draft.
            </Empty>
          )}
        </section>
      </div>
    </>
  );
}

const labelOf = (controls: ReturnType<typeof bundleFacts>['controls'], id: string): string =>
  [...controls.values()].find((c) => c.control.id === id)?.control.label ?? id;

type AsideProps = Readonly<{
  id: number;
  text: string;
  bundle: Bundle;
  answers: Kept['answers'];
  onRead: (told: Told) => void;
}>;

/** A telling that is not looked at, read all the same: the picked one is held against it. */
function Aside({ id, text, bundle, answers, onRead }: AsideProps) {
  const { told, is } = useTold(id, text, bundle, answers);
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each reading
  useEffect(() => {
    if (told && is === 'still') onRead(told);
  }, [told, is]);
  return null;
}

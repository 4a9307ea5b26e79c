import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  entriesOf,
  type FamilyId,
  stretchesOf,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { usePageKeys } from '../../foundation/keys.ts';
import { FamilyBar } from '../../parts/family/FamilyBar.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { Told } from '../../parts/undo/Told.tsx';
import { Drafts } from './Drafts.tsx';
import { Stretches } from './Stretches.tsx';
import './telling.css';
import { useTold } from './use-told.ts';

/** What somebody says of a unit, read in: the telling at the left by what became of it, draft ways at the right. */
export default function TellingPage() {
  const { family = '' } = useParams();
  const { data, error, refetch } = api.useWorkingQuery(family);
  const entries = useMemo(() => data?.map((w) => w.body) ?? null, [data]);
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!entries) return <Loading what="the unit" />;
  const name = entriesOf({ entries }, 'family').find((f) => f.id === family)?.name ?? family;
  return (
    <Told>
      <FamilyBar family={family} name={name} tab="Routes" writes isAbove />
      {entriesOf({ entries }, 'panel').length === 0 ? (
        <Empty title="No panel yet">Draw the panel first; what is told is read on its controls.</Empty>
      ) : (
        <Reading family={family} entries={entries} />
      )}
    </Told>
  );
}

const keptAs = (family: string): string => `wire-trail-telling:${family}`;

function Reading({ family, entries }: { family: string; entries: readonly Entry[] }) {
  const [text, setText] = useState(() => localStorage.getItem(keptAs(family)) ?? '');
  const [typing, setTyping] = useState(text === '');
  const [picked, setPicked] = useState<string | null>(null);
  const bundle = useMemo<Bundle>(
    () => ({
      format: bundleFormat,
      version: bundleVersion,
      family: family as FamilyId,
      entries: entries.filter((e) => e.kind === 'family' || e.kind === 'panel' || e.kind === 'instrument'),
    }),
    [family, entries],
  );
  const { told, is, share, stop, again } = useTold(text, bundle);
  const stretches = useMemo(
    () => (told ? stretchesOf(told) : [{ is: 'talk' as const, from: 0, to: text.length, text }]),
    [told, text],
  );
  const steps = stretches.flatMap((s) => (s.is === 'step' ? [`${s.route}.${s.at}`] : []));
  const move = (by: number) => {
    const at = picked === null ? -1 : steps.indexOf(picked);
    setPicked(steps[Math.max(0, Math.min(steps.length - 1, at + by))] ?? null);
  };
  usePageKeys({ j: () => move(1), k: () => move(-1) });
  const change = (to: string) => {
    setText(to);
    localStorage.setItem(keptAs(family), to);
  };
  const bring = async (file: File | undefined) => {
    if (!file) return;
    change(await file.text());
    setTyping(false);
  };
  const lost = stretches.filter((s) => s.is === 'not-understood').length;
  return (
    <div className="telling-room">
      <section
        className="stack telling-said"
        aria-label="what was said"
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => {
          e.preventDefault();
          void bring(e.dataTransfer.files[0]);
        }}
      >
        <div className="row spread">
          <h1>From a telling</h1>
          <span className="row">
            <Button component="label">
              A file …
              <input
                type="file"
                hidden
                accept=".vtt,.srt,.txt,text/plain,text/vtt"
                aria-label="a file with a telling"
                onChange={(e) => void bring(e.target.files?.[0])}
              />
            </Button>
            {text !== '' && (
              <Button onClick={() => setTyping(!typing)}>{typing ? 'Read it' : 'Change the words'}</Button>
            )}
          </span>
        </div>
        {is === 'reading' && (
          <div className="row">
            <LinearProgress
              className="grow"
              aria-label="reading"
              {...(share > 0 && { variant: 'determinate' as const, value: share * 100 })}
            />
            {share > 0 && <Button onClick={stop}>Stop</Button>}
          </div>
        )}
        {is === 'stopped' && (
          <p className="row">
            {told ? 'Stopped. What was read before stands at the right.' : 'Stopped. The words are kept.'}{' '}
            <Button onClick={again}>Read it</Button>
          </p>
        )}
        {is === 'failed' && <p className="wrong">It could not be read. The words are kept.</p>}
        {typing ? (
          <label className="field">
            In their words: text, captions of a clip, or a chat
            <Input
              multiline
              fullWidth
              minRows={14}
              autoFocus
              value={text}
              placeholder="So power off, and you count to ten, and then you hold melt and eco …"
              onChange={(e) => change(e.target.value)}
              slotProps={{ input: { style: { maxHeight: 'none' } } }}
            />
          </label>
        ) : (
          <Stretches stretches={stretches} picked={picked} onPick={setPicked} />
        )}
      </section>
      <section className="stack" aria-label="drafts">
        {told && told.routes.length > 0 ? (
          <Drafts
            family={family}
            told={told}
            entries={entries}
            lost={lost}
            picked={picked}
            onPick={(at) => {
              setPicked(at);
              setTyping(false);
            }}
          />
        ) : (
          <Empty
            title={
              text.trim() === ''
                ? 'Nothing told yet'
                : is === 'reading'
                  ? 'Being read …'
                  : told
                    ? 'Nothing in it is an instruction on this unit’s controls'
                    : 'Not read yet'
            }
          >
            Paste what somebody said, or bring a file. Nothing leaves this device before you accept a draft.
          </Empty>
        )}
      </section>
    </div>
  );
}

import Button from '@mui/material/Button';
import { type Bundle, type Mode, modeSortWords } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Field } from '../../../parts/field/Field.tsx';
import { type AboutDraft, aboutDraftOf, aboutTyped, type RemembersRow, remembersRow } from './about-draft.ts';
import { Choices } from './Choices.tsx';
import { SentenceDialog } from './SentenceDialog.tsx';
import { aroundOf } from './way-draft.ts';
import { Gap, Pick } from './way-gaps.tsx';

type Props = Readonly<{ mode: Mode; bundle: Bundle; onKeep: (mode: Mode) => void; onClose: () => void }>;

/** What a mode is: its name, what for, how one knows it, and what it remembers. */
export function AboutDialog({ mode, bundle, onKeep, onClose }: Props) {
  const { variants } = useMemo(() => aroundOf(bundle, mode), [bundle, mode]);
  const [draft, setDraft] = useState<AboutDraft>(() => aboutDraftOf(mode));
  const [tried, setTried] = useState(false);
  const put = (next: Partial<AboutDraft>) => setDraft({ ...draft, ...next });
  const putRow = (i: number, next: Partial<RemembersRow>) =>
    put({ remembers: draft.remembers.map((r, k) => (k === i ? { ...r, ...next } : r)) });
  const made = aboutTyped(draft, mode);
  const keep = () => {
    setTried(true);
    if (typeof made !== 'string') onKeep(made);
  };
  return (
    <SentenceDialog
      title="What it is"
      keeps="Keep it so"
      wrong={tried && typeof made === 'string' ? made : null}
      onKeep={keep}
      onClose={onClose}
    >
      <div className="sentence">
        <Gap
          name="what it is called"
          size={22}
          wrong={tried && draft.name.trim() === ''}
          value={draft.name}
          onType={(name) => put({ name })}
        />
        <span>is for:</span>
        <Pick
          name="what it is for"
          value={draft.sort}
          of={Object.entries(modeSortWords)}
          onPick={(sort) => put({ sort: sort as Mode['sort'] })}
        />
      </div>
      <Field
        label="How one knows that it is in it"
        value={draft.normalSigns}
        onChange={(e) => put({ normalSigns: e.target.value })}
      />
      <div className="sentence">
        <span>At first it takes nothing for</span>
        <Gap name="how long it takes nothing" wrong={false} value={draft.deaf} onType={(deaf) => put({ deaf })} />
        <span>s.</span>
      </div>
      <h3>What it remembers</h3>
      {draft.remembers.map((row, i) => (
        <RowGaps
          // biome-ignore lint/suspicious/noArrayIndexKey: what is new has no name yet but its place
          key={i}
          row={row}
          tried={tried}
          onChange={(next) => putRow(i, next)}
          onDrop={() => put({ remembers: draft.remembers.filter((_, k) => k !== i) })}
        />
      ))}
      <div className="row">
        <Button size="small" onClick={() => put({ remembers: [...draft.remembers, remembersRow(null)] })}>
          Something it remembers
        </Button>
      </div>
      <Choices
        name="Only on these; none ticked: on all"
        all={variants.map((v) => [v.id, v.name])}
        picked={draft.onlyVariants}
        onChange={(onlyVariants) => put({ onlyVariants })}
      />
    </SentenceDialog>
  );
}

function RowGaps({
  row,
  tried,
  onChange,
  onDrop,
}: {
  row: RemembersRow;
  tried: boolean;
  onChange: (next: Partial<RemembersRow>) => void;
  onDrop: () => void;
}) {
  return (
    <div className="sentence">
      {row.was ? (
        <strong>{row.name}:</strong>
      ) : (
        <Gap
          name="what it remembers"
          size={14}
          wrong={tried && row.name.trim() === ''}
          value={row.name}
          onType={(name) => onChange({ name })}
        />
      )}
      <Pick
        name={`as what ${row.name}`.trim()}
        value={row.kind}
        of={[
          ['flag', 'whether it is so'],
          ['cursor', 'at which entry it stands'],
          ['characters', 'what was put in'],
        ]}
        onPick={(kind) => onChange({ kind: kind as RemembersRow['kind'] })}
      />
      {row.kind === 'flag' && (
        <Pick
          name="at first"
          value={row.so ? 'so' : 'not'}
          of={[
            ['not', 'at first not so'],
            ['so', 'at first so'],
          ]}
          onPick={(so) => onChange({ so: so === 'so' })}
        />
      )}
      {row.kind === 'cursor' && (
        <>
          <span>from</span>
          <Gap name="first entry" wrong={false} value={row.from} onType={(from) => onChange({ from })} />
          <span>to</span>
          <Gap name="last entry" wrong={false} value={row.to} onType={(to) => onChange({ to })} />
          <span>, at first</span>
          <Gap
            name="where it stands at first"
            wrong={false}
            value={row.start}
            onType={(start) => onChange({ start })}
          />
        </>
      )}
      {row.kind === 'characters' && (
        <>
          <Gap name="how many characters" wrong={false} value={row.length} onType={(length) => onChange({ length })} />
          <span>of</span>
          <Gap
            name="which characters"
            size={18}
            wrong={false}
            value={row.alphabet}
            onType={(alphabet) => onChange({ alphabet })}
          />
          <span>, at first</span>
          <Gap
            name="what stands at first"
            size={6}
            wrong={false}
            value={row.start}
            onType={(start) => onChange({ start })}
          />
        </>
      )}
      {row.kind !== 'flag' && (
        <Pick
          name="behind the last"
          value={row.wraps ? 'again' : 'stays'}
          of={[
            ['again', 'behind the last it begins again'],
            ['stays', 'behind the last it stays'],
          ]}
          onPick={(wraps) => onChange({ wraps: wraps === 'again' })}
        />
      )}
      <Button variant="text" size="inline" aria-label={`Take away ${row.name}`.trim()} onClick={onDrop}>
        Take away
      </Button>
    </div>
  );
}

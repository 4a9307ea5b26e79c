import Button from '@mui/material/Button';
import { type Condition, idWords, type Mode } from '@wire-trail/core';
import { useState } from 'react';
import {
  type OnlyDraft,
  type OnlyKind,
  type OnlyRow,
  onlyDraftOf,
  onlyKinds,
  onlyRow,
  onlyTyped,
} from './only-draft.ts';
import type { Around } from './way-draft.ts';
import { CodesGap, Gap, InputGap, Pick, SignGap } from './way-gaps.tsx';

const kindWords: Readonly<Record<OnlyKind, string>> = {
  sign: 'a sign shows',
  'code-stands': 'a code stands',
  input: 'a quantity is',
  variable: 'it remembers',
  reads: 'a readout shows',
  several: 'one of several, or several at once',
};

/** What has to be so, row by row, as it is typed: `only` gives what it comes to (undefined is always), and what of it is missing. */
export function useOnly(before: Condition | undefined, mode: Mode, around: Around) {
  const [draft, setDraft] = useState<OnlyDraft>(() => onlyDraftOf(before, mode, around));
  const only = () => onlyTyped(draft, mode, around);
  const gaps = (tried: boolean) => (
    <OnlyRows draft={draft} mode={mode} around={around} tried={tried} onChange={setDraft} />
  );
  return { only, gaps };
}

function OnlyRows({
  draft,
  mode,
  around,
  tried,
  inside,
  onChange,
}: {
  draft: OnlyDraft;
  mode: Mode;
  around: Around;
  tried: boolean;
  /** In which of several it stands, for what it is called by. */
  inside?: string;
  onChange: (next: OnlyDraft) => void;
}) {
  const kinds = onlyKinds(mode, around);
  const { join, rows } = draft;
  const put = (i: number, next: Partial<OnlyRow>) =>
    onChange({ join, rows: rows.map((r, k) => (k === i ? { ...r, ...next } : r)) });
  const [first] = kinds;
  if (!first) return null;
  return (
    <>
      {(rows.length === 0 ? [null] : rows).map((row, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a condition of a row has no name but its place
        <div key={i} className="sentence">
          {i === 1 && (
            <Pick
              name="and or or"
              value={join}
              of={[
                ['all', 'and'],
                ['any', 'or'],
              ]}
              onPick={(next) => onChange({ join: next === 'any' ? 'any' : 'all', rows })}
            />
          )}
          {i > 1 && <span>{join === 'all' ? 'and' : 'or'}</span>}
          <Pick
            name={i === 0 && !inside ? 'only while' : `only while, ${inside ?? ''}${i + 1}`}
            value={row?.kind ?? 'always'}
            of={[
              ...(i === 0 && rows.length < 2 ? [['always', inside ? 'nothing yet' : 'always'] as const] : []),
              ...kinds.map((k) => [k, `${i === 0 && !inside ? 'only while ' : ''}${kindWords[k]}`] as const),
            ]}
            onPick={(next) => {
              const kind = kinds.find((k) => k === next);
              if (!kind) onChange({ join, rows: [] });
              else if (row) put(i, { kind });
              else onChange({ join, rows: [onlyRow(kind, mode, around)] });
            }}
          />
          {row && (
            <>
              <RowGaps row={row} mode={mode} around={around} tried={tried} onChange={(next) => put(i, next)} />
              <Pick
                name={i === 0 ? 'so or not so' : `so or not so, ${i + 1}`}
                value={row.not ? 'not' : 'so'}
                of={[
                  ['so', 'as said here'],
                  ['not', 'anything but that'],
                ]}
                onPick={(next) => put(i, { not: next === 'not' })}
              />
              {row.kind === 'several' && (
                <div className="within">
                  <OnlyRows
                    draft={row.of}
                    mode={mode}
                    around={around}
                    tried={tried}
                    inside={`${inside ?? ''}${i + 1} `}
                    onChange={(of) => put(i, { of })}
                  />
                </div>
              )}
              {rows.length > 1 && (
                <Button
                  variant="text"
                  size="inline"
                  aria-label={`Take away the ${i === 0 ? 'first' : i === 1 ? 'second' : `${i + 1}th`} condition`}
                  onClick={() => onChange({ join, rows: rows.filter((_, k) => k !== i) })}
                >
                  Take away
                </Button>
              )}
            </>
          )}
        </div>
      ))}
      {rows.length > 0 && (
        <div className="row">
          <Button size="small" onClick={() => onChange({ join, rows: [...rows, onlyRow(first, mode, around)] })}>
            Another condition
          </Button>
        </div>
      )}
    </>
  );
}

function RowGaps({
  row,
  mode,
  around,
  tried,
  onChange,
}: {
  row: OnlyRow;
  mode: Mode;
  around: Around;
  tried: boolean;
  onChange: (next: Partial<OnlyRow>) => void;
}) {
  switch (row.kind) {
    case 'several':
      return null;
    case 'sign':
      return <SignGap signs={around.signs} value={row.shown} onChange={(shown) => onChange({ shown })} />;
    case 'code-stands':
      return <CodesGap codes={around.codes} value={row.codes} tried={tried} onType={(codes) => onChange({ codes })} />;
    case 'input':
      return (
        <InputGap
          inputs={around.inputs}
          input={row.input}
          words={{ above: 'above', below: 'below' }}
          compare={row.compare}
          value={row.value}
          tried={tried}
          onChange={({ passes, ...next }) => onChange({ ...next, ...(passes ? { compare: passes } : {}) })}
        />
      );
    case 'variable': {
      const own = mode.variables.find((v) => v.id === row.variable) ?? mode.variables[0];
      return (
        <>
          <Pick
            name="what it remembers"
            value={own?.id ?? ''}
            of={mode.variables.map((v) => [v.id, idWords(v.id)])}
            onPick={(variable) =>
              onChange({
                variable,
                is: mode.variables.find((v) => v.id === variable)?.kind === 'flag' ? 'so' : '',
              })
            }
          />
          {own?.kind === 'flag' ? (
            <Pick
              name="so or not"
              value={row.is}
              of={[
                ['so', 'is so'],
                ['not', 'is not so'],
              ]}
              onPick={(is) => onChange({ is })}
            />
          ) : (
            <>
              <span>is</span>
              <Gap
                name={own?.kind === 'cursor' ? 'which entry' : 'what was put in'}
                size={own?.kind === 'cursor' ? 3 : 10}
                wrong={tried && row.is.trim() === ''}
                value={row.is}
                onType={(is) => onChange({ is })}
              />
            </>
          )}
        </>
      );
    }
    case 'reads':
      return (
        <>
          <Pick
            name="which readout"
            value={row.readout}
            of={around.readouts.map((r) => [r.id, r.name])}
            onPick={(readout) => onChange({ readout })}
          />
          <span>shows</span>
          <Pick
            name="which code"
            value={row.code}
            of={around.codes.map((c) => [c.id, c.text])}
            onPick={(code) => onChange({ code })}
          />
        </>
      );
  }
}

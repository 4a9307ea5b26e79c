import Button from '@mui/material/Button';
import { idWords, type Mode } from '@wire-trail/core';
import { type BesideRow, besideKinds, besideRow, type Effect, remembered } from './besides-draft.ts';
import type { Around } from './way-draft.ts';
import { Gap, Pick } from './way-gaps.tsx';

type Props = Readonly<{
  rows: readonly BesideRow[];
  mode: Mode;
  modes: readonly Mode[];
  around: Around;
  onChange: (rows: readonly BesideRow[]) => void;
}>;

/** What a way does beside leading on, row by row. */
export function BesidesGap({ rows, mode, modes, around, onChange }: Props) {
  const kinds = besideKinds(mode, around);
  const put = (i: number, next: Partial<BesideRow>) => onChange(rows.map((r, k) => (k === i ? { ...r, ...next } : r)));
  return (
    <>
      {rows.map((row, i) => {
        const own = mode.variables.find((v) => v.id === row.variable);
        const cursors = mode.variables.filter((v) => row.kind !== 'step' || v.kind === 'cursor');
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: what it does as well has no name but its place
          <div key={i} className="sentence">
            <span>and it</span>
            <Pick
              name="what it does as well"
              value={row.kind}
              of={kinds}
              onPick={(kind) => put(i, besideRow(kinds.find(([k]) => k === kind)?.[0] ?? row.kind, mode, around))}
            />
            {row.kind !== 'erase-memory' && row.kind !== 'send' && (
              <Pick
                name="what it remembers"
                value={row.variable}
                of={cursors.map((v) => [v.id, idWords(v.id)])}
                onPick={(variable) => put(i, { variable })}
              />
            )}
            {row.kind === 'assign' && own?.kind === 'flag' && (
              <Pick
                name="so or not"
                value={row.value}
                of={[
                  ['so', 'is so'],
                  ['not', 'is not so'],
                ]}
                onPick={(value) => put(i, { value })}
              />
            )}
            {row.kind === 'assign' && own?.kind !== 'flag' && <span>is</span>}
            {row.kind === 'step' && <span>by</span>}
            {((row.kind === 'assign' && own?.kind !== 'flag') || row.kind === 'step') && (
              <Gap
                name={row.kind === 'step' ? 'by how many' : 'where it stands'}
                size={6}
                wrong={false}
                value={row.value}
                onType={(value) => put(i, { value })}
              />
            )}
            {row.kind === 'carry' && (
              <>
                <span>as</span>
                <Pick
                  name="as what"
                  value={row.to}
                  of={remembered(modes).map((v) => [v.id, idWords(v.id)])}
                  onPick={(to) => put(i, { to })}
                />
              </>
            )}
            {row.kind === 'send' && (
              <>
                <Pick
                  name="which board"
                  value={row.to}
                  of={around.boards.map((b) => [b.id, b.name])}
                  onPick={(to) => put(i, { to })}
                />
                <Gap
                  name="what it tells it"
                  size={14}
                  wrong={false}
                  value={row.message}
                  onType={(message) => put(i, { message })}
                />
              </>
            )}
            <Button
              variant="text"
              size="inline"
              aria-label={`Take away what it does as well, ${i + 1}`}
              onClick={() => onChange(rows.filter((_, k) => k !== i))}
            >
              Take away
            </Button>
          </div>
        );
      })}
      <div className="row">
        <Button
          size="small"
          onClick={() =>
            onChange([...rows, besideRow(kinds[0]?.[0] ?? ('erase-memory' satisfies Effect['kind']), mode, around)])
          }
        >
          And it does something as well
        </Button>
      </div>
    </>
  );
}

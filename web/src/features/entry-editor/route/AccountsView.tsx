import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  type Account,
  type AccountChoice,
  alignAccounts,
  type Bundle,
  differenceKey,
  differWords,
  entriesOf,
  printStep,
  type Route,
  revisionStateWords,
  type Settled,
  type Standing,
  type Step,
  settleSteps,
  standings,
  standingWords,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { Input } from '../../../parts/field/Input.tsx';
import { Pressable } from '../../../parts/field/Pressable.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { Empty } from '../../../parts/states/States.tsx';
import type { EditRoute } from './tabs.ts';

type Column = Readonly<{
  id: string;
  name: string;
  note: string;
  steps: readonly Step[];
  standing: Standing | null;
  account: Account | null;
}>;

/** An earlier revision of the route itself is chosen under this and its number. */
const revisionKey = ' revision ';

/** The tellings of this route, other routes of the family it may be held against, and the route itself. */
function columnsOf(body: Route, bundle: Bundle, against: string, before: Route | null): Column[] {
  const accounts = entriesOf(bundle, 'account').filter((a) => a.route === body.id);
  const sources = new Map(entriesOf(bundle, 'source').map((s) => [s.id as string, s.title] as const));
  const own: Column = {
    id: 'route',
    name: 'The route as drafted',
    note: '',
    steps: body.steps,
    standing: body.standing,
    account: null,
  };
  const other = entriesOf(bundle, 'route').find((r) => r.id === against);
  if (against.startsWith(revisionKey))
    return before
      ? [
          own,
          {
            id: against,
            name: `Revision${against.slice(revisionKey.length - 1)}`,
            note: '',
            steps: before.steps,
            standing: before.standing,
            account: null,
          },
        ]
      : [own];
  const told = accounts.map(
    (a): Column => ({
      id: a.id,
      name: a.name,
      note: a.source ? (sources.get(a.source) ?? a.source) : 'no source',
      steps: a.steps,
      standing: a.standing,
      account: a,
    }),
  );
  return [
    own,
    ...(other
      ? [
          {
            id: other.id,
            name: other.name,
            note: other.onlyVariants.join(', ') || 'every variant',
            steps: other.steps,
            standing: other.standing,
            account: null,
          },
        ]
      : told),
  ];
}

/** Accounts laid side by side by their steps; each difference is settled with a reason and a standing, or left open. */
export function AccountsView({ body, bundle, onEdit }: { body: Route; bundle: Bundle; onEdit: EditRoute }) {
  const [against, setAgainst] = useState('');
  const key = { family: body.family, kind: 'route', id: body.id } as const;
  const { data: entry } = api.useEntryQuery(key);
  const number = against.startsWith(revisionKey) ? Number(against.slice(revisionKey.length)) : null;
  const { data: revision } = api.useRevisionQuery({ key, number: number ?? 0 }, { skip: number === null });
  const before = number !== null && revision?.body.kind === 'route' ? revision.body : null;
  const columns = useMemo(() => columnsOf(body, bundle, against, before), [body, bundle, against, before]);
  const rows = useMemo(() => alignAccounts(columns.map((c) => c.steps)), [columns]);
  const others = entriesOf(bundle, 'route').filter((r) => r.id !== body.id);
  const isAccounts = against === '';
  const settle = (index: number, settled: Settled, telling: number) => {
    const choices: AccountChoice[] = settled.open ? [] : [{ row: index, telling }];
    const steps = settleSteps(body.steps, rows, choices);
    onEdit(
      { steps, settled: [...body.settled.filter((s) => s.about !== settled.about), settled] } as Partial<Route>,
      '',
    );
  };
  return (
    <div className="stack">
      <div className="row spread">
        <div className="row">
          <Button component={Link} to={`/shelf/${body.family}/telling?beside=${body.id}`}>
            Paste another description
          </Button>
          <label className="row small">
            held against
            <Select
              native
              fullWidth
              style={{ width: 'auto' }}
              value={against}
              onChange={(e) => setAgainst(e.target.value)}
            >
              <option value="">its descriptions</option>
              {entry?.history.map((h) => (
                <option key={h.number} value={`${revisionKey}${h.number}`}>
                  revision {h.number} ({revisionStateWords[h.state]})
                </option>
              ))}
              {others.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                  {r.onlyVariants.length > 0 ? ` (${r.onlyVariants.join(', ')})` : ''}
                </option>
              ))}
            </Select>
          </label>
        </div>
        <span className="soft small">
          {rows.filter((r) => (isAccounts ? differenceKey(r) !== null : r.differs.length > 0)).length} of {rows.length}{' '}
          steps differ
        </span>
      </div>
      {columns.length < 2 ? (
        <Empty title="One description only">Paste how another person tells it, and see where the two differ.</Empty>
      ) : (
        <div className="sheet" style={{ overflowX: 'auto' }}>
          <Table className="accounts">
            <TableHead>
              <TableRow>
                {columns.map((c) => (
                  <TableCell key={c.id}>
                    {c.name}
                    <div className="small">{c.note}</div>
                  </TableCell>
                ))}
                <TableCell>differs in</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.map((row, index) => (
                <AccountRowView
                  // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
                  key={index}
                  row={row}
                  columns={columns}
                  settled={isAccounts ? body.settled.find((s) => s.about === differenceKey(row)) : undefined}
                  onSettle={isAccounts ? (s, telling) => settle(index, s, telling) : undefined}
                />
              ))}
            </TableBody>
          </Table>
        </div>
      )}
      {isAccounts && body.settled.length > 0 && (
        <div className="sheet">
          <h2>Where the route comes from</h2>
          <ul>
            {body.settled.map((s) => (
              <li key={s.about}>
                <span className="mono small">{s.about}</span>:{' '}
                {s.open ? 'left open' : `after ${columns.find((c) => c.id === s.chosen)?.name ?? 'the route'}`},{' '}
                {standingWords[s.standing]}. {s.why}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

type RowProps = Readonly<{
  row: ReturnType<typeof alignAccounts>[number];
  columns: readonly Column[];
  settled: Settled | undefined;
  onSettle: ((settled: Settled, telling: number) => void) | undefined;
}>;

function AccountRowView({ row, columns, settled, onSettle }: RowProps) {
  const [chosen, setChosen] = useState<number | null>(null);
  const [why, setWhy] = useState('');
  const [standing, setStanding] = useState<Standing>('field-report');
  const differs = onSettle ? differenceKey(row) !== null : row.differs.length > 0;
  const record = (open: boolean): Settled => ({
    about: differenceKey(row) ?? row.about,
    accounts: columns.flatMap((c) => (c.account ? [c.account.id] : [])),
    chosen: open || chosen === null ? null : (columns[chosen]?.account?.id ?? null),
    why,
    standing,
    open,
  });
  return (
    <>
      <TableRow className={settled && !settled.open ? 'good' : differs ? 'picked' : ''}>
        {row.cells.map((cell, k) => {
          const words = cell
            ? cell.act === 'let-go' && cell.step.kind === 'keep'
              ? `let-go ${cell.what}`
              : printStep(cell.step)
            : '—';
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its column
            <TableCell key={k} className={chosen === k ? 'chosen' : undefined}>
              {differs && onSettle ? (
                <Pressable
                  className="mono small"
                  aria-pressed={chosen === k}
                  onClick={() => setChosen(chosen === k ? null : k)}
                >
                  {words}
                </Pressable>
              ) : (
                <span className="mono small">{words}</span>
              )}
            </TableCell>
          );
        })}
        <TableCell className="small">
          {row.differs.map((d) => differWords[d]).join(', ')}
          {settled && <div className="soft">{settled.open ? 'left open' : 'settled'}</div>}
        </TableCell>
      </TableRow>
      {chosen !== null && onSettle && (
        <TableRow>
          <TableCell colSpan={columns.length + 1}>
            <div className="row">
              <Input
                fullWidth
                placeholder="Why this one: who tried it, on what"
                value={why}
                onChange={(e) => setWhy(e.target.value)}
                slotProps={{ input: { 'aria-label': 'why' } }}
              />
              <Select
                native
                fullWidth
                value={standing}
                onChange={(e) => setStanding(e.target.value as Standing)}
                inputProps={{ 'aria-label': 'How sure' }}
              >
                {standings.map((s) => (
                  <option key={s} value={s}>
                    {standingWords[s]}
                  </option>
                ))}
              </Select>
              <Button
                variant="contained"
                color="primary"
                disabled={why.trim() === ''}
                onClick={() => {
                  onSettle(record(false), chosen);
                  setChosen(null);
                }}
              >
                Follow this one
              </Button>
              <Button
                onClick={() => {
                  onSettle(record(true), chosen);
                  setChosen(null);
                }}
              >
                Leave open
              </Button>
            </div>
          </TableCell>
        </TableRow>
      )}
    </>
  );
}

import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  asTold,
  compareReadings,
  encode,
  entriesOf,
  type Readout,
  type ReadoutAccount,
  type Stage,
  type StageId,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { ReadoutAt } from './readout-at.ts';

/** The same lamps with their weights turned round: which end counts as 1. */
const turned = (stage: Stage): Stage => {
  if (stage.reads.kind !== 'lamps') return stage;
  const weights = stage.reads.lamps.map((l) => l.weight).reverse();
  return {
    ...stage,
    reads: {
      ...stage.reads,
      lamps: stage.reads.lamps.map(({ sign }, i) => ({
        sign,
        ...(weights[i] !== undefined && { weight: weights[i] }),
      })),
    },
  };
};
/** Each lit lamp counts one: the lamps are added up, or the blinks counted, and not weighed. */
const counted = (stage: Stage): Stage =>
  stage.reads.kind === 'lamps'
    ? { ...stage, reads: { ...stage.reads, lamps: stage.reads.lamps.map(({ sign }) => ({ sign, weight: 1 })) } }
    : stage;

/** How others read the same signs, beside how this readout has it, with the codes on which they differ. */
export function AccountsPane({ body, bodies, texts, nameOf, onEdit }: ReadoutAt) {
  const listed = useMemo(() => texts.map((text) => ({ text, frequency: 1 })), [texts]);
  const [source, setSource] = useState('');
  const told = body.accounts.map((account) => ({
    account,
    differ: compareReadings(body, asTold(body, account), listed),
  }));
  const sources = entriesOf(bodies, 'source');
  const add = (label: string, stages: readonly Stage[]) => {
    const account: ReadoutAccount = {
      id: freshId(body),
      label,
      source: sources.find((s) => s.id === source)?.id ?? null,
      standing: 'hearsay',
      stages: [...stages],
    };
    onEdit({ accounts: [...body.accounts, account] }, 'accounts');
  };
  const follow = (account: ReadoutAccount) => {
    // what stood until now is kept as an account: nothing is merged silently
    const was: ReadoutAccount = {
      id: freshId(body),
      label: 'as this readout had it',
      source: body.source ?? null,
      standing: body.standing,
      stages: body.stages,
    };
    onEdit(
      { stages: account.stages, accounts: [...body.accounts.filter((a) => a.id !== account.id), was] },
      'accounts',
    );
  };
  return (
    <div className="stack">
      {told.map(({ account, differ }) => (
        <section key={account.id} className="sheet">
          <div className="row spread">
            <h2>{account.label}</h2>
            <span className="row">
              <span className="tag">
                {account.standing}
                {account.source ? `, ${sources.find((s) => s.id === account.source)?.title ?? account.source}` : ''}
              </span>
              <Button onClick={() => follow(account)}>Follow this one</Button>
              <Button
                variant="text"
                onClick={() => onEdit({ accounts: body.accounts.filter((a) => a !== account) }, 'accounts')}
              >
                take out
              </Button>
            </span>
          </div>
          {differ.length === 0 ? (
            <p>It reads every listed code as this readout does.</p>
          ) : (
            <Table className="table">
              <TableHead>
                <TableRow>
                  <TableCell scope="col">it shows</TableCell>
                  <TableCell scope="col">this readout reads</TableCell>
                  <TableCell scope="col">the description reads</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {differ.map((d) => (
                  <TableRow key={d.code}>
                    <TableCell className="small">{showWords(body, d.code, nameOf)}</TableCell>
                    <TableCell>
                      <CodeGlyph text={d.code} />
                    </TableCell>
                    <TableCell>
                      {d.otherReads ? <CodeGlyph text={d.otherReads} /> : <span className="soft">nothing</span>}
                      {d.otherReads && texts.includes(d.otherReads) && <span className="tag">another listed code</span>}
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          )}
        </section>
      ))}
      <section className="sheet">
        <h2>Somebody reads it otherwise</h2>
        <div className="row">
          <label className="row small">
            says{' '}
            <Select
              native
              fullWidth
              style={{ width: 'auto' }}
              value={source}
              onChange={(e) => setSource(e.target.value)}
            >
              <option value="">nobody named</option>
              {sources.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.title}
                </option>
              ))}
            </Select>
          </label>
          <Button onClick={() => add('counted from the other end', body.stages.map(turned))}>
            Counted from the other end
          </Button>
          <Button onClick={() => add('lit lamps counted, not weighed', body.stages.map(counted))}>
            Lamps counted, not weighed
          </Button>
          {body.stages.length > 1 && (
            <Button
              onClick={() =>
                add(
                  'the other half first',
                  body.stages.map((s, i) => ({
                    ...s,
                    reads: body.stages[body.stages.length - 1 - i]?.reads ?? s.reads,
                  })),
                )
              }
            >
              The other half first
            </Button>
          )}
        </div>
      </section>
    </div>
  );
}

const freshId = (body: Readout): StageId => {
  let n = body.accounts.length + 1;
  while (body.accounts.some((a) => a.id === `account-${n}`)) n += 1;
  return `account-${n}` as StageId;
};

function showWords(readout: Readout, code: string, nameOf: (sign: string) => string): string {
  const shows = encode(readout, code);
  if (!shows.ok) return 'cannot be shown';
  return shows.value
    .map((s) => {
      if (s.pattern !== null) return `${s.pattern.length} ×`;
      const lit = s.shown.flatMap((x) =>
        x.kind === 'lamp' && x.state !== 'dark' ? [nameOf(x.sign)] : x.kind === 'text' ? [x.text] : [],
      );
      return lit.join(' ') || 'dark';
    })
    .join(', then ');
}

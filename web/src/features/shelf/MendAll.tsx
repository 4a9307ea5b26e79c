import Button from '@mui/material/Button';
import {
  type Answer,
  type ChartId,
  type Code,
  type Entry,
  entriesOf,
  type FindingGroup,
  keyText,
  lookedAt,
  type Source,
  type Symptom,
  titleOf,
} from '@wire-trail/core';
import { useState } from 'react';
import { api } from '../../foundation/api.ts';
import { Select } from '../../parts/field/Select.tsx';
import type { TabProps } from './tab-props.ts';
import { JobBar } from './table/JobBar.tsx';
import { useJob } from './table/use-job.ts';

type Found = Answer<'findings'>[number];
type Row = Code | Symptom;
type Cure = Readonly<{ kind: 'source' | 'chart'; asks: string; with: (row: Row, id: string) => Row }>;
/** What is the same for all of them, and asks nothing. */
type Plain = Readonly<{ words: string; with: (entry: Entry) => Entry }>;

/** What one choice mends for many entries at once. */
const cures: Readonly<Record<string, Cure>> = {
  'code-without-source': {
    kind: 'source',
    asks: 'The source of all of them',
    with: (row, id) => ({ ...row, source: id as Source['id'] }),
  },
  'code-without-chart': {
    kind: 'chart',
    asks: 'The chart of all of them',
    with: (row, id) => ({ ...row, chart: id as ChartId }),
  },
};

const plainCures: Readonly<Record<string, Plain>> = {
  'carried-over': { words: 'It is so here too', with: lookedAt },
};

/** One press for every entry of a group that is mended the same way. */
function MendAlike({ group, entries, cure }: TabProps & { group: FindingGroup<Found>; cure: Plain }) {
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const keys = new Set(group.findings.flatMap((f) => (f.entry ? [keyText(f.entry)] : [])));
  const items = entries.flatMap(({ body, number }) =>
    keys.has(keyText(body)) ? [{ basedOn: number, body: cure.with(body) }] : [],
  );
  return (
    <div className="stack">
      <div className="row">
        <Button
          disabled={run.job?.state === 'running'}
          onClick={() => void run.start(() => save({ note: cure.words, submit: null, items }))}
        >
          {cure.words}: all {items.length}
        </Button>
      </div>
      <JobBar run={run} what="saying it for all" />
    </div>
  );
}

/** One choice for every entry of a group; written as drafts, which stay to be looked at and submitted. */
export function MendAll({ group, ...props }: TabProps & { group: FindingGroup<Found> }) {
  const plain = plainCures[group.code];
  return plain ? <MendAlike group={group} cure={plain} {...props} /> : <MendByChoice group={group} {...props} />;
}

function MendByChoice({ group, entries }: TabProps & { group: FindingGroup<Found> }) {
  const [picked, setPicked] = useState('');
  const [save] = api.useSaveDraftsMutation();
  const run = useJob();
  const cure = cures[group.code];
  if (!cure) return null;
  // a chart that has to be told something for each code cannot be set for all of them at once
  const choices = entriesOf({ entries: entries.map((e) => e.body) }, cure.kind).filter(
    (c) => c.kind !== 'chart' || c.parameters.length === 0,
  );
  const keys = new Set(group.findings.flatMap((f) => (f.entry ? [keyText(f.entry)] : [])));
  const items = entries.flatMap(({ body, number }) =>
    (body.kind === 'code' || body.kind === 'symptom') && keys.has(keyText(body))
      ? [{ basedOn: number, body: cure.with(body, picked) }]
      : [],
  );
  if (items.length === 0) return null;
  if (choices.length === 0)
    return <p className="soft small">Add a {cure.kind} first; then it can be set for all of them at once.</p>;
  const mend = () => run.start(() => save({ note: `${cure.kind} set for ${items.length}`, submit: null, items }));
  return (
    <div className="stack">
      <div className="row">
        <label className="field">
          {cure.asks}
          <Select native value={picked} onChange={(e) => setPicked(String(e.target.value))}>
            <option value="">Pick one …</option>
            {choices.map((c) => (
              <option key={c.id} value={c.id}>
                {titleOf(c)}
              </option>
            ))}
          </Select>
        </label>
        <Button
          variant="contained"
          color="primary"
          disabled={picked === '' || run.job?.state === 'running'}
          onClick={() => void mend()}
        >
          Set for all {items.length}
        </Button>
      </div>
      <JobBar run={run} what="setting it for all" />
    </div>
  );
}

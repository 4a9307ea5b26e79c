import Button from '@mui/material/Button';
import { entryOf, ledgerOf, type Owed, type WalkId } from '@wire-trail/core';
import { useState } from 'react';
import { api } from '../../../foundation/api.ts';
import { Day } from '../../../parts/when/When.tsx';
import type { StationProps } from './StationLayout.tsx';

/** What is still owed on this machine: by this walk, and by earlier ones as far as there is a connection. */
export function Ledger({ walk, data, add }: Omit<StationProps, 'events'>) {
  const serial = walk.unit?.serial ?? '';
  const { data: machine } = api.useMachineQuery({ family: walk.family, serial }, { skip: serial === '' });
  const [noting, setNoting] = useState(false);
  const own = ledgerOf([walk]);
  const settled = new Set(walk.putBack.map((p) => `${p.of} ${p.what}`));
  const earlier = (machine?.ledger ?? []).filter((o) => o.walk !== walk.id && !settled.has(`${o.walk} ${o.key}`));
  if (own.length + earlier.length === 0) return null;
  // until a line has gone nothing else is pressed: a second tap would fall on the same one
  const back = (o: Owed) => {
    setNoting(true);
    void add(
      o.kind === 'setting' && o.setting && o.walk === walk.id
        ? { kind: 'setting', setting: o.setting, did: 'put-back', value: walk.settings.get(o.setting)?.old ?? '' }
        : { kind: 'put-back', of: o.walk as WalkId, what: o.key },
    ).finally(() => setNoting(false));
  };
  const line = (o: Owed) => (
    <li key={`${o.walk}${o.key}`} className="row spread">
      <span>
        {o.setting ? `${entryOf(data.bundle, 'setting', o.setting)?.name ?? o.setting}: ` : ''}
        {o.what}
        {o.by && (
          <strong>
            {' '}
            by <Day at={o.by} />
          </strong>
        )}
        {o.who && <span className="soft"> {o.who}</span>}
        {o.walk !== walk.id && (
          <span className="soft small">
            {' '}
            since <Day at={o.since} />
          </span>
        )}
      </span>
      <Button disabled={noting} onClick={() => back(o)}>
        It is back
      </Button>
    </li>
  );
  return (
    <section className="sheet" aria-label="owed on this machine">
      <h3>Not put back yet</h3>
      <p className="small soft">What stays so is kept on the ledger of this machine until somebody puts it back.</p>
      <ul className="plain checks">{[...own, ...earlier].map(line)}</ul>
    </section>
  );
}

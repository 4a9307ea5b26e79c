import Button from '@mui/material/Button';
import { type EntryKey, entriesOf, type OfferedLine, printSteps, proposalWords } from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { Input } from '../../parts/field/Input.tsx';
import { RouteSteps } from '../../parts/route/RouteSteps.tsx';
import { Empty } from '../../parts/states/States.tsx';
import { Day } from '../../parts/when/When.tsx';

/** What the field offers: each is taken into drafts beside what is there, or declined with a word. */
export function FromField() {
  const { data } = api.useProposalsQuery();
  const [taken, setTaken] = useState<readonly EntryKey[]>([]);
  return (
    <section className="stack">
      <h2>What the field offers</h2>
      {data?.length === 0 && <Empty title="Nothing is offered" />}
      {taken.length > 0 && (
        <p className="note good" role="status">
          Taken into drafts:{' '}
          {taken.map((key) => (
            <Link key={`${key.kind}${key.id}`} to={`/shelf/${key.family ?? 'library'}/${key.kind}/${key.id}`}>
              {key.kind} {key.id}
            </Link>
          ))}
        </p>
      )}
      {data?.map((offered) => (
        <OneOffered key={offered.id} offered={offered} onTaken={setTaken} />
      ))}
    </section>
  );
}

function OneOffered({ offered, onTaken }: { offered: OfferedLine; onTaken: (keys: readonly EntryKey[]) => void }) {
  const { data: bundle } = api.useBundleQuery(offered.family);
  const [settle, { isLoading, error }] = api.useSettleProposalMutation();
  const [answer, setAnswer] = useState('');
  const { offer } = offered;
  const panel = bundle && entriesOf(bundle, 'panel')[0];
  const unit = [offered.model, offered.serial, offered.software && `software ${offered.software}`].filter(Boolean);
  const said = bundle ? proposalWords(bundle, offer) : '…';
  const act = async (as: 'taken' | 'declined') => {
    const result = await settle({ id: offered.id, as, answer: answer.trim() });
    if ('data' in result && result.data && as === 'taken') onTaken(result.data.drafts);
  };
  return (
    <article className="sheet stack" aria-label={said}>
      <div className="row spread">
        <strong>{said}</strong>
        <span className="soft small">
          {offered.by}, <Day at={offered.at} /> · <Link to={`/log/${offered.walk}`}>the walk</Link>
        </span>
      </div>
      <p>
        {offered.words || 'No further word.'} <span className="soft small">{unit.join(', ')}</span>
      </p>
      {offer.kind === 'way' &&
        (panel ? (
          <RouteSteps route={{ steps: offer.steps }} panel={panel} />
        ) : (
          <pre className="mono small">{printSteps(offer.steps)}</pre>
        ))}
      <div className="row">
        <Input
          className="grow"
          value={answer}
          placeholder="a word back"
          aria-label={`a word back to ${offered.by}`}
          onChange={(e) => setAnswer(e.target.value)}
          slotProps={{ input: { maxLength: 2000 } }}
        />
        <Button variant="contained" color="primary" disabled={isLoading} onClick={() => void act('taken')}>
          Take it into a draft
        </Button>
        <Button disabled={isLoading || answer.trim() === ''} onClick={() => void act('declined')}>
          Decline
        </Button>
      </div>
      {error && (
        <p className="wrong">
          {(error as ApiError).title} {(error as ApiError).detail}
        </p>
      )}
    </article>
  );
}

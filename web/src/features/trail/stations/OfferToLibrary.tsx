import Button from '@mui/material/Button';
import { offersOf, type Proposal, proposalWords } from '@wire-trail/core';
import { useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import type { StationProps } from './StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data' | 'add'>;

/** What this walk may teach the others: what fixed it and what measured well, each offered to the trainer in one tap. */
export function OfferToLibrary({ walk, data, add }: Props) {
  const offers = offersOf(walk, data.chartWalk);
  if (offers.length === 0 && walk.proposed.length === 0) return null;
  return (
    <section className="sheet stack" aria-label="for the others">
      <h2>For the others</h2>
      <p className="soft small">
        What you offer goes to the trainer under your name, as a report from the field. Nothing in the library changes
        before a trainer has settled it.
      </p>
      {walk.proposed.map((p) => (
        <p key={`${p.at}${JSON.stringify(p.offer)}`} className="tag">
          offered: {proposalWords(data.bundle, p.offer)}
        </p>
      ))}
      {offers.map((offer) => (
        <OneOffer key={JSON.stringify(offer)} offer={offer} data={data} add={add} />
      ))}
    </section>
  );
}

function OneOffer({ offer, data, add }: Omit<Props, 'walk'> & { offer: Proposal }) {
  const [words, setWords] = useState('');
  const said = proposalWords(data.bundle, offer);
  return (
    <div className="stack">
      <strong>{said}</strong>
      <div className="with-button">
        <Input
          fullWidth
          value={words}
          placeholder="anything they should know"
          aria-label={`words for ${said}`}
          onChange={(e) => setWords(e.target.value)}
          slotProps={{ input: { maxLength: 1000 } }}
        />
        <Button onClick={() => void add({ kind: 'proposed', offer, words: words.trim() })}>Offer it</Button>
      </div>
    </div>
  );
}

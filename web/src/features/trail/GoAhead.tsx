import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { type Station, stations, type Walk } from '@wire-trail/core';
import { useState } from 'react';
import { Field } from '../../parts/field/Field.tsx';
import { stationNames } from '../../parts/trail-line/TrailLine.tsx';

const listed = new Intl.ListFormat('en', { type: 'conjunction' });
/** Which unit it is and what can hurt are never left out: they come first, whatever was tapped. */
const stay: ReadonlySet<Station> = new Set(['unit', 'safe']);
const reasons: Partial<Record<Station, readonly string[]>> = {
  enter: ['it stands in that mode already', 'it shows at the front'],
  read: ['read already', 'nothing shows'],
  test: ['tested already', 'the part is known to be bad'],
  clear: ['cleared already', 'nothing was stored'],
};

type Props = Readonly<{
  to: Station;
  walk: Walk;
  onClose: () => void;
  onGo: (why: string, left: readonly Station[]) => void;
}>;

/** Somebody taps ahead on the line: why, once, for all that is left out on the way there. */
export function GoAhead({ to, walk, onClose, onGo }: Props) {
  const [why, setWhy] = useState('');
  const between = stations.slice(0, stations.indexOf(to)).filter((s) => !walk.done.has(s));
  const left = between.filter((s) => !stay.has(s));
  const first = between.filter((s) => stay.has(s));
  const offered = reasons[left[0] ?? 'enter'] ?? [];
  const name = (list: readonly Station[]) => listed.format(list.map((s) => stationNames[s]));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="ahead-title">
      <DialogTitle id="ahead-title">Go on to {stationNames[to]}?</DialogTitle>
      <DialogContent className="stack">
        {first.length > 0 && (
          <p>
            <strong>
              {name(first)} {first.length === 1 ? 'comes' : 'come'} first:
            </strong>{' '}
            {first.length === 1 ? 'it is' : 'they are'} never left out.
          </p>
        )}
        {left.length > 0 && (
          <>
            <p>
              {name(left)} {left.length === 1 ? 'is' : 'are'} left out. Why? It goes with the walk.
            </p>
            <div className="stack">
              {offered.map((reason) => (
                <Button key={reason} size="glove" fullWidth onClick={() => onGo(reason, left)}>
                  {reason.charAt(0).toUpperCase() + reason.slice(1)}
                </Button>
              ))}
            </div>
            <Field label="Something else" value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Stay here</Button>
        {left.length > 0 && (
          <Button variant="contained" color="primary" disabled={!why.trim()} onClick={() => onGo(why.trim(), left)}>
            Leave out and go on
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

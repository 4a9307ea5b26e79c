import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { type Clash, diff, type Entry, merge, placeWords, type Stale, valueWords } from '@wire-trail/core';
import { type ReactNode, useMemo, useState } from 'react';
import { ChangeList, fieldOf } from './ChangeList.tsx';

type Props = Readonly<{
  /** What somebody else saved in between. */
  stale: Stale;
  /** What stood there before both; nothing where both began it. */
  before: unknown;
  mine: unknown;
  onClose: () => void;
  /** What can be done with both in one. */
  actions: (both: Entry) => ReactNode;
}>;

/** Two saved one entry: what the other changed, both in one, and a choice where they changed one thing two ways. */
export function BothInOne({ stale, before, mine, onClose, actions }: Props) {
  const [picks, setPicks] = useState<ReadonlySet<string>>(new Set());
  const { value, clashes } = useMemo(() => merge(before, mine, stale.body, picks), [before, mine, stale.body, picks]);
  const changed = useMemo(() => diff(before ?? {}, stale.body), [before, stale.body]);
  const pick = (key: string, whose: 'mine' | 'theirs') => {
    const next = new Set(picks);
    if (whose === 'theirs') next.add(key);
    else next.delete(key);
    setPicks(next);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="both-title">
      <DialogContent className="stack">
        <h2 id="both-title">Somebody saved in between</h2>
        <p>
          {stale.author ?? 'An import'} saved revision {stale.number}. Nothing of yours is lost. What they changed:
        </p>
        <ChangeList changes={changed} />
        {clashes.length === 0 ? (
          <p>You changed nothing that they changed: both go together.</p>
        ) : (
          <>
            <h3>
              {clashes.length === 1
                ? 'One thing you both changed: which shall stand?'
                : `${clashes.length} things you both changed: which shall stand?`}
            </h3>
            <ul className="plain stack lined">
              {clashes.map((clash) => (
                <li key={clash.key}>
                  <ClashChoice clash={clash} whose={picks.has(clash.key) ? 'theirs' : 'mine'} onPick={pick} />
                </li>
              ))}
            </ul>
          </>
        )}
        <div className="row">{actions(value as Entry)}</div>
      </DialogContent>
    </Dialog>
  );
}

type ChoiceProps = Readonly<{
  clash: Clash;
  whose: 'mine' | 'theirs';
  onPick: (key: string, whose: 'mine' | 'theirs') => void;
}>;

function ClashChoice({ clash, whose, onPick }: ChoiceProps) {
  const field = fieldOf(clash.at);
  const words = (value: unknown): string => (value === undefined ? 'taken out' : valueWords(value, field));
  return (
    <div className="stack">
      <span className="soft small">
        {placeWords(clash.at)}
        {clash.before !== undefined && `, before: ${words(clash.before)}`}
      </span>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={whose}
        aria-label={placeWords(clash.at)}
        onChange={(_, next: 'mine' | 'theirs' | null) => next && onPick(clash.key, next)}
      >
        <ToggleButton value="mine">Mine: {words(clash.mine)}</ToggleButton>
        <ToggleButton value="theirs">Theirs: {words(clash.theirs)}</ToggleButton>
      </ToggleButtonGroup>
    </div>
  );
}

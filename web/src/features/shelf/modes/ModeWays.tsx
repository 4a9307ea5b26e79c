import Button from '@mui/material/Button';
import {
  type Bundle,
  conditionText,
  entriesOf,
  leadsOf,
  type Mode,
  type Readout,
  readoutShownIn,
  type Transition,
  wayOf,
  wayWords,
  withoutWay,
  withShown,
} from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { Select } from '../../../parts/field/Select.tsx';
import '../steps/steps.css';
import { WayDialog } from './WayDialog.tsx';

type Props = Readonly<{
  mode: Mode;
  bundle: Bundle;
  onKeep: (mode: Mode, note: string) => void;
}>;

/** What leads away from a mode by itself or by hand, as sentences; each is written anew, taken away, or one is added. */
export function ModeWays({ mode, bundle, onKeep }: Props) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  const modes = entriesOf(bundle, 'mode').filter((m) => m.controller === mode.controller);
  const readouts = entriesOf(bundle, 'readout');
  const shown = readoutShownIn(mode);
  const nameOf = (id: string): string => modes.find((m) => m.id === id)?.name ?? id;
  return (
    <div className="stack">
      <ul className="plain stack modes-list" aria-label="ways from here">
        {mode.transitions.map((t, i) => {
          const sentence = sentenceOf(mode, t, bundle, nameOf);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a way has no name of its own; its place is its name
            <li key={i} className="row spread">
              <span>{sentence}</span>
              <span className="row">
                {leadsOf(mode, t) ? (
                  <Button variant="text" size="inline" onClick={() => setOpen(i)}>
                    Change
                  </Button>
                ) : (
                  <Link className="small" to={`/shelf/${bundle.family}/mode/${mode.id}`}>
                    in its form
                  </Link>
                )}
                <Button
                  variant="text"
                  size="inline"
                  aria-label={`Take away: ${sentence}`}
                  onClick={() => onKeep(withoutWay(mode, i), 'a way less')}
                >
                  Take away
                </Button>
              </span>
            </li>
          );
        })}
      </ul>
      <div className="row">
        <Button onClick={() => setOpen('new')}>Add a way from here</Button>
      </div>
      {readouts.length > 0 && (
        <div className="sentence">
          <span>Shows</span>
          <Select
            native
            value={shown?.readout ?? ''}
            onChange={(e) => onKeep(withShown(mode, (e.target.value || null) as Readout['id'] | null), 'what it shows')}
            inputProps={{ 'aria-label': 'what it shows' }}
          >
            <option value="">no code</option>
            {readouts.map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </Select>
          {shown && <span className="soft">of {ofWords(shown.of)}</span>}
        </div>
      )}
      {open !== null && (
        <WayDialog
          mode={mode}
          modes={modes}
          bundle={bundle}
          to={null}
          at={open === 'new' ? null : open}
          onClose={() => setOpen(null)}
          onKeep={(made) => {
            setOpen(null);
            onKeep(made, open === 'new' ? 'a way more' : 'a way otherwise');
          }}
        />
      )}
    </div>
  );
}

function ofWords(of: NonNullable<ReturnType<typeof readoutShownIn>>['of']): string {
  if (of.kind === 'memory') return of.slot ? 'the stored code it stands at' : 'the stored code';
  return of.kind === 'input' ? 'what it measures' : 'the entry it stands at';
}

function sentenceOf(mode: Mode, t: Transition, bundle: Bundle, nameOf: (id: string) => string): string {
  const leads = leadsOf(mode, t);
  const where = !leads
    ? t.to && t.to !== mode.id
      ? `goes to ${nameOf(t.to)}`
      : 'does something here'
    : leads.to === 'mode'
      ? `goes to ${nameOf(leads.mode)}`
      : leads.to === 'erased'
        ? 'empties its memory'
        : leads.to === 'flag'
          ? `remembers that ${leads.flag.replaceAll('-', ' ')} is ${leads.is ? 'so' : 'not so'}`
          : `goes to ${leads.to === 'next' ? 'the next entry' : 'the entry before'}`;
  const when = wayWords(wayOf(t), bundle);
  return `${where} ${when}${t.when ? `, if ${conditionText(t.when, bundle)}` : ''}`;
}

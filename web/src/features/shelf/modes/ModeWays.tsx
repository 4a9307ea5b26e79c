import Button from '@mui/material/Button';
import {
  type Bundle,
  conditionText,
  effectWords,
  entriesOf,
  type Leads,
  leadsOf,
  type Mode,
  type Transition,
  wayOf,
  wayWords,
  withoutWay,
} from '@wire-trail/core';
import { useState } from 'react';
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
  const nameOf = (id: string): string => modes.find((m) => m.id === id)?.name ?? id;
  return (
    <div className="stack">
      <h3>What leads on</h3>
      <ul className="plain stack modes-list" aria-label="ways from here">
        {mode.transitions.map((t, i) => {
          const sentence = sentenceOf(mode, t, bundle, nameOf);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a way has no name of its own; its place is its name
            <li key={i} className="row spread">
              <span>{sentence}</span>
              <span className="row">
                <Button variant="text" size="inline" onClick={() => setOpen(i)}>
                  Change
                </Button>
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

function sentenceOf(mode: Mode, t: Transition, bundle: Bundle, nameOf: (id: string) => string): string {
  const { leads, besides } = leadsOf(mode, t);
  const does = besides.map((e) => effectWords(e, bundle));
  const where =
    leads.to === 'stays' ? does.join(' and ') || 'does nothing' : [whereWords(leads, nameOf), ...does].join(' and ');
  const when = wayWords(wayOf(t), bundle);
  return `${where} ${when}${t.when ? `, if ${conditionText(t.when, bundle)}` : ''}`;
}

function whereWords(leads: Exclude<Leads, { to: 'stays' }>, nameOf: (id: string) => string): string {
  switch (leads.to) {
    case 'mode':
      return `goes to ${nameOf(leads.mode)}`;
    case 'erased':
      return 'empties its memory';
    case 'flag':
      return `remembers that ${leads.flag.replaceAll('-', ' ')} is ${leads.is ? 'so' : 'not so'}`;
    case 'next':
    case 'before':
      return `goes to ${leads.to === 'next' ? 'the next entry' : 'the entry before'}`;
  }
}

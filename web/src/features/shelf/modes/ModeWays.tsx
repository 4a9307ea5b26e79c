import {
  type Bundle,
  conditionText,
  effectWords,
  entriesOf,
  idWords,
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
import { SentenceList } from './SentenceList.tsx';
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
      <SentenceList
        name="ways from here"
        heading="What leads on"
        sentences={mode.transitions.map((t) => sentenceOf(mode, t, bundle, nameOf))}
        adds="Add a way from here"
        onAdd={() => setOpen('new')}
        onChange={setOpen}
        onTakeAway={(i) => onKeep(withoutWay(mode, i), 'a way less')}
      />
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
      return `remembers that ${idWords(leads.flag)} is ${leads.is ? 'so' : 'not so'}`;
    case 'next':
    case 'before':
      return `goes to ${leads.to === 'next' ? 'the next entry' : 'the entry before'}`;
  }
}

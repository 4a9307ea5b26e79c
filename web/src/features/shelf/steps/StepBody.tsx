import Button from '@mui/material/Button';
import { codeIdOf, type Entry, entriesOf, type StepStands, type UnitStep, unitStepWords } from '@wire-trail/core';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { AddEntry } from '../../../parts/family/AddEntry.tsx';
import { SubmitDrafts } from '../SubmitDrafts.tsx';
import type { Shelved } from '../tab-props.ts';
import { ImportDialog } from '../table/ImportDialog.tsx';
import { Abandon } from './Abandon.tsx';
import { HurtsForm } from './HurtsForm.tsx';
import { PanelWords } from './PanelWords.tsx';
import { ShownForm } from './ShownForm.tsx';
import { StatesForm } from './StatesForm.tsx';
import { TestsForm } from './TestsForm.tsx';
import { VariantsTable } from './VariantsTable.tsx';
import { WhatForm } from './WhatForm.tsx';

type Props = Readonly<{
  step: UnitStep;
  stands: StepStands;
  family: string;
  name: string;
  entries: readonly Shelved[];
  /** Whether nothing of it was saved yet. */
  isNew: boolean;
}>;

/** What a step asks, in words of the trade. */
const asks: Readonly<Record<UnitStep, string>> = {
  what: 'How does one know it when one stands in front of it?',
  panel: 'What is there to look at and to touch?',
  ways: 'How does one get in, on, and out again?',
  shown: 'How does it show a code?',
  codes: 'Which codes are there, and what is behind them?',
  tests: 'How is it found out which part it is?',
  hurts: 'What can hurt whoever works on it?',
};

/** One step: what is there, what would be missed, and where it is done. */
export function StepBody(props: Props) {
  const { step, stands, isNew } = props;
  const own = entriesOf({ entries: props.entries.map((e) => e.body) }, 'family').find((f) => f.id === props.family);
  return (
    <>
      <h1 className="page-title">{asks[step]}</h1>
      {isNew && step !== 'what' ? (
        <p className="note">First say what it is: everything else hangs on it.</p>
      ) : (
        <>
          {step === 'what' && (
            <>
              <WhatForm {...props} />
              {own && <VariantsTable own={own} family={props.family} entries={props.entries} />}
              <Abandon {...props} />
            </>
          )}
          {step !== 'what' && <There {...props} />}
        </>
      )}
      {stands.lacks.length > 0 && !isNew && (
        <div className="sheet">
          <h2>Still missed</h2>
          <ul className="plain lined" aria-label={`missed in ${unitStepWords[step]}`}>
            {stands.lacks.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

/** What is there of a step, each to be opened, and what can be added. */
function There({ step, family, name, entries }: Props) {
  const [importing, setImporting] = useState(false);
  const bodies = { entries: entries.map((e) => e.body) };
  const to = (kind: Entry['kind'], id: string, tab = '') =>
    `/shelf/${family}/${kind}/${id}${tab && `?tab=${encodeURIComponent(tab)}`}`;
  const add = (kind: Entry['kind']) => (
    <AddEntry
      scope={family}
      kind={kind}
      taken={entries.flatMap((e) => (e.body.kind === kind ? [String(e.body.id)] : []))}
    />
  );
  const go = (address: string, words: string, isFirst = false) => (
    <Button
      component={Link}
      to={address}
      variant={isFirst ? 'contained' : 'outlined'}
      color={isFirst ? 'primary' : 'inherit'}
    >
      {words}
    </Button>
  );
  const open = (
    kind: Entry['kind'],
    items: ReadonlyArray<readonly [id: string, name: string, beside?: string]>,
    tab = '',
  ) =>
    items.length > 0 && (
      <div className="sheet">
        <ul className="plain lined step-there">
          {items.slice(0, 12).map(([id, name, beside]) => (
            <li key={id}>
              <Link to={to(kind, id, tab)}>{name}</Link> {beside && <span className="soft small">{beside}</span>}
            </li>
          ))}
          {items.length > 12 && <li className="soft">and {items.length - 12} more</li>}
        </ul>
      </div>
    );
  const panels = entriesOf(bodies, 'panel');
  const readouts = entriesOf(bodies, 'readout');
  const [readout] = readouts;
  const codes = entriesOf(bodies, 'code');
  const parts: Record<Exclude<UnitStep, 'what'>, ReactNode> = {
    panel: (
      <>
        {panels.length === 0 && <PanelWords family={family} entries={entries} />}
        {open(
          'panel',
          panels.map((p) => [p.id, p.name, p.faces.map((f) => f.label).join(', ')]),
        )}
        <div className="row">
          {panels[0]
            ? go(to('panel', panels[0].id), 'Draw on', true)
            : go(`/shelf/${family}/panel/${codeIdOf('Front panel')}?new=Front%20panel`, 'Draw the panel')}
          {add('panel')}
        </div>
      </>
    ),
    ways: (
      <>
        {open(
          'route',
          entriesOf(bodies, 'route').map((r) => [r.id, r.name, `${r.steps.length} steps`]),
        )}
        {entriesOf(bodies, 'route').length > 0 && <StatesForm family={family} entries={entries} />}
        <p className="soft">
          Paste how somebody tells it: a clip’s captions, a chat, a note. What is done is found in it, what is in doubt
          is asked.
        </p>
        <div className="row">
          {go(`/shelf/${family}/telling`, 'Read in what people say', true)}
          {add('route')}
        </div>
      </>
    ),
    shown: (
      <>
        {open(
          'readout',
          readouts.map((r) => [r.id, r.name, r.stages.map((s) => s.label).join(', ')]),
        )}
        {readouts.length === 0 && <ShownForm family={family} entries={entries} />}
        <div className="row">
          {readout && go(to('readout', readout.id, 'Learn from examples'), 'Learn from examples')}
          {add('readout')}
        </div>
      </>
    ),
    codes: (
      <>
        {open(
          'code',
          codes.map((c) => [c.id, c.text, c.title]),
        )}
        <div className="row">
          <Button
            variant={codes.length > 0 ? 'outlined' : 'contained'}
            color={codes.length > 0 ? 'inherit' : 'primary'}
            onClick={() => setImporting(true)}
          >
            Paste a table of codes
          </Button>
          {importing && <ImportDialog family={family} entries={[...entries]} onClose={() => setImporting(false)} />}
          {codes.length > 0 && go(`/shelf/${family}?room=Codes`, 'All codes, as a table')}
          {add('code')}
        </div>
      </>
    ),
    tests: (
      <>
        {open(
          'chart',
          entriesOf(bodies, 'chart')
            .filter((c) => c.family !== null || codes.some((code) => code.chart === c.id))
            .map((c) => [c.id, c.title, `${c.nodes.length} steps`]),
        )}
        <TestsForm family={family} entries={entries} />
        <div className="row">
          {go(`/shelf/${family}?room=Charts`, 'Charts')}
          {add('chart')}
        </div>
      </>
    ),
    hurts: (
      <>
        <p className="soft">
          Every code says what can hurt before it is worked on, or why nothing can. Local rules and licensed work come
          first.
        </p>
        <HurtsForm family={family} entries={entries} />
        <div className="row">
          {go(`/shelf/${family}?room=Codes`, 'All codes, as a table')}
          {entries.some((e) => e.state === 'draft') && <SubmitDrafts name={name} entries={entries} />}
        </div>
      </>
    ),
  };
  return step === 'what' ? null : parts[step];
}

import Button from '@mui/material/Button';
import { familyEntry, isSheetMissing, type Scope, scopes, scopeWords, sheetMissing } from '@wire-trail/core';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';

const strictestOf = (list: readonly Scope[]): Scope =>
  [...list].sort((a, b) => scopes.indexOf(b) - scopes.indexOf(a))[0] ?? 'technician';

/** What can hurt and how to keep it from doing so, shown once before the first step. The walk keeps that it was confirmed. */
export function SafeStation({ walk, data, add }: StationProps) {
  const family = familyEntry(data.bundle);
  const { subject } = data;
  const confirmed = walk.confirmedHazards ?? [];
  const added = data.hazards.filter((h) => !confirmed.includes(h.id));
  const isMore = confirmed.length > 0 && added.length > 0;
  const hazards = isMore ? added : data.hazards;
  const strictest = subject ? strictestOf([subject.scope, ...hazards.map((h) => h.scope)]) : 'technician';
  const someLicensed = !subject && hazards.some((h) => h.scope === 'licensed' || h.scope === 'maker');
  const { gear, isolation, tools, ways } = data.needs;
  const covers = data.panel.faces.filter((f) => f.cover?.isolateFirst);
  return (
    <StationLayout
      panel={{ face: data.front }}
      panelTitle={family.name}
      beside={
        <div className="sheet small">
          <h3>Have at hand</h3>
          <ul>
            {gear.map((item) => (
              <li key={item}>{item}</li>
            ))}
            {tools.map((tool) => (
              <li key={tool}>{tool}</li>
            ))}
          </ul>
          {family.sheetHidden && <p className="soft">Service sheet: {family.sheetHidden}</p>}
          {isSheetMissing(walk) ? (
            <p role="status">Kept with this unit: its service sheet is missing.</p>
          ) : (
            <Button variant="text" onClick={() => void add(sheetMissing)}>
              The service sheet is missing here
            </Button>
          )}
        </div>
      }
      actions={
        <Next
          onClick={() =>
            void add({ kind: 'safe', hazards: [...new Set([...confirmed, ...data.hazards.map((h) => h.id)])] })
          }
        >
          I have read this
        </Next>
      }
    >
      <h1>{isMore ? 'This code brings more that can hurt' : 'What can hurt here'}</h1>
      <p>
        Local codes and licensed practice come first. This is for <strong>{scopeWords[strictest]}</strong>.
        {strictest === 'licensed' && ' If that is not you, hand it on.'}
        {someLicensed && ' Some codes of this unit are for a licensed person; that is said when the code is known.'}
      </p>
      {hazards.length === 0 && (
        <div className="note">
          {subject?.harmless ? (
            <>
              <strong>No hazard is named for this, because:</strong> {subject.harmless}
            </>
          ) : (
            <>
              <strong>No hazard is written down for this yet.</strong> That says nothing about the unit: treat it as
              live, hot and about to move until you have seen for yourself.
            </>
          )}
        </div>
      )}
      <ul className="plain stack">
        {hazards.map((hazard) => (
          <li key={hazard.id} className="note ends">
            <HazardSign />
            <div>
              <strong>{hazard.title}</strong>
              {hazard.cautions.map((caution) => (
                <p key={caution}>{caution}</p>
              ))}
            </div>
          </li>
        ))}
      </ul>
      {isolation.length > 0 && (
        <div className="sheet">
          <h2>Before a cover comes off</h2>
          <ol>
            {isolation.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          {covers.length > 0 && (
            <p className="small soft">
              Behind a cover here: {covers.map((f) => `${f.label} (${f.cover?.label})`).join('; ')}
            </p>
          )}
        </div>
      )}
      {ways.map((way) => (
        <div key={way.id} className="sheet">
          <h2>{way.name}</h2>
          {way.isolateFirst && <p className="wrong">Isolate first.</p>}
          <ol>
            {way.steps.map((step) => (
              <li key={step.do}>{step.do}</li>
            ))}
          </ol>
        </div>
      ))}
      <p className="small soft">
        Your confirmation is kept with the walk. It says that you read this, not that the unit is safe.
      </p>
    </StationLayout>
  );
}

function HazardSign() {
  return (
    <svg viewBox="0 0 20 18" width="34" height="30" aria-hidden="true">
      <path d="M10 1 L19 17 H1 Z" fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinejoin="round" />
      <path d="M10 6.5 v5" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" />
      <circle cx="10" cy="14.2" r="1.1" fill="currentColor" />
    </svg>
  );
}

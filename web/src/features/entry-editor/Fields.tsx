import Checkbox from '@mui/material/Checkbox';
import { Code, type Entry, entriesOf, problemsOf, Symptom, scopes, standings, standingWords } from '@wire-trail/core';
import { useMemo } from 'react';
import { type Described, draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { Fold } from '../../parts/fold/Fold.tsx';
import { ChartUseFields } from './ChartUseFields.tsx';
import { ClaimFields } from './ClaimFields.tsx';
import type { FieldProps } from './field-props.ts';
import { AmountField, Choice, Lines, NumberField, Text } from './inputs.tsx';
import { SuspectFields } from './SuspectFields.tsx';

/** Spans are stored in thousandths of a second. */
const thousandths = { quantity: 'duration', perBase: 1000 } as const;

/** What the length of the run that proves a repair follows from. */
const spans = [
  ['armingMs', 'looks only after'],
  ['cycleMs', 'one takes'],
  ['cycleEveryMs', 'one every'],
] as const;

const scopeWords = {
  operator: 'operator',
  technician: 'technician',
  licensed: 'licensed trade',
  maker: 'maker’s support',
} as const;

/** Every field of the entry. What is wrong is said beside it; nothing typed is dropped. */
export function Fields({ body, bodies }: { body: Described; bodies: { entries: Entry[] } }) {
  const dispatch = useAppDispatch();
  const problems = useMemo(() => {
    const parsed = (body.kind === 'code' ? Code : Symptom).safeParse(body);
    return new Map(parsed.success ? [] : problemsOf(parsed.error).map((p) => [p.path.join('.'), p.reason]));
  }, [body]);
  const edit = (change: Partial<Described>, about: string) =>
    void dispatch(draftEdited({ body: { ...body, ...change } as Described, about }));
  const wrong = (path: string) => problems.get(path) ?? null;
  const props: FieldProps = { body, bodies, edit, wrong };
  const sources = entriesOf(bodies, 'source');
  const charts = entriesOf(bodies, 'chart');
  const { detection } = body;
  const detect = (change: Partial<Described['detection']>, about: string) =>
    edit({ detection: { ...detection, ...change } }, `detection.${about}`);
  return (
    <div className="stack">
      <section className="sheet stack">
        <Text label="Title" value={body.title} wrong={wrong('title')} onChange={(title) => edit({ title }, 'title')} />
        <Text
          label="What the control saw"
          long
          value={body.saw}
          wrong={wrong('saw')}
          onChange={(saw) => edit({ saw }, 'saw')}
        />
        <Text
          label="What it then does"
          long
          value={body.does}
          wrong={wrong('does')}
          onChange={(does) => edit({ does }, 'does')}
        />
        <Fold title="When it looks, and when it speaks up">
          <div className="three">
            <Text
              label="Threshold"
              value={detection.threshold ?? ''}
              wrong={wrong('detection.threshold')}
              onChange={(t) => detect({ threshold: t || undefined }, 'threshold')}
            />
            <AmountField
              label="for"
              of={thousandths}
              value={detection.forMs ?? null}
              onChange={(ms) => detect({ forMs: ms ?? undefined }, 'forMs')}
            />
            <NumberField
              label="in a row"
              value={detection.inARow}
              least={1}
              onChange={(n) => detect({ inARow: n ?? 1 }, 'inARow')}
            />
            <NumberField
              label="not watched at first"
              value={detection.notWatchedCycles}
              least={0}
              onChange={(n) => detect({ notWatchedCycles: n ?? 0 }, 'notWatchedCycles')}
            />
            <NumberField
              label="erased after clean ones"
              value={detection.erasedAfterCleanCycles}
              least={1}
              onChange={(n) => detect({ erasedAfterCleanCycles: n }, 'erased')}
            />
            <Text
              label="one of them is called"
              value={detection.cycle}
              wrong={wrong('detection.cycle')}
              onChange={(cycle) => detect({ cycle }, 'cycle')}
            />
            {spans.map(([field, label]) => (
              <AmountField
                key={field}
                label={label}
                of={thousandths}
                value={detection[field] ?? null}
                onChange={(ms) => detect({ [field]: ms ?? undefined }, field)}
              />
            ))}
          </div>
          <Text
            label="Only when"
            value={detection.onlyWhen ?? ''}
            wrong={wrong('detection.onlyWhen')}
            onChange={(t) => detect({ onlyWhen: t || undefined }, 'onlyWhen')}
          />
        </Fold>
        <Lines
          label="Circumstances that also set it"
          lines={body.circumstances}
          onChange={(circumstances, about) => edit({ circumstances }, about === null ? '' : `circumstances.${about}`)}
        />
      </section>
      <SuspectFields {...props} />
      <section className="sheet stack">
        <div className="three">
          <Choice
            label="Who may act"
            value={body.scope}
            options={scopes.map((s) => [s, scopeWords[s]])}
            onChange={(scope) => edit({ scope: scope as Described['scope'] }, '')}
          />
          <Choice
            label="Test chart"
            value={body.chart ?? ''}
            options={[['', 'none yet'], ...charts.map((c) => [c.id, c.title] as const)]}
            onChange={(id) => edit({ chart: charts.find((c) => c.id === id)?.id ?? null }, '')}
          />
          <Text
            label="Where the part sits"
            value={body.location ?? ''}
            wrong={wrong('location')}
            onChange={(location) => edit({ location: location || undefined }, 'location')}
          />
        </div>
        <ChartUseFields
          chart={charts.find((c) => c.id === body.chart)}
          use={body.chartUse}
          bodies={bodies}
          onChange={(chartUse) => edit({ chartUse }, '')}
        />
        <fieldset className="group three">
          <legend>Hazards</legend>
          {entriesOf(bodies, 'hazard').map((h) => (
            <label key={h.id}>
              <Checkbox
                checked={body.hazards.includes(h.id)}
                onChange={(e) =>
                  edit(
                    { hazards: e.target.checked ? [...body.hazards, h.id] : body.hazards.filter((x) => x !== h.id) },
                    '',
                  )
                }
              />{' '}
              {h.title}
            </label>
          ))}
          {body.hazards.length === 0 && (
            <Text
              label="None, because …"
              value={body.harmless ?? ''}
              wrong={wrong('harmless')}
              onChange={(harmless) => edit({ harmless: harmless || undefined }, 'harmless')}
            />
          )}
        </fieldset>
        <div className="three">
          <Choice
            label="Source"
            value={body.source ?? ''}
            options={[['', 'none'], ...sources.map((s) => [s.id, s.title] as const)]}
            onChange={(id) => edit({ source: sources.find((s) => s.id === id)?.id ?? null }, '')}
          />
          <Choice
            label="How sure"
            value={body.standing}
            options={standings.map((s) => [s, standingWords[s]])}
            onChange={(standing) => edit({ standing: standing as Described['standing'] }, '')}
          />
        </div>
        <Text
          label="Note"
          long
          value={body.note ?? ''}
          wrong={wrong('note')}
          onChange={(note) => edit({ note: note || undefined }, 'note')}
        />
      </section>
      <ClaimFields {...props} />
    </div>
  );
}

import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  entriesOf,
  entryOf,
  formatQuantity,
  lookAlikes,
  proveRun,
  showsCode,
  slipWords,
} from '@wire-trail/core';
import type { Described } from '../../foundation/entry-draft-slice.ts';
import { Attempts } from '../../parts/attempts/Attempts.tsx';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../parts/panel/use-play.ts';
import { SwapGuide } from '../../parts/swap/SwapGuide.tsx';

/** The panel playing the code as it stands in the draft, and what the machine works out from it. */
export function Beside({ body, bodies }: { body: Described; bodies: { entries: Entry[] } }) {
  const readout = body.kind === 'code' ? entryOf(bodies, 'readout', body.readout) : undefined;
  const panel = entriesOf(bodies, 'panel').find((p) => body.kind === 'symptom' || p.controller === body.controller);
  const show = usePlay(readout, body.kind === 'code' ? body.text : null, 'in turn');
  const codes = entriesOf(bodies, 'code')
    .filter((c) => readout && showsCode(readout, c))
    .map((c) => c.text);
  const alike = readout && body.kind === 'code' ? lookAlikes(readout, [...new Set([...codes, body.text])]) : [];
  const run = proveRun(body.detection);
  const bundle: Bundle = { format: bundleFormat, version: bundleVersion, family: body.family, entries: bodies.entries };
  const suspected = new Set(body.suspects.flatMap((s) => s.part ?? []));
  const parts = entriesOf(bodies, 'family')
    .filter((f) => f.id === body.family)
    .flatMap((f) => f.parts.filter((p) => suspected.has(p.id)));
  return (
    <aside className="stack sticks">
      {panel?.faces[0] && (
        <div className="sheet">
          <h2>As the unit shows it</h2>
          <PanelDrawing face={panel.faces[0]} lamps={show.lamps} texts={show.texts} sounding={show.sounding} />
          <p className="small soft">
            {show.label
              ? `now: ${show.label}`
              : body.kind === 'symptom'
                ? 'a symptom shows no code'
                : 'this panel cannot show it'}
          </p>
        </div>
      )}
      <div className="sheet small">
        <h2>Worked out</h2>
        <p>
          {run.cycles} {body.detection.cycle}
          {run.cycles === 1 ? ' proves' : 's prove'} a repair
          {run.leastMs === null ? '' : `; that takes ${formatQuantity(run.leastMs / 1000, 'duration')} at the least`}.
        </p>
        <Attempts detection={body.detection} />
        {body.kind === 'code' &&
          panel &&
          alike
            .filter((l) => l.code === body.text || l.becomes === body.text)
            .map((l) => (
              <p key={`${l.code}${l.becomes}${l.slip.kind}`}>
                If {slipWords(l, panel)},{' '}
                {l.code === body.text ? (
                  <>
                    it reads as <CodeGlyph text={l.becomes} />.
                  </>
                ) : (
                  <>
                    <CodeGlyph text={l.code} /> reads as this.
                  </>
                )}
              </p>
            ))}
      </div>
      {parts.map((part) => (
        <SwapGuide key={part.id} part={part} data={{ bundle, alive: [] }} />
      ))}
    </aside>
  );
}

import { entriesOf, showsCode } from '@wire-trail/core';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { usePlay } from '../../../parts/panel/use-play.ts';
import type { Shelved } from '../tab-props.ts';

/** What a technician has of the unit as it stands now: its panel with a code on it, and what the code means. */
export function WillSee({ entries }: { entries: readonly Shelved[] }) {
  const bodies = { entries: entries.map((e) => e.body) };
  const face = entriesOf(bodies, 'panel')[0]?.faces[0];
  const readout = entriesOf(bodies, 'readout').find((r) => r.stages.length > 0) ?? null;
  const code = readout ? entriesOf(bodies, 'code').find((c) => showsCode(readout, c)) : entriesOf(bodies, 'code')[0];
  return (
    <aside className="stack" aria-label="what the technician will see">
      <h2>What the technician will see</h2>
      {face ? (
        readout && code ? (
          <Playing readout={readout} text={code.text} face={face} />
        ) : (
          <PanelDrawing face={face} />
        )
      ) : (
        <p className="note">No panel yet: nothing to tap, and nothing to find the unit by.</p>
      )}
      {code && (
        <div className="sheet">
          <p>
            <CodeGlyph text={code.text} /> {code.title}
          </p>
          {code.suspects.length > 0 ? (
            <p className="soft small">first: {code.suspects[0]?.label}</p>
          ) : (
            <p className="soft small">nothing to suspect yet</p>
          )}
        </div>
      )}
    </aside>
  );
}

function Playing({
  readout,
  text,
  face,
}: {
  readout: Parameters<typeof usePlay>[0];
  text: string;
  face: Parameters<typeof PanelDrawing>[0]['face'];
}) {
  const play = usePlay(readout, text, 0);
  return <PanelDrawing face={face} lamps={play.lamps} texts={play.texts} sounding={play.sounding} />;
}

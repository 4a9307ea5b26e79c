import Button from '@mui/material/Button';
import {
  type Candidate,
  lookAlikes,
  misreadWords,
  type NextLook,
  type Panel,
  partName,
  type Readout,
  type Stage,
  slipWords,
  specialWords,
} from '@wire-trail/core';
import { useMemo } from 'react';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { Pressable } from '../../../../parts/field/Pressable.tsx';
import { Meter } from '../../../../parts/meter/Meter.tsx';
import type { Reading } from './use-decoding.ts';

export function Candidates({
  candidates,
  panel,
  onTake,
}: {
  candidates: readonly Candidate[];
  panel: Panel;
  onTake: (c: Candidate) => void;
}) {
  // what is under one in a hundred is counted, not shown
  const shown = candidates.filter((c, i) => i === 0 || c.certainty >= 0.01).slice(0, 4);
  const rest = candidates.length - shown.length;
  if (candidates.length < 2) return null;
  return (
    <ul className="plain candidates">
      {shown.map((c) => (
        <li key={`${c.kind}${c.code}`}>
          <Pressable onClick={() => onTake(c)}>
            <span className="visually-hidden">take </span>
            <CodeGlyph text={c.kind === 'special' ? 'no code' : c.code} />
            <Meter share={c.certainty} color="secondary" />
            <span className="mono">{c.certainty < 0.01 ? '<1' : Math.round(c.certainty * 100)} %</span>
            <span className="soft small">
              {c.kind === 'unlisted'
                ? 'not in the table'
                : c.misread.length > 0
                  ? `if ${c.misread.map((m) => misreadWords(m, panel)).join(', ')}`
                  : 'as seen'}
            </span>
          </Pressable>
        </li>
      ))}
      {rest > 0 && (
        <li className="soft small">
          and {rest} less likely {rest === 1 ? 'one' : 'ones'}
        </li>
      )}
    </ul>
  );
}

/** The one look that decides most, as a sentence. */
function NextWords({ next, readout, panel }: { next: NextLook; readout: Readout; panel: Panel }) {
  const stage = readout.stages.find((s) => s.id === next.stage);
  const between = `It decides between ${next.between.slice(0, 2).join(' and ')}.`;
  switch (next.kind) {
    case 'lamp':
      return (
        <>
          <strong>Look at lamp {partName(panel, next.sign)} once more</strong> ({stage?.label}). {between} Shade it with
          your hand. {readout.note}
        </>
      );
    case 'lamp-test':
      return (
        <>
          <strong>Does lamp {partName(panel, next.sign)} light at all?</strong> Watch it at power-up. {between}
        </>
      );
    case 'count':
      return (
        <>
          <strong>Count once more</strong> ({stage?.label}), or tap along. {between}
        </>
      );
    case 'character':
      return (
        <>
          <strong>Look at place {next.position + 1} once more</strong> ({stage?.label}). {between}
        </>
      );
  }
}

/** What to do about doubt: no such pattern, looks that disagree, the look that decides, look-alikes, other meanings. */
export function Advice({
  reading,
  panel,
  onAlive,
}: {
  reading: Reading;
  panel: Panel;
  onAlive: (sign: string) => void;
}) {
  const { readout, decoded, codes, elsewhere } = reading;
  const texts = useMemo(() => [...new Set(codes.map((c) => c.text))], [codes]);
  const alike = useMemo(() => (readout ? lookAlikes(readout, texts) : []), [readout, texts]);
  if (!readout || !decoded) return null;
  const next = decoded.undecided[0];
  const first = decoded.candidates[0];
  const own = alike.filter((l) => l.becomes === first?.code);
  return (
    <>
      {decoded.noSuchPattern && (
        <div className="note bad" role="status">
          <strong>No code shows like this.</strong>{' '}
          {decoded.oneSlip
            ? `One misreading explains it: ${decoded.oneSlip.code}, if ${decoded.oneSlip.misread.map((m) => misreadWords(m, panel)).join(', ')}.`
            : `Look once more at ${next?.sign ? partName(panel, next.sign) : 'all of it'}.`}{' '}
          {readout.note}
        </div>
      )}
      {decoded.disagreements.map((d) => (
        <div className="note" role="status" key={`${d.stage}${d.sign}`}>
          <strong>Your looks do not agree:</strong> {d.sign ? `lamp ${partName(panel, d.sign)} was ` : ''}
          {d.told.join(', then ')}. Both are kept; look once more.
        </div>
      ))}
      {decoded.taken.length > 0 && (
        <p className="soft small">
          {decoded.taken.map((t) => `${t.typed} taken as ${t.as}`).join(', ')}: the display has no{' '}
          {decoded.taken[0]?.typed}.
        </p>
      )}
      {!decoded.noSuchPattern && next && next.bits > 0.2 && (
        <div className="note" role="status">
          <NextWords next={next} readout={readout} panel={panel} />
          {next.kind === 'lamp-test' && (
            <Button size="dense" onClick={() => onAlive(next.sign)}>
              It lights
            </Button>
          )}
        </div>
      )}
      {!decoded.noSuchPattern && !(next && next.bits > 0.2) && first && first.certainty > 0.5 && own.length > 0 && (
        <div className="note" role="status">
          {own.slice(0, 3).map((l) => (
            <p key={`${l.code}${l.slip.kind}`}>
              If {slipWords(l, panel)}, this is <CodeGlyph text={l.code} />.
              {l.slip.kind === 'lamp-dark' && ' Check that it lights at power-up.'} {readout.note}
            </p>
          ))}
        </div>
      )}
      {decoded.place && (
        <p role="status">
          <span className="tag">
            {decoded.place.unit}
            {decoded.place.part ? `, ${decoded.place.part}` : ''}
          </span>
        </p>
      )}
      {elsewhere.length > 0 && (
        <div className={elsewhere.some((e) => e.fitsBetter) ? 'note' : 'soft small'} role="status">
          {elsewhere.map((e) => (
            <p key={e.readout.id}>
              {e.fitsBetter ? (
                <strong>This fits “{e.readout.name}” better:</strong>
              ) : (
                `On “${e.readout.name}” the same would be`
              )}{' '}
              <CodeGlyph text={e.reads} />
              {e.fitsBetter && (
                <Button size="dense" onClick={() => reading.readBy(e.readout)}>
                  Read it there
                </Button>
              )}
            </p>
          ))}
        </div>
      )}
    </>
  );
}

export function Specials({ readout, onTake }: { readout: Readout; onTake: (id: Stage['id']) => void }) {
  if (readout.specials.length === 0) return null;
  return (
    <div className="row">
      <span className="soft small">No code if it shows:</span>
      {readout.specials.map((s) => (
        <Button key={s.id} onClick={() => onTake(s.id)}>
          {s.label}: {specialWords[s.means]}
        </Button>
      ))}
    </div>
  );
}

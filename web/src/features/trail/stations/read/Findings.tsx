import Button from '@mui/material/Button';
import {
  type Candidate,
  confusionQuestion,
  type Decoded,
  ifWords,
  liveValueWords,
  lookAlikes,
  type NextLook,
  type Panel,
  partName,
  type Readout,
  readByAccounts,
  type Stage,
  slipWords,
  specialWords,
  tellsApartQuestion,
} from '@wire-trail/core';
import { useMemo } from 'react';
import { useAmounts } from '../../../../foundation/use-own.ts';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { Pressable } from '../../../../parts/field/Pressable.tsx';
import { Meter } from '../../../../parts/meter/Meter.tsx';
import type { Reading } from './use-decoding.ts';

/** What cannot show is said at its field already, unless it is a point that was not told. */
const saysMore = ({ canShow, withPoint }: Decoded['values'][number]): boolean => canShow || withPoint !== null;

export function Candidates({
  candidates,
  panel,
  onTake,
  isTable,
}: {
  candidates: readonly Candidate[];
  panel: Panel;
  onTake: (c: Candidate) => void;
  /** Whether there is a table of codes it could stand in. */
  isTable: boolean;
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
              {[
                c.kind === 'unlisted' && isTable && 'not in the table',
                ifWords(c, panel) ?? ((c.kind !== 'unlisted' || !isTable) && 'as seen'),
              ]
                .filter(Boolean)
                .join(', ')}
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

/** What a candidate is called: its code, or of a sign that is no code what it is. */
const nameOf = ({ kind, code }: Candidate, { specials }: Readout): string => {
  const special = kind === 'special' ? specials.find((s) => s.id === code) : undefined;
  return special ? `${special.label}, ${specialWords[special.means]}` : code;
};

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
    case 'ask':
      return (
        <>
          <strong>{confusionQuestion[next.confusion]}</strong> {between}
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
  const amounts = useAmounts();
  const texts = useMemo(() => [...new Set(codes.map((c) => c.text))], [codes]);
  const alike = useMemo(() => (readout ? lookAlikes(readout, texts) : []), [readout, texts]);
  const byAccount = useMemo(
    () => (readout ? readByAccounts(readout, reading.listed, reading.entered.looks) : []),
    [readout, reading.listed, reading.entered.looks],
  );
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
            ? `One misreading explains it: ${nameOf(decoded.oneSlip, readout)}, ${ifWords(decoded.oneSlip, panel)}.`
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
      {decoded.values.filter(saysMore).map((value) => (
        <p role="status" key={value.stage} className={value.canShow ? '' : 'note'}>
          {liveValueWords(value, amounts.own)}
        </p>
      ))}
      {decoded.place && (
        <p role="status">
          <span className="tag">
            {decoded.place.unit}
            {decoded.place.part ? `, ${decoded.place.part}` : ''}
          </span>
        </p>
      )}
      {byAccount.map(({ account, reads, share }) => (
        <p key={account.id} role="status" className={share > 0.3 ? 'note' : 'soft small'}>
          Read as “{account.label}” has it, this is <CodeGlyph text={reads} />. Who told it, and how did they read it?
        </p>
      ))}
      {elsewhere.length > 0 && (
        <div className={elsewhere.some((e) => e.fitsBetter || e.ask) ? 'note' : 'soft small'} role="status">
          {elsewhere.map((e) => (
            <p key={e.readout.id}>
              {e.fitsBetter ? (
                <strong>This fits “{e.readout.name}” better:</strong>
              ) : (
                `On “${e.readout.name}” the same would be`
              )}{' '}
              <CodeGlyph text={e.reads} />
              {e.ask && <strong> {tellsApartQuestion[e.ask]}</strong>}
              {(e.fitsBetter || e.ask) && (
                <Button size="dense" onClick={() => reading.readBy(e.readout, e.looks)}>
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

import { type Candidate, type decode, lookAlikes, type Readout, type Stage } from '@wire-trail/core';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { partName } from '../../../parts/words/coach-words.ts';
import type { TrailData } from '../trail-data.ts';
import type { StationProps } from './station.tsx';

export function Candidates({
  candidates,
  nameOf,
  onTake,
}: {
  candidates: readonly Candidate[];
  nameOf: (id: string) => string;
  onTake: (c: Candidate) => void;
}) {
  if (candidates.length < 2) return null;
  return (
    <ul className="plain candidates">
      {candidates.slice(0, 4).map((c) => (
        <li key={`${c.kind}${c.code}`}>
          <button type="button" onClick={() => onTake(c)} aria-label={`take ${c.code}`}>
            <CodeGlyph text={c.kind === 'special' ? 'no code' : c.code} />
            <span className="bar">
              <span style={{ width: `${c.certainty * 100}%` }} />
            </span>
            <span className="mono">{c.certainty < 0.01 ? '<1' : Math.round(c.certainty * 100)} %</span>
            <span className="soft small">
              {c.kind === 'unlisted'
                ? 'not in the table'
                : c.misread.length > 0
                  ? `if ${c.misread.map((m) => `${nameOf(m.sign)} is ${m.shows}`).join(', ')}`
                  : 'as seen'}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

export function Advice({
  data,
  readout,
  decoded,
  codes,
}: {
  data: TrailData;
  readout: Readout;
  decoded: ReturnType<typeof decode>;
  codes: readonly string[];
}) {
  const next = decoded.undecided[0];
  const first = decoded.candidates[0];
  const alike = lookAlikes(readout, codes).filter((l) => l.becomes === first?.code);
  if (decoded.noSuchPattern)
    return (
      <div className="note bad" role="status">
        <strong>No code shows like this.</strong> Look once more at{' '}
        {next ? partName(data.panel, next.sign) : 'every lamp'}. {readout.note}
      </div>
    );
  if (next && next.bits > 0.2) {
    const stage = readout.stages.find((s) => s.id === next.stage);
    return (
      <div className="note" role="status">
        <strong>Look at lamp {partName(data.panel, next.sign)} once more</strong> ({stage?.label}). It decides between{' '}
        {next.between.slice(0, 2).join(' and ')}. Shade it with your hand. {readout.note}
      </div>
    );
  }
  if (first && first.certainty > 0.5 && alike.length > 0)
    return (
      <div className="note" role="status">
        {alike.map((l) => (
          <p key={l.code}>
            If lamp <strong>{partName(data.panel, l.deadLamp)}</strong> is dead, this is <CodeGlyph text={l.code} />.{' '}
            {readout.note}
          </p>
        ))}
      </div>
    );
  return null;
}

export function Specials({ readout, onTake }: { readout: Readout; onTake: (id: Stage['id']) => void }) {
  if (readout.specials.length === 0) return null;
  return (
    <div className="row">
      <span className="soft small">No code if it shows:</span>
      {readout.specials.map((s) => (
        <button key={s.id} type="button" className="act" onClick={() => onTake(s.id)}>
          {s.label}: {s.means.replaceAll('-', ' ')}
        </button>
      ))}
    </div>
  );
}

export function Slots({
  walk,
  readout,
  slot,
  literal,
  onGo,
}: {
  walk: StationProps['walk'];
  readout: Readout;
  slot: number;
  literal: string | null;
  onGo: (slot: number) => void;
}) {
  if (readout.slots.count < 2) return null;
  return (
    <div className="sheet slots">
      <h3>Memory</h3>
      <ol className="plain">
        {Array.from({ length: readout.slots.count }, (_, i) => i + 1).map((n) => (
          <li key={n}>
            <button type="button" className={n === slot ? 'now' : ''} onClick={() => onGo(n)}>
              <span>
                slot {n}
                {n === 1 && readout.slots.order === 'latest-first' ? ' latest' : ''}
              </span>
              <span className="mono">
                {walk.slots.get(n)?.toUpperCase() ?? (n === slot ? (literal ?? 'reading') : 'not read')}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  bandContextOf,
  type Entry,
  type ReadText,
  readChartText,
  type TextNote,
  textNoteWords,
} from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Input } from '../field/Input.tsx';

/** A chart as pasted text: what was made of it, what was guessed, and what is asked. */
export type TypedChart = Readonly<{
  text: string;
  type: (next: string) => void;
  read: ReadText | null;
  /** Notes that want another look. */
  grave: readonly TextNote[];
  /** Nothing can be made of it as it stands. */
  stops: boolean;
  shares: ReadonlyMap<number, number>;
  answer: (line: number, share: number | null) => void;
}>;

const shareOfLine = (notes: readonly TextNote[]): number[] =>
  notes.flatMap((n) => (n.code === 'tolerance-assumed' ? [n.line] : []));

/** Reads text as a chart while it is typed; under `key` what was typed is still there after a reload. */
export function useTypedChart(entries: Entry[], key: string): TypedChart {
  const [text, setText] = useState(() => sessionStorage.getItem(key) ?? '');
  /** How far off is good, by line, where somebody answered. */
  const [shares, setShares] = useState<ReadonlyMap<number, number>>(new Map());
  const context = useMemo(() => ({ ...bandContextOf({ entries }), shares }), [entries, shares]);
  const read = useMemo(() => (text.trim() === '' ? null : readChartText(text, context)), [text, context]);
  // how far off is good is asked below
  const plain: ReadonlySet<TextNote['code']> = new Set(['taken-as', 'end-added', 'tolerance-assumed']);
  const grave = read?.notes.filter((n) => !plain.has(n.code)) ?? [];
  return {
    text,
    type: (next) => {
      setShares(new Map());
      setText(next);
      if (next === '') sessionStorage.removeItem(key);
      else sessionStorage.setItem(key, next);
    },
    read,
    grave,
    stops: grave.some((n) => n.code === 'too-many-steps' || n.code === 'nothing-there' || n.code === 'other-diagram'),
    shares,
    answer: (line, share) =>
      setShares(new Map([...shares].filter(([l]) => l !== line).concat(share === null ? [] : [[line, share]]))),
  };
}

/** The box it is pasted into, what was made of each line, and how far off is still good where that was not told. */
export function ChartText({ typed, label }: { typed: TypedChart; label: string }) {
  const { text, type, read, grave, shares, answer } = typed;
  const asked = [...new Set([...shares.keys(), ...shareOfLine(read?.notes ?? [])])].sort((a, b) => a - b);
  return (
    <>
      <label className="field">
        {label}
        <Input
          multiline
          fullWidth
          className="mono"
          rows={9}
          value={text}
          placeholder={
            '1. Is the filter clean? If not, clean it and go to 3.\n2. Measure the coil, 140 to 190 Ω. If low, replace the pump.\n3. …'
          }
          onChange={(e) => type(e.target.value)}
        />
      </label>
      {read && (
        <>
          <p className="small">
            Read as {read.as === 'numbered' ? 'a numbered list' : read.as === 'outline' ? 'an outline' : 'Mermaid'}:{' '}
            {read.drawn.nodes.length} steps.
          </p>
          <ul className="small scrolls">
            {[...grave, ...read.notes.filter((n) => !grave.includes(n))].slice(0, 40).map((n, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two notes may say the same
              <li key={i} className={grave.includes(n) ? 'wrong' : 'soft'}>
                line {n.line}: {textNoteWords(n)}
              </li>
            ))}
          </ul>
        </>
      )}
      {asked.map((line) => (
        <div key={line} className="row">
          <span className="small">Line {line}: how far off is still good?</span>
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label={`how far off is good, line ${line}`}
            value={shares.get(line) ?? null}
            onChange={(_, share: number | null) => answer(line, share)}
          >
            {[0.01, 0.02, 0.05, 0.1, 0.2].map((share) => (
              <ToggleButton key={share} value={share}>
                ±{share * 100} %
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </div>
      ))}
    </>
  );
}

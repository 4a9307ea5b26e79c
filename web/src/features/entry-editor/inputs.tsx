import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import { parseAmount, parseDifference, readingErrorWords, writeAmount, writeDifference } from '@wire-trail/core';
import { useId, useState } from 'react';
import { useAmounts } from '../../foundation/use-own.ts';
import { Input } from '../../parts/field/Input.tsx';
import { Select } from '../../parts/field/Select.tsx';
import type { AmountOf } from './choices.ts';

type TextProps = Readonly<{
  label: string;
  value: string;
  wrong: string | null;
  long?: boolean;
  suggestions?: readonly string[];
  onChange: (value: string) => void;
}>;

export function Text({ label, value, wrong, long, suggestions = [], onChange }: TextProps) {
  const id = useId();
  return (
    <div className="field-of">
      <label htmlFor={id}>{label}</label>
      <Input
        fullWidth
        id={id}
        value={value}
        error={wrong !== null}
        multiline={long === true}
        {...(long && { rows: 2 })}
        onChange={(e) => onChange(e.target.value)}
        slotProps={{
          input: {
            'aria-describedby': wrong === null ? undefined : `${id}w`,
            ...(suggestions.length > 0 && { list: `${id}s` }),
          },
        }}
      />
      {suggestions.length > 0 && (
        <datalist id={`${id}s`}>
          {suggestions.map((words) => (
            <option key={words} value={words} />
          ))}
        </datalist>
      )}
      {wrong !== null && (
        <span id={`${id}w`} className="wrong">
          {wrong}
        </span>
      )}
    </div>
  );
}

type NumberProps = Readonly<{
  label: string;
  value: number | null;
  least: number;
  wrong?: string | null;
  onChange: (value: number | null) => void;
}>;

/** A number that may be empty. What is no number stays in the box with a word beside it, and is not taken over. */
export function NumberField({ label, value, least, wrong = null, onChange }: NumberProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (value === null ? '' : String(value));
  const number = Number(shown.replace(',', '.'));
  const isWrong = shown.trim() !== '' && !(Number.isFinite(number) && number >= least);
  return (
    <div className="field-of">
      <label htmlFor={id}>{label}</label>
      <Input
        fullWidth
        id={id}
        className="mono"
        value={shown}
        error={Boolean(isWrong || wrong !== null)}
        onBlur={() => !isWrong && setTyped(null)}
        onChange={(e) => {
          setTyped(e.target.value);
          const next = Number(e.target.value.replace(',', '.'));
          if (e.target.value.trim() === '') onChange(null);
          else if (Number.isFinite(next) && next >= least) onChange(next);
        }}
        slotProps={{ input: { inputMode: 'decimal' } }}
      />
      {(isWrong || wrong) && (
        <span className="wrong">
          {isWrong ? (Number.isFinite(least) ? `A number from ${least} up.` : 'A number.') : wrong}
        </span>
      )}
    </div>
  );
}

type AmountProps = Readonly<{
  label: string;
  /** In the unit it is stored in; null where there is none. */
  value: number | null;
  of: AmountOf;
  wrong?: string | null;
  onChange: (value: number | null) => void;
}>;

/** An amount as people write it, with its unit: `8 min`, `1,800 W`, `4k7`. What cannot be read stays, with a word beside it. */
export function AmountField({ label, value, of, wrong = null, onChange }: AmountProps) {
  const id = useId();
  const amounts = useAmounts();
  const [typed, setTyped] = useState<string | null>(null);
  // a bare number is one of the unit that stood there before it was typed
  const [bare, setBare] = useState(() => bareUnit(value, of, amounts.unit(of.quantity)));
  const write = (stored: number): string =>
    of.difference
      ? writeDifference(stored / of.perBase, of.quantity, of.unit ?? amounts.unit(of.quantity))
      : writeAmount(stored / of.perBase, of.quantity, amounts.own);
  const readAs = (text: string) =>
    of.difference
      ? parseDifference(text, of.quantity, of.unit ?? amounts.unit(of.quantity))
      : parseAmount(text, of.quantity, bare);
  const shown = typed ?? (value === null ? '' : write(value));
  const read = shown.trim() === '' ? null : readAs(shown);
  const said = read && !read.ok ? readingErrorWords(read.error) : wrong;
  const isBare = typed !== null && read?.ok && of.quantity === 'duration' && /^[\d.,]+$/.test(typed.trim());
  return (
    <div className="field-of">
      <label htmlFor={id}>
        {label}
        {/* beside the label: a line that comes and goes below would move what is clicked next */}
        {said === null && isBare && value !== null && (
          <span className="soft" aria-hidden>
            {' '}
            taken as {write(value)}
          </span>
        )}
      </label>
      <Input
        fullWidth
        id={id}
        className="mono"
        value={shown}
        error={said !== null}
        onFocus={() => setBare(bareUnit(value, of, amounts.unit(of.quantity)))}
        onBlur={() => (read === null || read.ok) && setTyped(null)}
        onChange={(e) => {
          const text = e.target.value;
          setTyped(text);
          if (text.trim() === '') return onChange(null);
          const next = readAs(text);
          if (next.ok) onChange(Number((next.value * of.perBase).toPrecision(12)));
        }}
        slotProps={{ input: { inputMode: 'text', ...(said !== null && { 'aria-describedby': `${id}w` }) } }}
      />
      {said !== null && (
        <span id={`${id}w`} className="wrong">
          {said}
        </span>
      )}
    </div>
  );
}

/** The unit a bare number is taken in: for a span the one it is written in so far, else the person's own. */
function bareUnit(value: number | null, of: AmountProps['of'], own: string): string {
  if (of.quantity !== 'duration' || value === null) return own;
  const seconds = value / of.perBase;
  return seconds > 0 && seconds % 3600 === 0 ? 'h' : seconds > 0 && seconds % 60 === 0 ? 'min' : own;
}

type ChoiceProps = Readonly<{
  label: string;
  value: string;
  options: ReadonlyArray<readonly [string, string]>;
  wrong?: string | null;
  onChange: (value: string) => void;
}>;

/** One of several. A value that is none of them stays, is said not to be there, and can be put right. */
export function Choice({ label, value, options, wrong = null, onChange }: ChoiceProps) {
  const id = useId();
  const isKnown = value === '' || options.some(([key]) => key === value);
  const all = isKnown ? options : [[value, `${value} (not there)`] as const, ...options];
  return (
    <div className="field-of">
      <label htmlFor={id}>{label}</label>
      <Select
        native
        fullWidth
        id={id}
        value={value}
        error={Boolean(wrong !== null || !isKnown)}
        onChange={(e) => onChange(e.target.value)}
        inputProps={{ 'aria-describedby': wrong === null ? undefined : `${id}w` }}
      >
        {all.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </Select>
      {wrong !== null && (
        <span id={`${id}w`} className="wrong">
          {wrong}
        </span>
      )}
    </div>
  );
}

type LinesProps = Readonly<{
  label: string;
  lines: readonly string[];
  onChange: (lines: string[], about: number | null) => void;
}>;

export function Lines({ label, lines, onChange }: LinesProps) {
  return (
    <div className="field-of">
      <span className="field-label">{label}</span>
      {lines.map((line, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines have no identity but their place
        <div key={i} className="with-button">
          <Input
            fullWidth
            value={line}
            onChange={(e) => onChange(lines.with(i, e.target.value), i)}
            slotProps={{ input: { 'aria-label': `${label} ${i + 1}` } }}
          />
          <Button aria-label={`remove ${label} ${i + 1}`} onClick={() => onChange(lines.toSpliced(i, 1), null)}>
            <CloseIcon fontSize="small" />
          </Button>
        </div>
      ))}
      <Button variant="text" onClick={() => onChange([...lines, ''], null)}>
        Add a line
      </Button>
    </div>
  );
}

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  countsOpen,
  type LampExample,
  type LampWay,
  type learnLamps,
  looksOfWay,
  misfitsOf,
  type SignId,
} from '@wire-trail/core';
import { useMemo } from 'react';

type Props = Readonly<{
  learned: ReturnType<typeof learnLamps>;
  lamps: readonly SignId[];
  examples: readonly LampExample[];
  /** The codes the unit lists already. */
  texts: readonly string[];
  nameOf: (sign: string) => string;
  way: LampWay | null;
  /** What was marked last is not worked out yet. */
  isBehind: boolean;
  /** The readout is this way already. */
  isUsed: boolean;
  five: string | null;
  onFive: (five: string) => void;
  onAdd: (text: string) => void;
  onUse: (way: LampWay) => void;
}>;

/** What the examples say: what each lamp counts, what is still open and which code would decide it, or why nothing fits. */
export function Learnt(props: Props) {
  const { learned, lamps, examples, nameOf, way, onAdd } = props;
  const misfits = useMemo(() => (learned.is === 'none' ? misfitsOf(lamps, examples) : []), [learned, lamps, examples]);
  return (
    <div className="sheet" role="status">
      <h2>What they say</h2>
      {examples.length === 0 && <p className="soft">Nothing yet: no code has been typed.</p>}
      {learned.is === 'found' && way && <Found {...props} learned={learned} way={way} />}
      {learned.is === 'open' && (
        <>
          <p>
            {learned.ways.length > 100 ? 'Many ways' : `${learned.ways.length} ways`} still fit. Nothing is guessed:
          </p>
          <ul className="plain lined">
            {countsOpen(lamps, learned.ways).map(({ lamp, counts, maybeMarks }) => (
              <li key={lamp}>
                <strong>{nameOf(lamp)}</strong> {openWords(counts, maybeMarks)}
              </li>
            ))}
          </ul>
          {learned.next === null ? (
            <p className="soft">Add another code, best one with other lamps.</p>
          ) : (
            <div className="row">
              <Button variant="contained" color="primary" onClick={() => onAdd(learned.next ?? '')}>
                Add {learned.next}
              </Button>
              <span className="soft small">
                the code that decides most, if you have seen it; any other helps as well
              </span>
            </div>
          )}
        </>
      )}
      {learned.is === 'contradiction' && <p className="soft">First settle the two that cannot both be so.</p>}
      {learned.is === 'none' && examples.length > 0 && (
        <Alert severity="warning">
          No way of adding up fits all of these.{' '}
          {misfits.length > 0
            ? `Without ${listed(
                misfits.map((i) => examples[i]?.text ?? ''),
                'or',
              )} the others fit: look at it again.`
            : 'It may be a table, where every code has a look of its own; that is pasted under “Shown and read”.'}
        </Alert>
      )}
    </div>
  );
}

function Found({
  learned,
  way,
  examples,
  texts,
  nameOf,
  isBehind,
  isUsed,
  five,
  onFive,
  onUse,
}: Props & { learned: Extract<Props['learned'], { is: 'found' }>; way: LampWay }) {
  const { marker, weights, shape } = way;
  const not = texts.filter((text) => looksOfWay(way, text) === null);
  const known = new Set(examples.map((e) => e.text));
  return (
    <>
      <ul className="plain lined">
        {marker && (
          <li>
            <strong>{nameOf(marker.lamp)}</strong> counts nothing: it is lit in the{' '}
            {marker.litIn.includes(0) ? 'first' : 'second'} part and tells the two apart.
          </li>
        )}
        {[...weights].map(([lamp, weight]) => (
          <li key={lamp}>
            <strong>{nameOf(lamp)}</strong> counts <span className="mono">{weight}</span>
          </li>
        ))}
        {shape.prefix !== '' && (
          <li>
            <span className="mono">{shape.prefix}</span> always stands first; no lamp says it.
          </li>
        )}
      </ul>
      {learned.written.length > 1 && (
        <div className="row">
          <span>Five is written</span>
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="how five is written"
            value={five ?? learned.written[0]}
            onChange={(_, next: string | null) => next && onFive(next)}
          >
            {learned.written.map((text) => (
              <ToggleButton key={text} value={text} className="mono">
                {text}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </div>
      )}
      <p>
        {learned.shows.length} codes can be shown so, {learned.shows[0]} to {learned.shows.at(-1)}.
        {texts.some((t) => !known.has(t)) &&
          not.length === 0 &&
          ` All ${texts.length} codes of the unit are among them.`}
      </p>
      {not.length > 0 && (
        <Alert severity="warning">
          {listed(not.slice(0, 6), 'and')}
          {not.length > 6 ? ` and ${not.length - 6} more` : ''} of the unit’s codes cannot be shown like this.
        </Alert>
      )}
      <div className="row">
        <Button variant="contained" color="primary" disabled={isBehind} onClick={() => onUse(way)}>
          Use this
        </Button>
        <span className="soft small">
          {isUsed ? 'It is in the readout now, the examples as its tests.' : 'the examples are kept as tests'}
        </span>
      </div>
    </>
  );
}

const listed = (items: readonly string[], last: 'and' | 'or'): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${last} ${items.at(-1)}`;

const openWords = (counts: readonly number[], maybeMarks: boolean): string => {
  const some = counts.length > 4 ? `anything from ${counts[0]} to ${counts.at(-1)}` : listed(counts.map(String), 'or');
  if (counts.length === 0) return 'only tells the parts apart';
  return maybeMarks ? `counts ${some}, or only tells the parts apart` : `counts ${some}`;
};

import Button from '@mui/material/Button';
import {
  type Code,
  type ControllerId,
  entryOf,
  type Folded,
  foldConsequences,
  type SweepItem,
  sweptWords,
  type Walk,
} from '@wire-trail/core';
import { CodeGlyph } from '../../../../parts/code/CodeGlyph.tsx';
import { Pressable } from '../../../../parts/field/Pressable.tsx';
import type { TrailData } from '../../trail-data.ts';
import type { Reading } from './use-decoding.ts';

/** Every controller to ask, in the order the unit gives them, with what each said. */
export function Sweep({ walk, reading }: { walk: Walk; reading: Reading }) {
  if (reading.plan.length < 2) return null;
  return (
    <div className="sheet sweep">
      <h2>Control boards</h2>
      <ol className="plain">
        {reading.plan.map((item) => {
          const result = walk.swept.get(item.controller.id);
          return (
            <li key={item.controller.id}>
              <Pressable
                className={`line spread ${item.controller.id === reading.item?.controller.id ? 'now' : ''}`}
                onClick={() => reading.goTo(item)}
              >
                <span>
                  {item.controller.name}
                  {item.controller.authoritative && <span className="tag">trust this one</span>}
                </span>
                <span className="soft small">{result ? sweptWords[result] : 'to be asked'}</span>
              </Pressable>
            </li>
          );
        })}
      </ol>
      {reading.item?.how && <p className="soft small">{reading.item.how}</p>}
    </div>
  );
}

/** The memory of the controller that is being read: which slot holds what. */
export function Slots({ walk, reading }: { walk: Walk; reading: Reading }) {
  const { readout, slot, decoded, item } = reading;
  if (!readout || readout.slots.count < 2) return null;
  const taken = (n: number) =>
    walk.taken.find((t) => t.slot === n && (t.controller === null || t.controller === item?.controller.id));
  return (
    <div className="sheet slots">
      <h2>Stored codes</h2>
      {readout.slots.rotatesMs && (
        <p className="soft small">They follow one another by themselves, every {readout.slots.rotatesMs / 1000} s.</p>
      )}
      <ol className="plain">
        {Array.from({ length: readout.slots.count }, (_, i) => i + 1).map((n) => (
          <li key={n}>
            <Pressable className={`line spread ${n === slot ? 'now' : ''}`} onClick={() => reading.goToSlot(n)}>
              <span>
                No. {n}
                {n === 1 ? (readout.slots.order === 'latest-first' ? ', the latest' : ', the oldest') : ''}
              </span>
              <span className="mono">
                {taken(n)?.code.toUpperCase() ?? (n === slot ? (decoded?.literal ?? 'reading') : 'not read')}
              </span>
            </Pressable>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Active or only stored: what is seen beside the code. */
export function MarkChoice({ reading }: { reading: Reading }) {
  const { readout, entered } = reading;
  if (!readout || readout.marks.length === 0) return null;
  return (
    <div className="row" role="group" aria-label="active or stored">
      {readout.marks.map((m) => (
        <Button
          key={m.id}
          variant={entered.mark === m.id ? 'contained' : 'outlined'}
          color={entered.mark === m.id ? 'primary' : 'inherit'}
          aria-pressed={entered.mark === m.id}
          onClick={() => reading.enter({ mark: entered.mark === m.id ? null : m.id })}
        >
          {m.label}: {m.means}
        </Button>
      ))}
    </div>
  );
}

function FoldedCode({ folded, data }: { folded: Folded; data: TrailData }) {
  return (
    <li>
      <CodeGlyph text={folded.code.text} /> <span>{folded.code.title}</span>
      {folded.why && <p className="soft small">{folded.why}</p>}
      {folded.under.length > 0 && (
        <ul className="plain" style={{ marginLeft: '1.9rem' }} aria-label={`what ${folded.code.text} explains`}>
          {folded.under.map((f) => (
            <FoldedCode key={f.code.id} folded={f} data={data} />
          ))}
        </ul>
      )}
    </li>
  );
}

type CollectedProps = Readonly<{
  walk: Walk;
  data: TrailData;
  reading: Reading;
  onGoTo: (item: SweepItem) => void;
  onConfirm: (controller: ControllerId, agrees: boolean) => void;
  onDone: (code: Code['id']) => void;
  /** Something else is the next action now. */
  quiet: boolean;
}>;

/** Everything read so far, mere consequences under what explains them; who is still to be asked; and the way on. */
export function Collected({ walk, data, reading, onGoTo, onConfirm, onDone, quiet }: CollectedProps) {
  const codes = [...new Set(walk.taken.map((t) => t.code))].flatMap((id) => entryOf(data.bundle, 'code', id) ?? []);
  const folded = foldConsequences(codes);
  const [root] = folded;
  if (!root) return null;
  const lead = reading.plan.find((i) => i.controller.id === walk.confirmAt);
  // one board alone is not asked again
  const unasked = reading.plan.length > 1 ? reading.plan.filter((i) => !walk.swept.has(i.controller.id)) : [];
  const ask = lead ?? unasked[0];
  return (
    <section className="sheet collected stack" aria-label="read so far">
      <h2>Read so far</h2>
      <ul className="plain">
        {folded.map((f) => (
          <FoldedCode key={f.code.id} folded={f} data={data} />
        ))}
      </ul>
      {lead && (
        <div className="note" role="status">
          <strong>Confirm at {lead.controller.name} before testing.</strong> What shows elsewhere may be a consequence.
        </div>
      )}
      <div className={quiet ? '' : 'actions'}>
        <Button
          size="glove"
          fullWidth
          variant={quiet ? 'outlined' : 'contained'}
          color={quiet ? 'inherit' : 'primary'}
          onClick={() => (ask ? onGoTo(ask) : onDone(root.code.id))}
        >
          {ask ? `${lead ? 'Read' : 'Next, ask'} ${ask.controller.name}` : `Go on with ${root.code.text}`}
        </Button>
      </div>
      <div className="row">
        {lead && (
          <>
            <Button onClick={() => onConfirm(lead.controller.id, true)}>It says the same</Button>
            <Button onClick={() => onConfirm(lead.controller.id, false)}>It cannot be asked</Button>
          </>
        )}
        {!lead && ask && (
          <Button onClick={() => onDone(root.code.id)}>That is enough: go on with {root.code.text}</Button>
        )}
      </div>
    </section>
  );
}

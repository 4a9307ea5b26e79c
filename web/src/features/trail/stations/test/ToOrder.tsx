import Button from '@mui/material/Button';
import {
  type ChartWalk,
  type OrderLine,
  orderLine,
  orderRows,
  orderText,
  type Part,
  partsToOrder,
  repairCost,
} from '@wire-trail/core';
import { useState } from 'react';
import { useSchool } from '../../../../foundation/use-school.ts';
import { saveCsv } from '../../../../parts/csv/save-csv.ts';
import type { StationProps } from '../StationLayout.tsx';

/** How many were said of each part of a walk: not forgotten where its page is drawn anew. */
const said = new Map<string, Readonly<Record<string, number>>>();

/** What a part is called for at the counter, and the mailbox that keeps it; what is not known of it is said. */
export function ToOrder({ walk, data, add, at }: Pick<StationProps, 'walk' | 'data' | 'add'> & { at: ChartWalk }) {
  const parts = partsToOrder(data.bundle, walk, at);
  const [quantities, setQuantities] = useState(() => said.get(walk.id) ?? {});
  const say = (part: Part, quantity: number) => {
    const next = { ...quantities, [part.id]: quantity };
    said.set(walk.id, next);
    setQuantities(next);
  };
  const quantityOf = (part: Part): number => quantities[part.id] ?? 1;
  const lines = parts.map((part) =>
    orderLine(data.bundle, walk, part, { alive: data.alive, quantity: quantityOf(part) }),
  );
  return (
    <>
      {parts.map((part) => (
        <Line
          key={part.id}
          part={part}
          walk={walk}
          data={data}
          add={add}
          quantity={quantityOf(part)}
          onQuantity={(quantity) => say(part, quantity)}
        />
      ))}
      {lines.length > 1 && (
        <div className="row">
          <Button onClick={() => void navigator.clipboard.writeText(orderText(...lines))}>Copy all of it</Button>
          <Button onClick={() => void saveCsv('order.csv', orderRows(lines))}>All of it as CSV</Button>
        </div>
      )}
      {walk.ordered.map((o) => (
        <p key={`${o.part}${o.at}`} className="tag">
          in the order mailbox: {o.quantity} × {o.number ?? o.part}
        </p>
      ))}
    </>
  );
}

const openWords = (line: OrderLine): string | null =>
  line.open === 'no-number'
    ? 'Its number is not known here: ask for it by name, model and serial number.'
    : line.open === 'needs-plate'
      ? `The plate has to tell which: ${line.maybe.join(' or ')}.`
      : null;

/** What it costs and takes, and whether the school looks at that twice at this age: shown, never decided. */
function Cost({ part, quantity, age }: { part: Part; quantity: number; age: string | undefined }) {
  const limit = useSchool()?.repairLimit;
  const cost = repairCost(part, quantity, { limit, age, thisYear: new Date().getFullYear() });
  if (!cost) return null;
  return (
    <>
      <p className="soft small">
        {cost.amount} {cost.currency}
        {cost.minutes !== null && ` · ${cost.minutes} min to fit`}
        {cost.is === 'age-unknown' && ' · its age is not known'}
      </p>
      {cost.is === 'over' && limit && (
        <p className="note">
          At {cost.years} years the school looks twice at a repair over {limit.most} {limit.currency}. It is for you and
          the customer to decide.
        </p>
      )}
    </>
  );
}

type LineProps = Pick<StationProps, 'walk' | 'data' | 'add'> &
  Readonly<{ part: Part; quantity: number; onQuantity: (quantity: number) => void }>;

function Line({ part, walk, data, add, quantity, onQuantity: setQuantity }: LineProps) {
  const line = orderLine(data.bundle, walk, part, { alive: data.alive, quantity });
  const open = openWords(line);
  return (
    <section className="sheet stack" aria-label={`order ${part.name}`}>
      <h2>To order</h2>
      <p>
        <strong>{part.name}</strong> {line.number && <span className="mono">{line.number}</span>}{' '}
        {line.note && <span className="soft small">{line.note}</span>}
      </p>
      {part.notFirst && <p className="note bad">{part.notFirst}</p>}
      {open && <p className="note">{open}</p>}
      <Cost part={part} quantity={quantity} age={walk.complaint?.age} />
      <div className="row">
        <Button aria-label="one less" disabled={quantity === 1} onClick={() => setQuantity(quantity - 1)}>
          −
        </Button>
        <span className="mono">{quantity} ×</span>
        <Button aria-label="one more" onClick={() => setQuantity(quantity + 1)}>
          +
        </Button>
        <Button onClick={() => void navigator.clipboard.writeText(orderText(line))}>Copy</Button>
        <Button onClick={() => void saveCsv('order.csv', orderRows([line]))}>CSV</Button>
      </div>
      <Button
        size="glove"
        onClick={() => void add({ kind: 'ordered', part: part.id, number: line.number || null, quantity })}
      >
        Put it in the order mailbox
      </Button>
    </section>
  );
}

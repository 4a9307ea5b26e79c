import { api } from '../../foundation/api.ts';
import { Fold } from '../../parts/fold/Fold.tsx';

/** What only shows across units: two nobody can tell apart, a part that has two numbers. */
export function LookAlikes() {
  const { data: pairs = [] } = api.useAlikeFamiliesQuery();
  if (pairs.length === 0) return null;
  return (
    <Fold
      title={
        pairs.length === 1
          ? 'One thing that only shows across units'
          : `${pairs.length} things that only show across units`
      }
    >
      <p className="soft small">
        Where two cannot be told apart, write down what differs, under “How to recognise it”.
      </p>
      <ul className="scrolls">
        {pairs.slice(0, 200).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </Fold>
  );
}

import { api } from '../../foundation/api.ts';
import { Fold } from '../../parts/fold/Fold.tsx';

/** Units nobody can tell apart by what is written of them: said once. */
export function LookAlikes() {
  const { data: pairs = [] } = api.useAlikeFamiliesQuery();
  if (pairs.length === 0) return null;
  return (
    <Fold
      title={
        pairs.length === 1 ? 'Two units cannot be told apart' : `${pairs.length} pairs of units cannot be told apart`
      }
    >
      <p className="soft small">Write down what differs, under “How to recognise it”.</p>
      <ul className="scrolls">
        {pairs.slice(0, 200).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </Fold>
  );
}

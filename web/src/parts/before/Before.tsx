import { type AccessId, type Bundle, entryOf, type HazardId } from '@wire-trail/core';
import { Fold } from '../fold/Fold.tsx';

/** Where what can hurt, and the ways there, are written. */
type Written = Readonly<{ bundle: Pick<Bundle, 'entries'> }>;

/** What can hurt in what comes next, said once more where it counts; it was read in full at the Safe station. */
export function HazardNote({
  ids,
  data,
  energised,
  isolation = 'Isolated while the measuring leads go on and come off.',
}: {
  ids: readonly HazardId[];
  data: Written;
  energised?: string;
  isolation?: string | undefined;
}) {
  const hazards = ids.flatMap((id) => entryOf(data.bundle, 'hazard', id) ?? []);
  if (hazards.length === 0 && energised === undefined) return null;
  return (
    <div className={`note ${energised === undefined ? '' : 'bad'}`}>
      {energised !== undefined && (
        <strong>
          Measured energised. {energised} {isolation}{' '}
        </strong>
      )}
      {hazards.map((h) => (
        <span key={h.id}>
          <strong>{h.title}:</strong> {h.cautions[0]}{' '}
        </span>
      ))}
    </div>
  );
}

/** How to get there, step by step, where it is needed. */
export function WaysThere({ ids, data }: { ids: readonly AccessId[]; data: Written }) {
  return ids.map((id) => {
    const way = entryOf(data.bundle, 'access', id);
    return (
      way && (
        <Fold key={id} title={`Get there: ${way.name}${way.isolateFirst ? ' — isolate first' : ''}`}>
          <ol>
            {way.steps.map((step) => (
              <li key={step.do}>{step.do}</li>
            ))}
          </ol>
        </Fold>
      )
    );
  });
}

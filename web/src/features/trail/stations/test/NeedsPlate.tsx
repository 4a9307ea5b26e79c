import {
  familyEntry,
  type JudgedCase,
  judgedCaseWords,
  plateTells,
  plateTellsWords,
  variantName,
} from '@wire-trail/core';
import { Next, type StationProps } from '../StationLayout.tsx';

type Props = Pick<StationProps, 'data'> &
  Readonly<{ cases: readonly JudgedCase[]; goTo: StationProps['goTo'] | undefined }>;

/** A reading that is good on one variant and not on another, while the plate does not tell which this is. */
export function NeedsPlate({ cases, data, goTo }: Props) {
  const family = familyEntry(data.bundle);
  const nameOf = (id: string) => variantName(family, id);
  const tells = plateTells(
    family,
    data.plate,
    cases.map((c) => c.variants),
  );
  return (
    <>
      <div className="note stack" role="status">
        <strong>It needs the plate: what this means depends on which variant this is</strong>
        <ul>
          {cases.map((one) => (
            <li key={one.variants.join()}>{judgedCaseWords(one, nameOf)}</li>
          ))}
        </ul>
        <p>{plateTellsWords(tells)} No part is condemned before that. The reading stays here.</p>
      </div>
      {goTo && (
        <div className="actions">
          <Next onClick={() => goTo('unit')}>Read the plate</Next>
        </div>
      )}
    </>
  );
}

import Button from '@mui/material/Button';
import {
  familyEntry,
  plateTells,
  plateTellsWords,
  type Route,
  type RouteCase,
  type Step,
  stepsInLine,
  variantName,
} from '@wire-trail/core';
import type { ReactNode } from 'react';
import type { TrailData } from '../../trail-data.ts';
import { StationLayout } from '../StationLayout.tsx';

type Props = Readonly<{
  route: Route;
  data: TrailData;
  title: string;
  aside?: ReactNode;
  cases: readonly RouteCase[];
  onPick: (one: RouteCase) => void;
}>;

/** The steps in which a way is not the same on every variant, as one of them has them. */
function othersOf(one: RouteCase, cases: readonly RouteCase[]): Step[] {
  return one.route.steps.filter((step, i) =>
    cases.some(({ route }) => JSON.stringify(route.steps[i]) !== JSON.stringify(step)),
  );
}

/** A way that has other numbers on other variants, while the plate does not tell which this is: nobody guesses. */
export function WhichVariant({ route, data, title, aside, cases, onPick }: Props) {
  const family = familyEntry(data.stored);
  const tells = plateTells(
    family,
    data.plate,
    cases.map((c) => c.variants),
  );
  return (
    <StationLayout panel={{ face: data.front }} panelTitle={title} beside={aside}>
      <h1>{route.name}</h1>
      <div className="note stack" role="status">
        <strong>It needs the plate: this way is not the same on every variant</strong>
        <p>{plateTellsWords(tells)}</p>
      </div>
      {cases.map((one) => (
        <div key={one.variants.join()} className="sheet stack">
          <h2>{one.variants.map((v) => variantName(family, v)).join(', ')}</h2>
          <p>{stepsInLine(othersOf(one, cases), data.panel)}</p>
          <Button size="glove" fullWidth onClick={() => onPick(one)}>
            This is the one
          </Button>
        </div>
      ))}
    </StationLayout>
  );
}

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { lazy, Suspense } from 'react';
import { Loading } from '../../../parts/states/States.tsx';
import { dayOf } from './day-of.ts';

const DayField = lazy(() => import('../../../parts/field/DayField.tsx'));
const dayMs = 86_400_000;
const soon = [
  [1, 'Tomorrow'],
  [3, 'In 3 days'],
  [7, 'In a week'],
] as const;

/** Until which day: a few large choices, and a calendar for any other. */
export function UntilWhen({ day, onChange }: { day: string; onChange: (day: string) => void }) {
  const now = Date.now();
  return (
    <div className="stack">
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={day}
        aria-label="until when"
        onChange={(_, to: string | null) => to && onChange(to)}
      >
        {soon.map(([days, words]) => (
          <ToggleButton key={days} value={dayOf(now + days * dayMs)}>
            {words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Suspense fallback={<Loading what="the calendar" />}>
        <DayField label="Until" day={day} least={dayOf(now)} onChange={onChange} />
      </Suspense>
    </div>
  );
}

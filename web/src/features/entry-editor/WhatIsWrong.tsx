import Button from '@mui/material/Button';
import { placeWords } from '@wire-trail/core';

/** As many are named; the rest is counted. */
const mostNamed = 3;

/** Leads to the first field that says it is wrong. */
function goToFirst(): void {
  const field = document.querySelector<HTMLElement>('main [aria-invalid="true"]');
  field?.scrollIntoView({ block: 'center' });
  field?.focus();
}

/** Which fields need another look, by name and why; and the way to the first of them. */
export function WhatIsWrong({ problems }: { problems: ReadonlyMap<string, string> }) {
  const all = [...problems];
  if (all.length === 0) return null;
  return (
    <span className="wrong">
      Some fields need another look:{' '}
      {all
        .slice(0, mostNamed)
        .map(([path, reason]) => `${placeWords(path.split('.'))}: ${reason}`)
        .join('; ')}
      {all.length > mostNamed && `; and ${all.length - mostNamed} more`}.{' '}
      <Button variant="text" size="inline" onClick={goToFirst}>
        Show the first
      </Button>
    </span>
  );
}

import Button from '@mui/material/Button';
import { leftAfter, printSteps, type Route } from '@wire-trail/core';
import { HazardNote } from '../../../../parts/before/Before.tsx';
import type { StationProps } from '../StationLayout.tsx';

/** Parts that can be locked out so that the rest runs on, with the capacity that is left. */
export function LockOuts({ routes, walk, data, add }: StationProps & { routes: readonly Route[] }) {
  return (
    <div className="sheet stack">
      {routes.map((route) => {
        const out = route.locksOut;
        const now = out ? (walk.lockedOut.get(out.part) ?? 0) : 0;
        const next = out ? leftAfter(walk.unit?.composition ?? [], out.part, now + out.count) : null;
        const left = out ? leftAfter(walk.unit?.composition ?? [], out.part, now) : null;
        const count = (n: number) => out && void add({ kind: 'locked-out', route: route.id, part: out.part, count: n });
        return (
          <div key={route.id} className="stack">
            <strong>{route.name}</strong>
            <HazardNote ids={route.hazards} data={data} />
            <pre className="small">{printSteps(route.steps)}</pre>
            {route.sideEffects.map((e) => (
              <p key={e} className="small">
                {e}
              </p>
            ))}
            {out && (
              <p>
                {now > 0 && left ? (
                  <>
                    Locked out: {now}.{' '}
                    <strong>
                      {left.left} of {left.of}
                    </strong>{' '}
                    {out.part} left.
                  </>
                ) : next ? (
                  <>
                    Then{' '}
                    <strong>
                      {next.left} of {next.of}
                    </strong>{' '}
                    {out.part} are left.
                  </>
                ) : (
                  <>How many {out.part} the system holds was not counted at Unit.</>
                )}
              </p>
            )}
            {out && (
              <div className="row">
                <Button size="glove" onClick={() => count(now + out.count)}>
                  It is locked out
                </Button>
                {now > 0 && (
                  <Button size="glove" onClick={() => count(0)}>
                    All are in again
                  </Button>
                )}
              </div>
            )}
          </div>
        );
      })}
    </div>
  );
}

import Button from '@mui/material/Button';
import type { Station, Walk, WalkEvent } from '@wire-trail/core';
import { type ReactNode, useEffect, useRef } from 'react';
import type { Happening } from '../../../foundation/device/walks.ts';
import { PanelDrawing, type PanelProps } from '../../../parts/panel/PanelDrawing.tsx';
import type { TrailData } from '../trail-data.ts';
import './stations.css';

export type StationProps = Readonly<{
  walk: Walk;
  data: TrailData;
  /** Every event of the walk, also those taken back. */
  events: readonly WalkEvent[];
  add: (...happenings: Happening[]) => Promise<unknown>;
  /** Looks at another station, such as the unit's plate from within a test. */
  goTo?: (station: Station) => void;
}>;

type TabProps = Readonly<{
  panel: PanelProps | null;
  panelTitle?: string;
  /** A picture of the very spot; on a phone it stands in for the drawing. */
  closer?: ReactNode;
  beside?: ReactNode;
  children: ReactNode;
  /** The one next action, and what ends the station; on a phone always in reach of the thumb. */
  actions?: ReactNode;
  /** What may be done besides. */
  more?: ReactNode;
}>;

/** The panel of the unit stays in sight beside (phone: above) whatever is being done. */
export function StationLayout({ panel, panelTitle, closer, beside, children, actions, more }: TabProps) {
  return (
    <div className={`room ${panel ? 'split' : 'stack'}`}>
      {panel && (
        <aside className="stack room-panel">
          <div className="sheet">
            {panelTitle && <h3 className="hide-narrow">{panelTitle}</h3>}
            <PanelDrawing {...panel} />
          </div>
          {closer && <div className="sheet closer">{closer}</div>}
          {beside}
        </aside>
      )}
      <section className="stack room-main">
        {children}
        {actions && <div className="actions">{actions}</div>}
        {more && <div className="row">{more}</div>}
      </section>
    </div>
  );
}

/** What comes next begins at the top, whatever was scrolled to before. */
export function useTopOf(what: string | number): void {
  const last = useRef(what);
  useEffect(() => {
    if (last.current === what) return;
    last.current = what;
    window.scrollTo({ top: 0 });
  });
}

/** The one next action: large enough for a thumb in a glove. */
export function Next({
  onClick,
  disabled = false,
  children,
}: {
  onClick: () => void;
  disabled?: boolean;
  children: ReactNode;
}) {
  return (
    <Button variant="contained" size="glove" fullWidth color="primary" disabled={disabled} onClick={onClick}>
      {children}
    </Button>
  );
}

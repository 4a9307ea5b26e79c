import Button from '@mui/material/Button';
import { entriesOf } from '@wire-trail/core';
import { useState } from 'react';
import type { StationProps } from '../StationLayout.tsx';
import { LockOuts } from './LockOuts.tsx';
import { ModeTests } from './ModeTests.tsx';
import { SettingsWork } from './SettingsWork.tsx';

/** What the unit itself offers beside the chart: its numbered tests, its settings, locking a part out and running on. */
export function ModeWork(props: StationProps) {
  const { data } = props;
  const [open, setOpen] = useState<string | null>(null);
  const modes = entriesOf(data.bundle, 'mode').filter((m) => m.tests.length > 0);
  const settings = entriesOf(data.bundle, 'setting');
  const lockOuts = entriesOf(data.bundle, 'route').filter((r) => r.purpose === 'lock-out');
  const parts = [
    ...modes.map((m) => ({ id: m.id as string, name: m.name, body: <ModeTests mode={m} {...props} /> })),
    ...(settings.length > 0
      ? [{ id: 'settings', name: 'Settings', body: <SettingsWork settings={settings} {...props} /> }]
      : []),
    ...(lockOuts.length > 0
      ? [{ id: 'lock-out', name: 'Lock out and run on', body: <LockOuts routes={lockOuts} {...props} /> }]
      : []),
  ];
  if (parts.length === 0) return null;
  const shown = parts.find((p) => p.id === open);
  return (
    <section className="stack mode-work" aria-label="on the unit itself">
      <div className="row">
        <span className="soft small">On the unit itself:</span>
        {parts.map((p) => (
          <Button key={p.id} aria-expanded={open === p.id} onClick={() => setOpen(open === p.id ? null : p.id)}>
            {p.name}
          </Button>
        ))}
      </div>
      {shown?.body}
    </section>
  );
}

import Button from '@mui/material/Button';
import { type Bundle, type Mode, testWords, withoutTest, withTest } from '@wire-trail/core';
import { useState } from 'react';
import { TestDialog } from './TestDialog.tsx';

type Props = Readonly<{
  mode: Mode;
  bundle: Bundle;
  /** Null where it is only looked at. */
  onKeep: ((mode: Mode, note: string) => void) | null;
}>;

/** The numbered tests inside a mode, as sentences; whoever writes says them anew, takes one away, adds one. */
export function ModeTests({ mode, bundle, onKeep }: Props) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  return (
    <div className="sheet stack">
      <h2>Tests inside</h2>
      <ol className="plain lined stack" aria-label="tests inside">
        {mode.tests.map((t, i) => (
          <li key={t.number} className="row spread">
            <div>
              <strong>
                <span className="mono">{t.number}</span> {t.name}
              </strong>
              <div className="small soft">
                {t.starts} {t.expected}
              </div>
              <div className="small">{testWords(t, bundle).join(' ')}</div>
              {t.repeatWhen && <div className="small">{t.repeatWhen}</div>}
            </div>
            {onKeep && (
              <span className="row">
                <Button variant="text" size="inline" aria-label={`Change test ${t.number}`} onClick={() => setOpen(i)}>
                  Change
                </Button>
                <Button
                  variant="text"
                  size="inline"
                  aria-label={`Take away test ${t.number}`}
                  onClick={() => onKeep(withoutTest(mode, i), 'a test less')}
                >
                  Take away
                </Button>
              </span>
            )}
          </li>
        ))}
      </ol>
      {onKeep && (
        <div className="row">
          <Button onClick={() => setOpen('new')}>Add a test</Button>
        </div>
      )}
      {open !== null && onKeep && (
        <TestDialog
          mode={mode}
          bundle={bundle}
          before={open === 'new' ? null : (mode.tests[open] ?? null)}
          onClose={() => setOpen(null)}
          onKeep={(test) => {
            setOpen(null);
            onKeep(
              withTest(mode, test, open === 'new' ? null : open),
              open === 'new' ? 'a test more' : 'a test otherwise',
            );
          }}
        />
      )}
    </div>
  );
}

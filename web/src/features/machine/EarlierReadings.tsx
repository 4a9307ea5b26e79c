import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { type Bundle, type EarlierReading, entryOf } from '@wire-trail/core';
import { Link } from 'react-router';
import { byStep, driftWords, takenWords } from '../../parts/readings/past.ts';
import { Day } from '../../parts/when/When.tsx';

const whenWords = { before: '', after: 'after the repair', test: 'in a test' } as const;

/** Everything that was measured on a machine, step by step, and what drifts. */
export function EarlierReadings({
  readings,
  bundle,
}: {
  readings: readonly EarlierReading[];
  bundle: Bundle | undefined;
}) {
  if (readings.length === 0) return null;
  return (
    <section className="sheet" aria-label="readings">
      <h2>Readings</h2>
      {[...byStep(readings)].map(([key, taken]) => {
        const drift = driftWords(taken);
        return (
          <div key={key}>
            <h3>{nameOf(taken[0], bundle)}</h3>
            <Table>
              <TableBody>
                {taken.map((r) => (
                  <TableRow key={`${r.walk}${r.at}`}>
                    <TableCell>
                      <Link to={`/log/${r.walk}`}>
                        <Day at={r.at} />
                      </Link>
                    </TableCell>
                    <TableCell className="mono">{takenWords(r.reading)}</TableCell>
                    <TableCell className="soft">{whenWords[r.when]}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
            {drift && <p className="note">{drift}</p>}
          </div>
        );
      })}
    </section>
  );
}

/** The step's title, or the test's name; its id where the library no longer has it. */
function nameOf(reading: EarlierReading | undefined, bundle: Bundle | undefined): string {
  if (!reading) return '';
  const { of, step } = reading;
  const node = bundle && entryOf(bundle, 'chart', of)?.nodes.find((n) => n.id === step);
  const test = bundle && entryOf(bundle, 'mode', of)?.tests.find((t) => t.number === step);
  return node?.title ?? (test ? `Test ${test.number}: ${test.name}` : step);
}

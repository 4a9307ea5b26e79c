import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { TabRow } from '../parts/tabs/TabRow.tsx';

const keys: ReadonlyArray<readonly [string, string]> = [
  ['/', 'find a code or symptom'],
  ['1 to 7', 'go to a station of the walk'],
  ['a, b, c …', 'the lamp of that name, while the panel has the focus'],
  ['space', 'seen again, the same (at Read); a tap, while you tap along'],
  ['u', 'one entry back (at Read)'],
  ['L', 'what is to fix in the unit'],
  ['Ctrl Z, Ctrl Y', 'undo, redo (in an editor; in a walk, Ctrl Z takes the last step back)'],
  ['Alt ↑, Alt ↓', 'move a suspect up or down'],
  ['Ctrl S', 'save the draft'],
  ['?', 'this page'],
];

/** What the words on the screens mean; everything else is said as the trade or the web says it. */
const words: ReadonlyArray<readonly [string, string]> = [
  ['Trail', 'the way through a repair, from the unit in front of you to the proof that the fault is gone'],
  ['Station', 'one of the seven steps of a trail: Unit, Safe, Enter, Read, Test, Clear, Prove'],
  ['Walk', 'one trail on one machine: what was seen, done and measured, by whom and when'],
  ['Shelf', 'all units the school has written down'],
  ['Bench', 'where drafts are reviewed, and questions from the field wait for an answer'],
  ['Log', 'all walks, open and closed'],
  ['Unit', 'a family of machines that share one control: its panel, modes, codes, routes and charts'],
  ['Panel', 'the drawn sides of a unit, with its lamps, displays and controls'],
  ['Mode', 'a state a unit can be in: standby, memory, test mode and so on'],
  ['Route', 'the steps that lead from one mode into another, with their holds, counts and windows'],
  ['Readout', 'how lamps, blinks or a display become a code'],
  ['Code', 'what the unit stores and shows when it has noticed something'],
  ['Symptom', 'what somebody notices without a code'],
  ['Chart', 'the questions and measurements that lead from a code to its cause'],
  ['Sub-chart', 'a chart that other charts call, written once'],
  ['Hazard', 'what can hurt, with the cautions that stand before the steps'],
  ['Description', 'how somebody told a route or a reading; several can be held against each other'],
  ['How sure', 'what something rests on: bench-proven, a field report, a document, hearsay, or not tried yet'],
  ['To fix', 'what Wire Trail noticed in a unit: what must be fixed, what to look at, and hints'],
  ['Draft', 'a change nobody else sees until it was submitted, reviewed and published'],
];

const pages = { Keys: keys, Words: words } as const;
type Page = keyof typeof pages;

export default function Help({ onClose }: { onClose: () => void }) {
  const [page, setPage] = useState<Page>('Keys');
  return (
    <Dialog open onClose={onClose} fullWidth aria-label="Help">
      <DialogContent>
        <TabRow
          name="help"
          value={page}
          onPick={setPage}
          tabs={(Object.keys(pages) as Page[]).map((name) => ({ value: name, label: name }))}
        />
        <Table>
          <TableBody>
            {pages[page].map(([term, what]) => (
              <TableRow key={term}>
                <TableCell component="th" scope="row">
                  {page === 'Keys' ? <kbd>{term}</kbd> : <strong>{term}</strong>}
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        {page === 'Keys' && (
          <p className="small soft">Letters and digits belong to a text field while it has the focus.</p>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

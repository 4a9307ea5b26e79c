import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';

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
  ['?', 'this list'],
];

export default function Help({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <div style={{ padding: '1.25rem 1.5rem' }}>
        <h2 id="keys-title">Keys</h2>
        <Table>
          <TableBody>
            {keys.map(([key, what]) => (
              <TableRow key={key}>
                <TableCell>
                  <kbd>{key}</kbd>
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <p className="small soft">Letters and digits belong to a text field while it has the focus.</p>
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  );
}

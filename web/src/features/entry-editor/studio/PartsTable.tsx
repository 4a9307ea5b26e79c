import DownIcon from '@mui/icons-material/ArrowDownward';
import UpIcon from '@mui/icons-material/ArrowUpward';
import IconButton from '@mui/material/IconButton';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  calledByBadge,
  changePart,
  type FacePart,
  type Family,
  moveInOrder,
  type Panel,
  partsOf,
} from '@wire-trail/core';
import { Input } from '../../../parts/field/Input.tsx';

type Props = Readonly<{
  panel: Panel;
  faceIndex: number;
  badges: Family['badges'];
  onEdit: (panel: Panel, about?: string) => void;
}>;

/** All that is on a face in a table: in which order, what each is called, what a lamp counts, and its names by the badge. */
export function PartsTable({ panel, faceIndex, badges, onEdit }: Props) {
  const face = panel.faces[faceIndex];
  const parts = face ? partsOf(face) : [];
  if (parts.length === 0) return null;
  const put = (part: FacePart, next: FacePart, about: string) =>
    onEdit(changePart(panel, faceIndex, part.id, next), `${part.id}.${about}`);
  const hasLamps = parts.some((p) => 'kind' in p && p.kind === 'lamp');
  return (
    <div className="scrolls">
      <Table size="small" padding="none">
        <caption className="visually-hidden">what is on it</caption>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Order</TableCell>
            <TableCell scope="col">Name</TableCell>
            {hasLamps && <TableCell scope="col">Counts</TableCell>}
            {badges.map((b) => (
              <TableCell key={b.id} scope="col">
                {b.name}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {parts.map((part) => (
            <TableRow key={part.id}>
              <TableCell>
                <IconButton
                  size="small"
                  aria-label={`${part.label} earlier`}
                  onClick={() => onEdit(moveInOrder(panel, faceIndex, part.id, -1))}
                >
                  <UpIcon fontSize="inherit" />
                </IconButton>
                <IconButton
                  size="small"
                  aria-label={`${part.label} later`}
                  onClick={() => onEdit(moveInOrder(panel, faceIndex, part.id, 1))}
                >
                  <DownIcon fontSize="inherit" />
                </IconButton>
              </TableCell>
              <TableCell>
                <Input
                  value={part.label}
                  slotProps={{ input: { size: 9, maxLength: 80, 'aria-label': `name of ${part.label}` } }}
                  onChange={(e) => put(part, { ...part, label: e.target.value }, 'label')}
                />
              </TableCell>
              {hasLamps && (
                <TableCell>
                  {'kind' in part && part.kind === 'lamp' && (
                    <Input
                      className="mono"
                      value={part.weight ?? ''}
                      placeholder="–"
                      slotProps={{
                        input: { size: 3, inputMode: 'numeric', 'aria-label': `what ${part.label} counts` },
                      }}
                      onChange={(e) => put(part, weighed(part, e.target.value), 'weight')}
                    />
                  )}
                </TableCell>
              )}
              {badges.map((b) => (
                <TableCell key={b.id}>
                  <Input
                    value={part.labelByBadge?.[b.id] ?? ''}
                    placeholder={part.label}
                    slotProps={{ input: { size: 9, maxLength: 80, 'aria-label': `${part.label} by ${b.name}` } }}
                    onChange={(e) => put(part, calledByBadge(part, b.id, e.target.value), `badge ${b.id}`)}
                  />
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </div>
  );
}

function weighed({ weight: _, ...lamp }: Extract<FacePart, { kind: 'lamp' }>, typed: string): FacePart {
  const n = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && n > 0 && n <= 1_000_000 ? { ...lamp, weight: n } : lamp;
}

import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { saveCsv } from '../../parts/csv/save-csv.ts';
import { Fold } from '../../parts/fold/Fold.tsx';
import { Day } from '../../parts/when/When.tsx';

const heads = ['Part', 'Part number', 'Quantity', 'Unit', 'Model', 'Serial number', 'Software', 'Asked by'];

/** The order mailbox: it keeps what was put into it on walks; nothing leaves the machine. */
export function Orders() {
  const { data } = api.useOrdersQuery();
  if (!data || data.length === 0) return null;
  const rows = data.map((o) => [
    o.part,
    o.number ?? '',
    String(o.quantity),
    o.family ?? '',
    o.model ?? '',
    o.serial ?? '',
    o.software ?? '',
    o.by,
  ]);
  return (
    <Fold title={`Order mailbox: ${data.length}`}>
      <div className="stack">
        <div className="row">
          <Button onClick={() => void saveCsv('orders.csv', [heads, ...rows])}>CSV</Button>
          <span className="soft small">It is kept here. Nothing is sent anywhere.</span>
        </div>
        <Table>
          <TableHead>
            <TableRow>
              {[...heads, 'When'].map((head) => (
                <TableCell key={head}>{head}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {data.map((o, i) => (
              <TableRow key={`${o.walk}${o.part}${o.at}`}>
                {rows[i]?.map((cell, at) => (
                  <TableCell key={heads[at]} className={at === 1 || at === 5 ? 'mono' : ''}>
                    {cell || '—'}
                  </TableCell>
                ))}
                <TableCell>
                  <Link to={`/log/${o.walk}`}>
                    <Day at={o.at} />
                  </Link>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </div>
    </Fold>
  );
}

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import {
  assertNever,
  type Entry,
  type EntryKind,
  entriesOf,
  kindWords,
  nodeKindWords,
  titleOf,
} from '@wire-trail/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { AddEntry } from '../../parts/family/AddEntry.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { TabRow } from '../../parts/tabs/TabRow.tsx';
import { AddPicture } from './AddPicture.tsx';
import { MeaningsTable } from './MeaningsTable.tsx';
import './shelf.css';

const tabs: readonly EntryKind[] = ['hazard', 'chart', 'access', 'instrument', 'source', 'meaning', 'asset'];
/** What several of a kind are called; of charts only those that others use are common to all units. */
const severalOf = (kind: EntryKind): string => {
  const words = kind === 'chart' ? nodeKindWords.call : kindWords[kind];
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}s`;
};

function aboutEntry(entry: Entry): string {
  switch (entry.kind) {
    case 'hazard':
      return entry.cautions[0] ?? '';
    case 'access':
      return `${entry.steps.length} steps${entry.isolateFirst ? ', isolate first' : ''}${entry.tools.length > 0 ? `, ${entry.tools.join(', ')}` : ''}`;
    case 'instrument':
      return [entry.functions.join(', '), entry.holders.length > 0 && `with ${entry.holders.join(', ')}`]
        .filter(Boolean)
        .join(' · ');
    case 'source':
      return entry.sort === 'document'
        ? `edition ${entry.edition}${entry.before ? ', to be looked at again' : ''}`
        : entry.sort;
    case 'chart':
      return `${entry.nodes.length} steps${entry.template ? ', a template' : ''}${entry.parameters.length > 0 ? `, told ${entry.parameters.map((p) => p.name.toLowerCase()).join(', ')}` : ''}`;
    case 'meaning':
      return entry.says;
    case 'asset':
      return `${entry.marks.length} points${entry.mayBeShared ? '' : ', stays in the school'}`;
    case 'account':
    case 'code':
    case 'family':
    case 'mode':
    case 'panel':
    case 'readout':
    case 'route':
    case 'setting':
    case 'symptom':
      return '';
    default:
      return assertNever(entry);
  }
}

/** What all units share: written once, named by many. */
export default function LibraryPage() {
  const { data, error, refetch } = api.useLibraryQuery();
  const [kind, setKind] = useState<EntryKind>('hazard');
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="what units share" />;
  const entries = data.filter((w) => w.kind === kind);
  const bodies = { entries: data.map((w) => w.body) };
  return (
    <>
      <PageBar title="Common to all units" />
      <TabRow
        name="what is shared"
        value={kind}
        onPick={setKind}
        tabs={tabs.map((of) => ({
          value: of,
          label: (
            <span>
              {severalOf(of)} <span className="soft small">{entriesOf(bodies, of).length}</span>
            </span>
          ),
        }))}
      />
      <div className="sheet">
        {kind === 'asset' ? <AddPicture /> : <AddEntry scope="library" kind={kind} taken={entries.map((e) => e.id)} />}
        {kind === 'meaning' && <MeaningsTable known={data} />}
        {entries.length === 0 && <Empty title={`No ${kindWords[kind]} yet`} />}
        <Table>
          <TableBody>
            {entries.map((e) => (
              <TableRow key={e.id}>
                <TableCell>
                  <Link to={`/shelf/library/${e.kind}/${e.id}`}>{titleOf(e.body)}</Link>
                </TableCell>
                <TableCell className="soft">{aboutEntry(e.body).slice(0, 140)}</TableCell>
                <TableCell>
                  {e.state === 'published' ? (
                    <span className="soft small">rev {e.number}</span>
                  ) : (
                    <span className="tag">{e.state}</span>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </div>
    </>
  );
}

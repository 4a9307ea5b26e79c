import { type AssetId, type Entry, type EntryKind, entriesOf, titleOf } from '@wire-trail/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type ApiError, api } from '../../app/api.ts';
import { Empty, Failed, Loading } from '../../parts/states/States.tsx';
import { AddEntry } from './AddEntry.tsx';
import { MeaningsTable } from './MeaningsTable.tsx';
import './shelf.css';

const rooms: ReadonlyArray<Readonly<{ kind: EntryKind; name: string; one: string }>> = [
  { kind: 'hazard', name: 'Hazards', one: 'hazard' },
  { kind: 'access', name: 'Ways there', one: 'way there' },
  { kind: 'instrument', name: 'Instruments', one: 'instrument' },
  { kind: 'source', name: 'Sources', one: 'source' },
  { kind: 'meaning', name: 'Generic meanings', one: 'meaning' },
  { kind: 'asset', name: 'Pictures', one: 'picture' },
];

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
    case 'meaning':
      return entry.says;
    case 'asset':
      return `${entry.marks.length} points${entry.mayBeShared ? '' : ', stays in the school'}`;
    default:
      return '';
  }
}

/** What all units share: written once, named by many. */
export default function LibraryPage() {
  const { data, error, refetch } = api.useLibraryQuery();
  const [kind, setKind] = useState<EntryKind>('hazard');
  if (error) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="what units share" />;
  const room = rooms.find((r) => r.kind === kind);
  const entries = data.filter((w) => w.kind === kind);
  const bodies = { entries: data.map((w) => w.body) };
  return (
    <>
      <h1>Shared by all units</h1>
      <div className="rooms" role="tablist" aria-label="what is shared">
        {rooms.map((r) => (
          <button key={r.kind} type="button" role="tab" aria-selected={r.kind === kind} onClick={() => setKind(r.kind)}>
            {r.name} <span className="soft small">{entriesOf(bodies, r.kind).length}</span>
          </button>
        ))}
      </div>
      <div className="sheet">
        {kind === 'asset' ? (
          <AddPicture />
        ) : (
          <AddEntry scope="library" kind={kind} label={room?.one ?? kind} taken={entries.map((e) => e.id)} />
        )}
        {kind === 'meaning' && <MeaningsTable known={data} />}
        {entries.length === 0 && <Empty title={`No ${room?.one ?? kind} yet`} />}
        <table className="table">
          <tbody>
            {entries.map((e) => (
              <tr key={e.id}>
                <td>
                  <Link to={`/shelf/library/${e.kind}/${e.id}`}>{titleOf(e.body)}</Link>
                </td>
                <td className="soft">{aboutEntry(e.body).slice(0, 140)}</td>
                <td>
                  {e.state === 'published' ? (
                    <span className="soft small">rev {e.number}</span>
                  ) : (
                    <span className="tag">{e.state}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

const longestSide = 2000;

/** Makes a picture small enough, cut to the middle part that was asked for, and gives its bytes as base64. */
async function shrink(file: File, cut: number): Promise<string> {
  const image = await createImageBitmap(file);
  const [w, h] = [image.width * (1 - cut), image.height * (1 - cut)];
  const scale = Math.min(1, longestSide / Math.max(w, h));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(w * scale));
  canvas.height = Math.max(1, Math.round(h * scale));
  canvas
    .getContext('2d')
    ?.drawImage(image, (image.width - w) / 2, (image.height - h) / 2, w, h, 0, 0, canvas.width, canvas.height);
  const type = file.type === 'image/png' ? 'image/png' : 'image/jpeg';
  return canvas.toDataURL(type, 0.85).split(',')[1] ?? '';
}

/** Takes a picture in: shrunk and its edges cut off where wanted; then its points are set. */
function AddPicture() {
  const navigate = useNavigate();
  const [keep, { isLoading }] = api.useKeepPictureMutation();
  const [save] = api.useSaveDraftMutation();
  const [cut, setCut] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    setProblem(null);
    let base64: string;
    try {
      base64 = await shrink(file, cut / 100);
    } catch {
      setProblem(`${file.name} is no picture this browser can read.`);
      return;
    }
    const kept = await keep(base64);
    if (!kept.data) return setProblem((kept.error as ApiError).title);
    const { hash, type, bytes } = kept.data;
    const body = {
      kind: 'asset',
      id: hash as AssetId,
      family: null,
      name: file.name.slice(0, 100),
      type,
      bytes,
      mayBeShared: false,
      marks: [],
    } as unknown as Entry;
    const saved = await save({ key: { family: null, kind: 'asset', id: hash }, basedOn: 0, note: 'uploaded', body });
    const known = saved.error && (saved.error as ApiError).code === 'stale-save';
    if (saved.data || known) void navigate(`/shelf/library/asset/${hash}`);
    else setProblem((saved.error as ApiError).title);
  };
  return (
    <div className="row">
      <label className="field">
        Take a picture in
        <input
          className="box"
          type="file"
          accept="image/png,image/jpeg,image/webp"
          disabled={isLoading}
          onChange={(e) => e.target.files?.[0] && void take(e.target.files[0])}
        />
      </label>
      <label className="field narrow">
        cut off at the edges: {cut} %
        <input type="range" min={0} max={60} step={5} value={cut} onChange={(e) => setCut(Number(e.target.value))} />
      </label>
      {problem && <span className="wrong">{problem}</span>}
    </div>
  );
}

import MoreIcon from '@mui/icons-material/ExpandMore';
import ScanIcon from '@mui/icons-material/QrCodeScanner';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { entriesOf, familyEntry, type ScannedPlate } from '@wire-trail/core';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useSearchParams } from 'react-router';
import { useBundles } from '../../foundation/device/use-bundles.ts';
import { beginWalk } from '../../foundation/device/walks.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { whenQuiet } from '../../foundation/when-quiet.ts';
import { Input } from '../../parts/field/Input.tsx';
import { Pressable } from '../../parts/field/Pressable.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import type { From, UnitBundle } from './begins.ts';
import { Found } from './Found.tsx';
import './trail.css';

const OpenWalks = lazy(() => import('./OpenWalks.tsx'));
const ScanPlate = lazy(() => import('./scan/ScanPlate.tsx'));

/** So many units are shown before somebody types or asks for all of them. */
const fewUnits = 12;

/** Where a walk begins: go on with one, or say what is seen. */
export function TrailStartPage() {
  const navigate = useNavigate();
  const location = useLocation();
  const session = useAppSelector((s) => s.session);
  const { bundles, loading, fetching } = useBundles();
  const [search] = useSearchParams();
  const [typed, setTyped] = useState(search.get('find') ?? '');
  const [scanning, setScanning] = useState(false);
  const [plate, setPlate] = useState<ScannedPlate | null>(null);
  const [all, setAll] = useState(false);
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if ((location.state as { focus?: string } | null)?.focus === 'find') box.current?.focus();
  }, [location.state]);
  // the walk's page is fetched while somebody still looks for their code; without a connection what is kept serves
  useEffect(() => whenQuiet(() => void import('./WalkPage.tsx').catch(() => {})), []);
  const begin = async (bundle: UnitBundle, from: From, read: ScannedPlate | null = plate) => {
    if (session.status !== 'signed-in') return;
    const walk = await beginWalk(bundle, session.user.id, from);
    void navigate(`/trail/${walk}`, { state: { plate: read } });
  };
  const units = useMemo(() => unitsLike(bundles, typed), [bundles, typed]);
  const scanned = (read: ScannedPlate) => {
    setScanning(false);
    const own = bundles.find((b) => b.family === read.family);
    if (own) void begin(own, { kind: 'panel' }, read);
    else setPlate(read);
  };
  const shown = all || typed.trim() !== '' ? units : units.slice(0, fewUnits);
  return (
    <div className="stack">
      <PageBar title="Trail" />
      <section className="stack">
        <h2>What do you see?</h2>
        <label className="visually-hidden" htmlFor="seen">
          Type a code, what is wrong, or a unit
        </label>
        <Input
          fullWidth
          id="seen"
          inputRef={box}
          className="find-box"
          placeholder="K19, cold, brewer …"
          autoComplete="off"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ input: { autoCapitalize: 'characters', maxLength: 60 } }}
        />
        <Found typed={typed} bundles={bundles} begin={begin} />
      </section>
      {typed.trim() === '' && (
        <Suspense fallback={null}>
          <OpenWalks bundles={bundles} />
        </Suspense>
      )}
      {loading && <Loading what="the library on this device" />}
      {!loading && (units.length > 0 || bundles.length === 0) && (
        <section className="stack">
          <h2>{plate ? 'Which unit has this plate?' : 'The unit in front of you'}</h2>
          {plate && (
            <p className="note" role="status">
              <span className="mono">{[plate.model, plate.serial].filter(Boolean).join(' · ')}</span> fits no one unit:
              pick it, and the plate goes with you.
            </p>
          )}
          <div className="row ways">
            <Button size="glove" startIcon={<ScanIcon />} onClick={() => setScanning(true)}>
              Scan the plate
            </Button>
            <Button size="glove" component={Link} to="/which">
              Not sure which unit?
            </Button>
          </div>
          {fetching && <LinearProgress aria-label="bringing the library up to date" />}
          {bundles.length === 0 && (
            <Empty title={fetching ? 'Bringing the library to this device …' : 'No unit is kept on this device yet'}>
              {!fetching && <p>Open this page once with a connection. From then on it works without.</p>}
            </Empty>
          )}
          <div className="tiles">
            {shown.map((bundle) => (
              <UnitCard key={bundle.family} bundle={bundle} onPick={() => void begin(bundle, { kind: 'panel' })} />
            ))}
          </div>
          {shown.length < units.length && (
            <Button fullWidth startIcon={<MoreIcon />} onClick={() => setAll(true)}>
              All {units.length} units
            </Button>
          )}
        </section>
      )}
      {scanning && (
        <Suspense fallback={null}>
          <ScanPlate families={bundles.map(familyEntry)} onScan={scanned} onClose={() => setScanning(false)} />
        </Suspense>
      )}
    </div>
  );
}

/** Units that have a word beginning with every typed one in their name, kind or signs of recognition. */
function unitsLike(bundles: readonly UnitBundle[], typed: string): readonly UnitBundle[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return bundles;
  return bundles.filter((bundle) => {
    const { name, sort, recognisedBy } = familyEntry(bundle);
    const told = [name, sort, ...recognisedBy].join(' ').toLowerCase().split(/\s+/);
    return words.every((word) => told.some((own) => own.startsWith(word)));
  });
}

function UnitCard({ bundle, onPick }: { bundle: UnitBundle; onPick: () => void }) {
  const family = familyEntry(bundle);
  const face = entriesOf(bundle, 'panel')[0]?.faces[0];
  const standby = entriesOf(bundle, 'mode').find((m) => m.sort === 'standby');
  return (
    <Pressable className="tile unit-card" onClick={onPick}>
      {face && <PanelDrawing face={face} lamps={lampsOfMode(standby)} thumbnail />}
      <strong>{family.name}</strong>
      <span className="soft small">{family.recognisedBy.slice(0, 2).join(' · ')}</span>
    </Pressable>
  );
}

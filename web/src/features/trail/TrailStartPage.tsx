import Button from '@mui/material/Button';
import { type Code, entriesOf, familyEntry, type Found as Hit, type Symptom } from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useSearchParams } from 'react-router';
import { useAppSelector } from '../../foundation/store.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { Pressable } from '../../parts/field/Pressable.tsx';
import { lampsOfMode } from '../../parts/panel/lamps-of-mode.ts';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { OpenWalks } from './OpenWalks.tsx';
import './trail.css';
import { keptBundle } from '../../foundation/device/database.ts';
import { type Bundles, useBundles } from '../../foundation/device/use-bundles.ts';
import { useFind } from '../../foundation/device/use-find.ts';
import { beginWalk } from '../../foundation/device/walks.ts';
import { FoundLine } from '../../parts/found/FoundLine.tsx';
import { Generic } from '../../parts/generic/Generic.tsx';

type Bundle = Bundles['bundles'][number];
type From =
  | { kind: 'code'; code: Code['id'] }
  | { kind: 'symptom'; symptom: Symptom['id'] }
  | { kind: 'panel' }
  | { kind: 'unlisted'; text: string };

/** Where a walk begins: say what is seen. */
export function TrailStartPage() {
  const navigate = useNavigate();
  const location = useLocation();
  const session = useAppSelector((s) => s.session);
  const { bundles, loading, fetching } = useBundles();
  const [search] = useSearchParams();
  const [typed, setTyped] = useState(search.get('find') ?? '');
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if ((location.state as { focus?: string } | null)?.focus === 'find') box.current?.focus();
  }, [location.state]);
  useEffect(() => {
    // the walk's page is fetched while somebody still looks for their code; without a connection what is kept serves
    void import('./WalkPage.tsx').catch(() => {});
  }, []);
  const begin = async (bundle: Bundle, from: From) => {
    if (session.status !== 'signed-in') return;
    const walk = await beginWalk(bundle, session.user.id, from);
    void navigate(`/trail/${walk}`);
  };
  if (loading) return <Loading what="the library on this device" />;
  return (
    <div className="start">
      <section>
        <h1>What do you see?</h1>
        <label className="visually-hidden" htmlFor="seen">
          Type a code, or what is wrong
        </label>
        <Input
          fullWidth
          id="seen"
          inputRef={box}
          className="find-box"
          placeholder="K19, cold, does not drain …"
          autoComplete="off"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ input: { autoCapitalize: 'characters', maxLength: 60 } }}
        />
        <Found typed={typed} bundles={bundles} begin={begin} />
      </section>
      <section>
        <div className="row spread below">
          <h2>Or pick the unit and tap its lamps</h2>
          <Button component={Link} to="/which">
            Not sure which unit?
          </Button>
        </div>
        {bundles.length === 0 && (
          <Empty title={fetching ? 'Bringing the library to this device …' : 'No unit is kept on this device yet'}>
            {!fetching && <p>Open this page once with a connection. From then on it works without.</p>}
          </Empty>
        )}
        <div className="unit-cards">
          {bundles.map((bundle) => (
            <UnitCard key={bundle.family} bundle={bundle} onPick={() => begin(bundle, { kind: 'panel' })} />
          ))}
        </div>
      </section>
      <OpenWalks bundles={bundles} />
    </div>
  );
}

function UnitCard({ bundle, onPick }: { bundle: Bundle; onPick: () => void }) {
  const family = familyEntry(bundle);
  const face = entriesOf(bundle, 'panel')[0]?.faces[0];
  const standby = entriesOf(bundle, 'mode').find((m) => m.sort === 'standby');
  return (
    <Pressable className="unit-card" onClick={onPick}>
      {face && <PanelDrawing face={face} lamps={lampsOfMode(standby)} thumbnail />}
      <strong>{family.name}</strong>
      <span className="soft small">{family.recognisedBy.slice(0, 2).join(' · ')}</span>
    </Pressable>
  );
}

type FoundProps = Readonly<{ typed: string; bundles: readonly Bundle[]; begin: (bundle: Bundle, from: From) => void }>;

function Found({ typed, bundles, begin }: FoundProps) {
  const { query, found } = useFind(typed, 10);
  const symptoms = useMemo(
    () => bundles.flatMap((bundle) => entriesOf(bundle, 'symptom').map((symptom) => ({ bundle, symptom }))),
    [bundles],
  );
  const settled = query === typed.trim();
  const isExact = found.some((f) => f.kind === 'code' && f.distance < 0.1);
  const looksLikeCode = /^[a-z]{0,3}[\s-]?\d{1,4}([-./]\d{1,2})?$/i.test(typed.trim());
  const text = typed.trim().toUpperCase().replace(/\s+/g, ' ').slice(0, 16);
  const pick = async (hit: Hit) => {
    // what is found is on the device; this page may not have been told of it yet
    const bundle = bundles.find((b) => b.family === hit.family) ?? (await keptBundle(hit.family))?.bundle;
    if (!bundle) return;
    if (hit.kind === 'code') begin(bundle, { kind: 'code', code: hit.id as Code['id'] });
    else if (hit.kind === 'symptom') begin(bundle, { kind: 'symptom', symptom: hit.id as Symptom['id'] });
    else begin(bundle, { kind: 'panel' });
  };
  return (
    <div className="found" aria-live="polite">
      {found.map((hit) => (
        <FoundLine key={`${hit.kind}${hit.family}${hit.id}`} found={hit} onPick={() => void pick(hit)} />
      ))}
      {settled && looksLikeCode && !isExact && bundles.length > 0 && (
        <div className="note" role="status">
          <strong>
            <CodeGlyph text={text} /> is in no table on this device.
          </strong>
          <p>
            {found.some((f) => f.kind === 'code') ? 'Above is what it may be misread for. ' : ''}Look once more; if it
            is really this, log it as unlisted and ask the trainer.
          </p>
          {bundles.map((bundle) => (
            <Generic key={bundle.family} bundle={bundle} text={typed} />
          ))}
          <div className="row">
            {bundles.map((bundle) => (
              <Button key={bundle.family} onClick={() => begin(bundle, { kind: 'unlisted', text })}>
                Log {text} on a {familyEntry(bundle).name}
              </Button>
            ))}
          </div>
        </div>
      )}
      {typed.trim() === '' && symptoms.length > 0 && <h3 className="soft">No code, but</h3>}
      {typed.trim() === '' &&
        symptoms.slice(0, mostSymptoms).map(({ bundle, symptom }) => (
          <Pressable
            key={`${bundle.family}${symptom.id}`}
            className="hit"
            onClick={() => begin(bundle, { kind: 'symptom', symptom: symptom.id })}
          >
            <span>
              <strong>{symptom.title}</strong>
              <span className="soft small">{familyEntry(bundle).name}</span>
            </span>
          </Pressable>
        ))}
    </div>
  );
}

const mostSymptoms = 6;

import {
  type Code,
  type CodeMatch,
  entriesOf,
  familyEntry,
  findCodes,
  type Symptom,
  type WalkId,
} from '@wire-trail/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { lampsOfMode } from '../../parts/panel/use-stage-show.ts';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { OpenWalks } from './OpenWalks.tsx';
import './trail.css';
import { type Bundles, useBundles } from './use-bundles.ts';
import { type Happening, keepHappenings } from './use-walk.ts';

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
  const begin = async (bundle: Bundle, from: From) => {
    if (session.status !== 'signed-in') return;
    const walk = crypto.randomUUID() as WalkId;
    const started = {
      kind: 'started',
      family: bundle.family,
      bundle: bundle.pinned?.hash ?? 'by hand',
      from,
    } as Happening;
    await keepHappenings({ walk, by: session.user.id, happenings: [started] });
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
        <input
          id="seen"
          ref={box}
          className="box find-box"
          placeholder="K19, cold, does not drain …"
          autoComplete="off"
          autoCapitalize="characters"
          value={typed}
          maxLength={60}
          onChange={(e) => setTyped(e.target.value)}
        />
        <Found typed={typed} bundles={bundles} begin={begin} />
      </section>
      <section>
        <h2>Or pick the unit and tap its lamps</h2>
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
    <button type="button" className="unit-card" onClick={onPick}>
      {face && <PanelDrawing face={face} lamps={lampsOfMode(standby)} thumbnail />}
      <strong>{family.name}</strong>
      <span className="soft small">{family.recognisedBy.slice(0, 2).join(' · ')}</span>
    </button>
  );
}

type FoundProps = Readonly<{ typed: string; bundles: readonly Bundle[]; begin: (bundle: Bundle, from: From) => void }>;

const whyWords: Record<CodeMatch['why'], string> = {
  same: '',
  spelling: 'same code, spelled otherwise',
  'look-alike': 'looks alike',
  near: 'one step away',
};

function Found({ typed, bundles, begin }: FoundProps) {
  const found = useMemo(() => {
    const word = typed.trim().toLowerCase();
    const codes = bundles.flatMap((bundle) =>
      findCodes(typed, entriesOf(bundle, 'code')).map((match) => ({ bundle, match })),
    );
    const inWords = (texts: readonly string[]) => word.length > 2 && texts.some((t) => t.toLowerCase().includes(word));
    const symptoms = bundles.flatMap((bundle) => entriesOf(bundle, 'symptom').map((symptom) => ({ bundle, symptom })));
    const titled = bundles.flatMap((bundle) =>
      entriesOf(bundle, 'code')
        .filter(
          (code) =>
            inWords([code.title, code.saw, ...code.suspects.map((s) => s.label)]) &&
            !codes.some((c) => c.match.code.id === code.id),
        )
        .map((code) => ({ bundle, code })),
    );
    return {
      codes: codes.sort((a, b) => a.match.distance - b.match.distance).slice(0, 6),
      symptoms:
        word === ''
          ? symptoms
          : symptoms.filter(({ symptom }) =>
              inWords([symptom.title, symptom.saw, ...symptom.suspects.map((s) => s.label)]),
            ),
      titled: titled.slice(0, 6),
    };
  }, [typed, bundles]);
  const isExact = found.codes.some((c) => c.match.distance === 0);
  const looksLikeCode = /^[a-z]{0,3}[\s-]?\d{1,4}$/i.test(typed.trim());
  const text = typed.trim().toUpperCase().replace(/\s+/g, ' ').slice(0, 16);
  return (
    <div className="found" aria-live="polite">
      {found.codes.map(({ bundle, match }) => (
        <button
          key={`${bundle.family}${match.code.id}`}
          type="button"
          className="hit"
          onClick={() => begin(bundle, { kind: 'code', code: match.code.id })}
        >
          <CodeGlyph text={match.code.text} size="large" />
          <span>
            <strong>{match.code.title}</strong>
            <span className="soft small">
              {familyEntry(bundle).name}
              {whyWords[match.why] && ` · ${whyWords[match.why]}`}
            </span>
          </span>
        </button>
      ))}
      {looksLikeCode && !isExact && bundles.length > 0 && (
        <div className="note" role="status">
          <strong>
            <CodeGlyph text={text} /> is in no table on this device.
          </strong>
          <p>
            {found.codes.length > 0 ? 'Above is what it may be misread for. ' : ''}Look once more; if it is really this,
            log it as unlisted and ask the trainer.
          </p>
          <div className="row">
            {bundles.map((bundle) => (
              <button
                key={bundle.family}
                type="button"
                className="act"
                onClick={() => begin(bundle, { kind: 'unlisted', text })}
              >
                Log {text} on a {familyEntry(bundle).name}
              </button>
            ))}
          </div>
        </div>
      )}
      {found.titled.map(({ bundle, code }) => (
        <button
          key={`${bundle.family}${code.id}`}
          type="button"
          className="hit"
          onClick={() => begin(bundle, { kind: 'code', code: code.id })}
        >
          <CodeGlyph text={code.text} size="large" />
          <span>
            <strong>{code.title}</strong>
            <span className="soft small">{familyEntry(bundle).name}</span>
          </span>
        </button>
      ))}
      {found.symptoms.length > 0 && <h3 className="soft">No code, but</h3>}
      {found.symptoms.map(({ bundle, symptom }) => (
        <button
          key={`${bundle.family}${symptom.id}`}
          type="button"
          className="hit"
          onClick={() => begin(bundle, { kind: 'symptom', symptom: symptom.id })}
        >
          <span>
            <strong>{symptom.title}</strong>
            <span className="soft small">{familyEntry(bundle).name}</span>
          </span>
        </button>
      ))}
    </div>
  );
}

import MoreIcon from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import { type Code, familyEntry, type Found as Hit, type Symptom } from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { keptBundle } from '../../foundation/device/database.ts';
import { useFind } from '../../foundation/device/use-find.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { FoundLine } from '../../parts/found/FoundLine.tsx';
import { Generic, saysGeneric } from '../../parts/generic/Generic.tsx';
import type { From, UnitBundle } from './begins.ts';

const PickUnit = lazy(() => import('./PickUnit.tsx'));

type Props = Readonly<{
  typed: string;
  bundles: readonly UnitBundle[];
  begin: (bundle: UnitBundle, from: From) => Promise<void>;
}>;

const keyOf = (hit: Hit): string => `${hit.kind} ${hit.family} ${hit.id}`;
/** What it would take a misreading to be. */
const isFarFetched = (hit: Hit): boolean =>
  hit.why.some((w) => w.kind === 'misread' || (w.kind === 'blinks' && w.off > 0));

/** What was typed, found: what it is or begins with first; what it may be misread for behind one more tap. */
export function Found({ typed, bundles, begin }: Props) {
  const { query, found } = useFind(typed, 16);
  const [moreOf, setMoreOf] = useState('');
  const [picking, setPicking] = useState(false);
  const text = typed.trim().toUpperCase().replace(/\s+/g, ' ').slice(0, 16);
  const settled = query === typed.trim();
  const isExact = found.some((f) => f.kind === 'code' && f.distance < 0.1);
  const begins = found.some((f) => f.why.some((w) => w.kind === 'beginning'));
  const looksLikeCode = /^[a-z]{0,3}[\s-]?\d{1,4}([-./]\d{1,2})?$/i.test(typed.trim());
  const isUnlisted = settled && looksLikeCode && !isExact && !begins && bundles.length > 0;
  const near = found.filter((hit) => !isFarFetched(hit));
  const far = found.filter(isFarFetched);
  const isOpen = near.length === 0 || moreOf === query;
  const shown = isOpen ? found : near;
  const pick = async (hit: Hit) => {
    // what is found is on the device; this page may not have been told of it yet
    const bundle = bundles.find((b) => b.family === hit.family) ?? (await keptBundle(hit.family))?.bundle;
    if (!bundle) return;
    if (hit.kind === 'code') await begin(bundle, { kind: 'code', code: hit.id as Code['id'] });
    else if (hit.kind === 'symptom') await begin(bundle, { kind: 'symptom', symptom: hit.id as Symptom['id'] });
    else await begin(bundle, { kind: 'panel' });
  };
  const [only] = bundles;
  const logOn = (bundle: UnitBundle) => void begin(bundle, { kind: 'unlisted', text });
  if (typed.trim() === '') return null;
  return (
    <div className="stack" aria-live="polite">
      {shown.map((hit) => (
        <FoundLine key={keyOf(hit)} found={hit} onPick={() => void pick(hit)} />
      ))}
      {!isOpen && far.length > 0 && (
        <Button startIcon={<MoreIcon />} onClick={() => setMoreOf(query)}>
          {far.length === 1 ? 'One more it may be misread for' : `${far.length} more it may be misread for`}
        </Button>
      )}
      {isUnlisted && (
        <div className="note stack" role="status">
          <div>
            <strong>
              <CodeGlyph text={text} /> is in no table on this device.
            </strong>
            <p>
              {found.some((f) => f.kind === 'code') ? 'Above is what it may be misread for. ' : ''}Look once more; if it
              is really this, log it as unlisted and ask the trainer.
            </p>
          </div>
          {bundles
            .filter((bundle) => saysGeneric(bundle, typed))
            .slice(0, 3)
            .map((bundle) => (
              <Generic key={bundle.family} bundle={bundle} text={typed} />
            ))}
          {only && bundles.length === 1 ? (
            <Button size="glove" onClick={() => logOn(only)}>
              Log {text} on a {familyEntry(only).name}
            </Button>
          ) : (
            <Button size="glove" onClick={() => setPicking(true)}>
              Log {text} on …
            </Button>
          )}
        </div>
      )}
      {picking && (
        <Suspense fallback={null}>
          <PickUnit
            title={`Log ${text} on which unit?`}
            bundles={bundles}
            onPick={logOn}
            onClose={() => setPicking(false)}
          />
        </Suspense>
      )}
    </div>
  );
}

import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  entryAt,
  type Finding,
  findingWords,
  keyText,
  lint,
} from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { api } from '../../foundation/api.ts';
import { Fold } from '../../parts/fold/Fold.tsx';
import { MendHere } from './MendHere.tsx';

/** So long after the last letter is looked what is found: not while somebody types. */
const restMs = 500;
/** A unit of more entries than this is looked at in its own list, where the server does it. */
const mostEntries = 300;
/** As many can be mended here at once. */
const mostShown = 20;

type Looked = Readonly<{ bundle: Bundle; of: string; findings: readonly Finding[] }>;

/** What is found in the entry as it is edited now, each with what mends it: one edit more, undone as any other. */
export function FoundHere({ body, bodies }: { body: Entry; bodies: { entries: Entry[] } }) {
  const library = api.useLibraryQuery();
  const [looked, setLooked] = useState<Looked | null>(null);
  const family = 'family' in body ? body.family : body.kind === 'family' ? body.id : null;
  const shared = library.data;
  useEffect(() => {
    if (family === null || !shared || bodies.entries.length > mostEntries) return;
    const timer = setTimeout(() => {
      const of = keyText(body);
      const own = new Set(bodies.entries.map(keyText));
      const bundle: Bundle = {
        format: bundleFormat,
        version: bundleVersion,
        family,
        entries: [...bodies.entries, ...shared.map((w) => w.body).filter((e) => !own.has(keyText(e)))],
      };
      const isHere = (f: Finding): boolean => {
        const at = entryAt(bundle, f);
        return at !== undefined && at !== null && keyText(at) === of;
      };
      setLooked({ bundle, of, findings: lint(bundle).filter(isHere) });
    }, restMs);
    return () => clearTimeout(timer);
  }, [family, shared, body, bodies.entries]);
  if (!looked || looked.of !== keyText(body) || looked.findings.length === 0) return null;
  const { findings, bundle } = looked;
  return (
    <Fold title={`To fix here: ${findings.length}`} open={findings.some((f) => f.severity === 'error')}>
      <ul className="plain lined" aria-label="findings">
        {findings.slice(0, mostShown).map((f) => (
          <li key={`${f.code}${f.at.join('.')}${findingWords(f)}`} className={f.severity}>
            {findingWords(f)}
            <MendHere finding={f} bundle={bundle} body={body} />
          </li>
        ))}
      </ul>
      {findings.length > mostShown && <p className="small soft">and {findings.length - mostShown} more</p>}
    </Fold>
  );
}

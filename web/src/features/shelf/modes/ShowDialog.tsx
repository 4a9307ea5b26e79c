import { type Bundle, type Mode, readoutSources, type Shown } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { useOnly } from './OnlyGap.tsx';
import { SentenceDialog } from './SentenceDialog.tsx';
import { aroundOf, shownFirst } from './way-draft.ts';
import { Pick, SignsGap } from './way-gaps.tsx';

type Showing = Mode['shows'][number];
type Props = Readonly<{
  mode: Mode;
  bundle: Bundle;
  before: Showing | null;
  onKeep: (showing: Showing) => void;
  onClose: () => void;
}>;

/** One thing a mode shows, as a sentence with its gaps: signs that stand as they are, or a readout of something. */
export function ShowDialog({ mode, bundle, before, onKeep, onClose }: Props) {
  const around = useMemo(() => aroundOf(bundle, mode), [bundle, mode]);
  const sources = useMemo(() => readoutSources(mode, bundle), [mode, bundle]);
  const [kind, setKind] = useState<Showing['kind']>(before?.kind ?? 'fixed');
  const first = shownFirst(around.everySign[0]);
  const [signs, setSigns] = useState<readonly Shown[]>(before?.kind === 'fixed' ? before.signs : first ? [first] : []);
  const [readout, setReadout] = useState<string>(
    before?.kind === 'readout' ? before.readout : (around.readouts[0]?.id ?? ''),
  );
  const [source, setSource] = useState(() => {
    const own = before?.kind === 'readout' ? JSON.stringify(before.of) : '';
    return Math.max(
      0,
      sources.findIndex(([of]) => JSON.stringify(of) === own),
    );
  });
  const only = useOnly(before?.when, mode, around);
  const [tried, setTried] = useState(false);
  const { when, wrong: wrongOnly } = only.only();
  const of = sources[source]?.[0];
  const made = (): Showing | string => {
    if (kind === 'fixed') return { kind, ...(when ? { when } : {}), signs: [...signs] };
    const own = around.readouts.find((r) => r.id === readout)?.id;
    return own && of ? { kind, ...(when ? { when } : {}), readout: own, of } : 'Say by which readout.';
  };
  const showing = made();
  const wrong = typeof showing === 'string' ? showing : wrongOnly;
  const keep = () => {
    setTried(true);
    if (typeof showing !== 'string' && wrong === null) onKeep(showing);
  };
  return (
    <SentenceDialog
      title={before ? 'What it shows' : 'It shows as well'}
      keeps="Keep what it shows"
      wrong={tried ? wrong : null}
      onKeep={keep}
      onClose={onClose}
    >
      <div className="sentence">
        <span>
          In <strong>{mode.name}</strong> it shows
        </span>
        <Pick
          name="what kind"
          value={kind}
          of={[['fixed', 'this:'], ...(around.readouts.length > 0 ? [['readout', 'a code, by'] as const] : [])]}
          onPick={(next) => setKind(next === 'readout' ? 'readout' : 'fixed')}
        />
        {kind === 'readout' && (
          <>
            <Pick
              name="which readout shows it"
              value={readout}
              of={around.readouts.map((r) => [r.id, r.name])}
              onPick={setReadout}
            />
            <span>of</span>
            <Pick
              name="of what"
              value={String(source)}
              of={sources.map(([, words], i) => [String(i), words])}
              onPick={(next) => setSource(Number(next))}
            />
          </>
        )}
      </div>
      {kind === 'fixed' && <SignsGap signs={around.everySign} value={signs} onChange={setSigns} />}
      {kind === 'fixed' && signs.length === 0 && <p className="soft small">Nothing: all signs are dark.</p>}
      {only.gaps(tried)}
    </SentenceDialog>
  );
}

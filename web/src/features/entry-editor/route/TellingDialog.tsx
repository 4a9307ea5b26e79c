import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import { type Bundle, entriesOf, printStep, readTelling, type Step, stepAt, type TellingDraft } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Input } from '../../../parts/field/Input.tsx';
import type { routeNames } from './names.ts';

type Props = Readonly<{
  bundle: Bundle;
  names: ReturnType<typeof routeNames>;
  steps: readonly Step[];
  title?: string;
  use?: string;
  onClose: () => void;
  onUse: (steps: readonly Step[], told: string) => void;
}>;

/** How somebody tells it, pasted: each phrase beside the step made of it, and what was not understood left to be seen. */
export function TellingDialog({ bundle, names, steps, title = 'How somebody tells it', use, onClose, onUse }: Props) {
  const [told, setTold] = useState('');
  const [picked, setPicked] = useState<string | null>(null);
  const intake = useMemo(() => readTelling(told, names.facts, entriesOf(bundle, 'instrument')), [told, names, bundle]);
  const replaces = steps.length > 0 && !(steps.length === 1 && steps[0]?.kind === 'say');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="telling-title">
      <DialogContent className="stack">
        <h2 id="telling-title">{title}</h2>
        <div className="two">
          <div className="stack">
            <label className="field">
              In their words
              <Input
                multiline
                fullWidth
                rows={7}
                autoFocus
                value={told}
                placeholder="Breaker off, hold the rocker down, breaker on, let go at the second beep …"
                onChange={(e) => setTold(e.target.value)}
              />
            </label>
            <Told told={told} intake={intake} picked={picked} onPick={setPicked} />
          </div>
          <div className="stack">
            <h2>As steps</h2>
            {intake.steps.length === 0 ? (
              <p className="soft">
                {told.trim() === ''
                  ? 'Nothing told yet.'
                  : 'Nothing in it is an instruction on this family’s controls.'}
              </p>
            ) : (
              <ol className="scrolls mono">
                {intake.phrases.map((p) => {
                  const step = stepAt(intake.steps, p.at);
                  return (
                    <li key={p.at}>
                      <Button
                        variant="text"
                        size="inline"
                        className={picked === p.at ? 'picked' : undefined}
                        onClick={() => setPicked(p.at)}
                      >
                        {step ? lines(step).map((l) => <span key={l}>{l}</span>) : null}
                      </Button>
                    </li>
                  );
                })}
              </ol>
            )}
            {intake.doubts.map((d) => (
              <p key={`${d.from}${d.about}`} className="small">
                <strong>In doubt:</strong> “{d.text}”: {d.about}.
              </p>
            ))}
            {intake.contradictions.map((c) => (
              <p key={c.from} className="small wrong">
                The summing-up says “{c.text}”; the steps say {c.steps ? `“${printStep(c.steps)}”` : 'nothing of it'}.
              </p>
            ))}
            {intake.notUnderstood.length > 0 && (
              <p className="small wrong">
                Not understood: {intake.notUnderstood.map((p) => `“${p.text}”`).join(', ')}. No step was made of that.
              </p>
            )}
            {intake.steps.length > 0 && intake.notUnderstood.length === 0 && (
              <p className="small soft">Every word of it is in the steps.</p>
            )}
          </div>
        </div>
        <div className="row">
          <Button
            variant="contained"
            color="primary"
            disabled={intake.steps.length === 0}
            onClick={() => onUse(intake.steps, told.trim())}
          >
            {use ?? (replaces ? 'Use these steps instead (the old ones stay in undo)' : 'Use these steps')}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </DialogContent>
    </Dialog>
  );
}

const lines = (step: Step): string[] => {
  const inside =
    step.kind === 'keep'
      ? step.during
      : step.kind === 'group'
        ? step.steps
        : step.kind === 'branch'
          ? [...step.met, ...step.otherwise]
          : [];
  return [printStep(step), ...inside.flatMap((s) => lines(s).map((l) => `  ${l}`))];
};

/** The telling itself, with its phrases marked by what became of them. */
function Told({
  told,
  intake,
  picked,
  onPick,
}: {
  told: string;
  intake: TellingDraft;
  picked: string | null;
  onPick: (at: string) => void;
}) {
  const marks = [
    ...intake.phrases
      .filter((p, i, all) => all.findIndex((q) => q.from === p.from && q.to === p.to) === i)
      .map((p) => ({ ...p, kind: 'step' as const })),
    ...intake.notUnderstood.map((p) => ({ ...p, at: '', kind: 'lost' as const })),
  ].sort((a, b) => a.from - b.from);
  if (marks.length === 0) return null;
  let end = 0;
  return (
    <p className="telling-told">
      {marks.flatMap((m) => {
        if (m.from < end) return [];
        const before = told.slice(end, m.from);
        end = m.to;
        return [
          before,
          m.kind === 'lost' ? (
            <span key={m.from} className="says bad" title="not understood">
              {m.text}
            </span>
          ) : (
            <Button
              key={m.from}
              variant="text"
              size="inline"
              className={picked === m.at ? 'picked' : undefined}
              onClick={() => onPick(m.at)}
            >
              {told.slice(m.from, m.to)}
            </Button>
          ),
        ];
      })}
      {told.slice(end)}
    </p>
  );
}

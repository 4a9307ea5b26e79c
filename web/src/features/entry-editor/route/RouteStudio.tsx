import Button from '@mui/material/Button';
import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  type Entry,
  entriesOf,
  type FamilyId,
  findingsOfRoute,
  findingWords,
  layoutTimeline,
  type Path,
  parseScript,
  printScript,
  type Route,
  type Step,
  scriptProblemWords,
  stretchStep,
  stretchWindow,
  wholeSteps,
} from '@wire-trail/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { draftEdited } from '../../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../../foundation/store.ts';
import { PanelDrawing } from '../../../parts/panel/PanelDrawing.tsx';
import { unitShow } from '../../../parts/panel/unit-show.ts';
import { ScriptEditor, type ScriptNote } from '../../../parts/script/ScriptEditor.tsx';
import { SuccessCard } from '../../../parts/success/SuccessCard.tsx';
import { useSuccessRates } from '../../../parts/success/use-success-rates.ts';
import { TimelineDrawing } from '../../../parts/timeline/TimelineDrawing.tsx';
import { MendHere } from '../MendHere.tsx';
import { SchemaForm } from '../SchemaForm.tsx';
import type { EditRoute } from './tabs.ts';
import './route.css';
import { AccountsView } from './AccountsView.tsx';
import { routeNames } from './names.ts';
import { usePerformance } from './use-performance.ts';
import { useToldSteps } from './use-told-steps.ts';

/** Steps have their script; what was settled, the accounts. */
const elsewhere = ['steps', 'settled'] as const;
const hands = ['bare', 'gloved', 'first'] as const;

/** The editor of a route: its script and its timeline, two views of the same steps, with what the engine makes of them. */
export function RouteStudio({ body, bodies, tab }: { body: Route; bodies: { entries: Entry[] }; tab: string }) {
  const dispatch = useAppDispatch();
  const bundle = useMemo<Bundle>(
    () => ({ format: bundleFormat, version: bundleVersion, family: body.family as FamilyId, entries: bodies.entries }),
    [body.family, bodies.entries],
  );
  const edit = (change: Partial<Route>, about: string) =>
    void dispatch(draftEdited({ body: { ...body, ...change } as Route, about }));
  useToldSteps(body.id, edit);
  return (
    <>
      {tab === 'Script and timeline' && <ScriptAndTimeline body={body} bundle={bundle} onEdit={edit} />}
      {tab === 'About the route' && <SchemaForm body={body} bodies={bodies} elsewhere={elsewhere} />}
      {tab === 'Descriptions' && <AccountsView body={body} bundle={bundle} onEdit={edit} />}
    </>
  );
}

/** Where what was typed and cannot be read yet is kept. */
const lostKey = (route: Route): string => `wire-trail-script:${route.family}/${route.id}`;

function ScriptAndTimeline({ body, bundle, onEdit }: { body: Route; bundle: Bundle; onEdit: EditRoute }) {
  const [picked, setPicked] = useState<string | null>(null);
  const isNew = useSearchParams()[0].get('new');
  const names = useMemo(() => routeNames(bundle), [bundle]);
  const printed = useMemo(() => printScript(body), [body]);
  // text that cannot be read yet stays as it was typed, beside the last steps that could
  const [typed, setTyped] = useState<string | null>(() => sessionStorage.getItem(lostKey(body)));
  const parsed = useMemo(() => parseScript(typed ?? printed), [typed, printed]);
  const [seen, setSeen] = useState(printed);
  if (seen !== printed) {
    // an undo, the timeline or the form changed the steps: the text follows, unless it says the same
    setSeen(printed);
    if (typed !== null && !sameSteps(parsed, body)) setTyped(null);
  }
  const text = typed ?? printed;
  useEffect(() => {
    if (typed !== null && parsed.problems.length > 0) sessionStorage.setItem(lostKey(body), typed);
    else sessionStorage.removeItem(lostKey(body));
  }, [typed, parsed, body]);

  const onText = (next: string) => {
    const read = parseScript(next);
    setTyped(next);
    if (read.problems.length > 0 || read.steps.length === 0) return;
    onEdit(
      {
        steps: [...read.steps],
        from: read.from === null ? body.from : read.from === 'any' ? 'any' : [...read.from],
        to: read.to,
      } as Partial<Route>,
      'script',
    );
  };
  const setSteps = (steps: Step[], about: string) => {
    setTyped(null);
    onEdit({ steps }, about);
  };
  const later = useDeferredValue(bundle);
  const findings = useMemo(() => findingsOfRoute(later, body.id), [later, body.id]);
  // what stands within another way has the line that does it
  const lineOf = (at: string): number | null => {
    const places = at.split('.');
    const line = parsed.lineOf.get(at);
    return line ?? (places.length > 1 ? lineOf(places.slice(0, -1).join('.')) : null);
  };
  const notes: ScriptNote[] = useMemo(
    () => [
      ...parsed.problems.map((p) => ({
        line: p.line,
        column: p.column,
        length: p.length,
        severity: 'error' as const,
        words: scriptProblemWords(p),
      })),
      ...findings.flatMap((f) => {
        const line = parsed.lineOf.get(placeOf(f.at));
        if (line === undefined) return [];
        const length = (text.split('\n')[line - 1] ?? '').trim().length;
        const column = (text.split('\n')[line - 1] ?? '').search(/\S/) + 1;
        return [{ line, column, length, severity: f.severity, words: findingWords(f) }];
      }),
    ],
    [parsed, findings, text],
  );
  const findingAt = useMemo(() => {
    const worst = new Map<string, 'error' | 'warning' | 'hint'>();
    // gravest first: what stands there already is graver
    for (const f of findings) {
      const place = placeOf(f.at);
      if (place !== '' && !worst.has(place)) worst.set(place, f.severity);
    }
    return worst;
  }, [findings]);
  const timeline = useMemo(() => {
    const others = new Map(entriesOf(later, 'route').map((r) => [r.id, r] as const));
    return layoutTimeline(wholeSteps(body.steps, others, new Map(), [body.id]));
  }, [body.steps, body.id, later]);
  const rates = useSuccessRates(later, body.id, hands, 5000);
  const { data: counted } = api.useTriesQuery(body.family);
  const tries = counted?.find((t) => t.route === body.id) ?? { took: 0, of: 0, wrong: { pace: 0, count: 0 } };
  const performance = usePerformance(bundle, body, picked);
  const shown = unitShow(performance.plan, performance.state);
  const at = performance.playingAt ?? picked;
  const line = at === null ? null : lineOf(at);
  const pick = (lineNumber: number) => setPicked([...parsed.lineOf].find(([, l]) => l === lineNumber)?.[0] ?? null);
  const faces = [...performance.plan.facts.controls.values()];
  const step = at === null ? null : body.steps[Number(at.split('.')[0])];
  const used = step && 'control' in step ? faces.find((c) => c.control.id === step.control)?.face : undefined;
  const face = used ?? faces[0]?.face;
  return (
    <div className="route-room">
      <aside className="tiles route-side">
        {face && (
          <div className="sheet">
            <div className="row spread">
              <h2>{face.label}, as played</h2>
              <Button
                size="dense"
                className="no-print"
                disabled={!performance.canPlay}
                onClick={performance.isPlaying ? performance.stop : performance.play}
              >
                {performance.isPlaying ? 'Stop' : 'Play'}
              </Button>
            </div>
            <PanelDrawing face={face} {...shown} />
            <p className="small soft">
              {line === null ? 'Pick a line or a mark to see the unit there.' : `stands as after line ${line}`}
            </p>
          </div>
        )}
        <SuccessCard tries={tries} shown={rates} lineOf={lineOf} onStep={setPicked} />
        <div className="sheet small stack no-print">
          <Button
            component={Link}
            to={`/shelf/${body.family}/telling?into=${body.id}${isNew === null ? '' : `&new=${encodeURIComponent(isNew)}`}`}
          >
            Paste a description
          </Button>
          <Button component={Link} to={`/play/${body.family}?route=${body.id}&drafts=1`}>
            Try it by hand
          </Button>
          <Button onClick={() => window.print()}>Print</Button>
        </div>
      </aside>
      <section className="sheet route-script">
        <div className="row spread">
          <h2>Script</h2>
          {typed !== null && parsed.problems.length > 0 && (
            <span className="tag">the timeline shows the last steps that read</span>
          )}
        </div>
        <ScriptEditor text={text} names={names.script} notes={notes} line={line} onText={onText} onLine={pick} />
        <ul className="plain lined" aria-label="findings">
          {parsed.problems.map((p) => (
            <li key={`${p.line}:${p.column}`} className="error">
              <strong>line {p.line}</strong> {scriptProblemWords(p)}
            </li>
          ))}
          {findings.map((f) => {
            const place = placeOf(f.at);
            const l = lineOf(place);
            return (
              <li key={`${f.code}${f.at.join('.')}${findingWords(f)}`} className={f.severity}>
                {l !== null ? (
                  <Button variant="text" size="inline" onClick={() => setPicked(place)}>
                    line {l}
                  </Button>
                ) : (
                  <strong>route</strong>
                )}{' '}
                {findingWords(f)}
                {/* while the text cannot be read it stays as it was typed */}
                {parsed.problems.length === 0 && <MendHere finding={f} bundle={later} body={body} />}
              </li>
            );
          })}
          {findings.length === 0 && parsed.problems.length === 0 && (
            <li className="fine">Nothing to fix in this route.</li>
          )}
        </ul>
      </section>
      <section className="sheet route-timeline">
        <div className="row spread">
          <h2>Timeline</h2>
          {timeline.cut && <span className="tag">not every repeat is drawn</span>}
          <span className="small soft no-print">
            seconds, as usually done · drag an end, or pick it and press <kbd>[</kbd> <kbd>]</kbd>
          </span>
        </div>
        {/* while the text cannot be read nothing is dragged: printing the script anew would lose what was typed */}
        <TimelineDrawing
          timeline={timeline}
          controls={names.controls}
          nameOf={names.nameOf}
          picked={at}
          findingAt={findingAt}
          onPick={setPicked}
          {...(parsed.problems.length === 0 && {
            onStretch: (place: string, ms: number) => setSteps(stretchStep(body.steps, place, ms), `stretch.${place}`),
            onStretchWindow: (place: string, ms: number) =>
              setSteps(stretchWindow(body.steps, place, ms), `window.${place}`),
          })}
        />
        <p className="small soft">
          line = where a control stands · bar = held · dot = pressed or heard · wash = earliest to latest, slack of a
          window
        </p>
      </section>
    </div>
  );
}

/** The step a finding is about: it may stand deeper, at a field of it. Empty when it is about the route. */
const placeOf = (at: Path): string => {
  if (at[2] !== 'steps') return '';
  const parts: Array<string | number> = [];
  for (const [i, part] of at.slice(3).entries()) {
    const wantsNumber = i % 2 === 0;
    if (wantsNumber !== (typeof part === 'number')) break;
    if (!wantsNumber && !['during', 'steps', 'met', 'otherwise'].includes(String(part))) break;
    parts.push(part);
  }
  if (typeof parts.at(-1) === 'string') parts.pop();
  return parts.join('.');
};

const sameSteps = (parsed: { steps: readonly Step[]; from: unknown; to: unknown }, body: Route): boolean =>
  printScript({ from: (parsed.from ?? body.from) as 'any', steps: parsed.steps, to: parsed.to as string | null }) ===
  printScript(body);

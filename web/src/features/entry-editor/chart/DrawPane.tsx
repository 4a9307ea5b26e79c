import Button from '@mui/material/Button';
import { entryOf, findingsOfChart, findingWords } from '@wire-trail/core';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { Loading } from '../../../parts/states/States.tsx';
import { MendHere } from '../MendHere.tsx';
import type { ChartAt } from './chart-at.ts';
import { NodeForm } from './NodeForm.tsx';
import { Outline } from './Outline.tsx';
import { StartFrom } from './StartFrom.tsx';
import { Touched } from './Touched.tsx';

const Drawing = lazy(() => import('./Drawing.tsx'));

/** With each edit the mends of so many findings are worked out anew, the gravest first. */
const mendable = 12;

/** The same chart twice: as an outline for the keyboard, and drawn; with what the machine notices, and the picked step's form. */
export function DrawPane(at: ChartAt) {
  const { body, bundle, onEdit } = at;
  const [picked, setPicked] = useState<string | null>(null);
  const [starting, setStarting] = useState(body.nodes.length === 1);
  // findings may come a moment after what was typed
  const checked = useDeferredValue(bundle);
  const { findings, findingAt } = useMemo(() => {
    const nodes = entryOf(checked, 'chart', body.id)?.nodes ?? [];
    const index = checked.entries.findIndex((e) => e.kind === 'chart' && e.id === body.id);
    const found = findingsOfChart(checked, body.id).map((finding) => {
      const [, entry, list, n] = finding.at;
      const isNode = entry === index && list === 'nodes' && typeof n === 'number';
      return { finding, node: isNode ? (nodes[n]?.id ?? null) : null };
    });
    // the gravest of a step is what it is marked with
    const marks = found.flatMap(({ finding, node }) => (node ? [[node as string, finding.severity] as const] : []));
    return { findings: found, findingAt: new Map(marks.reverse()) };
  }, [checked, body.id]);
  // the keyboard goes ahead; the drawing and the form follow when there is time
  const shown = useDeferredValue(picked);
  const drawn = useDeferredValue(body);
  const node = body.nodes.find((n) => n.id === shown) ?? null;
  return (
    <div className="split">
      <div className="stack chart-left">
        <div className="row">
          <Button aria-expanded={starting} onClick={() => setStarting(!starting)}>
            Paste or begin from …
          </Button>
          <span className="soft small">
            {body.nodes.length} {body.nodes.length === 1 ? 'step' : 'steps'}
          </span>
        </div>
        {starting && <StartFrom {...at} onDone={() => setStarting(false)} />}
        <Outline body={body} picked={picked} findingAt={findingAt} onPick={setPicked} onEdit={onEdit} />
        <section className="sheet" aria-label="findings">
          <h2>To fix</h2>
          {findings.length === 0 && <p className="soft small">Nothing. Every way ends, every answer leads on.</p>}
          <ul className="plain lined">
            {findings.slice(0, 60).map(({ finding, node: of }, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two findings may say the same of two places
              <li key={`${finding.code}${i}`} className={finding.severity}>
                {of === null ? (
                  findingWords(finding)
                ) : (
                  <Button variant="text" size="inline" onClick={() => setPicked(of)}>
                    {findingWords(finding)}
                  </Button>
                )}
                {i < mendable && <MendHere finding={finding} bundle={checked} body={body} />}
              </li>
            ))}
          </ul>
        </section>
        <Touched {...at} />
      </div>
      <div className="stack chart-right">
        <div className="sheet fills">
          <Suspense fallback={<Loading what="the drawing" />}>
            <Drawing body={drawn} picked={shown} findingAt={findingAt} onPick={setPicked} onEdit={onEdit} />
          </Suspense>
        </div>
        {node ? (
          // what is typed while the form still shows the step before must not go to that one
          <div inert={shown !== picked}>
            <NodeForm key={node.id} {...at} node={node} onGone={() => setPicked(null)} />
          </div>
        ) : (
          <p className="soft small">Pick a step, here or in the outline, to say what belongs to it.</p>
        )}
      </div>
    </div>
  );
}

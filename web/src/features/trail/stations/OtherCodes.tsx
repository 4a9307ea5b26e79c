import Button from '@mui/material/Button';
import { type Code, type Folded, openRoots, rootWords } from '@wire-trail/core';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { Next, StationLayout, type StationProps } from './StationLayout.tsx';
import { Why } from './Why.tsx';

/** Several codes were read, and no one explains the others: each is tested, or left for later with a reason. */
export function OtherCodes({ walk, data, add, title }: Omit<StationProps, 'events'> & { title: string }) {
  const open = openRoots(data.roots);
  const [first] = open;
  const goOn = (code: Code) =>
    void add(
      walk.code
        ? {
            kind: 'code-settled',
            code: walk.code,
            as: 'tested',
            why: walk.settled.get(walk.code)?.why ?? '',
            next: code.id,
            more: true,
          }
        : { kind: 'read-done', code: code.id },
    );
  const leave = (code: Code, why: string) =>
    void add(
      { kind: 'owed', what: `${code.text} ${code.title}: ${why}`.slice(0, 200), by: null },
      { kind: 'code-settled', code: code.id, as: 'deferred', why, next: null, ...(open.length > 1 && { more: true }) },
    );
  return (
    <StationLayout
      panel={{ face: data.front }}
      actions={first && <Next onClick={() => goOn(first)}>Test {first.text}</Next>}
    >
      <h1>{title}</h1>
      <p>Clearing erases all of them. Each is tested first, or left for later with a reason.</p>
      <ul className="plain stack">
        {data.roots.map((root) => (
          <li key={root.code.id} className="sheet stack">
            <div className="row spread">
              <span>
                <CodeGlyph text={root.code.text} /> {root.code.title}
              </span>
              <span className="tag">{rootWords[root.is]}</span>
            </div>
            {root.under.length > 0 && <p className="soft small">Explains {root.under.map(textOf).join(', ')}.</p>}
            {root.why && <p className="soft small">{root.why}</p>}
            {root.is === 'open' && (
              <div className="row">
                {root.code !== first && <Button onClick={() => goOn(root.code)}>Test {root.code.text}</Button>}
                <Why
                  opens={`Leave ${root.code.text} for later …`}
                  asks={`Why is ${root.code.text} left?`}
                  says={`Leave ${root.code.text} for later`}
                  example="the part comes on Monday"
                  onWhy={(why) => leave(root.code, why)}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </StationLayout>
  );
}

const textOf = ({ code }: Folded): string => code.text;

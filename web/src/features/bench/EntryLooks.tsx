import { assertNever, type Entry, nodeKindWords, type Route } from '@wire-trail/core';
import { Link } from 'react-router';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { RouteSteps } from '../../parts/route/RouteSteps.tsx';

type Props = Readonly<{ body: Entry; entries: readonly Entry[]; family: string | null }>;

/** An entry as whoever uses it will have it: its drawing, its steps, its cautions. */
export function EntryLooks({ body, entries, family }: Props) {
  switch (body.kind) {
    case 'panel':
      return (
        <div className="tiles large">
          {body.faces.map((face) => (
            <figure key={face.id} className="picture">
              <figcaption className="small">{face.label}</figcaption>
              <PanelDrawing face={face} />
            </figure>
          ))}
        </div>
      );
    case 'route':
      return <RouteLooks route={body} entries={entries} family={family} />;
    case 'chart':
      return (
        <ol>
          {body.nodes.map((node) => (
            <li key={node.id}>
              <span className="soft">{nodeKindWords[node.kind]}</span> {node.title}
            </li>
          ))}
        </ol>
      );
    case 'code':
    case 'symptom':
      return (
        <>
          {body.saw && <p>{body.saw}</p>}
          <ol>
            {body.suspects.map((s) => (
              <li key={s.label}>
                {s.label} <span className="soft">{s.reason}</span>
              </li>
            ))}
          </ol>
        </>
      );
    case 'mode':
      return <p>{body.normalSigns}</p>;
    case 'hazard':
      return (
        <ul>
          {body.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      );
    case 'access':
    case 'account':
    case 'asset':
    case 'family':
    case 'instrument':
    case 'meaning':
    case 'readout':
    case 'setting':
    case 'source':
      // what these hold stands under “Every field”
      return null;
    default:
      return assertNever(body);
  }
}

function RouteLooks({ route, entries, family }: { route: Route; entries: readonly Entry[]; family: string | null }) {
  const panel = entries.find((e) => e.kind === 'panel');
  if (panel) return <RouteSteps route={route} panel={panel} />;
  return (
    <p className="soft">
      The unit has no panel yet; its steps are in the <Link to={`/shelf/${family}/route/${route.id}`}>route</Link>.
    </p>
  );
}

import {
  assertNever,
  diff,
  type Entry,
  kindWords,
  linksOf,
  nodeKindWords,
  type Route,
  severityWords,
  titleOf,
} from '@wire-trail/core';
import { Link } from 'react-router';
import { api } from '../../foundation/api.ts';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';
import { Fold } from '../../parts/fold/Fold.tsx';
import { PanelDrawing } from '../../parts/panel/PanelDrawing.tsx';
import { RouteSteps } from '../../parts/route/RouteSteps.tsx';

type Props = Readonly<{ body: Entry; family: string | null; others: readonly Entry[] }>;

/** Something that was never published, as it will be: its drawing or steps, what it leads to, what is to fix, and every field. */
export function NewEntry({ body, family, others }: Props) {
  const { data: findings } = api.useFindingsQuery(family ?? '', { skip: family === null });
  const { data: working } = api.useWorkingQuery(family ?? '', { skip: family === null });
  const entries = [...others, ...(working ?? []).map((w) => w.body)];
  const own =
    findings?.filter((f) => f.accepted === null && f.entry?.kind === body.kind && f.entry.id === body.id) ?? [];
  const links = new Map(linksOf(body).map(({ to }) => [`${to.kind}:${to.id}`, to]));
  const { kind, id } = body;
  return (
    <div className="stack">
      <p className="soft small">New: nothing of it is published yet.</p>
      <Looks body={body} entries={entries} family={family} />
      {links.size > 0 && (
        <p className="row small">
          <span className="soft">Leads to</span>
          {[...links.values()].map((to) => {
            const target = entries.find((e) => e.kind === to.kind && e.id === to.id);
            return (
              <span key={`${to.kind}:${to.id}`} className="tag">
                {kindWords[to.kind]}: {target ? titleOf(target) : `${to.id}, which is not there`}
              </span>
            );
          })}
        </p>
      )}
      {own.length > 0 && (
        <ul className="plain lined">
          {own.map((f) => (
            <li key={f.code + f.words} className={f.severity}>
              <span className="says">{severityWords[f.severity]}</span> {f.words}
            </li>
          ))}
        </ul>
      )}
      {own.length === 0 && findings && <p className="small soft">Nothing to fix in it.</p>}
      <Fold title="Every field">
        <ChangeList changes={diff({ kind, id }, body)} />
      </Fold>
    </div>
  );
}

function Looks({ body, entries, family }: { body: Entry; entries: readonly Entry[]; family: string | null }) {
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

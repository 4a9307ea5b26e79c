import Button from '@mui/material/Button';
import {
  type ChartNode,
  entriesOf,
  entryOf,
  holdsFor,
  type NodeOf,
  type Route,
  routesTo,
  routesUpTo,
  testConditions,
} from '@wire-trail/core';
import type { StationProps } from '../StationLayout.tsx';

type Props = Pick<StationProps, 'walk' | 'data'> & { node: ChartNode; onCoach: (route: Route) => void };

/** Routes a step wants gone on the unit, in their order: to the numbered test it runs, along its route, or to recalibrate. */
function routesOf(node: ChartNode, data: StationProps['data']): Route[] {
  const routes = entriesOf(data.bundle, 'route').filter((r) => holdsFor(r.onlyVariants, data.alive) !== 'no');
  if (node.kind === 'operate' && node.test) return routesTo([node.test.mode], routes);
  const id = node.kind === 'operate' ? node.route : node.kind === 'act' ? node.recalibrate : undefined;
  const route = routes.find((r) => r.id === id);
  return route ? routesUpTo(route, routes) : [];
}

/** What a step asks of the unit itself: its numbered test, and the routes to be coached through, one after the other. */
export function OnUnit({ node, walk, data, onCoach }: Props) {
  const routes = routesOf(node, data);
  const test = node.kind === 'operate' ? testOf(node, data) : null;
  const mode = node.kind === 'operate' ? entryOf(data.bundle, 'mode', node.test?.mode) : undefined;
  const conditions = mode && test ? testConditions(mode, test) : [];
  if (routes.length === 0 && !test) return null;
  const took = (route: Route) => walk.tries.findLast((t) => t.route === route.id)?.took;
  return (
    <section className="stack" aria-label="on the unit">
      {node.kind === 'act' && <p className="soft">Afterwards, with the supply on again:</p>}
      {routes.map((route, i) => (
        <Button key={route.id} size="glove" fullWidth onClick={() => onCoach(route)}>
          {routes.length > 1 ? `${i + 1} ${route.name}` : route.name}
          <span className="soft small">
            {took(route) === true ? ' · done' : took(route) === false ? ' · did not take' : ' · coach me'}
            {i + 1 < routes.length && took(route) === undefined && ', unless it is there already'}
          </span>
        </Button>
      ))}
      {test && (
        <p>
          {routes.length > 0 && 'Then '}test <strong className="mono">{test.number}</strong>:{' '}
          <strong>{test.name}</strong>. <span className="soft">{test.starts}</span>
          {test.stops && <span className="small"> To stop: {test.stops}</span>}
        </p>
      )}
      {conditions.length > 0 && (
        <ul className="note">
          {conditions.map((said) => (
            <li key={said}>{said}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

const testOf = (node: NodeOf<'operate'>, data: StationProps['data']) =>
  entryOf(data.bundle, 'mode', node.test?.mode)?.tests.find((t) => t.number === node.test?.number) ?? null;

import { assertNever } from '../base/result.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Mode, Transition } from '../model/mode.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { printSteps } from '../script/print.ts';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

type Node = Readonly<{
  name: string;
  attributes: Readonly<Record<string, string>>;
  inside: ReadonlyArray<Node | string>;
}>;
const node = (name: string, attributes: Record<string, string> = {}, ...inside: Array<Node | string>): Node => ({
  name,
  attributes,
  inside,
});

function write({ name, attributes, inside }: Node, depth = 0): string {
  const pad = '  '.repeat(depth);
  const head = `${pad}<${name}${Object.entries(attributes)
    .map(([k, v]) => ` ${k}="${escaped(v)}"`)
    .join('')}`;
  if (inside.length === 0) return `${head}/>`;
  if (inside.every((x) => typeof x === 'string')) return `${head}>${inside.map(escaped).join('')}</${name}>`;
  return `${head}>\n${inside.map((x) => (typeof x === 'string' ? `${pad}  ${escaped(x)}` : write(x, depth + 1))).join('\n')}\n${pad}</${name}>`;
}

const stateId = (mode: string): string => `mode.${mode}`;
const eventOf = (on: Transition['on']): string => {
  switch (on.kind) {
    case 'gesture':
      return 'gesture';
    case 'after':
    case 'idle':
      return `${on.kind}.${on.afterMs}`;
    case 'supply':
      return `supply.${on.becomes}`;
    case 'sign':
      return `sign.${on.shown.sign}`;
    case 'input':
      return `input.${on.input}.${on.passes}.${on.value}`;
    case 'message':
      return `message.${on.from}.${on.message.replaceAll(/\s+/g, '-')}`;
    case 'code-comes':
    case 'code-stands':
      return [on.kind.replace('-', '.'), ...on.codes].join('.');
    case 'held':
      return `held.${on.control}.${on.afterMs}.${on.everyMs}`;
  }
};

function transitionNode(mode: Mode, t: Transition, index: number): Node {
  const event = t.on.kind === 'gesture' ? `gesture.${mode.id}.${index}` : eventOf(t.on);
  const steps = t.on.kind === 'gesture' ? [node('wt:script', {}, `\n${printSteps(t.on.steps)}`)] : [];
  const does = t.effects.map((e) => {
    switch (e.kind) {
      case 'assign':
        return node('assign', { location: e.variable, expr: JSON.stringify(e.to) });
      case 'step':
        return node('assign', { location: e.variable, expr: `${e.variable} + (${e.by})` });
      case 'send':
        return node('send', { event: `message.${mode.controller}.${e.message.replaceAll(/\s+/g, '-')}` });
      case 'erase-memory':
        return node('raise', { event: 'memory.erased' });
      case 'carry':
        return node('assign', { location: e.to, expr: e.from });
      default:
        return assertNever(e);
    }
  });
  return node('transition', { event, ...(t.to ? { target: stateId(t.to) } : {}) }, ...does, ...steps);
}

function stateNode(mode: Mode, bundle: Bundle): Node {
  const timers = mode.transitions.flatMap((t) =>
    t.on.kind === 'after' || t.on.kind === 'idle'
      ? [node('send', { event: eventOf(t.on), id: `${mode.id}.${eventOf(t.on)}`, delay: `${t.on.afterMs}ms` })]
      : [],
  );
  const routes = entriesOf(bundle, 'route').filter((r) => r.from !== 'any' && r.from.some((m) => m === mode.id));
  const stops = timers.map((t) => node('cancel', { sendid: t.attributes.id ?? '' }));
  return node(
    'state',
    { id: stateId(mode.id), 'wt:name': mode.name, 'wt:sort': mode.sort },
    ...(mode.variables.length > 0
      ? [node('datamodel', {}, ...mode.variables.map((v) => node('data', { id: v.id, expr: JSON.stringify(v.start) })))]
      : []),
    ...(timers.length > 0 ? [node('onentry', {}, ...timers), node('onexit', {}, ...stops)] : []),
    ...mode.transitions.map((t, i) => transitionNode(mode, t, i)),
    ...routes.map((r) =>
      node(
        'transition',
        { event: `route.${r.id}`, ...(r.to ? { target: stateId(r.to) } : {}), 'wt:name': r.name },
        node('wt:script', {}, `\n${printSteps(r.steps)}`),
      ),
    ),
  );
}

/**
 * A family's modes and routes as W3C SCXML: a parallel of one region a controller, a state a mode, a transition for all
 * that leads on. Gestures are events named by their route; their script stands inside in a namespace of its own.
 */
export function writeScxml(bundle: Bundle): string {
  const family = familyEntry(bundle);
  const modes = entriesOf(bundle, 'mode').filter((m) => m.family === family.id);
  const regions = family.controllers.flatMap((controller): Node[] => {
    const own = modes.filter((m) => m.controller === controller.id);
    if (own.length === 0) return [];
    const initial = own.find((m) => m.sort === 'standby') ?? own[0];
    const anyRoutes = entriesOf(bundle, 'route').filter((r) => r.from === 'any' && own.some((m) => m.id === r.to));
    return [
      node(
        'state',
        { id: `controller.${controller.id}`, initial: stateId(initial?.id ?? ''), 'wt:name': controller.name },
        ...anyRoutes.map((r) =>
          node(
            'transition',
            { event: `route.${r.id}`, target: stateId(r.to ?? ''), 'wt:name': r.name },
            node('wt:script', {}, `\n${printSteps(r.steps)}`),
          ),
        ),
        ...own.map((m) => stateNode(m, bundle)),
      ),
    ];
  });
  const root = node(
    'scxml',
    {
      xmlns: 'http://www.w3.org/2005/07/scxml',
      'xmlns:wt': 'urn:wire-trail',
      version: '1.0',
      datamodel: 'ecmascript',
      name: family.id,
    },
    regions.length > 1
      ? node('parallel', { id: 'system' }, ...regions)
      : (regions[0] ?? node('state', { id: 'system' })),
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n${write(root)}\n`;
}

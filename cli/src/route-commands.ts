import { readFileSync } from 'node:fs';
import {
  Account,
  advanceUnit,
  aidWords,
  alignAccounts,
  type Bundle,
  bundleFacts,
  CodesAtStart,
  entriesOf,
  entryOf,
  type Gesture,
  type GestureOf,
  gestureStanding,
  handKinds,
  missedWords,
  type Nearest,
  parseScript,
  planUnit,
  printScript,
  printSteps,
  type Route,
  readAnyTelling,
  type Step,
  scriptProblemWords,
  slipKindWords,
  startForRoute,
  successRateOf,
  type UnitEffect,
  UnitEvent,
  type UnitPlan,
  writeScxml,
} from '@wire-trail/core';
import { z } from 'zod';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readShape, UnusableInput } from './input.ts';

const refuse = (file: string, reason: string): never => {
  throw new UnusableInput([{ file, path: [], reason }]);
};

function routeOf(bundle: Bundle, file: string, id: string | undefined): Route {
  const route = entryOf(bundle, 'route', id);
  const names = entriesOf(bundle, 'route').map((r) => r.id);
  return route ?? refuse(file, `holds no route “${id ?? ''}”; it has ${names.join(', ') || 'none'}`);
}

function gestureOf(plan: UnitPlan, file: string, route: Route): Gesture {
  const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === route.id);
  const why = plan.refused.find((r) => r.of.kind === 'route' && r.of.id === route.id);
  return (
    gesture ?? refuse(file, `the route “${route.id}” cannot be played: ${why?.error.code} at step ${why?.error.at}`)
  );
}

const isRoute = (of: GestureOf, route: Route): boolean => of.kind === 'route' && of.id === route.id;

/** Plays timed events against a unit: whether a route ended, the mode, else which way came nearest, and by how much. */
export function runPlay(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  const route = routeOf(bundle, file, options.route);
  const events = readShape(
    options.events ?? refuse('--events', 'names the file of timed events'),
    z.array(UnitEvent).max(100_000),
  );
  const memory = options.memory === undefined ? [] : readShape(options.memory, CodesAtStart);
  const plan = planUnit(bundle);
  gestureOf(plan, file, route);
  let state = startForRoute(plan, route, memory);
  const effects: UnitEffect[] = [];
  events.forEach((event, i) => {
    const next = advanceUnit(plan, state, event);
    const bad = next.effects.find((e) => e.kind === 'refused');
    if (bad?.kind === 'refused')
      throw new UnusableInput([
        { file: options.events ?? '', path: [i], reason: `${bad.why.replaceAll('-', ' ')}: ${bad.what}` },
      ]);
    state = next.state;
    effects.push(...next.effects);
  });
  // the unit gives up on what was begun and not finished, and says what it was
  effects.push(...advanceUnit(plan, state, { kind: 'tick', at: state.at + waitsMs }).effects);
  const ended = effects.some((e) => e.kind === 'done' && isRoute(e.of, route));
  const told = ended ? undefined : effects.findLast((e) => e.kind === 'missed');
  const all = told?.kind === 'missed' ? [told.nearest, ...told.others] : [];
  const nearest = all.find((m) => isRoute(m.of, route)) ?? all[0];
  const controller = plan.gestures.find((g) => isRoute(g.of, route))?.controller;
  const changed = effects.findLast((e) => e.kind === 'mode' && e.controller === controller);
  const mode =
    changed?.kind === 'mode' ? changed.to : ((controller && state.controllers.get(controller))?.mode ?? null);
  const instead = ended ? [] : effects.flatMap((e) => (e.kind === 'done' && !isRoute(e.of, route) ? [e.of.name] : []));
  const known = effects.flatMap((e) =>
    e.kind === 'known-not-to-work' ? [{ of: e.route, how: e.how, why: e.why }] : [],
  );
  const says = nearest ? missedWords(bundle, nearest.of, nearest.miss) : null;
  const json = {
    ended,
    mode,
    nearest: nearest ? nearestOf(nearest) : null,
    by: nearest?.miss.byMs ?? null,
    says,
    instead,
    knownNotToWork: known,
  };
  return {
    json,
    lines: [
      ended ? `${route.name}: reached ${mode}` : `${route.name}: not reached; the unit is in ${mode}`,
      ...instead.map((name) => `instead: ${name}`),
      ...known.map((k) => `known not to work: ${k.how}: ${k.why}`),
      ...(says === null ? [] : [says]),
    ],
    errors: false,
  };
}

/** After so long without an event the try is over. */
const waitsMs = 12_000;

/** What was wrong with the way that came nearest, by the names of the route's file. */
function nearestOf({ of, miss }: Nearest): Readonly<Record<string, unknown>> {
  const { done: _done, of: _of, byMs, also, ...rest } = miss;
  return { of: of.name, ...rest, by: byMs, ...(also && { also: also.map((m) => nearestOf({ of, miss: m })) }) };
}

const whole = (text: string | undefined, name: string, least: number, most: number, usual: number): number => {
  if (text === undefined) return usual;
  const n = Number(text);
  return Number.isInteger(n) && n >= least && n <= most
    ? n
    : refuse(name, `takes a whole number from ${least} to ${most}`);
};

/** How likely a person is to hit a route. */
export function runSuccessRate(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  const route = routeOf(bundle, file, options.route);
  const asked = options.hands ?? 'gloved';
  const hands = handKinds.find((kind) => kind === asked) ?? refuse('--hands', `is one of ${handKinds.join(', ')}`);
  const plan = planUnit(bundle);
  const gesture = gestureOf(plan, file, route);
  const rate = successRateOf({
    program: gesture.program,
    facts: plan.facts,
    standing: gestureStanding(plan, gesture),
    hands,
    runs: whole(options.runs, '--runs', 1, 1_000_000, 20_000),
    seed: whole(options.seed, '--seed', 0, 4_294_967_295, 1),
  });
  return {
    json: rate,
    lines: [
      `${(rate.share * 100).toFixed(1)} % (${(rate.low * 100).toFixed(1)} to ${(rate.high * 100).toFixed(1)} %), ${hands} hands: a model, not a measurement`,
      ...rate.failed
        .slice(0, 5)
        .map((f) => `step ${f.at}: ${f.code.replaceAll('-', ' ')}, ${(f.share * 100).toFixed(1)} %`),
      ...rate.errors.slice(0, 3).map((e) => `${slipKindWords[e.kind]}: in ${(e.share * 100).toFixed(1)} % of tries`),
      ...rate.helps.map((h) => `${aidWords[h.aid]} would bring it to ${(h.share * 100).toFixed(1)} %`),
      `pace to advise: ${rate.pace} times the usual`,
    ],
    errors: false,
  };
}

/** A route's script: printed, or read from a file and checked. */
export function runScript(command: 'parse' | 'print', file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  if (command === 'print') {
    const route = routeOf(bundle, file, options.route);
    const script = printScript(route);
    return { json: { script }, lines: [script.trimEnd()], errors: false };
  }
  const text = readText(options.script ?? options.input ?? '');
  const parsed = parseScript(text);
  return {
    json: { from: parsed.from, to: parsed.to, steps: parsed.steps, problems: parsed.problems },
    lines: [
      `${parsed.steps.length} steps`,
      ...parsed.problems.map((p) => `${p.line}:${p.column}: ${scriptProblemWords(p)}`),
    ],
    errors: parsed.problems.length > 0,
  };
}

function readText(path: string): string {
  try {
    return readFileSync(path === '' ? 0 : path, 'utf8');
  } catch {
    return refuse(path || 'standard input', 'cannot be read');
  }
}

/** Draft routes of a telling: each with its steps, what names something of the unit and became nothing, what contradicts. */
export function runTelling(file: string, options: Options, telling?: string): Output {
  const bundle = readBundleFile(file);
  if (options.family !== undefined && options.family !== bundle.family)
    refuse('--family', `the bundle is about ${bundle.family}`);
  const text = readText(options.text ?? telling ?? '');
  const told = readAnyTelling(text, bundleFacts(bundle), entriesOf(bundle, 'instrument'));
  const scriptOf = (steps: readonly Step[]): string[] =>
    printSteps([...steps])
      .trimEnd()
      .split('\n');
  const routes = told.routes
    .filter((r) => r.steps.length > 0)
    .map(({ name, steps, phrases }) => ({ name, steps, phrases, script: scriptOf(steps) }));
  const steps = told.routes.flatMap((r) => r.steps);
  const part = <T extends Readonly<{ from: number; to: number }>>(p: T) => ({
    ...p,
    text: told.text.slice(p.from, p.to),
  });
  const holes = told.holes.map(part);
  const notUnderstood = holes.filter((h) => h.why === 'not-understood');
  const doubts = told.doubts.map(part);
  const contradictions = told.contradictions.map((c) => ({ between: ['steps', 'summary'], ...c }));
  return {
    json: {
      steps,
      script: printScript({ from: null, steps, to: null }),
      routes,
      notUnderstood,
      holes,
      doubts,
      contradictions,
      codes: [],
      readouts: [],
      rules: [],
      readings: [],
      cautions: [],
    },
    lines: [
      ...(routes.length === 1
        ? (routes[0]?.script ?? [])
        : routes.flatMap((r) => [`${r.name}:`, ...r.script.map((l) => `  ${l}`)])),
      ...(routes.length === 0 ? ['nothing in it is an instruction for this family'] : []),
      ...notUnderstood.map((h) => `not understood (${h.from}): ${h.text}`),
      ...doubts.map((d) => `in doubt (${d.from}): ${d.text}: ${d.about}`),
      ...contradictions.map((c) => `said twice, differently (${c.from}): ${c.about}`),
    ],
    errors: false,
  };
}

/** Tellings of one route from files of their own, side by side. */
export function runAccounts(files: readonly string[]): Output {
  const accounts = files.map((f) => readShape(f, Account));
  const [first] = accounts;
  accounts.forEach((a, i) => {
    if (a.route !== first?.route) refuse(files[i] ?? '', `tells of “${a.route}”, the first of “${first?.route}”`);
  });
  const rows = alignAccounts(accounts.map((a) => a.steps));
  return {
    json: {
      accounts: accounts.map((a) => a.id),
      rows: rows.map((r) => ({ about: r.about, differs: r.differs, at: r.cells.map((c) => c?.at ?? null) })),
    },
    lines: rows.map((r) => `${r.differs.length > 0 ? `${r.differs.join(', ').padEnd(16)}` : ' '.repeat(16)}${r.about}`),
    errors: false,
  };
}

/** A family's modes and routes as W3C SCXML. */
export function runExchangeScxml(file: string, options: Options): Output {
  const bundle = readBundleFile(file);
  if (options.family !== undefined && options.family !== bundle.family)
    refuse('--family', `the bundle is about ${bundle.family}`);
  const scxml = writeScxml(bundle);
  return { json: { scxml }, lines: [scxml.trimEnd()], errors: false };
}

import type { AccessId, ControlId, SignId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import type { Access } from '../model/access.ts';
import type { Finding, SignLimit } from '../model/finding.ts';
import type { Sign } from '../model/panel.ts';
import type { Moment, Route, Step } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';
import type { Instrument } from '../model/source.ts';
import { controlsOf, stepTraits } from '../model/steps.ts';
import { compileSteps } from '../play/compile.ts';
import { copyOf, pathOfStep, suppliedAs, track, type UnitAsLeft } from '../play/track.ts';
import type { ControlFacts, UnitFacts } from '../unit/facts.ts';

/** What the findings of a route's steps need beside the route. */
export type Surroundings = Readonly<{
  facts: UnitFacts;
  ways: ReadonlyMap<AccessId, Access>;
  instruments: ReadonlyMap<string, Instrument>;
  /** Faces that are open already when it begins. */
  opened: ReadonlySet<string>;
}>;

// letters seven segments cannot draw so that anybody reads them
const notOnSegments = /[kmvwxKMVWX]/;

/** Why a sign cannot show this; null when it can. */
export function cannotShow(sign: Sign, shown: Shown): SignLimit | null {
  switch (sign.kind) {
    case 'lamp':
      if (shown.kind !== 'lamp') return { kind: 'is-a-lamp' };
      if (shown.colour && !sign.colours.includes(shown.colour)) return { kind: 'never-coloured', colour: shown.colour };
      if (shown.state === 'dark' || sign.shows.includes(shown.state)) return null;
      // a lamp that can be put to a pattern is not thereby ever steady
      return { kind: 'never-so', state: shown.state };
    case 'bar':
      return shown.kind === 'sound' ? { kind: 'makes-no-sound' } : null;
    case 'segments':
    case 'text': {
      if (shown.kind !== 'text') return { kind: 'shows-text' };
      const room = sign.kind === 'segments' ? sign.digits : sign.characters;
      if ([...shown.text.replaceAll('.', '')].length > room) return { kind: 'has-room-for', characters: room };
      return sign.kind === 'segments' && notOnSegments.test(shown.text) ? { kind: 'cannot-draw-letter' } : null;
    }
    case 'beeper':
    case 'felt':
      return shown.kind === 'sound' ? null : { kind: 'shows-nothing' };
    default:
      return assertNever(sign);
  }
}

const momentSigns = (moment: Moment | undefined): Shown[] =>
  moment?.kind === 'sign' ? [moment.shown, ...(moment.also ?? [])] : [];

/** Every sign a step waits for, sees or asks about. */
export function signsOf(step: Step): Shown[] {
  switch (step.kind) {
    case 'see':
      return step.signs;
    case 'hold':
    case 'keep':
      return step.until?.kind === 'moment' ? momentSigns(step.until.moment) : [];
    case 'release':
      return momentSigns(step.at);
    case 'group':
      return momentSigns(step.window?.from);
    case 'branch':
      return step.on.kind === 'sign' ? [step.on.shown] : [];
    case 'at-place':
    case 'bypass':
    case 'choose':
    case 'dial':
    case 'press':
    case 'rest':
    case 'say':
    case 'set':
    case 'do':
    case 'step-list':
    case 'sweep':
    case 'together':
    case 'turn':
      return [];
    default:
      return assertNever(step);
  }
}

const needsSupply = (step: Step): boolean =>
  stepTraits[step.kind].powered || (step.kind === 'choose' && step.on === 'unit');

/** What is wrong with the steps one by one, given how the unit stands before them. Ends with how it stands after. */
export function lintSteps(
  route: Route,
  begin: UnitAsLeft,
  around: Surroundings,
  at: Path,
): { findings: Finding[]; end: UnitAsLeft } {
  const { facts } = around;
  const findings: Finding[] = [];
  const placed = (place: string): Path => [...at, ...pathOfStep(place)];
  const ways = route.ways.flatMap((id) => around.ways.get(id) ?? []);
  const covered = new Set<string>();

  const cover = (own: ControlFacts, place: string, standing: UnitAsLeft): void => {
    const { face } = own;
    if (!face.cover || covered.has(face.id) || around.opened.has(face.id)) return;
    covered.add(face.id);
    const way = ways.find((w) => w.opens.includes(face.id));
    const names = { control: own.control.label, cover: face.cover.label };
    if (!way) findings.push({ code: 'cover-not-opened', severity: 'warning', at: placed(place), ...names });
    else if (face.cover.isolateFirst && !way.isolateFirst && suppliedAs(facts, standing))
      findings.push({ code: 'cover-without-isolation', severity: 'warning', at: placed(place), ...names });
  };

  const visit = (step: Step, place: string, standing: UnitAsLeft): void => {
    for (const control of controlsOf(step)) {
      const own = facts.controls.get(control);
      if (own) cover(own, place, standing);
    }
    for (const shown of signsOf(step)) {
      const sign = facts.signs.get(shown.sign as SignId);
      const why = sign ? cannotShow(sign, shown) : null;
      if (sign && why !== null)
        findings.push({ code: 'sign-impossible', severity: 'error', at: placed(place), sign: sign.label, why });
    }
    if (needsSupply(step) && !suppliedAs(facts, standing)) {
      const control = facts.controls.get(controlsOf(step)[0] as ControlId)?.control.label ?? 'the screen';
      findings.push({ code: 'pressed-without-power', severity: 'error', at: placed(place), control });
    }
    if (step.kind === 'sweep' && step.stopAt) sweepEnds(step, place, standing);
    if (step.kind === 'choose' && step.on !== 'unit') {
      const instrument = around.instruments.get(step.on);
      if (instrument && step.needs !== undefined && !instrument.functions.includes(step.needs)) {
        const others = [...around.instruments.values()].filter((i) => i.functions.includes(step.needs ?? ''));
        findings.push({
          code: 'instrument-function-missing',
          severity: 'error',
          at: placed(place),
          instrument: instrument.name,
          needs: step.needs,
          others: others.map((i) => i.name),
        });
      }
    }
  };
  const sweepEnds = (step: Extract<Step, { kind: 'sweep' }>, place: string, standing: UnitAsLeft): void => {
    const mechanism = facts.controls.get(step.control)?.mechanism;
    if (mechanism?.kind !== 'clicks') return;
    const rest = mechanism.rests.find((r) => r.id === step.stopAt);
    const now = standing.clicks.get(step.control) ?? 0;
    if (!rest || rest.atClick === now) return;
    // so many full turns and on to a named place is one thing; a place the turns cannot end at is another
    const on = step.way === 'cw' ? rest.atClick - now : now - rest.atClick;
    const over = ((on % mechanism.perTurn) + mechanism.perTurn) % mechanism.perTurn;
    findings.push({
      code: 'knob-ends-elsewhere',
      severity: 'warning',
      at: placed(place),
      control: facts.controls.get(step.control)?.control.label ?? step.control,
      said: rest.label,
      offClicks: over > mechanism.perTurn / 2 ? over - mechanism.perTurn : over,
    });
  };

  const end = track(route.steps, facts, copyOf(begin), visit);
  for (const [control, place] of end.held)
    findings.push({
      code: 'never-let-go',
      severity: 'warning',
      at: placed(place),
      control: facts.controls.get(control)?.control.label ?? control,
    });
  findings.push(...cannotRun(route, facts, at));
  return { findings, end };
}

/** The first thing that keeps the route from being played. What names nothing at all is told elsewhere. */
function cannotRun(route: Route, facts: UnitFacts, at: Path): Finding[] {
  const program = compileSteps(route.steps, facts);
  if (program.ok) return [];
  const { error } = program;
  const here = [...at, ...pathOfStep(error.at)];
  const label = (id: string): string => facts.controls.get(id as ControlId)?.control.label ?? id;
  switch (error.code) {
    case 'cannot':
      return [{ code: 'control-cannot', severity: 'error', at: here, control: label(error.control), act: error.act }];
    case 'nothing-held':
      return [{ code: 'let-go-not-held', severity: 'error', at: here, control: label(error.control) }];
    case 'cannot-dial':
      return [{ code: 'cannot-be-dialled', severity: 'error', at: here, text: error.text }];
    case 'too-long':
      return [{ code: 'route-too-long', severity: 'error', at: here, most: error.most }];
    case 'nothing-done':
      return [{ code: 'nothing-done', severity: 'warning', at, route: route.name }];
    case 'interlock':
    case 'no-such-route':
    case 'no-such-control':
    case 'no-such-place':
      return [];
    default:
      return assertNever(error);
  }
}

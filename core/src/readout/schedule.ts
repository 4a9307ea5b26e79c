import type { RouteId, SignId, StageId } from '../base/ids.ts';
import { ok, type Result } from '../base/result.ts';
import type { LampState } from '../model/lamp.ts';
import { lampTraits } from '../model/lamp.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, type Reads, type ReadsOf } from '../model/reads.ts';
import type { Shown } from '../model/shown.ts';
import { type EncodeError, encode, type Parts, type StageShow } from './encode.ts';

/** One stretch of light or dark, of sound or silence. */
export type Segment = Readonly<{ on: boolean; ms: number; role: 'lead' | 'short' | 'long' | 'gap' | 'pause' }>;
type Rhythmic = ReadsOf<'blinks' | 'rhythm' | 'which'>;

/** Times of a rhythmic stage, whichever kind it is. */
const timesOf = (reads: Rhythmic) =>
  reads.kind === 'rhythm'
    ? { short: reads.shortMs, long: reads.longMs, gap: reads.gapMs, pause: reads.pauseMs, lead: reads.leadIn }
    : {
        short: reads.onMs,
        long: reads.onMs * 3,
        gap: reads.offMs,
        pause: reads.pauseMs,
        lead: reads.kind === 'blinks' ? reads.leadIn : undefined,
      };

/** A pattern of `s` and `l` as light and dark, with the steady lead-in before and the pause behind. */
export function segmentsOfRun(reads: Rhythmic, pattern: string): Segment[] {
  const { short, long, gap, pause, lead } = timesOf(reads);
  const marks = [...pattern].flatMap((c, i): Segment[] => [
    c === 'l' ? { on: true, ms: long, role: 'long' } : { on: true, ms: short, role: 'short' },
    ...(i < pattern.length - 1 ? [{ on: false, ms: gap, role: 'gap' } as const] : []),
  ]);
  return [
    ...(lead
      ? [{ on: true, ms: lead.steadyMs, role: 'lead' } as const, { on: false, ms: 2 * gap, role: 'gap' } as const]
      : []),
    ...marks,
    { on: false, ms: pause, role: 'pause' },
  ];
}

/** What one sign shows from when to when, counted from the beginning of its scene. */
export type Cue = Readonly<{ fromMs: number; toMs: number; shown: Shown }>;
/** What shows by itself until a gesture brings on the next scene; it repeats after `periodMs`. */
export type Scene = Readonly<{
  stages: readonly StageId[];
  after: RouteId | null;
  periodMs: number;
  cues: readonly Cue[];
}>;

/** How long a stage stands when nothing says so. */
const dwellMs = 3000;

const dark = (shown: Shown): Shown =>
  shown.kind === 'lamp'
    ? { ...shown, state: 'dark' }
    : shown.kind === 'sound'
      ? { ...shown, state: 'off' }
      : { ...shown, text: '' };
const bright = (shown: Shown): Shown => (shown.kind === 'lamp' ? { ...shown, state: 'lit' } : shown);

/** The signs of a stage that keep time, and the ones that stand still meanwhile. */
function cuesOf(reads: Reads, show: StageShow, fromMs: number, standsMs: number): { cues: Cue[]; ms: number } {
  if (!isRhythmic(reads) || show.pattern === null)
    return { cues: show.shown.map((shown) => ({ fromMs, toMs: fromMs + standsMs, shown })), ms: standsMs };
  const segments = segmentsOfRun(reads, show.pattern);
  const ms = segments.reduce((sum, s) => sum + s.ms, 0);
  const beats = (s: Shown): boolean => (s.kind === 'lamp' ? s.state === 'slow' : s.kind === 'sound');
  const cues = show.shown.flatMap((shown): Cue[] => {
    if (!beats(shown)) return [{ fromMs, toMs: fromMs + ms, shown }];
    let at = fromMs;
    return segments.map((segment) => {
      const cue = { fromMs: at, toMs: at + segment.ms, shown: segment.on ? bright(shown) : dark(shown) };
      at += segment.ms;
      return cue;
    });
  });
  return { cues, ms };
}

const standsOf = (stage: Stage, next: Stage | undefined): number => {
  const { comes } = stage;
  if (comes.kind === 'alternates' || comes.kind === 'colour' || comes.kind === 'sign') return comes.everyMs;
  return next && 'everyMs' in next.comes ? next.comes.everyMs : dwellMs;
};

/** Whether a stage comes by itself while the one before is over, and does not show beside it. */
const follows = ({ comes }: Stage): boolean =>
  comes.kind === 'alternates' || comes.kind === 'colour' || comes.kind === 'sign';

function sceneOf(stages: readonly Stage[], shows: readonly StageShow[]): Scene {
  const cues: Cue[] = [];
  let at = 0;
  let end = 0;
  stages.forEach((stage, i) => {
    const show = shows.find((s) => s.stage === stage.id);
    if (!show) return;
    if (i > 0 && follows(stage)) at = end;
    const made = cuesOf(stage.reads, show, at, standsOf(stage, stages[i + 1]));
    cues.push(...made.cues);
    end = Math.max(end, at + made.ms);
  });
  const after = stages[0]?.comes.kind === 'route' ? stages[0].comes.route : null;
  return { stages: stages.map((s) => s.id), after, periodMs: Math.max(end, 1), cues };
}

/** Stages that come by themselves, put together; a gesture begins the next row. */
export function rowsOfStages(stages: readonly Stage[]): Stage[][] {
  const rows: Stage[][] = [];
  for (const stage of stages) {
    const row = rows.at(-1);
    if (!row || (stage.comes.kind === 'route' && row.length > 0)) rows.push([stage]);
    else row.push(stage);
  }
  return rows;
}

/** What each sign does over time for one code, scene by scene. Errors as `encode`. */
export function schedule(readout: Readout, text: string, beside: Parts = new Map()): Result<Scene[], EncodeError> {
  const shows = encode(readout, text, beside);
  if (!shows.ok) return shows;
  const shown = new Set(shows.value.map((s) => s.stage));
  return ok(rowsOfStages(readout.stages.filter((s) => shown.has(s.id))).map((stages) => sceneOf(stages, shows.value)));
}

/** What shows at a moment of a scene: one entry a sign. */
export function sceneAt(scene: Scene, atMs: number): Shown[] {
  const t = ((atMs % scene.periodMs) + scene.periodMs) % scene.periodMs;
  const now = new Map<SignId, Shown>();
  for (const cue of scene.cues) if (t >= cue.fromMs && t < cue.toMs) now.set(cue.shown.sign, cue.shown);
  return [...now.values()];
}

/** Whether a lamp in a state gives light at a moment; slow and fast ones are lit half of the time. */
export function litAt(state: LampState, atMs: number, rates: Readout['rates']): boolean {
  const { lights, blinks } = lampTraits[state];
  if (blinks === null) return lights;
  const hz = rates[blinks];
  return (atMs * hz) / 1000 - Math.floor((atMs * hz) / 1000) < 0.5;
}

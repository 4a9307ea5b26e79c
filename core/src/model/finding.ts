import type { Path } from '../base/path.ts';
import type { Quantity } from '../base/quantity.ts';
import type { LampState } from './lamp.ts';
import type { IdKind } from './reference.ts';
export const severities = ['error', 'warning', 'hint'] as const;
export type Severity = (typeof severities)[number];

type Entry = Readonly<{ kind: string; id: string }>;
/** Where a model pattern cannot be read, counted from 1, and why. */
export type PatternError = Readonly<{
  column: number;
  why: 'not-closed' | 'not-opened' | 'empty' | 'character' | 'range';
}>;

/** Why a sign cannot show what a step says it shows. */
export type SignLimit =
  | Readonly<{ kind: 'is-a-lamp' | 'makes-no-sound' | 'shows-text' | 'cannot-draw-letter' | 'shows-nothing' }>
  | Readonly<{ kind: 'never-coloured'; colour: string }>
  | Readonly<{ kind: 'never-so'; state: LampState }>
  | Readonly<{ kind: 'has-room-for'; characters: number }>;
/** What one slip is and what it happens to: a lamp, a place counted from 1, a segment; empty where nothing is named. */
export type NamedSlip = Readonly<{
  kind: 'lamp-dark' | 'rate' | 'colour' | 'blink-missed' | 'blink-added' | 'length' | 'segment-lost' | 'character';
  of: string;
}>;
type Facts =
  | Readonly<{ code: 'dangling-id'; severity: 'error'; wanted: Entry }>
  | Readonly<{ code: 'duplicate-id'; severity: 'error'; twice: Entry }>
  | Readonly<{ code: 'duplicate-code'; severity: 'error'; text: string; controller: string }>
  | Readonly<{ code: 'part-unknown'; severity: 'error'; what: IdKind; id: string }>
  | Readonly<{ code: 'code-without-pattern'; severity: 'error'; text: string; readout: string }>
  | Readonly<{ code: 'codes-share-pattern'; severity: 'error'; texts: string[]; readout: string }>
  | Readonly<{
      code: 'look-alike-danger';
      severity: 'warning';
      text: string;
      becomes: string;
      /** The sort of slip, and the lamp, place or segment it happens to. */
      slip: NamedSlip;
      hazards: string[];
    }>
  | Readonly<{ code: 'pattern-without-code'; severity: 'hint'; readout: string; count: number; examples: string[] }>
  | Readonly<{ code: 'rows-share-pattern'; severity: 'error'; stage: string; pattern: string; values: string[] }>
  | Readonly<{ code: 'row-unreadable'; severity: 'error'; stage: string; pattern: string; lamps: number }>
  | Readonly<{ code: 'weights-collide'; severity: 'warning'; stage: string; sum: number; ways: number }>
  | Readonly<{ code: 'pause-not-told'; severity: 'warning'; stage: string; gapMs: number; pauseMs: number }>
  | Readonly<{ code: 'phase-not-told'; severity: 'warning'; stage: string; from: string }>
  | Readonly<{ code: 'stages-at-once'; severity: 'error'; stages: [string, string]; sign: string }>
  | Readonly<{ code: 'special-like-code'; severity: 'error'; special: string; text: string }>
  | Readonly<{ code: 'vector-fails'; severity: 'error'; vector: string; wanted: string; reads: string }>
  | Readonly<{ code: 'readings-differ'; severity: 'hint'; readout: string; account: string; texts: string[] }>
  | Readonly<{ code: 'sign-cannot-show'; severity: 'error'; sign: string; is: string; wants: string }>
  | Readonly<{ code: 'consequence-circle'; severity: 'error'; texts: string[] }>
  | Readonly<{ code: 'code-without-suspect'; severity: 'warning'; text: string }>
  | Readonly<{ code: 'code-without-chart'; severity: 'hint'; text: string }>
  | Readonly<{ code: 'hazards-missing'; severity: 'error'; text: string }>
  | Readonly<{ code: 'code-without-source'; severity: 'hint'; text: string }>
  | Readonly<{ code: 'window-too-short'; severity: 'error'; windowMs: number; leastMs: number }>
  | Readonly<{ code: 'window-tight'; severity: 'warning'; windowMs: number; usualMs: number; slackRatio: number }>
  | Readonly<{ code: 'control-cannot'; severity: 'error'; control: string; act: 'press' | 'turn' | 'set' | 'hold' }>
  | Readonly<{ code: 'cover-not-opened'; severity: 'warning'; control: string; cover: string }>
  | Readonly<{ code: 'cover-without-isolation'; severity: 'warning'; control: string; cover: string }>
  | Readonly<{ code: 'pressed-without-power'; severity: 'error'; control: string }>
  | Readonly<{ code: 'never-let-go'; severity: 'warning'; control: string }>
  | Readonly<{ code: 'let-go-not-held'; severity: 'error'; control: string }>
  | Readonly<{ code: 'cannot-be-dialled'; severity: 'error'; text: string }>
  | Readonly<{ code: 'route-too-long'; severity: 'error'; most: number }>
  | Readonly<{ code: 'nothing-done'; severity: 'warning'; route: string }>
  | Readonly<{ code: 'least-over-most'; severity: 'error'; least: number; most: number }>
  | Readonly<{ code: 'knob-ends-elsewhere'; severity: 'warning'; control: string; said: string; offClicks: number }>
  | Readonly<{ code: 'sign-impossible'; severity: 'error'; sign: string; why: SignLimit }>
  | Readonly<{ code: 'no-confirming-sign'; severity: 'warning'; route: string; mode: string }>
  | Readonly<{ code: 'setting-left-changed'; severity: 'warning'; setting: string; value: string }>
  | Readonly<{
      code: 'instrument-function-missing';
      severity: 'error';
      instrument: string;
      needs: string;
      others: string[];
    }>
  | Readonly<{ code: 'route-circle'; severity: 'error'; routes: string[]; by: 'does' | 'needs' }>
  | Readonly<{ code: 'part-begins-elsewhere'; severity: 'warning'; part: string; mode: string }>
  | Readonly<{ code: 'amount-otherwise'; severity: 'warning'; said: number; is: number; name: string }>
  | Readonly<{ code: 'tests-outlast-mode'; severity: 'warning'; mode: string; lastsMs: number; takesMs: number }>
  | Readonly<{ code: 'times-out-inside'; severity: 'warning'; mode: string; idleMs: number; takesMs: number }>
  | Readonly<{ code: 'routes-alike'; severity: 'warning'; routes: [string, string] }>
  | Readonly<{ code: 'fires-first'; severity: 'warning'; routes: [string, string]; earlyMs: number }>
  | Readonly<{ code: 'list-entry-beyond'; severity: 'error'; entry: number; from: number; to: number }>
  | Readonly<{ code: 'not-put-back'; severity: 'warning'; control: string; left: string; home: string }>
  | Readonly<{ code: 'retry-missing'; severity: 'hint'; route: string }>
  | Readonly<{
      code: 'precondition-contradicted';
      severity: 'warning';
      before: string;
      control: string;
      stands: string;
    }>
  | Readonly<{ code: 'summary-differs'; severity: 'warning'; said: string; steps: string }>
  | Readonly<{ code: 'difference-open'; severity: 'hint'; route: string; about: string }>
  | Readonly<{ code: 'test-number-gap'; severity: 'hint'; mode: string; missing: string[] }>
  | Readonly<{ code: 'test-order'; severity: 'warning'; test: string; after: string; why: 'cold-only' | 'needs-first' }>
  | Readonly<{ code: 'warns-after-lock-out'; severity: 'error'; text: string; warns: number; locksOut: number }>
  | Readonly<{ code: 'attempt-too-short'; severity: 'warning'; text: string; runMs: number; forMs: number }>
  | Readonly<{ code: 'stages-disagree'; severity: 'warning'; text: string; when: string; counters: number[] }>
  | Readonly<{ code: 'lock-out-never-cleared'; severity: 'warning'; what: string }>
  | Readonly<{ code: 'no-way-out'; severity: 'warning'; mode: string }>
  | Readonly<{ code: 'mode-unreachable'; severity: 'warning'; mode: string }>
  | Readonly<{ code: 'interlock-defeated'; severity: 'error'; what: string }>
  | Readonly<{ code: 'interlock-words'; severity: 'warning'; words: string }>
  | Readonly<{ code: 'node-unreachable'; severity: 'warning'; node: string }>
  | Readonly<{ code: 'verdict-unreachable'; severity: 'warning'; node: string }>
  | Readonly<{ code: 'branch-open'; severity: 'error'; node: string; answer: string }>
  | Readonly<{ code: 'answer-missing'; severity: 'error' | 'warning'; node: string; answer: string }>
  | Readonly<{ code: 'loop-unbounded'; severity: 'error'; nodes: string[] }>
  | Readonly<{ code: 'retry-leads-on'; severity: 'error'; node: string }>
  | Readonly<{ code: 'bands-overlap'; severity: 'error'; node: string; bands: [string, string] }>
  | Readonly<{ code: 'bands-gap'; severity: 'error'; node: string; from: number | null; to: number | null }>
  | Readonly<{ code: 'unit-impossible'; severity: 'error'; node: string; of: string; is: string }>
  | Readonly<{
      code: 'band-outside-range';
      severity: 'warning';
      node: string;
      what: string;
      least: number;
      most: number;
    }>
  | Readonly<{
      code: 'title-differs';
      severity: 'warning';
      node: string;
      /** The span its words tell, as they tell it. */
      said: string;
      quantity: Quantity;
      least: number | null;
      most: number | null;
    }>
  | Readonly<{ code: 'ohms-energised'; severity: 'error'; node: string }>
  | Readonly<{ code: 'volts-on-dead'; severity: 'error'; node: string; quantity: string }>
  | Readonly<{ code: 'dead-not-isolated'; severity: 'warning'; node: string }>
  | Readonly<{ code: 'run-while-isolated'; severity: 'hint'; node: string }>
  | Readonly<{ code: 'insulation-through-all'; severity: 'warning'; node: string }>
  | Readonly<{ code: 'parallel-path'; severity: 'hint'; node: string }>
  | Readonly<{
      code: 'meter-too-coarse';
      severity: 'warning' | 'hint';
      node: string;
      meter: string;
      accuracyRatio: number;
      leftRatio: number;
      better: string[];
    }>
  | Readonly<{ code: 'measured-nowhere'; severity: 'error'; node: string }>
  | Readonly<{
      code: 'value-not-shown';
      severity: 'error';
      node: string;
      readout: string;
      address: string | null;
      shows: Quantity | null;
    }>
  | Readonly<{ code: 'probe-not-marked'; severity: 'hint'; node: string; probes: string[] }>
  | Readonly<{ code: 'limited-without-return'; severity: 'error'; node: string }>
  | Readonly<{ code: 'hand-on-to-nobody'; severity: 'warning'; node: string }>
  | Readonly<{ code: 'cover-left-open'; severity: 'warning'; node: string; cover: string }>
  | Readonly<{ code: 'recalibration-missing'; severity: 'warning'; node: string; part: string; demands: string }>
  | Readonly<{ code: 'test-unneeded'; severity: 'hint'; node: string; parts: string[] }>
  | Readonly<{ code: 'call-circle'; severity: 'error'; charts: string[] }>
  | Readonly<{ code: 'call-never-returns'; severity: 'warning'; node: string; chart: string; finds: string }>
  | Readonly<{ code: 'call-unpublished'; severity: 'error'; node: string; chart: string }>
  | Readonly<{ code: 'use-incomplete'; severity: 'error'; user: string; chart: string; missing: string[] }>
  | Readonly<{ code: 'remedy-forgotten'; severity: 'warning'; node: string; remedy: string }>
  | Readonly<{ code: 'chart-without-clear'; severity: 'warning'; text: string; chart: string }>
  | Readonly<{ code: 'chart-without-prove'; severity: 'hint'; text: string; chart: string }>
  | Readonly<{
      code: 'chart-outlasts-mode';
      severity: 'warning';
      text: string;
      node: string;
      mode: string;
      minutes: number;
      idleMs: number;
    }>
  | Readonly<{ code: 'loop-without-end'; severity: 'error'; node: string }>
  | Readonly<{
      code: 'energised-unprotected';
      severity: 'error';
      node: string;
      missing: ReadonlyArray<'hazard' | 'protection' | 'isolation'>;
    }>
  | Readonly<{ code: 'band-never-computes'; severity: 'error'; node: string; why: string }>
  | Readonly<{ code: 'suspect-untested'; severity: 'warning'; text: string; part: string; chart: string }>
  | Readonly<{
      code: 'pattern-unreadable';
      severity: 'error';
      pattern: string;
      column: number;
      why: PatternError['why'];
    }>
  | Readonly<{
      code: 'part-two-numbers';
      severity: 'warning';
      part: string;
      families: readonly [string, string];
      numbers: readonly [readonly string[], readonly string[]];
    }>
  | Readonly<{ code: 'contact-without-hours'; severity: 'warning'; contact: string }>
  | Readonly<{ code: 'two-currencies'; severity: 'warning'; currencies: readonly string[] }>
  | Readonly<{ code: 'trade-for-nobody'; severity: 'warning'; hazard: string; trade: string }>
  | Readonly<{
      code: 'proof-falls-short';
      severity: 'warning';
      title: string;
      proof: string;
      notFor: readonly string[];
      steps: number;
    }>
  | Readonly<{ code: 'pattern-matches-everything'; severity: 'warning'; pattern: string }>
  | Readonly<{ code: 'bounds-upside-down'; severity: 'error'; what: 'serial' | 'software'; from: string; to: string }>
  | Readonly<{
      code: 'variants-overlap';
      severity: 'warning';
      variants: [string, string];
      model: string;
      serial: string;
      software: string;
    }>
  | Readonly<{ code: 'variants-gap'; severity: 'warning'; model: string; from: string | null; below: string | null }>
  | Readonly<{ code: 'variants-missing'; severity: 'hint'; text: string; variants: string[] }>
  | Readonly<{ code: 'families-alike'; severity: 'warning'; families: [string, string]; missing: string[] }>
  | Readonly<{ code: 'carried-over'; severity: 'warning'; title: string; from: string }>
  | Readonly<{ code: 'look-again'; severity: 'hint'; text: string; source: string; edition: string }>
  | Readonly<{ code: 'setting-not-allowed'; severity: 'error'; setting: string; value: string }>
  | Readonly<{ code: 'scope-exceeded'; severity: 'warning'; node: string; needs: string; audience: string }>;

/** Something the author should look at. Codes and facts only; `words` says them. */
export type Finding = Facts & Readonly<{ at: Path }>;
export type FindingCode = Finding['code'];

/** Where a finding stands: keys and indexes from the bundle's root, e.g. `entries`, 12, `suspects`, 0. */
export type Path = ReadonlyArray<string | number>;
export const severities = ['error', 'warning', 'hint'] as const;
export type Severity = (typeof severities)[number];

type Entry = Readonly<{ kind: string; id: string }>;
/** Where a model pattern cannot be read, counted from 1, and why. */
export type PatternError = Readonly<{
  column: number;
  why: 'not-closed' | 'not-opened' | 'empty' | 'character' | 'range';
}>;

const patternWords: Record<PatternError['why'], string> = {
  'not-closed': 'is opened and not closed',
  'not-opened': 'is closed and was not opened',
  empty: 'holds nothing, so that it matches nothing',
  character: 'is no sign a plate has',
  range: 'is no range from a lower to a higher one',
};

type Facts =
  | Readonly<{ code: 'dangling-id'; severity: 'error'; wanted: Entry }>
  | Readonly<{ code: 'duplicate-id'; severity: 'error'; twice: Entry }>
  | Readonly<{ code: 'duplicate-code'; severity: 'error'; text: string; controller: string }>
  | Readonly<{ code: 'part-unknown'; severity: 'error'; what: string; id: string }>
  | Readonly<{ code: 'code-without-pattern'; severity: 'error'; text: string; readout: string }>
  | Readonly<{ code: 'codes-share-pattern'; severity: 'error'; texts: string[]; readout: string }>
  | Readonly<{
      code: 'look-alike-danger';
      severity: 'warning';
      text: string;
      becomes: string;
      /** The sort of slip, and the lamp, place or segment it happens to. */
      slip: SlipWords;
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
  | Readonly<{ code: 'test-missing'; severity: 'error'; test: string; wants: string }>
  | Readonly<{ code: 'knob-ends-elsewhere'; severity: 'warning'; control: string; said: string; offClicks: number }>
  | Readonly<{ code: 'sign-impossible'; severity: 'error'; sign: string; why: string }>
  | Readonly<{ code: 'no-confirming-sign'; severity: 'warning'; route: string; mode: string }>
  | Readonly<{ code: 'setting-left-changed'; severity: 'warning'; setting: string; value: string }>
  | Readonly<{
      code: 'instrument-function-missing';
      severity: 'error';
      instrument: string;
      needs: string;
      others: string[];
    }>
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
  | Readonly<{ code: 'no-way-out'; severity: 'warning'; mode: string }>
  | Readonly<{ code: 'mode-unreachable'; severity: 'warning'; mode: string }>
  | Readonly<{ code: 'interlock-defeated'; severity: 'error'; what: string }>
  | Readonly<{ code: 'interlock-words'; severity: 'warning'; words: string }>
  | Readonly<{ code: 'start-missing'; severity: 'error'; start: string }>
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
  | Readonly<{ code: 'energised-unprotected'; severity: 'error'; node: string }>
  | Readonly<{ code: 'band-never-computes'; severity: 'error'; node: string; why: string }>
  | Readonly<{ code: 'suspect-untested'; severity: 'warning'; text: string; part: string; chart: string }>
  | Readonly<{
      code: 'pattern-unreadable';
      severity: 'error';
      pattern: string;
      column: number;
      why: PatternError['why'];
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
  | Readonly<{ code: 'look-again'; severity: 'hint'; text: string; source: string; edition: string }>
  | Readonly<{ code: 'setting-not-allowed'; severity: 'error'; setting: string; value: string }>
  | Readonly<{ code: 'scope-exceeded'; severity: 'warning'; node: string; needs: string; audience: string }>;

/** Something the author should look at. Codes and facts only; each surface has one renderer that adds words. */
export type Finding = Facts & Readonly<{ at: Path }>;
export type FindingCode = Finding['code'];

const words: { [C in FindingCode]: (f: Extract<Finding, { code: C }>) => string } = {
  'dangling-id': (f) => `Names the ${f.wanted.kind} “${f.wanted.id}”, which does not exist.`,
  'duplicate-id': (f) => `The ${f.twice.kind} “${f.twice.id}” stands here twice.`,
  'duplicate-code': (f) => `Code ${f.text} is listed twice for the controller “${f.controller}”.`,
  'part-unknown': (f) => `There is no ${f.what} “${f.id}” on this unit.`,
  'code-without-pattern': (f) => `The readout “${f.readout}” cannot show ${f.text}.`,
  'codes-share-pattern': (f) => `${f.texts.join(' and ')} look the same on the readout “${f.readout}”.`,
  'look-alike-danger': (f) =>
    `${slipWords[f.slip.kind](f.slip.of)}, ${f.text} reads as ${f.becomes}, which warns of less: ${f.hazards.join(', ')} is left out.`,
  'pattern-without-code': (f) =>
    `“${f.readout}” can show ${f.count} more that no code stands for, such as ${f.examples.join(', ')}.`,
  'rows-share-pattern': (f) => `“${f.stage}”: ${f.pattern} stands for ${f.values.join(' and ')} alike.`,
  'row-unreadable': (f) =>
    `“${f.stage}”: ${f.pattern} is no pattern for ${f.lamps} lamp${f.lamps === 1 ? '' : 's'}: one of 1 0 - d l s f R G A W B Y for each.`,
  'weights-collide': (f) => `“${f.stage}”: ${f.ways} ways of lighting add up to ${f.sum}.`,
  'pause-not-told': (f) =>
    `“${f.stage}”: a pause of ${f.pauseMs / 1000} s cannot be told from the ${f.gapMs / 1000} s between two lights.`,
  'phase-not-told': (f) => `Nothing tells “${f.stage}” from “${f.from}”: no colour, no phase lamp, no pause.`,
  'stages-at-once': (f) =>
    `“${f.stages[0]}” and “${f.stages[1]}” both show on “${f.sign}”, and nothing brings the second on.`,
  'special-like-code': (f) => `“${f.special}” and ${f.text} look the same.`,
  'vector-fails': (f) => `The test “${f.vector}” reads ${f.reads}; it was ${f.wanted}.`,
  'readings-differ': (f) => `“${f.account}” reads ${f.texts.join(', ')} otherwise than “${f.readout}”.`,
  'sign-cannot-show': (f) => `“${f.sign}” is a ${f.is} and cannot be read as ${f.wants}.`,
  'consequence-circle': (f) =>
    `${f.texts.join(' → ')}: each is said to follow from the next, and the last from the first.`,
  'code-without-suspect': (f) => `${f.text} has no suspect.`,
  'code-without-chart': (f) => `${f.text} has no test chart yet.`,
  'code-without-source': (f) => `${f.text} names no source.`,
  'window-too-short': (f) =>
    `The window is ${f.windowMs / 1000} s; its steps take ${f.leastMs / 1000} s at the very least.`,
  'window-tight': (f) =>
    `Slack ${Math.round(f.slackRatio * 100)} %: the steps usually take ${f.usualMs / 1000} s of the ${f.windowMs / 1000} s.`,
  'control-cannot': (f) => `“${f.control}” cannot be ${actWords[f.act]}.`,
  'cover-not-opened': (f) => `“${f.control}” sits behind a cover (${f.cover}), and no way there is named.`,
  'cover-without-isolation': (f) =>
    `The cover over “${f.control}” (${f.cover}) wants the supply isolated first; here it is still on.`,
  'pressed-without-power': (f) => `“${f.control}” is worked while the unit has no supply.`,
  'never-let-go': (f) => `“${f.control}” is held, and nothing says when to let go.`,
  'let-go-not-held': (f) => `“${f.control}” is let go, but nothing held it.`,
  'cannot-be-dialled': (f) => `“${f.text}” cannot be set with these controls.`,
  'route-too-long': (f) => `With its repeats this is more than ${f.most} single acts.`,
  'nothing-done': (f) => `Nothing is done in “${f.route}”.`,
  'least-over-most': (f) => `The least, ${f.least}, is over the most, ${f.most}.`,
  'test-missing': (f) => `Test ${f.test} needs test ${f.wants} first, which does not exist.`,
  'knob-ends-elsewhere': (f) =>
    `Full turns end where they began: “${f.said}” is ${Math.abs(f.offClicks)} clicks ${f.offClicks > 0 ? 'further' : 'back'} for “${f.control}”.`,
  'sign-impossible': (f) => `“${f.sign}” ${f.why}.`,
  'no-confirming-sign': (f) => `No sign tells that “${f.route}” has reached “${f.mode}”.`,
  'setting-left-changed': (f) => `“${f.setting}” is set to “${f.value}”, and nothing puts the old value back.`,
  'instrument-function-missing': (f) =>
    `“${f.instrument}” lacks “${f.needs}”; ${f.others.length > 0 ? `${f.others.join(' and ')} has it` : 'no instrument of the school has it'}.`,
  'times-out-inside': (f) =>
    `“${f.mode}” times out after ${f.idleMs / 1000} s without a hand; this takes ${f.takesMs / 1000} s.`,
  'routes-alike': (f) => `The unit cannot tell “${f.routes[0]}” from “${f.routes[1]}”.`,
  'fires-first': (f) =>
    `“${f.routes[0]}” is complete ${f.earlyMs >= 1e9 ? '' : `${f.earlyMs / 1000} s `}before “${f.routes[1]}” can be.`,
  'list-entry-beyond': (f) => `Entry ${f.entry} is beyond the list, which runs from ${f.from} to ${f.to}.`,
  'not-put-back': (f) => `After leaving, “${f.control}” is still ${f.left}; it began ${f.home}.`,
  'retry-missing': (f) => `“${f.route}” does not say what to do when it does not take.`,
  'precondition-contradicted': (f) => `“${f.before}”, but the steps before leave “${f.control}” ${f.stands}.`,
  'summary-differs': (f) => `The summary says “${f.said}”; the steps say ${f.steps || 'nothing of it'}.`,
  'difference-open': (f) => `“${f.route}”: accounts differ in ${f.about}, and nobody has settled it.`,
  'no-way-out': (f) => `No route leaves the mode “${f.mode}”, and it does not time out.`,
  'mode-unreachable': (f) => `No route leads into the mode “${f.mode}”.`,
  'interlock-defeated': (f) =>
    `This step holds the interlock “${f.what}” false. It cannot be published; give a safe way to observe.`,
  'interlock-words': (f) => `“${f.words}” sounds like defeating an interlock. The reviewer must look at it.`,
  'start-missing': (f) => `It begins at “${f.start}”, which is no step of the chart.`,
  'node-unreachable': (f) => `No answer leads to “${f.node}”.`,
  'verdict-unreachable': (f) => `No answers together lead to the verdict “${f.node}”.`,
  'branch-open': (f) => `“${f.node}”: the answer “${f.answer}” leads nowhere.`,
  'answer-missing': (f) =>
    `“${f.node}” has no way on for “${f.answer}”${f.answer === 'cannot tell' ? '; one for the whole chart will do' : ''}.`,
  'loop-unbounded': (f) =>
    `${f.nodes.map((n) => `“${n}”`).join(' → ')} ${f.nodes.length === 1 ? 'leads to itself' : 'lead round'}, and nothing says how often or where to go then.`,
  'retry-leads-on': (f) => `“${f.node}”: after the last try it must come to a verdict.`,
  'bands-overlap': (f) => `“${f.node}”: “${f.bands[0]}” and “${f.bands[1]}” hold for the same readings.`,
  'bands-gap': (f) =>
    `“${f.node}”: a reading ${f.from === null ? `below ${f.to}` : f.to === null ? `above ${f.from}` : `between ${f.from} and ${f.to}`} belongs nowhere.`,
  'unit-impossible': (f) => `“${f.node}”: the good band wants ${f.of}, and is given ${f.is}.`,
  'band-outside-range': (f) =>
    `“${f.node}”: the good band is outside what the ${f.what} can show${f.most > 1e15 ? '' : ` (${f.least} to ${f.most})`}.`,
  'ohms-energised': (f) =>
    `“${f.node}” measures resistance on what is energised; that reads wrong and harms the meter.`,
  'volts-on-dead': (f) =>
    `“${f.node}” measures ${f.quantity} and is called dead: what has that is live, and is measured as such.`,
  'dead-not-isolated': (f) =>
    `“${f.node}” is measured dead, and on a way there nothing takes the supply off: neither a step, nor its hazards, nor how it is got at.`,
  'run-while-isolated': (f) =>
    `“${f.node}” wants supply, and every way there has taken it off without a step that puts it back.`,
  'insulation-through-all': (f) =>
    `“${f.node}” sends a test voltage through all that is connected; nothing is taken off first.`,
  'parallel-path': (f) => `“${f.node}”: with nothing taken off first, the reading may be of another path beside it.`,
  'meter-too-coarse': (f) =>
    `“${f.node}”: with the ${f.meter.toLowerCase()} (±${Number((f.accuracyRatio * 100).toPrecision(2))} %) ${f.leftRatio === 0 ? 'no reading' : `only ${Math.ceil(f.leftRatio * 100)} % of the good readings`} can be called good${f.better.length > 0 ? `; the ${f.better.join(' or the ').toLowerCase()} could` : ''}.`,
  'probe-not-marked': (f) => `“${f.node}”: its pictures show where some probes go, and not ${f.probes.join(', ')}.`,
  'limited-without-return': (f) => `“${f.node}” leaves it limited, and does not say what is put back and by when.`,
  'hand-on-to-nobody': (f) => `“${f.node}” hands on, and does not say to whom.`,
  'cover-left-open': (f) => `“${f.node}” opens “${f.cover}”, and nothing puts it back.`,
  'recalibration-missing': (f) =>
    `“${f.node}”: after a new ${f.part} the unit wants to be recalibrated${f.demands ? ` (${f.demands.replace(/\.$/, '')})` : ''}, and no step does.`,
  'test-unneeded': (f) => `“${f.node}” is about ${f.parts.join(', ')}, which nobody suspects.`,
  'call-circle': (f) => `${f.charts.join(' → ')}: the chart calls itself.`,
  'call-never-returns': (f) => `“${f.node}” goes on when “${f.chart}” finds ${f.finds}, and that chart never ends so.`,
  'call-unpublished': (f) => `“${f.node}” calls “${f.chart}”, which is not published.`,
  'use-incomplete': (f) => `${f.user} uses “${f.chart}” and does not give it ${f.missing.join(', ')}.`,
  'chart-without-clear': (f) => `${f.text}: after “${f.chart}” nothing erases the code.`,
  'chart-without-prove': (f) =>
    `${f.text}: nothing says how it is detected, so that no run after “${f.chart}” proves the repair.`,
  'chart-outlasts-mode': (f) =>
    `${f.text}: up to ${f.minutes} min pass before “${f.node}” without a hand on the unit; “${f.mode}” ends after ${f.idleMs / 60_000} min and has to be entered again.`,
  'loop-without-end': (f) => `From “${f.node}” no answers lead to a verdict.`,
  'energised-unprotected': (f) => `“${f.node}” is measured energised, and names no protection or hazard.`,
  'band-never-computes': (f) => `The good band of “${f.node}” cannot be computed: ${f.why}.`,
  'suspect-untested': (f) => `${f.text}: no test in “${f.chart}” is about the suspect “${f.part}”.`,
  'pattern-unreadable': (f) => `“${f.pattern}”: what stands at ${f.column} ${patternWords[f.why]}.`,
  'pattern-matches-everything': (f) => `“${f.pattern}” matches every model number.`,
  'bounds-upside-down': (f) => `The ${f.what} range from ${f.from} to ${f.to} stands upside down; it holds nothing.`,
  'variants-overlap': (f) =>
    `“${f.variants[0]}” and “${f.variants[1]}” both fit ${plateWords(f)}: nothing decides between them.`,
  'variants-gap': (f) => `No variant covers software ${boundsWords(f)}${f.model ? ` on ${f.model}` : ''}.`,
  'variants-missing': (f) => `${f.text} has no entry for ${f.variants.join(', ')}.`,
  'families-alike': (f) =>
    `The families ${f.families.join(' and ')} cannot be told apart by what is seen${f.missing.length > 0 ? `; “${f.missing.join('”, “')}” is known for one only` : ''}.`,
  'look-again': (f) => `${f.text} leans on “${f.source}”, which has a new edition (${f.edition}): look at it again.`,
  'setting-not-allowed': (f) => `“${f.value}” is not among the values “${f.setting}” allows.`,
  'scope-exceeded': (f) => `“${f.node}” is for ${f.needs}, the chart is for ${f.audience}.`,
};

/** What one slip is and what it happens to: a lamp, a place counted from 1, a segment; empty where nothing is named. */
export type SlipWords = Readonly<{
  kind: 'lamp-dark' | 'rate' | 'colour' | 'blink-missed' | 'blink-added' | 'length' | 'segment-lost' | 'character';
  of: string;
}>;
const slipWords: Record<SlipWords['kind'], (of: string) => string> = {
  'lamp-dark': (of) => `With ${of} dead`,
  rate: (of) => `With the rate of ${of} taken for another`,
  colour: (of) => `With the colour of ${of} taken for another`,
  'blink-missed': () => 'With one blink missed',
  'blink-added': () => 'With one blink too many',
  length: (of) => `With the length of blink ${of} taken for the other`,
  'segment-lost': (of) => `With the segment ${of} dead`,
  character: (of) => `With the character at ${of} taken for its look-alike`,
};

const actWords = { press: 'pressed', turn: 'turned by clicks', set: 'set to a place', hold: 'held there' } as const;

const plateWords = (f: { model: string; serial: string; software: string }): string =>
  [f.model || 'any model', f.serial && `serial ${f.serial}`, f.software && `software ${f.software}`]
    .filter(Boolean)
    .join(', ');
const boundsWords = ({ from, below }: { from: string | null; below: string | null }): string =>
  from === null ? `below ${below}` : below === null ? `${from} and up` : `${from} and up, below ${below}`;

/** A finding in one plain sentence. */
export function findingWords(finding: Finding): string {
  return (words[finding.code] as (f: Finding) => string)(finding);
}

/** Every finding code there is, for the tests that hold fixtures and wording complete. */
export const findingCodes = Object.keys(words) as FindingCode[];

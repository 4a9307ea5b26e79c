import { writeAmount } from '../base/parse-amount.ts';
import { assertNever } from '../base/result.ts';
import type { Finding, FindingCode, NamedSlip, PatternError, SignLimit } from '../model/finding.ts';
import type { LampState } from '../model/lamp.ts';
import { lampStates, lampTraits } from '../model/lamp.ts';
import type { IdKind } from '../model/reference.ts';
import { printDuration } from '../script/print.ts';

const patternWords: Record<PatternError['why'], string> = {
  'not-closed': 'is opened and not closed',
  'not-opened': 'is closed and was not opened',
  empty: 'holds nothing, so that it matches nothing',
  character: 'is no sign a plate has',
  range: 'is no range from a lower to a higher one',
};

const unsaid = {
  hazard: 'what can hurt there',
  protection: 'what protects from it',
  isolation: 'how it is isolated while the leads go on',
} as const;

const words: { [C in FindingCode]: (f: Extract<Finding, { code: C }>) => string } = {
  'dangling-id': (f) => `Names the ${f.wanted.kind} “${f.wanted.id}”, which does not exist.`,
  'duplicate-id': (f) => `The ${f.twice.kind} “${f.twice.id}” stands here twice.`,
  'duplicate-code': (f) => `Code ${f.text} is listed twice for the control board “${f.controller}”.`,
  'part-unknown': (f) =>
    `There is no ${thingWords[f.what] ?? f.what} “${f.id}” ${whereWords[f.what] ?? 'on this unit'}.`,
  'code-without-pattern': (f) => `The readout “${f.readout}” cannot show ${f.text}.`,
  'codes-share-pattern': (f) => `${f.texts.join(' and ')} look the same on the readout “${f.readout}”.`,
  'look-alike-danger': (f) =>
    `${slipWords[f.slip.kind](f.slip.of)}, ${f.text} reads as ${f.becomes}, which warns of less: ${f.hazards.join(', ')} is left out.`,
  'pattern-without-code': (f) =>
    `“${f.readout}” can show ${f.count} more that no code stands for, such as ${f.examples.join(', ')}.`,
  'rows-share-pattern': (f) => `“${f.stage}”: ${f.pattern} stands for ${f.values.join(' and ')} alike.`,
  'row-unreadable': (f) =>
    `“${f.stage}”: ${f.pattern} is no pattern for ${f.lamps} lamp${f.lamps === 1 ? '' : 's'}: one of 1 0 - ${lampStates.map((s) => lampTraits[s].letter).join(' ')} R G A W B Y for each.`,
  'weights-collide': (f) => `“${f.stage}”: ${f.ways} ways of lighting add up to ${f.sum}.`,
  'pause-not-told': (f) =>
    `“${f.stage}”: a pause of ${f.pauseMs / 1000} s cannot be told from the ${f.gapMs / 1000} s between two lights.`,
  'phase-not-told': (f) => `Nothing tells “${f.stage}” from “${f.from}”: no colour, no marker lamp, no pause.`,
  'stages-at-once': (f) =>
    `“${f.stages[0]}” and “${f.stages[1]}” both show on “${f.sign}”, and nothing brings the second on.`,
  'special-like-code': (f) => `“${f.special}” and ${f.text} look the same.`,
  'vector-fails': (f) => `The test “${f.vector}” reads ${f.reads}; it was ${f.wanted}.`,
  'readings-differ': (f) => `“${f.account}” reads ${f.texts.join(', ')} otherwise than “${f.readout}”.`,
  'sign-cannot-show': (f) => `“${f.sign}” is a ${f.is} and cannot be read as ${f.wants}.`,
  'consequence-circle': (f) =>
    `${f.texts.join(' → ')}: each is said to follow from the next, and the last from the first.`,
  'code-without-suspect': (f) => `${f.text} has no suspect.`,
  'hazards-missing': (f) =>
    `${f.text} names nothing that can hurt, nor do its routes and tests: name it, or say why there is none.`,
  'code-without-chart': (f) => `${f.text} has no test chart yet.`,
  'code-without-source': (f) => `${f.text} names no source.`,
  'window-too-short': (f) =>
    `The window is ${f.windowMs / 1000} s; its steps take ${f.leastMs / 1000} s at the very least.`,
  'window-tight': (f) =>
    f.slackRatio < 0
      ? `Its steps usually take ${f.usualMs / 1000} s, and the window is ${f.windowMs / 1000} s.`
      : `Slack ${Math.round(f.slackRatio * 100)} %: the steps usually take ${f.usualMs / 1000} s of the ${f.windowMs / 1000} s.`,
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
  'knob-ends-elsewhere': (f) =>
    `Full turns end where they began: “${f.said}” is ${Math.abs(f.offClicks)} clicks ${f.offClicks > 0 ? 'further' : 'back'} for “${f.control}”.`,
  'sign-impossible': (f) => `“${f.sign}” ${signLimitWords(f.why)}.`,
  'no-confirming-sign': (f) => `No sign tells that “${f.route}” has reached “${f.mode}”.`,
  'setting-left-changed': (f) => `“${f.setting}” is set to “${f.value}”, and nothing puts the old value back.`,
  'instrument-function-missing': (f) =>
    `“${f.instrument}” lacks “${f.needs}”; ${f.others.length > 0 ? `${f.others.join(' and ')} has it` : 'no instrument of the school has it'}.`,
  'route-circle': (f) =>
    f.routes.length === 1
      ? `“${f.routes[0]}” ${f.by === 'does' ? 'does itself' : 'needs itself first'}.`
      : `“${f.routes[0]}” ${f.by === 'does' ? 'does itself' : 'needs itself first'}, by way of ${f.routes
          .slice(1)
          .map((r) => `“${r}”`)
          .join(' and ')}.`,
  'part-begins-elsewhere': (f) => `“${f.part}” does not begin in “${f.mode}”, where the unit is by then.`,
  'amount-otherwise': (f) => `Here it says ${f.said}, and the value “${f.name}” is ${f.is}.`,
  'tests-outlast-mode': (f) =>
    `The tests of “${f.mode}” that run by themselves take ${printDuration(f.takesMs)}, and the mode ends after ${printDuration(f.lastsMs)}.`,
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
  'difference-open': (f) => `“${f.route}”: descriptions differ in ${f.about}, and nobody has decided it.`,
  'test-number-gap': (f) => `In “${f.mode}” the tests skip ${f.missing.join(', ')}.`,
  'test-order': (f) =>
    f.why === 'cold-only'
      ? `“${f.test}” only counts cold, and runs by itself after “${f.after}”.`
      : `“${f.test}” needs “${f.after}” first, and nothing runs that before it.`,
  'warns-after-lock-out': (f) => `${f.text} warns after ${f.warns}, but locks out after ${f.locksOut} already.`,
  'attempt-too-short': (f) =>
    `${f.text}: an attempt lasts ${printDuration(f.runMs)}, and the fault has to last ${printDuration(f.forMs)} to be seen.`,
  'stages-disagree': (f) => `${f.text}: the sign “${f.when}” goes by another count than ${f.counters.join(' and ')}.`,
  'lock-out-never-cleared': (f) => `${f.what} locks out, and nothing says how that is cleared.`,
  'no-way-out': (f) => `No route leaves the mode “${f.mode}”, and it does not time out.`,
  'mode-unreachable': (f) => `No route leads into the mode “${f.mode}”.`,
  'interlock-defeated': (f) =>
    `This step holds the interlock “${f.what}” false. It cannot be published; give a safe way to observe.`,
  'interlock-words': (f) => `“${f.words}” sounds like defeating an interlock. The reviewer must look at it.`,
  'node-unreachable': (f) => `No answer leads to “${f.node}”.`,
  'verdict-unreachable': (f) => `No answers together lead to the result “${f.node}”.`,
  'branch-open': (f) => `“${f.node}”: the answer “${f.answer}” leads nowhere.`,
  'answer-missing': (f) =>
    `“${f.node}” has no way on for “${f.answer}”${f.answer === 'cannot tell' ? '; one for the whole chart will do' : ''}.`,
  'loop-unbounded': (f) =>
    `${f.nodes.map((n) => `“${n}”`).join(' → ')} ${f.nodes.length === 1 ? 'leads to itself' : 'lead round'}, and nothing says how often or where to go then.`,
  'retry-leads-on': (f) => `“${f.node}”: after the last try it must come to a result.`,
  'bands-overlap': (f) => `“${f.node}”: “${f.bands[0]}” and “${f.bands[1]}” hold for the same readings.`,
  'bands-gap': (f) =>
    `“${f.node}”: a reading ${f.from === null ? `below ${f.to}` : f.to === null ? `above ${f.from}` : `between ${f.from} and ${f.to}`} belongs nowhere.`,
  'unit-impossible': (f) => `“${f.node}”: the good range wants ${f.of}, and is given ${f.is}.`,
  'band-outside-range': (f) =>
    `“${f.node}”: the good band is outside what the ${f.what} can show${f.most > 1e15 ? '' : ` (${f.least} to ${f.most})`}.`,
  'title-differs': (f) =>
    `“${f.node}” tells ${f.said}; its good range is ${f.least === null ? `up to ${writeAmount(f.most ?? 0, f.quantity)}` : f.most === null ? `${writeAmount(f.least, f.quantity)} and up` : `${writeAmount(f.least, f.quantity)} to ${writeAmount(f.most, f.quantity)}`}.`,
  'ohms-energised': (f) =>
    `“${f.node}” measures resistance on what is energised; that reads wrong and harms the meter.`,
  'volts-on-dead': (f) =>
    `“${f.node}” measures ${f.quantity} and is called dead: what has that is live, and is measured as such.`,
  'dead-not-isolated': (f) =>
    `“${f.node}” is measured dead, and on a way there nothing takes the supply off: neither a step, nor its own words, nor how it is got at. A danger that is only named takes nothing off.`,
  'run-while-isolated': (f) =>
    `“${f.node}” wants supply, and every way there has taken it off without a step that puts it back.`,
  'insulation-through-all': (f) =>
    `“${f.node}” sends a test voltage through all that is connected; nothing is taken off first.`,
  'parallel-path': (f) => `“${f.node}”: with nothing taken off first, the reading may be of another path beside it.`,
  'meter-too-coarse': (f) =>
    `“${f.node}”: with the ${f.meter.toLowerCase()} (±${Number((f.accuracyRatio * 100).toPrecision(2))} %) ${f.leftRatio === 0 ? 'no reading' : `only ${Math.ceil(f.leftRatio * 100)} % of the good readings`} can be called good${f.better.length > 0 ? `; the ${f.better.join(' or the ').toLowerCase()} could` : ''}.`,
  'measured-nowhere': (f) => `“${f.node}” says neither where the probes go nor what the unit shows.`,
  'value-not-shown': (f) =>
    f.shows === null
      ? `“${f.node}”: “${f.readout}” shows no such value${f.address === null ? '' : ` behind ${f.address}`}.`
      : `“${f.node}” measures something else than “${f.readout}” shows${f.address === null ? '' : ` behind ${f.address}`}.`,
  'probe-not-marked': (f) =>
    `“${f.node}”: its pictures show where some measuring points are, and not ${f.probes.join(', ')}.`,
  'limited-without-return': (f) => `“${f.node}” leaves it limited, and does not say what is put back and by when.`,
  'hand-on-to-nobody': (f) => `“${f.node}” hands on, and does not say to whom.`,
  'cover-left-open': (f) => `“${f.node}” opens “${f.cover}”, and nothing puts it back.`,
  'recalibration-missing': (f) =>
    `“${f.node}”: after a new ${f.part} the unit wants to be recalibrated${f.demands ? ` (${f.demands.replace(/\.$/, '')})` : ''}, and no step does.`,
  'test-unneeded': (f) => `“${f.node}” is about ${f.parts.join(', ')}, which nobody suspects.`,
  'call-circle': (f) => `${f.charts.join(' → ')}: the chart calls itself.`,
  'call-never-returns': (f) =>
    `“${f.node}” goes on when “${f.chart}” finds ${f.finds.replaceAll('-', ' ')}, and that chart never ends so.`,
  'call-unpublished': (f) => `“${f.node}” calls “${f.chart}”, which is not published.`,
  'use-incomplete': (f) => `${f.user} uses “${f.chart}” and does not give it ${f.missing.join(', ')}.`,
  'remedy-forgotten': (f) =>
    `“${f.node}” is measured again after “${f.remedy}”; where it is good then, it comes to “nothing found”.`,
  'chart-without-clear': (f) => `${f.text}: after “${f.chart}” nothing erases the code.`,
  'chart-without-prove': (f) =>
    `${f.text}: nothing says how it is detected, so that no run after “${f.chart}” proves the repair.`,
  'chart-outlasts-mode': (f) =>
    `${f.text}: up to ${f.minutes} min pass before “${f.node}” without a hand on the unit; “${f.mode}” ends after ${f.idleMs / 60_000} min and has to be entered again.`,
  'loop-without-end': (f) => `From “${f.node}” no answers lead to a result.`,
  'energised-unprotected': (f) =>
    `“${f.node}” is measured energised, and does not say ${f.missing.map((m) => unsaid[m]).join(', nor ')}.`,
  'band-never-computes': (f) => `The good range of “${f.node}” cannot be computed: ${f.why}.`,
  'suspect-untested': (f) => `${f.text}: no test in “${f.chart}” is about the suspect “${f.part}”.`,
  'pattern-unreadable': (f) => `“${f.pattern}”: what stands at ${f.column} ${patternWords[f.why]}.`,
  'part-two-numbers': (f) =>
    `“${f.part}” is ${f.numbers[0].join(' or ')} in “${f.families[0]}” and ${f.numbers[1].join(' or ')} in “${f.families[1]}”.`,
  'contact-without-hours': (f) => `“${f.contact}” is to be rung, and nothing says when.`,
  'two-currencies': (f) => `Parts of this unit are priced in ${f.currencies.join(' and ')}.`,
  'trade-for-nobody': (f) => `“${f.hazard}” names a trade (${f.trade}) and is open to anybody who uses the unit.`,
  'proof-falls-short': (f) =>
    `“${f.title}” is called bench-proven by “${f.proof}”, which ${[
      ...(f.notFor.length > 0 ? [`says nothing of ${f.notFor.join(' and ')}`] : []),
      ...(f.steps > 0 ? [`did not see ${f.steps} of its steps`] : []),
    ].join(' and ')}.`,
  'pattern-matches-everything': (f) => `“${f.pattern}” matches every model number.`,
  'bounds-upside-down': (f) => `The ${f.what} range from ${f.from} to ${f.to} stands upside down; it holds nothing.`,
  'variants-overlap': (f) =>
    `“${f.variants[0]}” and “${f.variants[1]}” both fit ${plateWords(f)}: nothing decides between them.`,
  'variants-gap': (f) => `No variant covers software ${boundsWords(f)}${f.model ? ` on ${f.model}` : ''}.`,
  'variants-missing': (f) => `${f.text} has no entry for ${f.variants.join(', ')}.`,
  'families-alike': (f) =>
    `The families ${f.families.join(' and ')} cannot be told apart by what is seen${f.missing.length > 0 ? `; “${f.missing.join('”, “')}” is known for one only` : ''}.`,
  'carried-over': (f) => `“${f.title}” was carried over from “${f.from}”, and nobody has looked at it here yet.`,
  'look-again': (f) => `${f.text} leans on “${f.source}”, which has a new edition (${f.edition}): look at it again.`,
  'setting-not-allowed': (f) => `“${f.value}” is not among the values “${f.setting}” allows.`,
  'scope-exceeded': (f) => `“${f.node}” is for ${f.needs}, the chart is for ${f.audience}.`,
};

const slipWords: Record<NamedSlip['kind'], (of: string) => string> = {
  'lamp-dark': (of) => `With ${of} dead`,
  rate: (of) => `With the rate of ${of} taken for another`,
  colour: (of) => `With the colour of ${of} taken for another`,
  'blink-missed': () => 'With one blink missed',
  'blink-added': () => 'With one blink too many',
  length: (of) => `With the length of blink ${of} taken for the other`,
  'segment-lost': (of) => `With the segment ${of} dead`,
  character: (of) => `With the character at ${of} taken for its look-alike`,
};

const neverWords: Readonly<Record<LampState, string>> = {
  dark: 'is never dark',
  lit: 'is never lit without blinking',
  slow: 'does not blink slowly',
  fast: 'does not blink fast',
};

/** Why a sign cannot show something, as it goes on after the sign’s name. */
export function signLimitWords(limit: SignLimit): string {
  switch (limit.kind) {
    case 'is-a-lamp':
      return 'is a lamp';
    case 'never-coloured':
      return `is never ${limit.colour}`;
    case 'never-so':
      return neverWords[limit.state];
    case 'makes-no-sound':
      return 'makes no sound';
    case 'shows-text':
      return 'shows text';
    case 'has-room-for':
      return `has room for ${limit.characters} characters`;
    case 'cannot-draw-letter':
      return 'cannot draw that letter';
    case 'shows-nothing':
      return 'is heard or felt, and shows nothing';
    default:
      return assertNever(limit);
  }
}

/** What is named by an id, where people say it otherwise. */
const thingWords: Readonly<Partial<Record<IdKind, string>>> = {
  node: 'step',
  parameter: 'rating',
  controller: 'control board',
  face: 'side',
  account: 'description',
  input: 'physical input',
  'reading-account': 'description of the reading',
};
/** Where it should be, where that is not the unit. */
const whereWords: Readonly<Partial<Record<IdKind, string>>> = {
  node: 'in this chart',
  place: 'on this control',
  variable: 'in this mode',
  test: 'in this mode',
  stage: 'in this readout',
  special: 'in this readout',
  mark: 'in this readout',
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

/** Every finding code there is. */
export const findingCodes = Object.keys(words) as FindingCode[];

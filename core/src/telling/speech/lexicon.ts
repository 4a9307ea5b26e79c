/** What an act comes to, whatever verb it is told by. */
export type Act =
  | 'press'
  | 'hold'
  | 'release'
  | 'turn'
  | 'set'
  | 'open'
  | 'shut'
  | 'in'
  | 'out'
  | 'up'
  | 'down'
  | 'wait'
  | 'see'
  | 'dial'
  | 'step'
  | 'pull';

const acts: Readonly<Record<Act, string>> = {
  press:
    'press presses pressed pressing push pushes pushed pushing hit hits hitting tap taps tapped tapping touch touched punch poke prod click actuate actuates actuated actuation actuating operate operates operated operating',
  hold: 'hold holds held holding squeeze squeezes squeezed squeezing keep keeps kept keeping depress depressed',
  release: 'release releases released releasing',
  turn: 'turn turns turned turning twist twists twisted twisting rotate rotates rotated rotating crank wind',
  set: 'set sets switch switches switched switching flick flicks flicked flip flips flipped put puts putting move moves moved moving slide slides slid bring brings brought go goes going went throw change swing place return returns returned',
  open: 'unclip unclips unclipped open opens opened opening reopen reopens reopened lift lifts lifted lifting raise raises raised raising',
  shut: 'close closes closed closing shut shuts shutting',
  in: 'insert inserts inserted reinsert refit refits replug connect connects connected reconnect reconnects plug plugs plugged stick sticks stuck fit fits fitted',
  out: 'remove removes removed disconnect disconnects disconnected unplug unplugs unplugged detach withdraw withdraws withdrawn draw draws drew drawn extract extracts extracted',
  up: '',
  down: 'lower lowers lowered',
  wait: 'wait waits waited waiting leave leaves left_alone rest count',
  see: 'show shows showed shown read reads say says said display displays appear appears light lights lit flash flashes flashing flashed blink blinks blinking blinked flicker flickers flickering beep beeps beeped chime chimes sound sounds sounded buzz buzzes buzzed ring rings rang ringing',
  dial: 'dial enter type key_in',
  step: 'step scroll climb',
  pull: 'pull pulls pulled pulling',
};

/** By a word as it stands: what it comes to as an act. */
export const actOf: ReadonlyMap<string, Act> = new Map(
  (Object.keys(acts) as Act[]).flatMap((act) =>
    acts[act]
      .split(' ')
      .filter(Boolean)
      .map((word) => [word, act] as const),
  ),
);

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '));

export const rightWords = set('right clockwise rightwards');
export const leftWords = set('left anticlockwise counterclockwise leftwards anti-clockwise counter-clockwise');
export const clickWords = set(
  'click clicks notch notches detent detents stop stops step steps position positions increment increments division divisions',
);
export const turnWords = set('turn turns revolution revolutions round rounds');
export const togetherWords = set('together both simultaneously');
export const negWords = set(
  "not don't dont never no won't wont can't cant cannot doesn't doesnt isn't isnt shouldn't mustn't nobody nothing without needn't didn't didnt wouldn't wouldnt shouldnt",
);
/** Words that change nothing of what is done. */
export const fillWords = set(
  'the a an your its this that these those please just now carefully gently simply so yet still straight well um uh er ah like then you i we he she they my our his her one again also both only here there little small big white green red amber yellow blue black first',
);

export const unitMs: Readonly<Record<string, number>> = {
  ms: 1,
  s: 1000,
  sec: 1000,
  secs: 1000,
  second: 1000,
  seconds: 1000,
  minute: 60_000,
  minutes: 60_000,
  min: 60_000,
  mins: 60_000,
  hour: 3_600_000,
  hours: 3_600_000,
  h: 3_600_000,
};

/** Said before something that takes the place of what was said last. */
export const corrections: ReadonlyArray<readonly string[]> = [
  ['no', 'sorry'],
  ['sorry', 'no'],
  ['no', 'wait'],
  ['wait', 'no'],
  ['i', 'mean'],
  ['no', 'i', 'mean'],
  ['sorry'],
  ['rather'],
  ['correction'],
  ['no', 'no'],
  ['no', 'that', 'is', 'wrong'],
  ['no', 'that', 'wrong'],
  ['no', "that's", 'wrong'],
  ['no', 'thats', 'wrong'],
  [',', 'no', ','],
];

/** Where somebody begins to say all of it once more, shortly. */
export const sumsUp =
  /\b(?:so,? in short|in short|to sum up|then to sum up|to summari[sz]e|summari[sz]ing|in summary|summary(?=[:.,])|to repeat(?=[:,])|summed up|in sum|all in all|so altogether|quick recap|to recap|recap|so once more|once (?:more|again) from the (?:top|start|beginning)|(?<=[.!?]\s*|\bso )one more time|so again|okay,? so again|so next time|(?<=[.!?]\s*|\bso |\bokay |\bnow )all over again|so that was(?! (?:all|it|them|both|everything|that|the (?:lot|last|end|first))\b)|so that is it|in other words,? so|all together now|so the whole thing (?:again|once more)|(?<!\b(?:and|again|over|start|begin|back|then|,) )from the top|in brief|in a nutshell|in a few words|the short version|in one line|tl;?dr|so in order)\b/i;

/** Cues of another route than the one before: its name, by what is said that it is for. */
export const routeCues: ReadonlyArray<readonly [name: string, cue: RegExp]> = [
  [
    'Erase',
    /\b(?:eras(?:e|es|ing|ed)|clear(?:s|ing)? (?:it|them|that|all|the)|clear(?= ?[:=])|to clear\b(?! (?:the way|a path))|how (?:do|can) (?:i|we|you) clear|wip(?:e|es|ing|ed)|delet(?:e|es|ing|ed|ion)|rid of|(?:memory|history|list|codes?|faults?) (?:is |are )?(?:gone|empty)|clears(?= *[.,;!]|$)|reset(?:s|ting)? (?:it|them|the (?:codes?|memory|faults?|list|lamp|light))|to reset|empties(?= (?:it|them|the (?:log|memory|list|store)))|empty(?:ing)?(?: (?:it|the (?:log|memory|list|store)))?(?=[:,]| )(?! the (?:tank|tray|bin))|bins? (?:it|them|the lot)|forgets?(?: (?:it|them|everything))?(?= *[.,!]|$)|purg(?:e|ing))\b/i,
  ],
  [
    'Next',
    /\b(?:next (?:one|code|fault|place|number|entry|error|alarm|line|stored)|(?:for|see|brings?|shows?|get|gets|gives?) (?:you )?the (?:next|second|other|others)|the next\b(?= *[.,?]|$)|(?:the )?(?:previous|preceding|older|earlier) (?:one|ones|fault|faults|code|codes|number|entry|entries|error|errors)|(?:the )?older(?= one)|(?:the )?(?:one|fault|code|number|mistake|error|alarm|entry) (?:that was (?:there )?)?before(?: (?:that|it|them))?|another (?:one|stored|number|code)|steps? through|goes? (?:on )?through|go through|each (?:further|press|click|tap|push)|every (?:press|click|tap|push|further)|one after the other|more of them|one further|newest first|anything (?:after|behind) (?:it|that))\b/i,
  ],
  ['Calibrate', /\b(?:calibrat(?:e|es|ing|ion)|to teach it|teaching it|to zero it|to level it|set the zero)\b/i],
  [
    'Leave',
    /\b(?:to (?:leave|finish|get (?:back )?out|come out|go out|exit|end|quit|close|get back)|for (?:go out|the ending|leaving)|leaving(?! (?:the |your )?[\w ]{1,14} (?:in|on|off|at|out|open|shut|closed|alone|as|pressed|where))|ending|finishing|termination|get out again|when (?:you|we|i)(?:'re|'ve| are| have)? ?(?:are |all |have |'ve )?(?:done|finished|through|had enough)|when (?:it|all|everything)(?: is|'s)? (?:all )?(?:done|finished)|at the end|at last|afterwards|after the work|back to normal|and you(?:'re| are) (?:done|finished)|finally|out(?=:))(?!\w)/i,
  ],
];

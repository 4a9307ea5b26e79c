import type { Item } from './item.ts';
import { mentionAt } from './mentions.ts';
import { isOf, isPush, type Reader } from './reader.ts';
import { type Segment, saidOf } from './segments.ts';

export const named = (items: readonly Item[]): boolean =>
  items.some(isOf('control', 'act', 'clicks', 'turns', 'let-go'));

/** What is said not to be done, or not to work. */
export function isWarning(segment: Segment, items: readonly Item[], not: number, act: number): boolean {
  const text = saidOf(segment);
  if (/\bif (?:it|you) (?:does|do)n't\b/.test(text)) return false;
  // `not the second, the third`; `no more than`
  if (/^(?:not|no) (?:the )?(?:before|the second|the first|more)/.test(text)) return true;
  return act < 0 || not < act || items.slice(act).some(isOf('not'));
}

/** `so it can't drive off`, `so that nobody falls`: why, not what. */
export function isPurpose({ words }: Segment): boolean {
  // `so that's Up and Down`: which ones
  if (/^that['’]?s$/i.test(words[1]?.raw ?? '')) return false;
  const text = words
    .slice(0, 5)
    .map((w) => w.word)
    .join(' ');
  return /^so (?:that|nobody|nothing|no)\b|^so \w+(?: \w+)? (?:can't|cant|cannot|won't|wont|doesn't|doesnt|(?:does|will|can|do) not)\b/.test(
    text,
  );
}

/** What others do, what would happen, what is not part of it. */
export function isAside(segment: Segment): boolean {
  const text = saidOf(segment);
  return /^(?:(?:you|one|we|i) (?:could|can) also|on the (?:old|other|old grey) ones?|some people|some (?:say|tell|think|claim|swear)|people (?:say|tell|think)|somebody (?:asked|told|said|says|will|keeps|left|has|once|always|else)|(?:this|that|it) is (?:only |always )?done (?:with|by)|(?:and |but |so )?(?:it|this|that|they)(?:'s| is| are) (?:a|an|my|your|only|in the|at the|by the)|my (?:sister|brother|colleague|cousin|theory)|he said|she said|they say|people say|what doesn't work|the man said|i've seen|i have seen|the old man|it has been reported|everybody tells|should you(?! (?:wish|want|need|like|have|prefer)\b.*\b(?:clear|empty|erase|delete|wipe|reset|leave|finish|see|read|get))|unless|that way|too (?:slow|late|fast|short)|otherwise the|or it|or she|or the|or your|or else|(?:nb )?on (?:the |a |an )?\w+ (?:it was|you had|one had)|last time|yesterday|(?:i|we|he|they|you)(?: have| had)? (?:tie|tied|tape|taped|strap|strapped|jam|jammed|wedge|wedged)|so (?:that )?(?:i|you|we) (?:could|can) see|(?:and )?(?:it|that)(?:'s| is)? (?:\w+ ){1,2}(?:clicks|turns|notches) (?:from|away)|(?:and |so )?(?:that|thats|that's)(?: is)? (?:two|three|four|five|six|seven|eight|\d+) (?:presses|pushes|taps|clicks)\b|(?:and |which |this |that |it )*(?:silences|mutes|quietens|shuts up) |(?:and |but )?(?:it|he|she|that)(?:'ll| will|'d| would)? (?:jumps?|springs?|snaps?|falls?|comes?|goes|flicks?) back (?:to|by|into|on)|(?:and |but )?(?:it|he|she) stays)\b/.test(
    text,
  );
}

/** `the old ones want B first`, `I once pressed Roll instead`: what others do, and what somebody did by mistake. */
const hearsay =
  /^(?:and |but |so |because )*(?:(?:(?:anybody|anyone|everybody|those|people|whoever|the ones?)(?: who| that)?|(?:somebody|someone) who) (?:presses|press|pressed|holds?|held|turns?|turned|pulls?|pulled|opens|opened|switches|lets go|touches)|(?:i|we|he|she|somebody|someone|a colleague) once (?!more|again|the|it|you|you've)\w+|(?:some |some people |many )(?:hold|press|push|turn|pull|do|try|use|switch)|people (?:hold|press|push|turn|pull|do|try|use|switch|keep|go|swear|want|leave|forget|put|take|always|often|usually|tend)|everybody (?:holds|presses|does|tries|thinks)|(?:the one|the ones|ours|theirs|mine|the other one) (?:at|in|from|over) the \w+ (?:wants|needs|takes|has|is|was))\b/;
const instead =
  /\b(?:i|he|she|we|they) (?:once |had |have )?(?:pressed|held|pulled|turned|switched|took|hit) .+ instead\b/;
/** Who is told of and is not the one who is told: with what he did, or does by habit, it is hearsay. */
const others =
  '(?:some(?:body|one)|some (?:people|folks|guys|idiot|joker|clever \\w+|of (?:them|us|the \\w+))|(?:every|any)(?:body|one)|(?:my|our|the|a|one of the|his|her) (?:\\w+ )?(?:colleagues?|mate|boss|chief|foreman|teacher|instructor|father|uncle|brother|wife|husband|predecessor|neighbou?r|customers?|users?|drivers?|owners?|tenants?|guests?|cleaners?|night shift|day shift|apprentice|lad|lads|kids|nurses?|guy|guys|man|lady|woman|fellow))';
const did =
  '(?:had |has |have |always |often |usually |sometimes |never |once |just |then |still )*(?!needed|used to be|pointed|mentioned|noticed|found|discovered|asked|needs)(?:\\w{2,}ed|pulled|took|left|put|held|gave|went|did|made|broke|lost|swore|sat|hit|got|tore|bent|forgot|shut|kept|thought|taken|done|(?<=(?:always|often|usually|sometimes|never) )\\w+s?)';
const mishap = new RegExp(`^(?:and |but |so |because |well |ok |then |now |i think |maybe )*${others} ${did}\\b`);
const says = new RegExp(
  `^(?:and |but |so |because |well )*${others} (?:always |still |often )*(?:says?|thinks?|swears?|claims?|believes?|tells?|told|taught|showed|insists?|reckons?)\\b`,
);
const told =
  /^(?:and |but |so |because )*(?:i've been|i have been|i was|we were|i'm|i am) told (?:that )?(?:some|people|somebody|someone|you can|one can|they)\b/;
/** When that was: not now. */
const before =
  /\b(?:last (?:week|month|year|night|summer|winter|spring|autumn|monday|tuesday|wednesday|thursday|friday|saturday|sunday)|the other day|(?:weeks|months|years|a year|a month|a week) ago|used to)\b/;
/** `it does nothing with the gate open`: what does not work. */
const doesNothing =
  /\b(?:won't|wont|will not|doesn't|doesnt|does not|wouldn't) (?:let (?:you|me|us)|allow|accept|start|go|open|work|run|take|do)\b.*\b(?:with|without|while|when|as long as|unless|before)\b|(?<!\b(?:you|i|we|and) )\b(?:do|does|did) nothing\b|\b(?:has|have|makes?|had|made) no (?:effect|difference)\b|\b(?:is|are|gets) ignored\b|\bignores (?:it|you|that)\b/;

/** `you see I've got the bowl off here`: how it stands while it is told. */
const shownSo =
  /^(?:okay |ok |so |and |right |now )*(?:(?:as )?(?:you (?:can )?see)(?: that)? )?(?:i've|i have|we've|we have) (?:already )?(?:got )?(?:the|my|this) [\w ]+ (?:off|open|out|up|down)(?: here| already| now)?$/;

/** `has three buttons, Roll, Heat and Eject`: what there is. */
const inventory =
  /\b(?:has|have|has got|have got|got|there are|you have|with) (?:only |just )?(?:two|three|four|five|six|seven|eight|\d) (?:\w+ )?(?:buttons|keys|pads|knobs|switches|positions|places|settings)$/;

/** Whether a stretch tells of what is not done now: hearsay, a mishap, what there is on a panel. */
export function isHearsay(r: Reader, segment: Segment): boolean {
  const text = saidOf(segment);
  if (hearsay.test(text) || instead.test(text) || mishap.test(text) || says.test(text) || told.test(text)) return true;
  // `I had a customer who pressed Speed here`
  if (
    /^(?:and |but |so )?(?:i|we)(?:'ve| have)? (?:had|have|seen|know|knew|met|got) (?:a|an|one|this|some|that) \w+(?: \w+)? who\b/.test(
      text,
    )
  )
    return true;
  // `pressing Menu three times only starts the printer`: what else it is for
  if (/^(?:note |and |but )*(?:pressing|holding|turning|pulling|pushing) .* (?:only|merely|just) (?:\w+s)\b/.test(text))
    return true;
  if (shownSo.test(text) && /\b(?:here|already|see)\b/.test(text)) return true;
  if (doesNothing.test(text) && !/^(?:and |but )?(?:it|that) (?:does|did|will do) nothing$/.test(text)) return true;
  if (before.test(text) && !/\b(?:i|we|you)\b(?! used to)/.test(text)) return true;
  const ahead = r.ahead.map(saidOf).join(' ');
  return inventory.test(text) && !/\b(?:press|push|hold|hit|tap|turn)\b/.test(`${text} ${ahead}`);
}

/** `the head could move`, `Set would throw you out`: what a control might do. */
export function couldDo(r: Reader, segment: Segment): boolean {
  const words = segment.words;
  const at = words.findIndex((w) => /^(?:could|would|might)$/.test(w.word));
  if (at < 1 || at > 5) return false;
  const named = [1, 2, 3].some((k) => at - k >= 0 && mentionAt(words, at - k, r.called.controls)?.length === k);
  return named && !/^(?:you|i|we|one)$/.test(words[at - 1]?.word ?? '');
}

/** Whether it is told now how what shows is read, or what it means. */
export function tellsReading(segment: Segment, items: readonly Item[]): boolean {
  const hands = items.some((x) => x.is === 'act' && x.act !== 'see' && x.act !== 'wait');
  if (hands && items.some((x) => x.is === 'control' || x.is === 'it' || x.is === 'clicks')) return false;
  const text = saidOf(segment);
  if (items[0]?.is === 'while' && items[1]?.is === 'sign' && !items.some(isOf('control'))) return true;
  return /\b(?:means?(?! (?:nothing|it's (?:taken|accepted|got)|it is (?:taken|accepted)|it has|it took|you're in|we're in))|meaning|stands? for(?! (?:at least|about|another|some|a|an|one|two|three|five|ten|half|\d+)\b)|you(?: are|'re) reading|add (?:it|them|those|up)|adds? up|adding up|that(?:'s| is) the (?:code|number|letter|tens?|ones?|units?)|(?:it|she|he|that) (?:now )?tells you|(?:you|i) (?:now )?(?:read|count|look|had|got) (?:the|it|how)|^(?:and |so |please )*count (?:it|them|those|the|how|for)|(?:gives?|blinks?|flash\w*|winks?|shows?|has|tell(?:s|ing)?) (?:you )?(?:now )?(?:the|its|your) (?:number|code|fault|error|tens?|ones?)|how (?:many times|often)|(?:after|behind) the (?:last|first|second|third|fourth|sixth|\w+th) (?:one|fault|code|entry|error|number|alarm)|no more (?:faults|codes|errors|entries)|so many|(?:mine|ours|yours|this one|hers|his) (?:says|said|reads|shows|blinks|is|was|had)|(?:winks?|blinks?|flash\w*) (?:out|you) (?:a|the)|what are we looking at|the code|counts? (?:as|for)|let'?s? say|for example|say(?:ing)? hello)\b/.test(
    text,
  );
}

/** Whether a stretch says what a part measures, or what causes a fault. */
export function hasReading(segment: Segment): boolean {
  const text = saidOf(segment);
  return (
    /\b(?:likely causes?|ohms?|kilohms?|kiloohms?|megohms?|volts?|millibar|hertz|watts?|kilowatts?)\b/.test(text) ||
    segment.words.some(
      (w, i) =>
        /^(?:bar|degrees|percent)$/.test(w.word) &&
        segment.words.slice(Math.max(0, i - 3), i).some((x) => x.value !== null),
    )
  );
}

/** `Menu advances to the next fault`, `Call gives you the one before`: what a key is for that leads on. */
export const leadsOn = (text: string): boolean =>
  /^(?:\S+ ){1,3}(?:one|the) (?:older|newer|next|previous|earlier|later)(?: one)?$/.test(text) ||
  /\bfor (?:the )?(?:next|older|previous|other|others|rest|last|second|ones? before|earlier)\b/.test(text) ||
  (/\b(?:gives?|tells?|brings?|gets?|fetches|takes?|walks?|moves?|steps?|advances?|selects?|recalls?|pages?|scrolls?|goes|leads?|jumps?|shows?|comes?)(?: you| us| me| it| on| up| down| through| along| back| forward| to)*(?: the)? (?:next|first|last one|latest|newest|older|previous|other|one (?:more|further)(?: (?:code|fault|entry|error|number))?|another (?:code|fault|entry|error|one)|(?:one|message|code|fault|entry|error|number) (?:before|after)|list|rest|following|newer|earlier|preceding)\b/.test(
    text,
  ) &&
    !/\b(?:place|letter|digit|figure|character|position)\b/.test(text)) ||
  /\b(?:scroll|browse|page|leaf|step|walk|go|move)(?:s|es|ing)? (?:up and down |forwards? |on |up |down )?(?:through|along) (?:them|it|the)\b/.test(
    text,
  ) ||
  /\b(?:walks?|steps?|pages?|scrolls?|leafs|takes?|moves?|runs?) (?:you |us |me )?through(?: them| it| the list| all of them)?$|\bis next$|\badvances? (?:by )?one\b|\bby one (?:fault|code|entry|error)\b/.test(
    text,
  ) ||
  /\b(?:is|that's|it's) (?:how|the way) (?:you|we|one|i|to) (?:can )?(?:leave|leaves|exit|quit|finish|stop|get|gets|come|go|clear|erase|wipe|delete)\b/.test(
    text,
  ) ||
  /\b(?:takes|gets|brings|moves) you\b|\bgoes? back(?: one)?$|\b(?:takes|moves|brings) (?:you |it )?(?:forward|back|on|onwards)\b/.test(
    text,
  );

/** What a code means, what a part measures, what causes it: nothing of that is done. */
export function isTalk(r: Reader, segment: Segment): boolean {
  const text = saidOf(segment);
  const raw = segment.words.map((w) => w.raw).join(' ');
  if (hasReading(segment)) return true;
  if (
    /\b(?:in a row|locks? out|is stored|are stored|not stored|erased after|are erased|comes? when|is reported|only reported|counts? (?:as )?(?:one|two|four|five|eight|ten|\d)|stands for|the tens|the ones|the units|with (?:one|two|three|four|five|six|\d) flash\w*)\b/.test(
      text,
    ) &&
    !/\b(?:press|hold|push)\b/.test(text)
  )
    return true;
  const [first] = segment.words;
  // `mid is for normal work`
  if (
    /^(?:the )?(?:\S+ ){1,2}is (?:only |just |there )?for (?:the |when |if |your |a )?\w+/.test(text) &&
    !leadsOn(text) &&
    !/\b(?:press|hold|push|turn|put|set)\b/.test(text)
  )
    return true;
  const moves = first && mentionAt(segment.words, 0, r.called.controls);
  // `up makes it bigger, next goes to the next place`
  if (
    moves &&
    isPush(moves.of) &&
    /^(?:changes?|makes?|moves?|goes|selects?)$/.test(segment.words[moves.length]?.word ?? '') &&
    !leadsOn(text)
  )
    return true;
  const named =
    first && (mentionAt(segment.words, 0, r.called.controls) ?? mentionAt(segment.words, 0, r.called.signs));
  // `small is one, large is two`
  if (
    named &&
    /^(?:is|counts?|=)$/.test(segment.words[named.length]?.word ?? '') &&
    segment.words[named.length + 1]?.value != null &&
    segment.words.length <= named.length + 3
  )
    return true;
  const code =
    /^(?:code |fault |error )?(?:[A-Z] ?\d{1,3}|[A-Z] (?:oh |zero )?(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\w+teen|\w+ty)|\d{2,3})(?: is\b| means\b|,| |$)/;
  return (
    segment.joined === 'start' &&
    // a number alone counts the steps of a list
    !(segment.words.length === 1 && first?.value != null) &&
    // `F2 out`: a fuse is called so; `P2, P2, P1`: keys are
    !moves &&
    // `L3 flashes`: a lamp is called so
    !(
      named &&
      !moves &&
      /^(?:flash|blink|light|go|come|turn|stay|start|stop)\w*$/.test(segment.words[named.length]?.word ?? '')
    ) &&
    code.test(raw) &&
    // `Main switch off. 30 seconds.`
    !/^\d{1,3} (?:s|secs?|seconds?|mins?|minutes?)(?: |$)/.test(raw) &&
    !segment.words.some((w) => /^(?:press|hold|push|turn)$/.test(w.word))
  );
}

/** Whether what is told just now is what does not work. */
export function isMuted(r: Reader, segment: Segment): boolean {
  const text = saidOf(segment);
  if (/\bwhat (?:does not|doesn't|do not|don't) work\b/.test(text)) r.muted = true;
  if (/\bwhat (?:does|do) work\b|\bwhat works\b/.test(text)) r.muted = false;
  // `which do nothing whatsoever: pressing all four at once. Holding Jets while it heats.`
  const isListed =
    /^(?:and |or |also )*(?:\w+ing|all (?:of )?(?:the |them|these|those|\w+ing)|the (?:one|trick|thing) )\b/.test(text);
  if (!isListed)
    r.listsUseless = /\b(?:do|does|did) (?:absolutely |exactly |just )?nothing(?: whatsoever| at all)?$/.test(text);
  return (r.muted && r.saysWhatWorks) || (isListed && r.listsUseless);
}

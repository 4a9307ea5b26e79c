import type { Made, Reader } from './reader.ts';

/** How far before and behind a look it is told what it is for, in letters. */
const near = 60;

const many = String.raw`(?:\d+|one|two|three|four|five|six|seven|eight|nine|ten)`;
/** `3 long 2 short`, `blinks 4`, `how often is the number`: what is counted there is a code. */
const isCounted = new RegExp(
  String.raw`^\W*(?:now\W+)?(?:(?:so )?(?:how (?:often|many)|as many times as)|(?:you |please |now )?count (?:the |in )?(?:tens|ones|units|hundreds)|it (?:flashes|blinks|winks) ${many} times|(?:you |please |now )?count (?:it|them|those|along|with me|for me|how)\b|the (?:tens|ones|units|hundreds)|numbers|out the (?:number|code)|(?:you )?(?:a|the|your|its) (?:number|code)\b|${many} (?:long|short|slow|quick|fast)s?\b|${many},? (?:then|and|pause|gap),? ${many}\b|${many}(?: times)?\W*$|${many}\W+(?:and|means|is|=|would)\b)`,
  'i',
);
/** `that's the number`: where another lamp has told already that it was taken. */
const isNumber = /^\W*(?:and )?(?:that's|which is|that is) (?:the|your|my) (?:number|code|count)\b/i;
/** `041`, `E12`, `12/3`, `V04 OPEN`: a code, and no name of a menu. */
const isCode = /^[A-Za-z]?[-. ]?\d*[1-9]/;
/** `which is the burr sensor`, `041. Forty-one's the fan`, `and so on`: of which it is told what it stands for. */
const isMeant =
  /^(?:[^.\n]|[.](?=\s*\S+(?:'s| is| means| =)))*?(?:\b(?:is|are|means?|which|that's|thats|number|so on|stands for|would be)\b|'s\b|=)/i;
const isOne = /\b(?:e\.g\.|for (?:example|instance)|mine|yours|ours|say|such as)\b[^.]*$/i;
/** `gives now the error with blinks`, `the number with blinks`. */
const isGiven =
  /\b(?:gives?|shows?|tells?|flash(?:es)? out|reads? out) (?:you |me |us )?(?:now |then )?(?:the|your|a) (?:\w+ )?(?:error|fault|code|number|count)s?\b[^.]*$/i;
/** `= wrong`, `then you were too slow`: what shows where it was not taken. */
const isWrong =
  /^\W*(?:=|->|means?|that'?s|is|then|and then|it'?s|so)?\W*(?:(?:it|you|that)(?:'s|'re| is| was| were)? )?(?:wrong|bad\b|nok\b|not (?:right|good|it|ok|okay|accepted)|too (?:slow|late|early|soon|fast)|missed|failed|rejected|(?:go )?back to (?:the )?(?:start|beginning|step|\d)|start (?:over|again)|no good)\b/i;
const isSaidWrong = /\b(?:it|that|you) (?:was|is|were|are) (?:wrong|too (?:slow|late)|no good)\W*$/i;
/** `when you haven't, it says rUn`. */
const isNotSo =
  /\b(?:if|when|where) (?:you|it|they|that) (?:haven't|hasn't|didn't|don't|doesn't|weren't|aren't|isn't|have not|has not|did not)\b[^.]*$/i;
/** `that means nothing yet`. */
const isNothing =
  /^\W*(?:(?:right|straight) away |at once |first |immediately )?\W*(?:and |but |so )?(?:(?:do|can|should) (?:i|you|we) let go\W+no\b|(?:that|it|this|which)(?:'s| is| was)? )?(?:ignore (?:that|it|this)|(?:means?|is|does) nothing|doesn't (?:mean|matter|count)|does not (?:matter|count)|of no (?:importance|interest)|nothing yet|not yet|not the one|only (?:the|a) (?:self|lamp|display)[- ]?(?:test|check))\b/i;
const isRefused =
  /^[\s,]*(?:instead )?if (?:it|the (?:sequence|code|entry|combination)) (?:has been|was|is|were) (?:reject\w*|refus\w+|not (?:taken|accepted)|wrong)\b/i;
/** `E12`, `---`, `ERR`, `TWELVE`: what comes out behind keys that were pressed, and no name of a menu. */
const isListed =
  /^(?!8+$)(?:[a-z]?[-. ]?\d[\d/. -]*|[-.\s]+|end|ende|e|err|error|no|last|old|new|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\w+teen|twenty|thirty|forty)$/i;
const isTaken =
  /^\W*(?:and |so |then )?(?:that means )?(?:you're|you are|we're|we are|i'm|that's you|it's) (?:in|there|through)\b/i;
const isEnd = /^(?:end|ende|done all|last|fin)$/i;
const isEndSaid =
  /\b(?:end of the (?:list|log|memory|store)|at the end|after the last|once all|once the last|when all|behind the last|when (?:there(?:'s| is| are)|you've|that's) (?:no|all|the last)|no more|nothing (?:more|else)|until (?:it|the display|the screen) (?:says|shows|reads|gives)|then)\b[^.]*$/i;
const isAsked = /\b(?:did|have|do) (?:you|it|they) (?:hear|get|see|have|notice)\b[^.?]*$/i;

/**
 * What is told of a lamp, a sound or a display beside the matter: the code that is read there, the end of a list, what would
 * show where it went wrong, what sounds before the sound one lets go at. It was heard as something that has to show, word by
 * word; over all that stands around it, it is told only, and no step.
 */
export function dropReadOut(r: Reader, text: string): void {
  const beside = new Set(
    r.made.filter((m, i) => (m.step.kind === 'see' && isBeside(r.made, i, text)) || isWhenItSounds(r.made, i, text)),
  );
  for (const m of beside)
    if (isWrong.test(text.slice(m.to, m.to + near))) r.holes.push({ from: m.from, to: m.to, why: 'warned' });
  r.drop(beside);
}

function isBeside(made: readonly Made[], i: number, text: string): boolean {
  const own = made[i];
  if (own?.step.kind !== 'see') return false;
  const { signs } = own.step;
  const before = text.slice(Math.max(0, own.from - near), own.from);
  const said = text.slice(own.from, own.to);
  // what is quoted is what shows
  const behind = text.slice(own.to, own.to + near).replace(/^\s*["“][^"”]*["”]/, '');
  const prev = made[i - 1]?.step;
  const next = made[i + 1]?.step;
  const shows = signs.map((s) => (s.kind === 'text' ? s.text : null)).filter((t) => t !== null);
  // `041`, `12/3`: the code itself; nothing but noughts says that nothing is stored
  // `goes blank and then says DIAG`: that it passes
  const then = made[i + 1]?.step;
  if (shows[0] === '' && then?.kind === 'see' && then.signs[0]?.sign === signs[0]?.sign) return true;
  const isStart = prev?.kind === 'release' && next?.kind === 'press';
  if (shows.some((t) => isCode.test(t)) && !isStart && (isMeant.test(behind) || isOne.test(before))) return true;
  const isNext = prev?.kind === 'press' && prev.times === 1;
  const isTold = isTaken.test(behind) || /["“]/.test(said);
  // `Seal, then Minus. It shows P00. Plus to P14.`: noughts, and one goes on with another key
  const isEmpty = shows.every((t) => /^[A-Z]?0+$/.test(t)) && next?.kind === 'press' && prev?.kind === 'press';
  const goesOn = isEmpty && next.control !== prev.control;
  if (prev?.kind === 'press' && !isTold && !goesOn && shows.length > 0 && shows.every((t) => isListed.test(t)))
    return true;
  if (shows.some((t) => isEnd.test(t)) && isNext) return true;
  if (
    isNext &&
    shows.length > 0 &&
    isEndSaid.test(before + said) &&
    shows.some((t) => /^[-.\s]+$|^[a-z]{1,4}$/i.test(t))
  )
    return true;
  if (isSaidWrong.test(said)) return true;
  if (isWrong.test(behind) || isRefused.test(behind) || isNotSo.test(before + said) || isNothing.test(behind))
    return true;
  const blinks = signs.some((s) => s.kind === 'lamp' && (s.state === 'fast' || s.state === 'slow'));
  if (blinks && (isCounted.test(behind) || isGiven.test(before) || isRepeated(said))) return true;
  if (blinks && prev?.kind === 'see' && isNumber.test(behind)) return true;
  const sounds = signs.every((s) => s.kind === 'sound');
  if (sounds && isAsked.test(before)) return true;
  return isBeforeLettingGo(made, i);
}

/** `flash flash flash`: counted along. */
const isRepeated = (said: string): boolean => /\b(blink|flash|flick|wink|pulse)\w*\W+\1\w*\W+\1/i.test(said);

/** `it buzzes, keep holding, it buzzes again and now`: what it is let go at counts them already. */
function isBeforeLettingGo(made: readonly Made[], i: number): boolean {
  const own = made[i]?.step;
  if (own?.kind !== 'see') return false;
  let k = i + 1;
  while (made[k]?.step.kind === 'see' || made[k]?.step.kind === 'rest') k += 1;
  const ends = made[k]?.step;
  if (ends?.kind !== 'release' || ends.at?.kind !== 'sign') return false;
  const { shown } = ends.at;
  // held for so long, and let go of when it is out: both are told
  const hold = made.slice(0, i).findLast((m) => m.step.kind === 'hold')?.step;
  const goesOut = shown.kind === 'lamp' && shown.state === 'dark';
  if (goesOut && hold?.kind === 'hold' && hold.until.kind === 'span') return false;
  // what sounds meanwhile is not waited for
  return own.signs.every((s) => s.kind === 'sound') || own.signs.some((s) => s.sign === shown.sign);
}

/** `after about four seconds a second one`: when what one lets go at comes, and no time one waits. */
function isWhenItSounds(made: readonly Made[], i: number, text: string): boolean {
  const own = made[i];
  const ends = made[i + 1]?.step;
  return (
    own?.step.kind === 'rest' &&
    ends?.kind === 'release' &&
    ends.at?.kind === 'sign' &&
    /\bafter (?:about |some |another |roughly |approximately )?$/i.test(
      text.slice(Math.max(0, own.from - near), own.from),
    ) &&
    /^\s*(?:later )?(?:it|a|an|the|there|they|all|both|comes?)\b/i.test(text.slice(own.to))
  );
}

import { type Called, mentionAt, namedLast } from './mentions.ts';
import {
  added,
  begins,
  endOf,
  goes,
  isStop,
  keyAt,
  pastThe,
  type Rewrite,
  said,
  standsAt,
  stopAt,
  wordsIn,
} from './rewrite.ts';

const keyNamed = (called: Called, name: string): boolean =>
  called.controls.some((c) => c.of.control.label.toLowerCase() === name);

/** What is said around a step: where things are, what it is done with, corrections, headings, what else may be. */
export const asidesSaid: readonly Rewrite[] = [
  // `If the horn had gone you'd have fluffed it, and it'd be key off`: what did not come to pass
  ({ words, i, w, out }) => {
    if (w.word !== 'if' || !begins(out)) return null;
    const n = endOf(words, i) - i;
    return /\b(?:had|hadn't)\b.*\b(?:'d|would) have\b|\b(?:had|hadn't)\b.*\b\w+'d have\b/.test(said(words, i, n))
      ? goes(n)
      : null;
  },
  // `plus minus plus horn yes the horn it does toot`: the last of them is meant
  ({ words, i, w, out, called }) => {
    if (w.word !== 'yes') return null;
    const at = pastThe(words, i + 1);
    const key = keyAt(words, at, called);
    if (!key || said(out, out.length - key.length, key.length) !== said(words, at, key.length)) return null;
    const end = stopAt(words, at);
    const and = words.findIndex((x, k) => k >= at && k < end && /^(?:and|then|so|now)$/.test(x.word));
    return goes((and < 0 ? end : and) - i);
  },
  // `if she liked it the blue lamp …`: as it is meant to go
  ({ words, i, w, out }) => {
    const liked =
      w.word === 'if' && begins(out)
        ? /^if (?:she|he|it|the \w+) (?:liked|likes|took|takes|accepts|accepted|is happy with|was happy with|agrees with) (?:it|that|them|this|you|the \w+)(?: ,)? (?=the |it |one )/.exec(
            said(words, i, 9),
          )
        : null;
    return liked ? goes(wordsIn(liked[0])) : null;
  },
  // `(No, the bell doesn't ring.)`: what does not come of it
  ({ words, i, w, out }) => {
    const not =
      w.word === 'no' && (begins(out) || out.at(-1)?.raw === '(')
        ? /^no , (?:the |it |that )(?:\w+ )?(?:doesn't|does not|won't|will not|isn't going to) \w+(?= [.,;!?)\n]|$)/.exec(
            said(words, i, 9),
          )
        : null;
    return not ? goes(wordsIn(not[0])) : null;
  },
  // `clear it, or the night shift will ring you: Test and Close …`: what else comes of it
  ({ words, i, w, out }) => {
    if (w.word !== 'or' || out.at(-1)?.raw !== ',') return null;
    const end = words.findIndex((x, k) => k > i && /^[.:;!?\n]$/.test(x.raw));
    const threat = /^or (?:else )?(?:the |your |my |our )?(?:\w+ ){1,3}(?:will|won't|would|'ll) /.test(
      said(words, i, 8),
    );
    return threat && end > i && end - i < 14 && words[end]?.raw === ':' ? { takes: end - i, puts: [], drops: 1 } : null;
  },
  // `In the event that the Fault lamp flashes instead, …`: if it does
  ({ words, i, w, out }) =>
    w.word === 'in' && begins(out) && /^in (?:the event|case) that(?= |$)/.test(said(words, i, 4))
      ? { takes: said(words, i, 2) === 'in case' ? 3 : 4, puts: [{ ...w, word: 'if', raw: 'If' }] }
      : null,
  // `Work on open terminals is reserved to electricians.`: who is allowed to
  ({ words, i, w, out }) => {
    if (!/^(?:work|works|access|repairs?|operation)$/.test(w.word) || !begins(out)) return null;
    const end = stopAt(words, i);
    return /\b(?:is|are) (?:reserved|restricted|limited|only permitted|left) (?:to|for)\b|\bmay only be (?:done|carried out|performed) by\b/.test(
      said(words, i, end - i),
    )
      ? goes(end - i)
      : null;
  },
  // `there's mains in that box`: what is dangerous there
  ({ words, i, w, out }) => {
    if (!/^there$/.test(w.word) || !begins(out)) return null;
    const live =
      /^there(?: is| are)?(?: \w+)? (?:mains|power|current|voltage|electricity|juice|volts?) (?:in|on|at|behind|under|inside|all over) \w+(?: \w+)?/.exec(
        said(words, i, 8),
      );
    return live ? goes(stopAt(words, i) - i) : null;
  },
  // `it goes red the moment you touch Run`: what is wrong with it
  ({ words, i, w, called }) => {
    const touched =
      w.word === 'the'
        ? /^the (?:moment|second|minute|instant) (?:you|i|we|they|anybody) (?:touch|touches|touched) /.exec(
            `${said(words, i, 5)} `,
          )
        : null;
    const key = touched ? keyAt(words, i + wordsIn(touched[0]), called) : null;
    return touched && key ? goes(wordsIn(touched[0]) + key.length) : null;
  },
  // `Only trained staff may open the cover.`: who is allowed to
  ({ words, i, w, out }) =>
    w.word === 'only' &&
    begins(out) &&
    /^only (?:[\p{L}-]+ ){1,4}(?:may|is allowed to|are allowed to|should ever|must ever)\b/u.test(said(words, i, 9))
      ? goes(endOf(words, i) - i)
      : null,
  // `the main switch on the cabinet, off`: where it is, not where it is put
  ({ words, i, w, out, called }) => {
    const own = /^(?:on|in|at|by|inside|behind)$/.test(w.word) ? namedLast(out, called.controls) : null;
    if (own?.mechanism.kind !== 'places' || !/^(?:the|your)$/.test(words[i + 1]?.word ?? '')) return null;
    const face = own.face.label.toLowerCase();
    return said(words, i + 2, wordsIn(face)) === face ? goes(2 + wordsIn(face)) : null;
  },
  // `how many times did it beep before you let go`: asked of what was done
  ({ words, i, w, out }) =>
    w.word === 'how' &&
    begins(out) &&
    /^how (?:many times|often|long|many|far) (?:did|do|does|was|were|have|has)\b/.test(said(words, i, 4))
      ? goes(endOf(words, i) - i)
      : null,
  // `blue lamp steady -> repeat from 3`: what is seen where it went wrong
  ({ words, i, out, called }) => {
    if (!begins(out) || mentionAt(words, i, called.signs) === null) return null;
    const n = endOf(words, i) - i;
    const all = said(words, i, n);
    const back = /^[^,]* (?:,|=) (?:repeat|back to|go back|start again|try again|again from|once more)\b/.test(all);
    return back ? goes(n) : null;
  },
  // `I say it as down, up up, info`: told for whoever learns it by heart
  ({ words, i, w, out }) =>
    /^(?:i|we|you)$/.test(w.word) &&
    begins(out) &&
    /^(?:i|we|you) (?:always |just )?(?:say|sing|remember|learn(?:t|ed)?) (?:it|that|them)(?: to myself)? (?:as|like)\b/.test(
      said(words, i, 8),
    )
      ? goes(endOf(words, i) - i)
      : null,
  // `and it came down and it split the whole of the birch`: what it does once it is mended
  ({ words, i, w, out }) =>
    w.word === 'it' &&
    begins(out) &&
    /^it came (?:down|up|back|home|out) and (?:it|we|i|she|he)\b/.test(said(words, i, 5))
      ? goes(3)
      : null,
  // `and we'll let it rest for twenty seconds`: a wait, of a unit that has a key called so
  ({ words, i, w, called }) => {
    const rest =
      w.word === 'let' && keyNamed(called, 'rest')
        ? /^let (?:it|that|him|her|the \w+) rest(?= for| \d|$)/.exec(said(words, i, 5))
        : null;
    return rest ? { takes: wordsIn(rest[0]), puts: [added('wait', w)] } : null;
  },

  // `Is it not good, so all lamps are on and you make once more from the key.`: what goes wrong
  ({ words, i, w, out }) => {
    const isWrong =
      /^(?:is|was|does|has|should)$/.test(w.word) &&
      begins(out) &&
      /^(?:is|was|does|has|should) (?:it|that|this) (?:not|be not)\b/.test(said(words, i, 4));
    if (!isWrong) return null;
    const end = endOf(words, i);
    return words[end]?.raw === '?' ? null : goes(end - i);
  },
  // `with your elbow if you have to`, `bus on level ground`: how, and where it stands
  ({ words, i, w }) => {
    const so = /^(?:on|with|if)$/.test(w.word)
      ? /^(?:on (?:the |a )?(?:level|flat|even|firm|solid) (?:ground|floor|surface|road)|with (?:your|my|the|his|her) (?:elbow|knee|chin|nose|hip|shoulder) if (?:you|i|we) (?:have|need|want) to|if (?:you|i|we) (?:have|need) to(?= [.,;!?\n]))(?= |$)/.exec(
          said(words, i, 8),
        )
      : null;
    return so ? goes(wordsIn(so[0])) : null;
  },
  // `isolator on the post to off`: where it is
  ({ words, i, w, out, called }) => {
    if (!/^(?:on|at|by|in)$/.test(w.word) || namedLast(out, called.controls) === null) return null;
    const where = /^(?:on|at|by|in) (?:the|its) (?:\w+ )?\w+(?= to (?:on|off|in|out|open|shut|closed)\b)/.exec(
      said(words, i, 6),
    );
    return where ? goes(wordsIn(where[0])) : null;
  },

  // `Come down, lock off, isolator on`: who climbs, and whose padlock
  ({ words, i, w, called, out }) => {
    if (!begins(out)) return null;
    const moves = /^(?:come|climb|go|get)$/.test(w.word)
      ? /^\S+ (?:back )?(?:down|up)(?: (?:again|here|there|the ladder|the stairs))?(?= [.,;!?\n]|$)/.exec(
          said(words, i, 5),
        )
      : null;
    const isLock = called.controls.some((c) => /\block\b/i.test(c.of.control.label));
    const lock = isLock
      ? null
      : /^(?:(?:the|your|my) )?(?:padlock|lock) (?:off|on)(?= [.,;!?\n]|$)/.exec(said(words, i, 4));
    const found = moves ?? lock;
    return found ? goes(wordsIn(found[0])) : null;
  },
  // `turn him again on the feet`: how it lies
  ({ words, i, w }) => {
    const lies =
      w.word === 'on'
        ? /^on (?:the|its|his|her|your) (?:feet|back|side|head|wheels|belly)(?= [.,;!?\n]| and |$)/.exec(
            said(words, i, 4),
          )
        : null;
    return lies ? goes(wordsIn(lies[0])) : null;
  },
  // `only D5 goes on, the rest stay where they are`
  ({ words, i, w }) => {
    const rest = /^(?:the|all)$/.test(w.word)
      ? /^(?:the|all the) (?:rest|others) (?:stays?|remains?|you leave|i leave|is left|are left)(?: (?:where|as|how) (?:they|it) (?:are|is|were|was))?(?= |$)/.exec(
          said(words, i, 8),
        )
      : null;
    return rest ? { takes: wordsIn(rest[0]), puts: [added(',', w)] } : null;
  },
  // `and there you see S3`: where it is
  (at) => {
    const { words, i, w, out } = at;
    if (w.word !== 'see' || !/^(?:you|you'll|will|can|we)$/.test(out.at(-1)?.word ?? '')) return null;
    const from = /^(?:the|a|an)$/.test(words[i + 1]?.word ?? '') ? i + 2 : i + 1;
    return standsAt(at, from) ? { takes: 1, puts: [{ ...w, word: 'find', raw: 'find' }] } : null;
  },
  // `you'll find it on the lower board`: where it is
  ({ words, i, w }) => {
    const where = /^(?:you|you'll)$/.test(w.word)
      ? /^(?:you|you'll)(?: will| can)? find (?:it|them|that) (?:on|in|under|behind|at|to) the (?:\w+ ){0,2}(?:board|panel|side|shelf|cabinet|box|back|front|left|right|bottom|top|corner|cover)(?= |$)/.exec(
          said(words, i, 9),
        )
      : null;
    return where ? goes(wordsIn(where[0])) : null;
  },
  // `S2, this is the small switch by the connector, …`: where it is
  ({ words, i, w }) => {
    const where =
      w.raw === ','
        ? /^, (?:this|that|it|which)(?: is|'s) (?:the|a) (?:\w+ ){0,2}(?:switch|lever|button|plug|knob|jumper|one|fuse) (?:by|next to|near|behind|under|beside|below|above) (?:the|a) \w+(?: \w+)? (?=,)/.exec(
            said(words, i, 14),
          )
        : null;
    return where ? goes(wordsIn(where[0])) : null;
  },
  // `has it been off for 15 seconds by now?`: so long
  ({ words, i, w }) => {
    const been = /^(?:has|have)$/.test(w.word)
      ? /^(?:has|have) (?:it|that|they|the \S+) been (?:off|out|dead|unplugged|disconnected) for /.exec(
          `${said(words, i, 7)} `,
        )
      : null;
    return been ? { takes: wordsIn(been[0]), puts: [{ ...w, word: 'wait' }] } : null;
  },
  // `S7 is on the left of it`: where it is
  ({ words, i, w }) => {
    const where = /^(?:on|to|at)$/.test(w.word)
      ? /^(?:on|to|at) (?:the|its|your) (?:left|right|top|bottom)(?: hand)?(?: side)? of (?:it|that|them|the \S+)(?= |$)/.exec(
          said(words, i, 9),
        )
      : null;
    return where ? goes(wordsIn(where[0])) : null;
  },
  // `give it a minute before you put your fingers in`
  ({ words, i, w }) => {
    const careful =
      w.word === 'before'
        ? /^before you (?:(?:put|stick|get) your (?:fingers?|hands?|head) (?:in|near it|inside)(?: there)?|touch (?:it|anything|them)|reach in(?:side)?|go in(?:side)?)(?= |$)/.exec(
            said(words, i, 8),
          )
        : null;
    return careful ? goes(wordsIn(careful[0])) : null;
  },
  // `somebody has to do the isolator for you, because …`: who it is done by
  (at) => {
    const { words, i, w } = at;
    const who =
      w.word === 'somebody'
        ? /^somebody (?:else )?(?:has to|must|needs to|will have to) (?:do|work|operate) the /.exec(
            `${said(words, i, 8)} `,
          )
        : null;
    const n = who ? wordsIn(who[0]) : 0;
    const own = who ? standsAt(at, i + n) : null;
    if (!own) return null;
    const behind = i + n + own.length;
    const why = /^(?:for (?:you|me|us) )?(?:, )?because(?= )/.exec(said(words, behind, 4));
    return why ? goes(n + own.length + wordsIn(why[0])) : null;
  },
  // `if you've mended it, hold Brake and Heat`: behind the repair, and no fork in the way
  ({ words, i, w }) =>
    w.word === 'if' &&
    /^(?:you've|you have|we've|we have|you're|(?:it|that|everything|all)(?: is| has)?) (?:been |all )?(?:mended|fixed|repaired|sorted|replaced|changed|finished|swapped|cured|dealt|done with|put right|in order|right again)\b/.test(
      said(words, i + 1, 5),
    )
      ? { takes: 1, puts: [{ ...w, word: 'once', raw: 'once' }] }
      : null,
  // `(fail lamp on -> again from "main off")`: begun anew
  ({ words, i, w }) => {
    if (w.raw !== '(') return null;
    let end = i + 1;
    while (end < words.length && end - i < 16 && words[end]?.raw !== ')' && words[end]?.raw !== '\n') end += 1;
    if (words[end]?.raw !== ')') return null;
    return /\b(?:again (?:from|at|with)|retry|and repeat|try again|start (?:over|again)|once more from|from the (?:start|top|beginning)|back to (?:step|start))\b/.test(
      said(words, i, end - i),
    )
      ? goes(end + 1 - i)
      : null;
  },
  // `tie it up with the cord that's hanging by it`: what it is done with; `a slide with three positions`
  ({ words, i, w, out }) => {
    if (w.word !== 'with' || isStop(out.at(-1)?.raw)) return null;
    const tool =
      /^with (?:(?:the|a|an|your|its|some) (?:\w+ )?(?:cord|string|strap|rope|tape|cable tie|zip tie|hook)(?: (?:that|which)(?: is)? (?:hangs?|hanging|lies|lying|sits) \w+ \w+)?|(?:two|three|four|five|six|several) (?:positions|settings|places))(?= [.,;!?\n]| and |$)/.exec(
        said(words, i, 11),
      );
    return tool ? goes(wordsIn(tool[0])) : null;
  },
  // `you turn your back on it`: nothing is switched
  ({ words, i, w }) => {
    const back = /^turn/.test(w.word)
      ? /^turns? (?:your|my|his|her) backs? on (?:it|him|her|them|the \S+)(?= |$)/.exec(said(words, i, 6))
      : null;
    return back ? goes(wordsIn(back[0])) : null;
  },
  // `and off to the engine room with you`: where one goes
  ({ words, i, w, out }) => {
    if (w.word !== 'off') return null;
    const away =
      /^off (?:(?:to|into|down to|up to|round to) the \S+(?: \S+)?(?: with you)?|you go|we go|i go)(?= [.,;!?\n]|$)/.exec(
        said(words, i, 9),
      );
    return away && /^(?:and|,|then|so)$/.test(out.at(-1)?.word ?? '') ? goes(wordsIn(away[0])) : null;
  },
  // `then it's the breaker, the one marked oven, that goes off`: which of them
  ({ words, i, w }) => {
    if (w.word !== 'the' || words[i + 1]?.word !== 'one') return null;
    const marked =
      /^the one (?:marked|labelled|called|that says|with) (?:the )?\S+(?: on it)?(?: , (?=that|which)| (?=that goes|which goes))/.exec(
        said(words, i, 9),
      );
    return marked ? goes(wordsIn(marked[0])) : null;
  },
  // `wedge it so its held`: as it is then
  ({ words, i, w, places, out }) =>
    w.raw === 'its' && out.at(-1)?.word === 'so' && places.has(words[i + 1]?.word ?? '') && isStop(words[i + 2]?.raw)
      ? { takes: 1, puts: [{ ...w, word: 'it', raw: 'it' }] }
      : null,
  // `tape it down so it thinks its shut`: what it is made to think
  ({ words, i, w }) => {
    const thinks =
      w.word === 'so'
        ? /^so (?:that )?(?:it|he|she|the \S+) (?:thinks|believes|sees) (?:that )?(?:it|its|it's|the \S+)(?: is)? (?:still )?\w+(?= [.,;!?\n]| and |$)/.exec(
            said(words, i, 10),
          )
        : null;
    return thinks ? goes(wordsIn(thinks[0])) : null;
  },
  // `let it run out`: what is in it
  ({ words, i, w }) => {
    const runs =
      w.word === 'let'
        ? /^let (?:it|that|the \w+) (?:run|drain|boil|cool) (?:out|dry|down|off|empty)(?= |$)/.exec(said(words, i, 5))
        : null;
    return runs ? { takes: wordsIn(runs[0]), puts: [added(',', w)] } : null;
  },
  // `flashes at me nice and slow`
  ({ words, i, w, out }) =>
    w.word === 'at' &&
    /^(?:me|you|us)$/.test(words[i + 1]?.word ?? '') &&
    /^(?:flash|blink|wink)/.test(out.at(-1)?.word ?? '')
      ? goes(2)
      : null,
  // `Would you open that.`: asked for
  ({ words, i, w, out }) => {
    if (!/^(?:would|could|can|will)$/.test(w.word) || !(out.length === 0 || /^[.!?\n]$/.test(out.at(-1)?.raw ?? '')))
      return null;
    const asks =
      /^\S+ you (?:please |just |now |kindly )*(?=(?:open|close|shut|press|push|pull|turn|switch|hold|put|unplug|set|flick)\b)/.exec(
        said(words, i, 5),
      );
    return asks && words[stopAt(words, i)]?.raw === '.' ? goes(wordsIn(asks[0])) : null;
  },
  // `get JP1 from where it's parked`: where it was
  ({ words, i, w }) => {
    const from =
      w.word === 'from'
        ? /^from where (?:it|that|he)(?: is| was| sits| lives| hangs)? ?(?:parked|kept|stored|now)?(?= [.,;!?\n]| and |$)/.exec(
            said(words, i, 6),
          )
        : null;
    return from ? goes(wordsIn(from[0])) : null;
  },
  // `breaker on, with your foot still down`: as it was
  ({ words, i, w, out }) => {
    if (w.word !== 'with') return null;
    const as =
      /^with (?:your|my|his|her|the|one|both) (?:left |right )?(?:foot|feet|thumbs?|fingers?|hands?|elbow) still (?:down|on (?:it|them|the \w+)|there|in|in place|held|pressed)(?= [.,;!?\n]| and |$)/.exec(
        said(words, i, 8),
      );
    return as ? { takes: wordsIn(as[0]), puts: [], drops: out.at(-1)?.raw === ',' ? 1 : 0 } : null;
  },
  // `spin heat and that's you in it says LOG`: where one is then
  ({ words, i, w, out }) => {
    const from = /^(?:and|so)$/.test(w.word) ? i + 1 : i;
    if (!/^that['’]?s$/i.test(words[from]?.raw ?? '')) return null;
    const where = /^\S+ (?:it|you|us|me|we) (?:in|out|through|done)(?= |$)/.exec(said(words, from, 3));
    return where && !isStop(out.at(-1)?.raw) ? { takes: from - i + 3, puts: [added(',', w)] } : null;
  },
  // `it'll buzz the whole time`: told, and nothing to wait for
  ({ words, i, w }) => {
    if (!/^(?:it|it'll|that'll|that|he|she)$/.test(w.word)) return null;
    const all =
      /^(?:it|it'll|that'll|that|he|she)(?: will| is going to)? \w+ (?:the (?:whole|entire)|all the) time(?! until| till)(?= |$)/.exec(
        said(words, i, 9),
      );
    return all ? goes(wordsIn(all[0])) : null;
  },
  // `till the red one's out takes maybe six seconds`: how long that is
  ({ words, i, w, out }) => {
    if (!/^(?:takes?|that|it|lasts?)$/.test(w.word) || isStop(out.at(-1)?.raw)) return null;
    const long =
      /^(?:(?:that|it) )?(?:takes?|lasts?) (?:(?:about|maybe|around|roughly|perhaps|some|like|a good|up to) )?\S+ (?:to \S+ )?(?:seconds?|secs?|minutes?)(?: or so)?(?= |$)/.exec(
        said(words, i, 9),
      );
    const isAwaited = out.slice(-8).some((x) => /^(?:until|till)$/.test(x.word));
    return long && isAwaited ? { takes: wordsIn(long[0]), puts: [added(',', w)] } : null;
  },
  // `isolator on it's beeped`: what it does then
  ({ words, i, w }) =>
    /^(?:on|off|in|out)$/.test(w.word) && /^it['’]s$/i.test(words[i + 1]?.raw ?? '')
      ? { takes: 1, puts: [w, added(',', w)] }
      : null,
  // `now back up top`: where one is
  ({ words, i }) => {
    const where = /^(?:back up (?:top|here|front)|up top|down here|up here)(?= |$)/.exec(said(words, i, 3));
    return where ? goes(wordsIn(where[0])) : null;
  },
  // `when we'd put the new heater in`: the repair
  ({ words, i, w }) => {
    if (!/^(?:when|once|after|and)$/.test(w.word)) return null;
    const done =
      /^(?:and )?(?:when|once|after) (?:we|you|he|she|i|they|we'd|you've|you'd|he'd|she'd|i'd|i've|we've|they'd)(?: have| had)? (?:put|fitted|changed|replaced|swapped|installed) (?:in )?(?:the|a|your) new (?:\S+ ){1,3}?(?:in|on)?(?= [,.]| (?:she|he|you|i|we|they|hold|press)\b|$)/.exec(
        said(words, i, 12),
      );
    return done ? goes(wordsIn(done[0])) : null;
  },
  // `when the new part's in`: the repair, not the plug
  ({ words, i, w }) => {
    if (!/^(?:when|once|after|and)$/.test(w.word)) return null;
    const done =
      /^(?:and )?(?:when|once|after) (?:the|your|a) (?:new |replacement |other )?(?:part|sensor|one|bit|board|motor|thing)(?: is|'s| has been)? (?:in|fitted|on|replaced|changed|done|in place)(?= [,.]|$)/.exec(
        said(words, i, 9),
      );
    return done ? goes(wordsIn(done[0])) : null;
  },
  // `put DIP 2 on, not DIP 1`
  ({ words, i, w, out, called, places }) => {
    const isBehind =
      places.has(out.at(-1)?.word ?? '') || (out.at(-1)?.raw === ',' && places.has(out.at(-2)?.word ?? ''));
    const from = pastThe(words, i + 1);
    const other = w.word === 'not' && isBehind ? mentionAt(words, from, called.controls) : null;
    const next = other ? (words[from + other.length]?.word ?? '') : '';
    return other && !/^(?:is|has|must|may|should)$/.test(next)
      ? { takes: from + other.length - i, puts: [added(',', w)], drops: out.at(-1)?.raw === ',' ? 1 : 0 }
      : null;
  },
  // `otherwise it starts defrosting on you`: what would be
  ({ words, i, w }) => {
    if (!/^(?:otherwise|else)$/.test(w.word)) return null;
    const would =
      /^(?:otherwise|else) (?:it|he|she|that|this|you|the \S+)(?:'ll|'d| will| would)? (?:\S+s|get|see|end|have|be|lose|start|never|just|only|won't|can't|don't|are|go|think|freeze|move|fall|drop)\b/.exec(
        said(words, i, 6),
      );
    const isDone = words
      .slice(i, stopAt(words, i))
      .some((x) => /^(?:press|hold|pull|switch|turn|push|must)$/.test(x.word));
    return would && !isDone ? goes(stopAt(words, i) - i) : null;
  },
  // `12. That's the heater.`: what a code stands for
  ({ words, i, w, out, called }) => {
    const is = /^(?:that|that's|it|it's|thats) (?:is )?(?:the |your |a )/.exec(`${said(words, i, 4)} `);
    if (!is || !/^(?:that|it)/.test(w.word)) return null;
    const n = wordsIn(is[0]);
    const key = keyAt(words, i + n, called);
    const isCode = out.at(-1)?.raw === '.' && /^[A-Z]?\d+$/.test(out.at(-2)?.raw ?? '');
    return key && isCode && isStop(words[i + n + key.length]?.raw) ? goes(n + key.length) : null;
  },
  // `before all I open the lid`
  ({ words, i, w, out }) => {
    const first =
      w.word === 'before'
        ? /^before (?:all|everything|everything else|anything else)(?= (?:i|you|we|the)\b| ,)/.exec(said(words, i, 4))
        : null;
    const begins = out.length === 0 || isStop(out.at(-1)?.raw);
    return first && begins ? { takes: wordsIn(first[0]), puts: [{ ...w, word: 'first' }] } : null;
  },
  // `fourteen is the feed roller sensor`: a part that is called like a key
  ({ words, i, w, called }) => {
    if (!/^(?:the|a|your|its|this)$/.test(w.word)) return null;
    const key = keyAt(words, i + 1, called);
    const behind = key ? i + 1 + key.length : 0;
    const part = key
      ? /^(?:[a-z]+ )?(?:sensor|probe|motor|roller|pump|heater|board|relay|coil|belt|bearing|cable|harness|filter|seal|cylinder|shaft|gear|drum|wheel|blade|reel|nozzle|current|voltage|pressure|temperature|level|contact|signal|overload|circuit|element|clutch|spring|chain|drive|fan|unit|module)s?(?= |$)/.exec(
          said(words, behind, 2),
        )
      : null;
    const first = words[behind]?.word ?? '';
    const isName = part !== null && (mentionAt(words, i + 1, called.signs)?.length ?? 0) <= (key?.length ?? 0);
    if (
      !part ||
      !isName ||
      /^(?:and|or|the|to|with|button|key|lamp|light|on|off)$/.test(first) ||
      mentionAt(words, behind, called.controls)
    )
      return null;
    return { takes: behind + wordsIn(part[0]) - i, puts: [w, added('part', w)] };
  },
  // `with the plug out it shows you a fault`: what would be
  (at) => {
    const { words, i, w, out } = at;
    if (
      w.word !== 'with' ||
      words[i + 1]?.word !== 'the' ||
      (out.length > 0 && !isStop(out.at(-1)?.raw) && !/^(?:and|but|because|as)$/.test(out.at(-1)?.word ?? ''))
    )
      return null;
    const own = standsAt(at, i + 2);
    const would = own
      ? /^(?:\S+ )(?:it|he|she|that|this|the \S+) (?:shows|gives|starts|says|won't|wont|will|doesn't|does|thinks|goes|reads|runs|stays|comes|tells|only|just|can't|never|always)\b/.test(
          said(words, i + 2 + own.length, 5),
        )
      : false;
    return would ? goes(stopAt(words, i) - i) : null;
  },
  // `don't pull the stop out until the lamp has gone out`: when it has, it is done
  ({ words, i, w, called }) => {
    if (!/^(?:don't|dont|never|do)$/.test(w.word)) return null;
    const not =
      /^(?:don't|dont|do not|never) (?=(?:pull|push|open|close|shut|switch|turn|put|take|press|plug|lift|slide|flick|flip|bridge|connect|reconnect|fit)(?= |$))/.exec(
        `${said(words, i, 3)} `,
      );
    const from = not ? i + wordsIn(not[0]) : -1;
    const end = not ? stopAt(words, from) : -1;
    const until = words.findIndex((x, k) => k > from && k < end && /^(?:until|till|before)$/.test(x.word));
    if (!not || until < 0 || end - until > 14) return null;
    const done = words.slice(from, until);
    const awaited = words.slice(until + 1, end);
    const isOfUnit = done.some((_, k) => mentionAt(done, k, called.controls) !== null);
    return isOfUnit && awaited.some((_, k) => mentionAt(awaited, k, called.signs) !== null)
      ? { takes: end - i, puts: [added('when', w), ...awaited, added(',', w), ...done] }
      : null;
  },
  // `it is not enough to switch the breaker off; …`: that is done as well
  ({ words, i, w }) => {
    if (!/^(?:it|it's|its)$/.test(w.word)) return null;
    const enough = /^(?:it|it's|its)(?: is| isn't| 's)?(?: not)? enough (?:just |only )?to(?= )/.exec(
      said(words, i, 6),
    );
    return enough && /not|n't/.test(enough[0]) ? { takes: wordsIn(enough[0]), puts: [] } : null;
  },
  // `the second that blue light comes on`: the moment it does
  ({ words, i, w, out }) =>
    w.word === 'second' &&
    out.at(-1)?.word === 'the' &&
    /^(?:that|the|it|you|they|it's)$/.test(words[i + 1]?.word ?? '') &&
    !/^(?:on|at|with|after|for|until|till|is)$/.test(out.at(-2)?.word ?? '')
      ? { takes: 1, puts: [{ ...w, word: 'moment', raw: 'moment', value: null }] }
      : null,
  // `he says to leave it a minute`
  ({ words, i, w }) => {
    const says =
      /^(?:and |but )?(?:he|she|they|the sheet|the book|the manual) says? (?:to|you (?:should|must|have to|need to))(?= )/.exec(
        said(words, i, 7),
      );
    return says ? { takes: wordsIn(says[0]), puts: [added(',', w)] } : null;
  },
  // `STEP 4   Press POWER`: how far one is in a list
  ({ words, i, w }) => {
    const isFirst = i === 0 || words[i - 1]?.raw === '\n';
    const many = words[i + 1];
    if (!isFirst || w.word !== 'step' || many?.value == null) return null;
    const stop = /^[.:]$/.test(words[i + 1 + many.span]?.raw ?? '') ? 1 : 0;
    return { takes: 1 + many.span + stop, puts: [] };
  },
  // `should you wish to empty the memory`
  ({ words, i, w }) =>
    w.word === 'should' &&
    /^should (?:you|one|anybody) (?:ever )?(?:wish|want|need|like|have) to$/.test(said(words, i, 4))
      ? { takes: 4, puts: [added('to', w)] }
      : null,
  // `it can be open or shut`, `the guard can be up or down`
  (at) => {
    const { words, i, out } = at;
    if (out.length > 0 && !isStop(out.at(-1)?.raw) && out.at(-1)?.word !== 'the') return null;
    const n = /^(?:it|that|they|which)$/.test(words[i]?.word ?? '') ? 1 : (standsAt(at, i)?.length ?? 0);
    const either = /^(?:can|may|might|could) (?:be|stand|stay) (\w+) or (\w+)(?= |$)/.exec(said(words, i + n, 5));
    return n > 0 && either ? { takes: n + 5, puts: [] } : null;
  },
  // `S1 stays off`, of a unit that has an S2: another of the row, of which nothing is known
  (at) => {
    const { words, i, w, called } = at;
    const two = `${w.word} ${words[i + 1]?.word ?? ''}`;
    const alone = /^([a-z]{1,4})(\d{1,2})$/.exec(w.word);
    const apart = /^([a-z]{2,7}) (\d{1,2})$/.exec(two);
    const [, stem, figure] = alone ?? apart ?? [];
    if (!stem || !figure || keyAt(words, i, called) || standsAt(at, i) || mentionAt(words, i, called.signs))
      return null;
    const isKin = called.controls.some(({ of, words: own }) => {
      const name = own.join(alone ? '' : ' ');
      return of.mechanism.kind === 'places' && new RegExp(`^${stem}${alone ? '' : ' '}\\d{1,2}$`).test(name);
    });
    const does = words[i + (alone ? 1 : 2)]?.word ?? '';
    if (!isKin || !/^(?:stays?|remains?|is|off|on|open|closed|must|has|goes|wipes?|resets?|does|=)$/.test(does))
      return null;
    return goes(stopAt(words, i) - i);
  },
  // `hold B, no, sorry, hold A and C`: what was said first was not meant
  ({ words, i, w, out }) => {
    if (w.word !== 'no') return null;
    const no =
      /^no(?: ,)?(?: (?:sorry|wait|i mean|rather|that's wrong))?(?: ,)? (?=(?:press|hold|push|turn|set|pull|open|close)(?= |$))/.exec(
        said(words, i, 7),
      );
    if (!no || !/^[,.]$/.test(out.at(-1)?.raw ?? '')) return null;
    const verb = words[i + wordsIn(no[0])]?.word;
    const from = out.findLastIndex((x) => x.word === verb);
    if (from < 0 || out.length - from > 7) return null;
    return { takes: wordsIn(no[0]), puts: [], drops: out.length - from };
  },
  // `repeat from "fuse out"`, `then again from stop in`: from where one begins anew
  ({ words, i, w, out }) => {
    if (!/^(?:repeat|start|begin|again|once|over|back)$/.test(w.word)) return null;
    const anew =
      /^(?:(?:repeat|start|begin) (?:again |anew |over |new )?|again |once more |over again |back )from (?!the (?:left|right)\b)|^(?:repeat|start|begin) (?:again|anew|over) (?:with|at) /.exec(
        `${said(words, i, 5)} `,
      );
    if (!anew || !(isStop(out.at(-1)?.raw) || /^(?:then|so|and|it|do|=|to)$/.test(out.at(-1)?.word ?? ''))) return null;
    return goes(stopAt(words, i + wordsIn(anew[0])) - i);
  },
  // `if you overshoot, Minus goes back`, of a number one goes up to: how one comes back, and no step
  ({ words, i, w, called, out }) => {
    if (!/^(?:if|should|when)$/.test(w.word) || !(begins(out) || /^[(,]$/.test(out.at(-1)?.raw ?? ''))) return null;
    const first = stopAt(words, i);
    const second = words[first]?.raw === ',' ? stopAt(words, first + 1) : first;
    const past =
      /\b(?:overshoot|overshot|(?:goes?|went|gone|run|ran|is|are|were|get) (?:too far|past|beyond)|pass(?:ed)? (?:it|that|[\w-]+)|miss(?:ed)? it)\b/;
    const isBack = /\bback\b|\bdown again\b/.test(said(words, i, second - i));
    const isOver = /\b(?:again|over|off|begin|start)\b/.test(said(words, i, second - i).replace('down again', ''));
    const hasKey = words.slice(i, second).some((_, k) => keyAt(words, i + k, called) !== null);
    return past.test(said(words, i, first - i)) && isBack && !isOver && hasKey ? goes(second - i) : null;
  },
];

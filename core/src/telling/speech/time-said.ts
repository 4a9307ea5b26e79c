import { mentionAt } from './mentions.ts';
import { added, areTwoKeys, begins, goes, isStop, keyAt, keysBefore, type Rewrite, said, wordsIn } from './rewrite.ts';

/** Ways of saying how long one waits, and how long one has. */
export const timeSaid: readonly Rewrite[] = [
  // `it needs fifteen seconds without power`: so long one waits
  ({ words, i, w, out }) => {
    if (
      !/^(?:needs?|wants?|must|has)$/.test(w.word) ||
      !/^(?:it|that|this|he|she|they|one)$/.test(out.at(-1)?.word ?? '')
    )
      return null;
    const lead = /^(?:needs?|wants?|must have|has to have) (?:about |at least |some )?/.exec(`${said(words, i, 5)} `);
    const many = lead ? words[i + wordsIn(lead[0])] : undefined;
    if (!lead || many?.value == null) return null;
    const unit = i + wordsIn(lead[0]) + many.span;
    const without =
      /^(?:without|with no|with out) (?:any |the )?(?:power|current|supply|mains|electricity|juice|voltage)/.exec(
        said(words, unit + 1, 4),
      );
    return without && /^(?:seconds?|secs?|s|minutes?|min)$/.test(words[unit]?.word ?? '')
      ? {
          takes: unit + 1 - i + wordsIn(without[0]),
          drops: 1,
          puts: [added('wait', w), ...words.slice(i + wordsIn(lead[0]), unit + 1)],
        }
      : null;
  },
  // `you have six seconds, and in this six seconds you press …`
  ({ words, i, out }) => {
    const lead = /^(?:in|within|inside|during) (?:this|these|those|that|the same) /.exec(`${said(words, i, 4)} `);
    const many = lead ? words[i + wordsIn(lead[0])] : undefined;
    if (!lead || many?.value == null) return null;
    const unit = i + wordsIn(lead[0]) + many.span;
    const isSame = out.slice(-12).some((x) => x.value === many.value);
    return isSame && /^(?:seconds?|secs?)$/.test(words[unit]?.word ?? '') ? goes(unit + 1 - i) : null;
  },
  // `After 30 sec: main switch ON`
  ({ words, i, w, out }) => {
    const lead =
      w.word === 'after' && begins(out)
        ? /^after (?:about |another |at least |some )?/.exec(`${said(words, i, 3)} `)
        : null;
    const many = lead ? words[i + wordsIn(lead[0])] : undefined;
    if (!lead || many?.value == null) return null;
    const unit = i + wordsIn(lead[0]) + many.span;
    return /^(?:seconds?|secs?|s|minutes?|mins?|min)$/.test(words[unit]?.word ?? '') && words[unit + 1]?.raw === ':'
      ? { takes: unit + 2 - i, puts: [added('wait', w), ...words.slice(i + wordsIn(lead[0]), unit + 1), added('.', w)] }
      : null;
  },
  // `reset feed feed reverse once you've done that pull the stop out`
  ({ words, i, w }) => {
    if (!/^(?:and|once|when|after|as)$/.test(w.word)) return null;
    const done =
      /^(?:and )?(?:once|when|after|as soon as) (?:you've|you have|i've|we've|that|they're) (?:done|finished|got|through)(?: with)?(?: (?:that|it|them|this|so|all that|all of that|this lot))?(?: ,)?(?= (?:you|i|we|pull|push|press|hold|put|take|turn|switch|open|close|shut|let|then|the)\b)/.exec(
        said(words, i, 9),
      );
    return done ? { takes: wordsIn(done[0]), puts: [added('.', w), added('then', w)] } : null;
  },
  // `it gives you ten seconds for Open, Close, Open`: so long one has for the row
  ({ words, i, w, out, called }) => {
    if (w.word !== 'for' || !/^(?:seconds?|secs?|s)$/.test(out.at(-1)?.word ?? '')) return null;
    const isGiven =
      /\b(?:gives you|you have|you've(?: got)?|you got|have|has) (?:only |just |about |now )?\S+ \S+$/.test(
        said(out, Math.max(0, out.length - 7), 7),
      );
    return isGiven && areTwoKeys(words, i + 1, called) ? { takes: 1, puts: [added(',', w)] } : null;
  },
  // `it says BOOT, and while that's on you take both`
  ({ words, i, w, out }) => {
    if (w.word !== 'while' || !/^(?:and|,|\.|then)$/.test(out.at(-1)?.word ?? '.')) return null;
    const on =
      /^while (?:that|that is|it|it is|those are|they're) (?:still )?(?:on|there|up|showing|standing there|to be seen)(?: ,)?(?= you| we| i| ,|$)/.exec(
        said(words, i, 6),
      );
    return on ? goes(wordsIn(on[0])) : null;
  },
  // `hot hot cold start that's all in six seconds`
  ({ words, i, w }) => {
    const all =
      /^(?:(?:and )?(?:that's|that is|it's|this is) )?all (?:of (?:it|that|them) )?(?:in|inside|within) (?:about |under )?/.exec(
        `${said(words, i, 8)} `,
      );
    const from = all ? i + wordsIn(all[0]) : i;
    const many = words[from];
    const isTime = many?.value != null && /^(?:seconds?|secs?|s)$/.test(words[from + many.span]?.word ?? '');
    return all && isTime ? { takes: from - i, puts: [added('within', w)] } : null;
  },
  // `in this time, and it is only twenty seconds, you pull`: within it
  ({ words, i, w }) => {
    const lead =
      /^(?:in|within|during) (?:this|that|the) time ,? ?(?:and |but )?(?:it is|it's|its|that is|that's|this is) (?:only |just |about |no more than )?/.exec(
        `${said(words, i, 10)} `,
      );
    const many = lead ? words[i + wordsIn(lead[0])] : undefined;
    if (!lead || many?.value == null) return null;
    const unit = i + wordsIn(lead[0]) + many.span;
    if (!/^(?:seconds?|secs?|minutes?)$/.test(words[unit]?.word ?? '')) return null;
    const end = words[unit + 1]?.raw === ',' ? unit + 2 : unit + 1;
    return { takes: end - i, puts: [added('within', w), ...words.slice(i + wordsIn(lead[0]), unit + 1)] };
  },
  // `for two hours: what I got wrong`, `I spent an hour on it`: so long it took somebody, and no unit
  ({ words, i, w }) => {
    if (!/^(?:for|spent|after|lost|took)$/.test(w.word)) return null;
    const many = words[i + 1];
    const long = many?.value != null ? i + 1 + many.span : i + 2;
    return /^(?:hours?|days?|weeks?|weekends?|evenings?|nights?|years?|months?)$/.test(words[long]?.word ?? '') &&
      (many?.value != null || /^(?:a|an|the|some|half)$/.test(many?.word ?? '')) &&
      /^(?:i|we|got|and|i've|wrong|just|only|it|have|me)$/.test(words[i - 1]?.word ?? '')
      ? goes(long + 1 - i)
      : null;
  },
  // `so that we see if it comes back: Home for five seconds`
  ({ words, i, w }) => {
    const see = /^(?:so|to)$/.test(w.word)
      ? /^(?:so (?:that )?(?:we|you|i) (?:can )?(?:see|know|check)|to (?:see|check|know|find out)) (?:if|whether) (?:it|he|she|they|that) (?:comes?|is|are|goes?|stays?|appears?|happens?)(?: back| again| there| away| still)*(?= [.,;:!?\n]|$)/.exec(
          said(words, i, 10),
        )
      : null;
    return see ? goes(wordsIn(see[0])) : null;
  },
  // `the display counts down from 20. Before zero is reached, …`
  ({ words, i, w, out }) => {
    const zero =
      w.word === 'before'
        ? /^before (?:(?:the )?(?:zero|nought|0) (?:is reached|comes|appears|is shown|shows)|(?:it|he|the \w+) (?:reaches|gets to|is at|hits|shows|gets down to) (?:zero|nought|0))(?= [.,;:!?\n]|$| you| we| i| and| press| push| tap| hold)/.exec(
            said(words, i, 7),
          )
        : null;
    if (!zero) return null;
    const at = out.findLastIndex(
      (x, k) =>
        x.value !== null &&
        x.value >= 3 &&
        /^(?:counts?|counting|goes|runs?) (?:down|backwards?|back) from$/.test(said(out, k - 3, 3)),
    );
    const many = at >= 0 && out.length - at < 30 ? out[at] : undefined;
    return many
      ? {
          takes: wordsIn(zero[0]),
          puts: [added('within', w), { ...many, from: w.from, to: w.from }, added('seconds', w)],
        }
      : null;
  },
  // `don't take more time than 6 seconds`: so long one has
  ({ words, i, w }) => {
    const not = /^(?:don't|dont|do|never|not)$/.test(w.word)
      ? /^(?:don't|dont|do not|never|not) (?:take|need|use|be|wait)? ?(?:any )?(?:more time than|longer than|more than) (?=\S)/.exec(
          `${said(words, i, 7)} `,
        )
      : null;
    const many = not ? words[i + wordsIn(not[0])] : undefined;
    return not &&
      many?.value != null &&
      /^(?:seconds?|secs?|s)$/.test(words[i + wordsIn(not[0]) + many.span]?.word ?? '')
      ? { takes: wordsIn(not[0]), puts: [added('within', w)] }
      : null;
  },
  // `you now have a quarter of a minute to press Air three times`: within it
  ({ words, i, w, out }) => {
    if (!/^(?:you|we|i)$/.test(w.word) || !begins(out)) return null;
    const have = /^\S+ (?:now |then |only |just )?(?:have|got|have got|'ve got) (?:only |just |about |around )?/.exec(
      `${said(words, i, 5)} `,
    );
    const from = have ? i + wordsIn(have[0]) : i;
    const amount = have
      ? /^(?:(?:a )?quarter of a minute|half a minute|a (?:minute|half minute)|\S+ (?:seconds?|secs?|s)) to (?=(?:press|push|tap|hit|enter|type|key|do|give|put)\b)/.exec(
          `${said(words, from, 7)} `,
        )
      : null;
    const n = amount ? wordsIn(amount[0]) : 0;
    return have && amount
      ? { takes: from - i + n, puts: [added('within', w), ...words.slice(from, from + n - 1)] }
      : null;
  },
  // `and one minute nothing`: waited
  ({ words, i, w }) => {
    if (w.value === null) return null;
    const unit = i + w.span;
    const isIdle = /^(?:seconds?|secs?|minutes?|min) nothing(?= [.,;!?\n]|$)/.test(said(words, unit, 3));
    return isIdle ? { takes: unit + 2 - i, puts: [added('wait', w), ...words.slice(i, unit + 1)] } : null;
  },
  // `give it a slow twenty`: seconds
  ({ words, i, w }) => {
    const many =
      w.word === 'give' &&
      /^give it (?:a )?(?:slow|good|full) \S+(?! (?:times|turns|presses|clicks|taps|percent|seconds?|secs?|minutes?|minute|min|push|pull|press|tap|kick|knock))/.test(
        said(words, i, 6),
      )
        ? words[i + 2]?.word === 'a'
          ? i + 4
          : i + 3
        : -1;
    const n = words[many]?.value;
    return n != null && n >= 5 && n <= 60
      ? {
          takes: many + 1 - i,
          puts: [added('wait', w), ...words.slice(many, many + 1), added('seconds', w), added(',', w)],
        }
      : null;
  },
  // `stay thirty seconds without doing anything`
  ({ words, i, w }) => {
    const idle =
      w.word === 'without'
        ? /^without (?:doing|to do)(?: anything| nothing| something)?(?= [.,;!?\n]|$| and)/.exec(said(words, i, 5))
        : null;
    return idle ? goes(wordsIn(idle[0])) : null;
  },
  // `press Open as often as it takes for the counter to show 009`
  ({ words, i, w, called }) => {
    const often =
      w.word === 'as'
        ? /^as (?:often|many times|long) as (?:it takes|is needed|needed|necessary)(?: for| until)? (?:the )?/.exec(
            `${said(words, i, 9)} `,
          )
        : null;
    const at = often ? i + wordsIn(often[0]) : i;
    const sign = often ? mentionAt(words, at, called.signs) : null;
    const shows = sign ? at + sign.length : -1;
    if (!sign || !/^(?:to (?:show|read|say|be at|reach|stand at)|shows|reads|says)(?= |$)/.test(said(words, shows, 3)))
      return null;
    const end =
      words[shows]?.word === 'to' ? shows + (/^(?:be|stand)$/.test(words[shows + 1]?.word ?? '') ? 3 : 2) : shows + 1;
    return { takes: end - i, puts: [added('until', w), added('the', w), ...words.slice(at, shows), added('shows', w)] };
  },
  // `Ten seconds: Fill, Start, Start, Menu`, `six seconds now! Slow Slow`, `Six seconds I have.`, `eight seconds, don't think: Up, Up`
  ({ words, i, w, out, called }) => {
    const unit = i + w.span;
    if (w.value === null || !isStop(out.at(-1)?.raw) || !/^(?:seconds?|secs?)$/.test(words[unit]?.word ?? ''))
      return null;
    const behind = said(words, unit + 1, 5);
    const so =
      /^(?:(?:i|you|we) have(?= [.,:])|, (?:don't|do not) (?:think|wait|hesitate|stop) :)/.exec(behind) ??
      /^(?:now |only |exactly |flat )?[:!](?= )/.exec(behind);
    if (!so) return null;
    const end = unit + 1 + wordsIn(so[0]);
    if (/[:!]$/.test(so[0]) && !areTwoKeys(words, end, called)) return null;
    const isOver = /[:!]$/.test(so[0]) ? [added('.', w)] : [];
    return { takes: end - i, puts: [added('you', w), added('have', w), ...words.slice(i, unit + 1), ...isOver] };
  },
  // `it waits nine seconds, no more`: so long one has
  ({ words, i, w }) => {
    const only = /^(?:only|just|now)$/.test(words[i + 1]?.word ?? '') ? 1 : 0;
    const waits = i + 1 + only;
    const many = words[waits + 1];
    return /^(?:it|he|she)$/.test(w.word) &&
      /^(?:waits|listens|gives)$/.test(words[waits]?.word ?? '') &&
      many?.value != null &&
      /^(?:seconds?|secs?)(?: , (?:no|not) (?:more|longer))?(?= [.;:!?\n]|$)/.test(
        said(words, waits + 1 + many.span, 4),
      )
      ? { takes: 2 + only, puts: [added('you', w), added('have', w)] }
      : null;
  },

  // `hold them as long as it needs until it says EMPTY`
  ({ words, i, w }) => {
    const long =
      w.word === 'as' || w.word === 'for'
        ? /^(?:for )?as long as (?:it|that|he) (?:needs|takes|wants)(?= (?:until|till)\b)/.exec(said(words, i, 7))
        : null;
    return long ? goes(wordsIn(long[0])) : null;
  },
  // `leave it out a while. 30 sec at least`, `he says a prayer, it is twenty seconds long`: waited
  ({ words, i, w, out }) => {
    const isNext = out.length > 0 && isStop(out.at(-1)?.raw);
    const head = w.word === 'it' && words[i + 1]?.word === 'is' ? 2 : 0;
    const many = words[i + head];
    if (!isNext || many?.value == null) return null;
    const unit = words[i + head + many.span];
    const end = i + head + many.span + 1;
    const tail =
      head > 0
        ? /^long(?= [.,;!?\n]|$)/.exec(said(words, end, 2))
        : /^(?:at least|minimum|or more)(?= [.,;!?\n]|$)/.exec(said(words, end, 3));
    const isWaited = out.slice(-14).some((x) => /^(?:off|out|while|wait|leave|black|dead)$/.test(x.word));
    return unit && tail && isWaited && /^(?:s|secs?|seconds?|minutes?)$/.test(unit.word)
      ? {
          takes: end - i + wordsIn(tail[0]),
          puts: [added('wait', w), ...words.slice(i + head, i + head + many.span), unit],
        }
      : null;
  },
  // `Ten seconds, but you won't need them.`
  ({ words, i, w, out }) => {
    if (w.value === null || !isStop(out.at(-1)?.raw)) return null;
    const unit = words[i + w.span];
    const n = w.span + 1;
    const behind =
      /^, (?:but|and|though) you (?:won't|will not|don't|shouldn't|'ll not) need (?:them|that|it|all of (?:it|them|that)|so long)(?= [.;!\n]|$)/.exec(
        said(words, i + n, 9),
      );
    return unit && behind && /^(?:seconds?|secs?|s|minutes?)$/.test(unit.word)
      ? { takes: n + wordsIn(behind[0]), puts: [added("you've", w), added('got', w), ...words.slice(i, i + n)] }
      : null;
  },
  // `you've seven seconds for back back run`: so long for them
  ({ words, i, w, called, out }) =>
    w.word === 'for' &&
    /^(?:seconds?|secs?)$/.test(out.at(-1)?.word ?? '') &&
    out.slice(-6).some((x) => /^(?:you've|have|got|has)$/.test(x.word)) &&
    keyAt(words, i + 1, called)
      ? { takes: 1, puts: [added(',', w)] }
      : null,
  // `Up, Menu, OK, before you've counted to ten`
  ({ words, i, w }) => {
    const before =
      w.word === 'before'
        ? /^before (?:you've|you have|you|he's|he has|i've) (?:counted|count) (?:up )?to (?=\S+)/.exec(
            said(words, i, 7),
          )
        : null;
    const many = before ? words[i + wordsIn(before[0])] : undefined;
    return before && many?.value != null
      ? { takes: wordsIn(before[0]) + many.span, puts: [added('within', w), many, added('seconds', w)] }
      : null;
  },
  // `bleed open until no more water comes`: how long that is
  ({ words, i, w }) => {
    const none = /^(?:until|till)$/.test(w.word)
      ? /^\S+ (?:no more|nothing more|no|nothing) (?:\w+ )?(?:comes|runs|drips|flows)(?: out)?(?= [.,;!?\n]|$)/.exec(
          said(words, i, 7),
        )
      : null;
    return none ? goes(wordsIn(none[0])) : null;
  },
  // `F1 out. 20 sec. Meanwhile D4 on`: waited
  ({ words, i, w, out }) => {
    const isNext = /^[.;,\n]$/.test(out.at(-1)?.raw ?? '');
    const unit = w.value !== null ? words[i + w.span] : undefined;
    const isTime = unit !== undefined && /^(?:s|sec|secs|seconds?|minutes?|min)$/.test(unit.word);
    const behind = said(words, i + w.span + 1, 3);
    return isNext && isTime && /^[.;,\n] (?:meanwhile|in the meantime|while)\b/.test(behind)
      ? { takes: w.span + 1, puts: [added('wait', w), ...words.slice(i, i + w.span), unit] }
      : null;
  },
  // `okay, give it a second`: a moment
  ({ words, i, w }) => {
    const moment = /^(?:give|wait|just|hang|hold|one|half|be)$/.test(w.word)
      ? /^(?:give (?:it|me|him|her) (?:just )?a (?:second|sec|moment)|(?:just )?wait a (?:second|sec)|just a (?:second|sec)|hang on a (?:second|sec|minute)|hold on a (?:second|sec|minute)|one (?:second|sec)(?= please| [.,!?\n]|$)|half a (?:second|sec))(?= [.,;!?\n]|$| and (?:then )?(?:it|you|there))/.exec(
          said(words, i, 7),
        )
      : null;
    return moment ? { takes: wordsIn(moment[0]), puts: [added(',', w)] } : null;
  },
  // `and now she's got eight seconds`: whoever does it
  ({ words, i, w }) => {
    if (!/^(?:she|he|they|they've|theyve|hes|shes|youve|somebody)$/.test(w.word) || words[i + 1]?.word !== 'got')
      return null;
    return /^(?:only |just |about |all of )*\S+ (?:seconds?|secs?)\b/.test(said(words, i + 2, 4))
      ? { takes: 2, puts: [{ ...w, word: "you've", raw: "you've" }, added('got', w)] }
      : null;
  },
  // `you are now given ten seconds, in which you must touch Steam once`
  ({ words, i, w, out }) => {
    if (w.word === ',' && words[i + 1]?.word === 'in' && words[i + 2]?.word === 'which') {
      const isTime = out.slice(-3).some((x) => /^(?:seconds?|secs?|minutes?)$/.test(x.word));
      return isTime && /^(?:you|one|we|i)$/.test(words[i + 3]?.word ?? '') ? { takes: 3, puts: [w] } : null;
    }
    const given = /^(?:you|one|we)$/.test(w.word)
      ? /^\S+ (?:are|is|will be) (?:now |then |only )*(?:given|allowed|granted) (?=\S+ (?:seconds?|secs?|minutes?)\b)/.exec(
          said(words, i, 7),
        )
      : null;
    return given
      ? { takes: wordsIn(given[0]), puts: [{ ...w, word: "you've", raw: "you've" }, added('got', w)] }
      : null;
  },
  // `and in that time I've got the jumper`
  ({ words, i, w }) => {
    const time = /^(?:and|in)$/.test(w.word)
      ? /^(?:and )?in (?:that time|the meantime|the meanwhile|between times)(?= |$)/.exec(said(words, i, 4))
      : null;
    return time ? { takes: wordsIn(time[0]), puts: [added(',', w)] } : null;
  },
  // `straight away (3 s) tap Heat 5x`: so long one has
  ({ words, i, w, out }) => {
    const many = words[i + 1];
    if (w.raw !== '(' || many?.value == null || many.span !== 1 || words[i + 3]?.raw !== ')') return null;
    const isAtOnce = /\b(?:straight away|right away|immediately|at once|quickly|quick|fast)$/.test(
      said(out, out.length - 3, 3),
    );
    const unit = words[i + 2];
    return isAtOnce && unit && /^(?:s|sec|secs|seconds?)$/.test(unit.word)
      ? { takes: 4, puts: [added(',', w), added('within', w), many, { ...unit, word: 'seconds' }, added(',', w)] }
      : null;
  },
  // `you count, in your head, to four`
  ({ words, i, w, out }) => {
    const head = /^(?:,|in|to|silently|quietly)$/.test(w.word)
      ? /^(?:, )?(?:(?:in|inside) (?:your|my|his|her) head|to (?:yourself|myself|himself|herself)|silently|under (?:your|my) breath)(?: ,)? (?=(?:up )?to \S+)/.exec(
          `${said(words, i, 7)} `,
        )
      : null;
    return head && /^(?:count|counts|counting)$/.test(out.at(-1)?.word ?? '') ? goes(wordsIn(head[0])) : null;
  },
  // `give it a bit, half a minute or so`
  ({ words, i, w }) => {
    const gives = /^(?:give|gives|giving)$/.test(w.word)
      ? /^\S+ (?:it|him|her|that|them) (?:a (?:bit|moment|while|second|sec|rest)|some time|a (?:little|wee) while) , (?=(?:about |maybe |say |like )?(?:a |an |half )?\S+ (?:a )?(?:seconds?|secs?|minutes?)\b)/.exec(
          said(words, i, 10),
        )
      : null;
    return gives ? { takes: wordsIn(gives[0]), puts: [added('wait', w)] } : null;
  },
  // `three quarters of a minute`
  ({ words, i, w }) =>
    w.value === 3 && /^quarters of a minute(?= |$)/.test(said(words, i + w.span, 4))
      ? { takes: w.span + 4, puts: [{ ...added('45', w), value: 45 }, added('seconds', w)] }
      : null,
  // `allow the unit to stand without power for at least 20 seconds`
  ({ words, i, w }) => {
    const stands = /^(?:allow|let|leave|keep)$/.test(w.word)
      ? /^(?:allow|let|leave|keep) (?:it|the \S+|this|everything) (?:to )?(?:(?:stand|sit|rest|remain|stay|be) )?without (?:power|current|supply|mains|electricity) (?:for )?(?:at least |about |a good )?/.exec(
          `${said(words, i, 12)} `,
        )
      : null;
    const n = stands ? wordsIn(stands[0]) : 0;
    return stands && words[i + n]?.value != null ? { takes: n, puts: [{ ...w, word: 'wait' }] } : null;
  },
  // `in 8 sec: HEAT - TIME`
  ({ words, i, w, out, called }) => {
    const many = words[i + 1];
    const begins =
      out.length === 0 ||
      /^[.!?\n;]$/.test(out.at(-1)?.raw ?? '') ||
      /^(?:press|push|enter|type|do|now|then)$/.test(out.at(-1)?.word ?? '');
    if (w.word !== 'in' || !begins || many?.value == null) return null;
    const next = i + 1 + many.span;
    const isTime = /^(?:seconds?|secs?|s)$/.test(words[next]?.word ?? '');
    return isTime && words[next + 1]?.raw === ':' && keyAt(words, next + 2, called)
      ? { takes: 1, puts: [{ ...w, word: 'within' }] }
      : null;
  },
  // `(min. 15 s)`
  ({ words, i, w }) =>
    /^(?:min|approx|ca|abt)$/.test(w.word) && words[i + 1]?.raw === '.' && words[i + 2]?.value != null
      ? { takes: 2, puts: [] }
      : null,
  // `function function down up in eight seconds`: within that
  ({ words, i, w, out, called }) =>
    w.word === 'in' &&
    words[i + 1]?.value != null &&
    /^(?:seconds?|secs?|s)$/.test(words[i + 1 + (words[i + 1]?.span ?? 1)]?.word ?? '') &&
    keysBefore(out, called) > 2
      ? { takes: 1, puts: [{ ...w, word: 'within' }] }
      : null,
  // `half a minute it has to be off for`
  ({ words, i, w }) => {
    const stays =
      /^(?:it|that) (?:has to|must|needs to|should|wants to) (?:be|stay) (?:off|out|dead)(?: for)?(?= [,.]|$)/.exec(
        said(words, i, 7),
      );
    const isTime = /^(?:seconds?|minutes?|secs)$/.test(words[i - 1]?.word ?? '');
    return stays && isTime ? { takes: wordsIn(stays[0]), puts: [added(',', w), added('wait', w)] } : null;
  },
  // `okay thirty seconds are gone`: those that were waited
  ({ words, i, w, out }) => {
    const over =
      w.value !== null &&
      /^(?:seconds|minutes|secs) (?:are|is|have) (?:gone|up|over|done|passed|been)(?= |$)/.exec(
        said(words, i + w.span, 3),
      );
    const isTold = out.slice(-50).some((x) => x.value === w.value);
    return over && isTold ? { takes: w.span + wordsIn(over[0]), puts: [added(',', w)] } : null;
  },
  // `you then have six seconds`
  ({ words, i, w, out }) =>
    /^(?:then|now)$/.test(w.word) &&
    /^(?:you|we|i)$/.test(out.at(-1)?.word ?? '') &&
    /^(?:have|got|get)$/.test(words[i + 1]?.word ?? '') &&
    words[i + 2]?.value != null
      ? { takes: 1, puts: [] }
      : null,
  // `out and in again, ten seconds between`
  ({ words, i, w }) => {
    const both =
      /^(off|out|down|open) and (?:back )?(on|in|up|shut|closed)(?: again)?(?: ,)? (?:with )?(?:about |a good |at least )?/.exec(
        `${said(words, i, 9)} `,
      );
    const n = both ? wordsIn(both[0]) : 0;
    const many = words[i + n];
    if (!both || many?.value == null) return null;
    const behind = i + n + many.span;
    const between = /^(?:seconds?|minutes?|secs?) (?:in )?between(?= |$)/.exec(said(words, behind, 3));
    const unit = words[behind];
    return between && unit
      ? {
          takes: n + many.span + wordsIn(between[0]),
          puts: [
            w,
            added(',', w),
            added('wait', w),
            ...words.slice(i + n, behind),
            unit,
            added(',', w),
            added(both[2] ?? '', w),
          ],
        }
      : null;
  },
  // `after it has been without power for a full minute you can …`
  ({ words, i, w }) => {
    const been =
      w.word === 'after'
        ? /^after (?:it|that|they|this)(?:'s| has| have|'ve) been (?:off|out|dead|unplugged|disconnected|without (?:power|current|supply|mains)) (?:for )?(?:at least |about |a good |a full |a whole )*/.exec(
            `${said(words, i, 10)} `,
          )
        : null;
    const n = been ? wordsIn(been[0]) : 0;
    // `a full minute`
    const many = words[i + n];
    const one = many !== undefined && /^(?:minute|second|hour)$/.test(many.word);
    if (!been || !many || (many.value === null && !one)) return null;
    const takes = one ? n + 1 : n + many.span + 1;
    const one1 = { ...added('1', w), value: 1 };
    return {
      takes,
      puts: [
        added('wait', w),
        ...(one ? [one1] : []),
        ...words.slice(i + n, i + takes),
        added(',', w),
        added('then', w),
      ],
    };
  },
  // `pause for two seconds`
  ({ words, i, w, called }) =>
    w.word === 'pause' && words[i + 1]?.word === 'for' && words[i + 2]?.value != null && !keyAt(words, i, called)
      ? { takes: 2, puts: [{ ...w, word: 'wait' }] }
      : null,
  // `leave it off till the display has gone dark`, `keep off the buttons until the lamp is on`
  ({ words, i, w }) => {
    if (!/^(?:leave|leaves|keep|keeps)$/.test(w.word)) return null;
    const off =
      /^(?:leaves? (?:it|that|the thing) (?:off|out|like that|dead|alone)|keeps? (?:your (?:hands|fingers) )?off (?:the |all (?:the )?|your )?(?:buttons|keys|pads)) (?=until|till)/.exec(
        `${said(words, i, 8)} `,
      );
    return off ? { takes: wordsIn(off[0]), puts: [{ ...w, word: 'wait' }] } : null;
  },
  // `you have then twelve seconds`
  ({ words, i, w }) =>
    /^(?:then|now)$/.test(w.word) &&
    /^(?:you|we|i) (?:have|had|got)$/.test(said(words, i - 2, 2)) &&
    words[i + 1]?.value != null
      ? { takes: 1, puts: [] }
      : null,
  // `in the next nine seconds you do …`, `the time limit is five seconds`
  ({ words, i, w }) => {
    const head =
      /^(?:in|inside|during) the (?:next|following)(?= )|^(?:the|your) (?:time limit|time|limit|window) is(?: only| just| about)?(?= )/.exec(
        said(words, i, 5),
      );
    const many = head ? words[i + wordsIn(head[0])] : undefined;
    const unit = many ? words[i + wordsIn(head?.[0] ?? '') + many.span]?.word : undefined;
    return head && many?.value != null && /^(?:seconds?|secs?|s|minutes?)$/.test(unit ?? '')
      ? { takes: wordsIn(head[0]), puts: [added('within', w)] }
      : null;
  },
  // `45 seconds must pass before the fuse is put back`
  ({ words, i, w, out }) => {
    if (w.value === null || !/^(?:seconds?|secs?|s|minutes?|min)$/.test(words[i + w.span]?.word ?? '')) return null;
    const passes =
      /^(?:must|have to|has to|should|shall|need to|needs to) (?:pass|elapse|go by|be (?:observed|waited|allowed|kept|respected)) before(?= )/.exec(
        said(words, i + w.span + 1, 6),
      );
    if (!passes) return null;
    const head = /(?:a |the )?(?:waiting time|wait|pause|delay) of(?: at least| about)?$|(?:at least|about)$/.exec(
      said(out, out.length - 7, 7).trim(),
    );
    const own = words.slice(i, i + w.span + 1);
    return {
      takes: own.length + wordsIn(passes[0]),
      puts: [added('wait', w), ...own, added(',', w), added('then', w)],
      drops: head ? wordsIn(head[0]) : 0,
    };
  },
  // `I have six seconds for: Plus, Plus, Brush`
  ({ words, i, w, out }) =>
    w.word === 'for' && words[i + 1]?.raw === ':' && /^(?:seconds|secs|s)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 2, puts: [added(',', w)] }
      : null,
  // `it gives you ten seconds, and in those you press …`
  ({ words, i, w, out }) => {
    const gives = /^(?:it|that|this|he|she) (?:gives|allows|leaves) you(?: only| just| about)?(?= )/.exec(
      said(words, i, 4),
    );
    const n = gives ? wordsIn(gives[0]) : 0;
    const many = words[i + n];
    if (!gives || many?.value == null || (out.length > 0 && !isStop(out.at(-1)?.raw))) return null;
    const behind = i + n + many.span + 1;
    const inThose =
      /^(?:, )?(?:and )?(?:in|during|within) (?:those|these|that|that time|this time|which)(?: you(?: must| have to)?)?(?= )/.exec(
        said(words, behind, 6),
      );
    return inThose
      ? {
          takes: behind - i + wordsIn(inThose[0]),
          puts: [added('within', w), ...words.slice(i + n, behind), added('you', w)],
        }
      : null;
  },
  // `don't take longer than five seconds about it`: how long one has
  ({ words, i, w }) => {
    const most =
      /^(?:and )?(?:don't|dont|do not|never|you mustn't|you can't) (?:take|be|need|spend) (?:any )?(?:longer|more) than(?= )|^(?:and )?(?:not|no) slower than(?= )/.exec(
        said(words, i, 8),
      );
    const n = most ? wordsIn(most[0]) : 0;
    const many = words[i + n];
    if (!most || many?.value == null) return null;
    const about = /^(?:about|over|for|on|with) (?:it|that|this|them)(?= |$)/.exec(
      said(words, i + n + many.span + 1, 2),
    );
    const all = n + many.span + 1 + (about ? 2 : 0);
    return { takes: all, puts: [added('within', w), ...words.slice(i + n, i + n + many.span + 1)] };
  },
  // `and then you count twenty`
  ({ words, i, w }) => {
    const many = words[i + 1];
    if (!/^counts?$/.test(w.word) || many?.value == null || many.value < 5) return null;
    if (
      /^(?:times|lamps?|lights?|flash\w*|blinks?|beeps?|clicks?|codes?|of|to|and|,)$/.test(
        words[i + 1 + many.span]?.word ?? '',
      )
    )
      return null;
    if (/^seconds?$/.test(words[i + 1 + many.span]?.word ?? '')) return null;
    return { takes: 1 + many.span, puts: [{ ...w, word: 'wait' }, many, added('seconds', w)] };
  },
  // `you count slowly until 20`
  ({ words, i, w }) => {
    if (!/^counts?$/.test(w.word)) return null;
    const counts = /^counts? (?:(?:slowly |slow |quietly |calmly )(?:until|till|up to|to)|(?:until|till))(?= )/.exec(
      said(words, i, 4),
    );
    const n = counts ? wordsIn(counts[0]) : 0;
    const many = words[i + n];
    if (!counts || many?.value == null || many.value < 5 || !isStop(words[i + n + many.span]?.raw)) return null;
    return { takes: n + many.span, puts: [{ ...w, word: 'wait' }, many, added('seconds', w)] };
  },
  // `6 second`, `in the 6 seconds you must`
  ({ words, i, w, out }) => {
    const unit = words[i + w.span];
    if (w.value === null || w.value < 2 || !unit || !/^(?:second|minute|hour|sec)s?$/.test(unit.word)) return null;
    const isIn = /^in (?:the|these|those)$/.test(said(out, out.length - 2, 2));
    if (!isIn && /s$/.test(unit.word)) return null;
    const plural = { ...unit, word: unit.word.replace(/s?$/, 's') };
    const own = words.slice(i, i + w.span);
    return isIn
      ? { takes: w.span + 1, puts: [added('within', w), ...own, plural], drops: 2 }
      : { takes: w.span + 1, puts: [...own, plural] };
  },
];

import { mentionAt } from './mentions.ts';
import { added, goes, isStop, keyAt, letGo, type Rewrite, said, stopAt, wordsIn } from './rewrite.ts';

/** Whether something stands in a place, and is no key: `put on the main switch`. */
const standsAt = (at: Parameters<Rewrite>[0], i: number) => {
  const own = mentionAt(at.words, i, at.called.controls);
  return own?.of.mechanism.kind === 'places' ? own : null;
};

/** What those say who learnt it later, and what others say in a hurry, in the words the reader knows. */
export const secondLanguage: readonly Rewrite[] = [
  // `the red lamp makes slow`
  ({ words, i, w, called, out }) => {
    if (!/^(?:makes?|does)$/.test(w.word)) return null;
    const makes = /^(?:makes?|does) (slow|fast|quick|slowly|quickly|rapidly)(?= |$)/.exec(said(words, i, 2));
    if (!makes) return null;
    const isOfLamp = out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs)?.of.kind === 'lamp');
    if (!isOfLamp) return null;
    const how = /^s/.test(makes[1] ?? '') ? 'slowly' : 'quickly';
    return { takes: 2, puts: [{ ...w, word: 'blinks' }, added(how, w)] };
  },
  // `you put on the main switch`
  (at) => {
    if (!/^puts?$/.test(at.w.word)) return null;
    const puts = /^(?:put|puts) (on|off|in|out|up|down) (?:the |your |that )?/.exec(`${said(at.words, at.i, 4)} `);
    const n = puts ? wordsIn(puts[0]) : 0;
    const own = puts ? standsAt(at, at.i + n) : null;
    const way = at.words[at.i + 1];
    if (!own || !way) return null;
    return {
      takes: n + own.length,
      puts: [at.w, ...at.words.slice(at.i + 2, at.i + n + own.length), { ...way, raw: way.word }],
    };
  },
  // `float released (down)`: what is let go of stands there then
  (at) => {
    if (!at.words.slice(at.i + 1, at.i + 4).some((x) => x.word === 'released')) return null;
    const own = standsAt(at, at.i);
    const n = own?.length ?? 0;
    // a brake is called so where it stands then
    const isPlace = own?.of.mechanism.kind === 'places' && own.of.mechanism.places.some((p) => p.id === 'released');
    if (!own || isPlace || at.words[at.i + n]?.word !== 'released' || own.of.springs.size > 0) return null;
    return { takes: n + 1, puts: at.words.slice(at.i, at.i + n) };
  },
  // `somebody else does the breaker`: they switch it back
  (at) => {
    if (!/^(?:does|do|operates?|works?)$/.test(at.w.word)) return null;
    const does = /^(?:does|do|operates?|works?) the /.exec(`${said(at.words, at.i, 2)} `);
    const own = does ? standsAt(at, at.i + 2) : null;
    if (!own || own.of.powersAt.size === 0 || !isStop(at.words[at.i + 2 + own.length]?.raw)) return null;
    return {
      takes: 2 + own.length,
      puts: [{ ...at.w, word: 'switch' }, ...at.words.slice(at.i + 1, at.i + 2 + own.length), added('on', at.w)],
    };
  },
  // `you make the current away with the main switch`
  ({ words, i, w }) => {
    const away =
      /^(?:make|makes|take|takes|put|puts) (?:the |all )?(?:current|power|electricity|mains|supply) (?:away|out|off|down)(?: (?:with|at|on|by)(?= (?:the|your)))?(?= |$)/.exec(
        said(words, i, 6),
      );
    return away ? { takes: wordsIn(away[0]), puts: [{ ...w, word: 'switch' }, added('off', w)] } : null;
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
  // `so long till the lamp is not more lighting`
  ({ words, i, w }) => {
    const long = w.word === 'so' ? /^so long (?:till|until|that)(?= )/.exec(said(words, i, 3)) : null;
    return long ? { takes: 3, puts: [{ ...w, word: 'until' }] } : null;
  },
  ({ words, i, w }) => {
    const dark = /^(?:is|are|'s) (?:not|no) more (?:lighting|burning|shining|on|lit|glowing)(?= |$)/.exec(
      said(words, i, 4),
    );
    return dark ? { takes: wordsIn(dark[0]), puts: [{ ...w, word: 'goes' }, added('out', w)] } : null;
  },
  // `wait for the horn to stop`
  ({ words, i, w, called, out }) =>
    w.word === 'to' &&
    /^(?:stop|end|finish|cease)$/.test(words[i + 1]?.word ?? '') &&
    out.slice(-3).some((_, k, last) => {
      const sound = mentionAt(last, k, called.signs);
      return sound?.of.kind === 'beeper' && k + sound.length === last.length;
    })
      ? { takes: 2, puts: [{ ...w, word: 'stops' }] }
      : null,
  // `if I press Race it's F21`: what it gives
  ({ words, i, w, called }) => {
    const head =
      w.word === 'if'
        ? /^if (?:i|you|we|one) (?:press|tap|push|hit|touch) (?:the )?/.exec(`${said(words, i, 4)} `)
        : null;
    const n = head ? wordsIn(head[0]) : 0;
    const key = head ? keyAt(words, i + n, called) : null;
    const behind = key ? i + n + key.length : 0;
    const next = words[behind]?.raw === ',' ? behind + 1 : behind;
    const gives =
      key &&
      /^(?:once |again )?(?:it's|it is|you get|i get|we get|it says|it shows|it gives|there's|you see|comes)(?= |$)/.test(
        said(words, next, 3),
      );
    return gives
      ? { takes: behind - i, puts: [{ ...w, word: 'press' }, ...words.slice(i + n, behind), added(',', w)] }
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
  // `he says to leave it a minute`
  ({ words, i, w }) => {
    const says =
      /^(?:and |but )?(?:he|she|they|the sheet|the book|the manual) says? (?:to|you (?:should|must|have to|need to))(?= )/.exec(
        said(words, i, 7),
      );
    return says ? { takes: wordsIn(says[0]), puts: [added(',', w)] } : null;
  },
  // `I have six seconds for: Plus, Plus, Brush`
  ({ words, i, w, out }) =>
    w.word === 'for' && words[i + 1]?.raw === ':' && /^(?:seconds|secs|s)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 2, puts: [added(',', w)] }
      : null,
  // `STEP 4   Press POWER`: how far one is in a list
  ({ words, i, w }) => {
    const isFirst = i === 0 || words[i - 1]?.raw === '\n';
    const many = words[i + 1];
    if (!isFirst || w.word !== 'step' || many?.value == null) return null;
    const stop = /^[.:]$/.test(words[i + 1 + many.span]?.raw ?? '') ? 1 : 0;
    return { takes: 1 + many.span + stop, puts: [] };
  },
  // `with the main switch you make it without current`
  ({ words, i, w }) => {
    const without =
      /^(?:make|makes|made) (?:it|him|her|all|everything) without (?:current|power|electricity|supply)(?= |$)/.exec(
        said(words, i, 4),
      );
    return without ? { takes: 4, puts: [{ ...w, word: 'switch' }, added('off', w)] } : null;
  },
  // `should you wish to empty the memory`
  ({ words, i, w }) =>
    w.word === 'should' &&
    /^should (?:you|one|anybody) (?:ever )?(?:wish|want|need|like|have) to$/.test(said(words, i, 4))
      ? { takes: 4, puts: [added('to', w)] }
      : null,
  // `two pins, and you put a bridge across both of them`, `J6 gets a little cap over the two pins`
  ({ words, i, w }) => {
    if (!/^(?:put|puts|gets?|take|stick|sticks|fit|slip|needs?|has)$/.test(w.word)) return null;
    const over =
      /^(?:put|puts|gets?|take|stick|sticks|fit|slip|needs?) (?:a|the|this|that|one of these|your) (?:little |small |tiny |wire )?(?:bridge|link|jumper|cap|clip|wire|shunt)s? (?:across|over|between|on|onto) (?:both|the two|the pins|it|them|these|those|the pair)(?: (?:of them|of those|pins|legs|of pins|two pins))?(?= |$)/.exec(
        said(words, i, 12),
      );
    if (!over) return null;
    const isSubject = /^(?:gets?|needs?|has)$/.test(w.word);
    return {
      takes: wordsIn(over[0]),
      puts: isSubject ? [{ ...w, word: 'is' }, added('bridged', w)] : [{ ...w, word: 'bridge' }, added('it', w)],
    };
  },
  // `my colleague makes the isolator on`
  (at) => {
    if (!/^(?:makes?|made|does)$/.test(at.w.word) || at.words[at.i + 1]?.word !== 'the') return null;
    const own = standsAt(at, at.i + 2);
    const way = own ? at.words[at.i + 2 + own.length] : undefined;
    return own && way && /^(?:on|off|open|closed|shut|up|down)$/.test(way.word)
      ? { takes: 1, puts: [{ ...at.w, word: 'put' }] }
      : null;
  },
  // `Mode down, isolator on, Mode up again when …`: what was held comes up
  ({ words, i, w, called, out }) => {
    const key = keyAt(words, i, called);
    const n = key?.length ?? 0;
    if (!key || words[i + n]?.word !== 'up' || !/^(?:again|as|when|once|at|on)$/.test(words[i + n + 1]?.word ?? ''))
      return null;
    const isDown = out.some((x, k) => x.word === 'down' && keyAt(out, k - n, called)?.of === key.of);
    const again = words[i + n + 1]?.word === 'again' ? 2 : 1;
    return isDown ? { takes: n + again, puts: letGo(w, ...words.slice(i, i + n)) } : null;
  },
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
  // `two to the right, confirm with FN, two back, and confirm again`
  ({ words, i, w, called, out }) => {
    const isAgain = /^(?:again|once more)(?! (?:with|by|on))(?= |$)/.test(said(words, i + 1, 3));
    if (w.word !== 'confirm' || !isAgain) return null;
    const key = out.flatMap((x, k) =>
      /^(?:confirm|press|with|hit)$/.test(x.word) ? (keyAt(out, k + 1, called) ?? keyAt(out, k + 2, called) ?? []) : [],
    );
    const last = key.at(-1);
    const name = last?.of.control.label.toLowerCase().split(/\s+/) ?? [];
    return last
      ? {
          takes: words[i + 1]?.word === 'again' ? 2 : 3,
          puts: [{ ...w, word: 'press' }, ...name.map((x) => ({ ...added(x, w), raw: x }))],
        }
      : null;
  },
  ({ words, i, w, called, out }) => {
    if (w.value === null || w.value > 24 || words[i + w.span]?.word !== 'back' || !isStop(words[i + w.span + 1]?.raw))
      return null;
    if (!/^(?:then|and|,)$/.test(out.at(-1)?.word ?? '')) return null;
    const turned = out.findLastIndex((x) => /^(?:left|right|clockwise|anticlockwise)$/.test(x.word));
    const isKnob = out
      .slice(0, turned + 1)
      .some((_, k, own) => mentionAt(own, k, called.controls)?.of.mechanism.kind === 'clicks');
    if (turned < 0 || !isKnob || out.length - turned > 14) return null;
    return { takes: w.span + 1, puts: [w, added('clicks', w), added('back', w)] };
  },
  // `you let FN free`, `let them out`: let go of
  ({ words, i, w, called }) => {
    if (!/^(?:let|lets|set|sets)$/.test(w.word)) return null;
    const it = /^(?:them|it|both|that|these|those)$/.test(words[i + 1]?.word ?? '') ? 1 : 0;
    const key = it > 0 ? null : keyAt(words, i + 1, called);
    const n = it > 0 ? it : (key?.length ?? 0);
    const way = words[i + 1 + n]?.word ?? '';
    const isFree = w.word.startsWith('let') ? /^(?:free|out|loose|up|be)$/.test(way) : /^free$/.test(way);
    return n > 0 && isFree ? { takes: n + 2, puts: letGo(w, ...words.slice(i + 1, i + 1 + n)) } : null;
  },
  // `you take away the hands from the buttons`, `now come off Race`, `off you come`: let go of
  ({ words, i, w, called, out }) => {
    if (!/^(?:takes?|comes?|off|pulls?|lifts?)$/.test(w.word)) return null;
    const away =
      /^(?:(?:takes?|pulls?|lifts?) (?:away|off) (?:the|your|my|both|his|her) (?:hands?|fingers?|thumbs?|foot|feet)|off you (?:come|go))(?: (?:from|of) (?:the )?(?:buttons?|keys?|pads?|it|them|both)(?= |$))?(?= |$)/.exec(
        said(words, i, 9),
      );
    if (away) return { takes: wordsIn(away[0]), puts: letGo(w, added('it', w)) };
    const isWho = /^(?:you|i|we|can|now|then|and|to|that|may|must)$/.test(out.at(-1)?.word ?? '');
    if (!/^comes?$/.test(w.word) || words[i + 1]?.word !== 'off' || !isWho) return null;
    const it = /^(?:it|them|both|that)$/.test(words[i + 2]?.word ?? '') ? 1 : 0;
    const key = it > 0 ? null : keyAt(words, i + 2, called);
    const n = it > 0 ? it : (key?.length ?? 0);
    return n > 0 ? { takes: 2 + n, puts: letGo(w, ...words.slice(i + 2, i + 2 + n)) } : null;
  },
  // `then I can leave the button`: let go of
  ({ words, i, w, out }) => {
    const leave = /^leaves? (?:the|both|these|those)(?: two| both)? (?:buttons?|keys?|pads?)(?= |$)/.exec(
      said(words, i, 5),
    );
    const n = leave ? wordsIn(leave[0]) : 0;
    const isKept = /^(?:alone|be|as|pressed|in|down|where|there|like)$/.test(words[i + n]?.word ?? '');
    const isDone = /^(?:can|you|i|we|must|may|then|now|to)$/.test(out.at(-1)?.word ?? '');
    return leave && !isKept && isDone ? { takes: n, puts: letGo(w, added('it', w)) } : null;
  },
  // `no sooner than the third`, `not before the third`: at that one
  ({ words, i, w }) =>
    /^(?:no sooner|no earlier|not sooner|not earlier) than the$/.test(said(words, i, 4))
      ? { takes: 3, puts: [added('at', w)] }
      : null,
  // `close the door up`
  ({ words, i, w, called, out }) => {
    if (w.word !== 'up' || !isStop(words[i + 1]?.raw)) return null;
    const closes = out.slice(-5).findIndex((x) => /^(?:close|closes|closed|shut|shuts)$/.test(x.word));
    return closes >= 0 && out.slice(-4).some((_, k, last) => mentionAt(last, k, called.controls) !== null)
      ? { takes: 1, puts: [] }
      : null;
  },
  // `don't take longer than five seconds about it`: how long one has
  ({ words, i, w }) => {
    const most =
      /^(?:and )?(?:don't|dont|do not|never|you mustn't|you can't) (?:take|be|need|spend) (?:any )?(?:longer|more) than(?= )/.exec(
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
  // `the display indicates "SERVICE"`
  ({ w, called, out }) =>
    /^indicates?$/.test(w.word) && out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs) !== null)
      ? { takes: 1, puts: [{ ...w, word: 'shows' }] }
      : null,
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
  // `Go Go Home`: a key that is called like what one does, one after the other
  ({ words, i, w, called }) => {
    if (!/^\p{Lu}/u.test(w.raw)) return null;
    const key = keyAt(words, i, called);
    const next = key ? keyAt(words, i + key.length, called) : null;
    return key && next && (key.of === next.of || w.word === 'go') && /^\p{Lu}/u.test(words[i + key.length]?.raw ?? '')
      ? { takes: key.length, puts: [...words.slice(i, i + key.length), added(',', w)] }
      : null;
  },
  // `call once two three times`: a key with a figure on it, so often
  ({ words, i, w, called }) => {
    const many = words[i + 1];
    if (w.value === null || many?.value == null) return null;
    const key = keyAt(words, i, called);
    return key?.length === 1 && /^times$/.test(words[i + 1 + many.span]?.word ?? '')
      ? { takes: 1, puts: [added(',', w), added('press', w), added('key', w), w] }
      : null;
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
  // `when it hits five you let go`
  ({ words, i, w, out }) =>
    /^(?:hits|reaches|arrives)$/.test(w.word) &&
    /^(?:it|he|that)$/.test(out.at(-1)?.word ?? '') &&
    (words[i + 1]?.word === 'at' ? words[i + 2] : words[i + 1])?.value != null
      ? { takes: words[i + 1]?.word === 'at' ? 2 : 1, puts: [{ ...w, word: 'gets' }, added('to', w)] }
      : null,
  // `at 88 on the display: release MODE`
  ({ words, i, w, called }) => {
    const many = words[i + 1];
    if (
      w.word !== 'at' ||
      many?.value == null ||
      !called.signs.some((x) => x.of.kind === 'text' || x.of.kind === 'segments')
    )
      return null;
    const behind = i + 1 + many.span;
    const shown = /^on (?:the |its )?(?:display|screen|window|readout)(?= |$)/.exec(said(words, behind, 3));
    const next = behind + (shown ? wordsIn(shown[0]) : 0);
    const go = /^[,:]$/.test(words[next]?.raw ?? '') ? next + 1 : next;
    if (!/^(?:release|let|off|take|lift)$/.test(words[go]?.word ?? '')) return null;
    return {
      takes: next - i,
      puts: ['when', 'the', 'display', 'shows'].map((x) => added(x, w)).concat(words.slice(i + 1, behind)),
    };
  },
  // `repeat from "fuse out"`, `then again from stop in`: from where one begins anew
  ({ words, i, w, out }) => {
    if (!/^(?:repeat|start|begin|again|once|over|back)$/.test(w.word)) return null;
    const anew =
      /^(?:(?:repeat|start|begin) (?:again |anew |over |new )?|again |once more |over again |back )from (?!the (?:left|right)\b)/.exec(
        `${said(words, i, 5)} `,
      );
    if (!anew || !(isStop(out.at(-1)?.raw) || /^(?:then|so|and|it|do|=|to)$/.test(out.at(-1)?.word ?? ''))) return null;
    return goes(stopAt(words, i + wordsIn(anew[0])) - i);
  },
];

import { mentionAt, placeByVerb } from './mentions.ts';
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

/** What is said in passing: what went wrong, what is done if it did, how something looks or is held, who may do it. */
export const inPassingSaid: readonly Rewrite[] = [
  // `secure it against closing`
  ({ words, i, w }) => {
    const held = /^(?:secure|secures|block|blocks|guard|protect|lock|fix|wedge|chock)$/.test(w.word)
      ? /^\S+ (?:it|them|that|this) against (?:\w+ ){0,2}\w+ing(?= [.,;!?\n]|$| and)/.exec(said(words, i, 7))
      : null;
    return held ? goes(wordsIn(held[0])) : null;
  },
  // `we put it on clock`
  ({ words, i, w }) =>
    /^(?:put|puts)$/.test(w.word) &&
    /^\S+ (?:it|them|that) on (?:the )?(?:clock|timer|list|charge|hold|order|ice|report|file|wall|floor|bench|table|shelf|side)(?= |$)/.test(
      said(words, i, 5),
    )
      ? goes(words[i + 3]?.word === 'the' ? 5 : 4)
      : null,
  // `read it out`: what one is after
  ({ words, i, w, out }) =>
    /^(?:read|reads|reading|get)$/.test(w.word) &&
    /^\S+ (?:it|them|that|him|her|this|those) out(?= [.,;:!?\n]|$| and | like | now)/.test(said(words, i, 4)) &&
    (w.word.startsWith('read') || out.at(-1)?.word === 'to')
      ? goes(3)
      : null,
  // `the brake may be released when a patient is to be moved`: some other time
  ({ words, i, w, out, called }) => {
    if (w.word !== 'may' || words[i + 1]?.word !== 'be') return null;
    const end = endOf(words, i);
    const when = words.findIndex(
      (x, k) => k > i && k < Math.min(end, i + 5) && /^(?:when|once|if|whenever)$/.test(x.word),
    );
    const isOfUnit =
      when >= 0 &&
      words
        .slice(when, end)
        .some((_, k) => mentionAt(words, when + k, called.signs) ?? mentionAt(words, when + k, called.controls));
    const isOther =
      when >= 0 &&
      /^\S+ (?:a|an|somebody|someone|anybody|nobody|the (?:next|patient|guest|customer|driver|user|operator)) /.test(
        said(words, when, 4),
      );
    const begin = out.findLastIndex((x) => /^[.!?\n]$/.test(x.raw));
    return isOther && !isOfUnit ? { takes: end - i, puts: [], drops: out.length - begin - 1 } : null;
  },
  // `it buzzes twice, okay, once, twice`: counted along
  ({ words, i, out }) => {
    const along =
      out.at(-1)?.word === 'twice'
        ? /^(?:, )?(?:(?:okay|ok|right|so|there|yeah) )?(?:, )?(?:once|one) (?:, |and )?(?:twice|two)(?= and |[ .,;!?\n]|$)/.exec(
            said(words, i, 7),
          )
        : null;
    return along ? goes(wordsIn(along[0])) : null;
  },
  // `ok give me a min`: nothing is waited for
  ({ words, i, w }) => {
    const give = /^(?:give|gimme|need|needs?|hang|hold)$/.test(w.word)
      ? /^(?:(?:give|gimme)(?: me| us)?|need|hang on|hold on)(?: just)? (?:a|one|two|another|half a|a few) (?:min|mins|minutes?|secs?|seconds?|moments?|mo|ticks?)(?= [.,;:!?\n]|$)/.exec(
          said(words, i, 7),
        )
      : null;
    return give ? goes(wordsIn(give[0])) : null;
  },
  // `here's a 2, two is the fan`: what a code is about, whatever key is called so
  ({ words, i, w, out, called }) => {
    const last = out.at(-1);
    const isCode = last !== undefined && (last.value !== null || /^[a-z]{0,2}-?\d{1,4}$/.test(last.word));
    const is = isCode
      ? /^(?:is|was|means|stands for|is only|is just) (?:the|a|an|your|our) (?=.)/.exec(`${said(words, i, 3)} `)
      : null;
    const at = is ? i + wordsIn(is[0]) : i;
    const key = is ? keyAt(words, at, called) : null;
    const isKey = key && /^(?:button|key|one|press|press(?:es|ed)|again)$/.test(words[at + key.length]?.word ?? '');
    return is && key && !isKey ? { takes: at + key.length - i, puts: [w, added(',', w)] } : null;
  },
  // `the second person lets go`: no second of what sounds
  ({ words, i, w }) =>
    /^(?:second|third|2nd)$/.test(w.word) &&
    /^(?:persons?|man|woman|helper|colleague|technician|pair|somebody)$/.test(words[i + 1]?.word ?? '')
      ? { takes: 1, puts: [added('other', w)] }
      : null,
  // `Select three times followed by Heat`
  ({ words, i, w, called }) =>
    w.word === 'followed' && words[i + 1]?.word === 'by' && keyAt(words, pastThe(words, i + 2), called)
      ? { takes: 2, puts: [added(',', w), added('then', w)] }
      : null,
  // `OK here goes`, `OK so you pull the fuse`: whatever key is called so
  ({ words, i, w, out }) =>
    w.word === 'ok' &&
    (out.length === 0 || isStop(out.at(-1)?.raw)) &&
    /^(?:here|so|let's|lets|i|i'm|i've|you|we|that|that's|listen|guys|folks|this|it's|there|well|everybody|everyone|right|the)$/.test(
      words[i + 1]?.word ?? '',
    )
      ? goes(1)
      : null,
  // `if the float's sorted you hold Reset`: once it is
  ({ words, i, w, out }) => {
    if (!/^(?:if|once|when)$/.test(w.word) || !(begins(out) || out.at(-1)?.raw === ',')) return null;
    const mended =
      /^(?:if|once|when) (?:you(?:'ve| have) (?:\w+ ){0,2}?)?(?:[\w']+ ){0,4}?(?:is |are |has been |have been |been )?(?:sorted|fixed|mended|repaired|remedied|put right|rectified|replaced|swapped|cured)(?: out| it| that| them)?(?= [,.]| you | hold | press | then | i | we |$)/.exec(
        `${said(words, i, 10)} `,
      );
    if (!mended) return null;
    const n = wordsIn(mended[0]);
    return { takes: words[i + n]?.raw === ',' ? n + 1 : n, puts: [] };
  },
  // `shown only a qualified electrician may open the hatch begin by …`, told without stops
  (at) => {
    const { words, i, out } = at;
    if (words[i]?.word !== 'only' || begins(out)) return null;
    const only =
      /^only (?:an? )?(?:(?:qualified|licensed|trained|authori[sz]ed|competent|instructed|certified) )?(?:[\p{L}-]+ ){1,2}(?:may|must|should|is allowed to|are allowed to) (?:ever )?[\p{L}-]+ (?:the |this |its )?(?=[\p{L}])/u.exec(
        said(words, i, 12),
      );
    const from = only ? i + wordsIn(only[0]) : i;
    const what = only ? standsAt(at, from) : null;
    return what ? goes(from + what.length - i) : null;
  },
  // `a plug with a blue ring`: what it looks like
  ({ words, i, w }) => {
    const ring =
      w.word === 'with' || w.word === 'has'
        ? /^(?:with|has) (?:a|an|the) (?:red|blue|green|yellow|white|black|grey|amber|orange|brown|metal|rubber|little|small|thick|big) (?:ring|bell|horn|whistle)(?= [.,;!?\n]| and | on | round |$)/.exec(
            said(words, i, 6),
          )
        : null;
    return ring ? goes(wordsIn(ring[0])) : null;
  },
  // `stop out not before the bell has gone twice`: when it has
  ({ words, i, w, out }) => {
    const isNot = w.word === 'not' && /^(?:before|until|till)$/.test(words[i + 1]?.word ?? '');
    const isSaid = /^(?:out|in|on|off|up|down|open|shut|closed|it|released?)$/.test(out.at(-1)?.word ?? '');
    const isOther = /^(?:don't|dont|do|never|is|are|was|has|have)$/.test(out.at(-2)?.word ?? '');
    return isNot && isSaid && !isOther ? { takes: 2, puts: [added(',', w), added('when', w)] } : null;
  },
  // `it really holds the heat`
  ({ words, i, w }) => {
    const warm = /^(?:it|that|she|he|which)$/.test(w.word)
      ? /^\w+ (?:(?:really|still|always|just|does) )?(?:holds?|keeps?) (?:the |its |a lot of )?(?:heat|warmth|cold|charge|water|pressure)(?= [.,;!?)\n]| for | and |$)/.exec(
          said(words, i, 7),
        )
      : null;
    return warm ? goes(wordsIn(warm[0])) : null;
  },
  // `amber goes out = OK`, `amber fast = typo, power off and again from there`
  ({ words, i, w, called, out }) => {
    const isOver = /^[.,;!?)\n]$/.test(words[i + 1]?.raw ?? '.');
    const shows = /^(?:out|off|on|dark|lit|steady|fast|slow|slowly|quickly|blinks|flashes)$/.test(
      out.at(-1)?.word ?? '',
    );
    if (w.word === 'ok' && isOver && shows && keyAt(words, i, called) === null) return goes(1);
    if (!/^(?:typo|mistyped|mistake|wrong)$/.test(w.word) || !shows) return null;
    const n = endOf(words, i) - i;
    return /\b(?:again|over|retry|repeat)\b/.test(said(words, i, n)) ? goes(n) : null;
  },
  // `lid on the box`, of the lid the box has
  (at) => {
    const { words, i, called } = at;
    const own = standsAt(at, i);
    if (own?.of.control.look !== 'lid' || /^(?:the|a)$/.test(words[i + own.length]?.word ?? '')) return null;
    const on = /^(?:goes |back |is )*(on|off) (?:the|its|that) /.exec(`${said(words, i + own.length, 4)} `);
    const from = on ? i + own.length + wordsIn(on[0]) : i;
    const whole = on ? mentionAt(words, from, called.controls) : null;
    const place = on && whole?.of === own.of ? (placeByVerb(own.of, on[1] === 'on' ? 'shut' : 'open') ?? null) : null;
    if (place === null) return null;
    const [w] = words.slice(i);
    return w
      ? { takes: from + (whole?.length ?? 0) - i, puts: [...words.slice(i, i + own.length), added(place, w)] }
      : null;
  },
  // `one time Stir, long, until the lamp blinks`: held
  ({ words, i, called }) => {
    const key = keyAt(words, i, called);
    if (!key) return null;
    const end = i + key.length;
    const isLong = /^, (?:long|long time|and long|for long) ,? ?(?:until|till)\b/.test(said(words, end, 5));
    const [w] = words.slice(i);
    return isLong && w ? { takes: key.length + 3, puts: [added('hold', w), ...words.slice(i, end)] } : null;
  },
  // `after Wash the buzzer goes`: of what was pressed
  ({ words, i, w, called }) => {
    const from = pastThe(words, i + 1);
    const key = w.word === 'after' ? keyAt(words, from, called) : null;
    const next = key ? from + key.length : i;
    const sign = words[next]?.raw === ',' ? next + 1 : next;
    const shows = key && mentionAt(words, words[sign]?.word === 'the' ? sign + 1 : sign, called.signs);
    return key && shows ? goes(next - i) : null;
  },
  // `switch on while you press Stop`: it is held meanwhile
  ({ words, i, w, called }) => {
    const presses = /^while (?:you|i|we) (?:press|push|are pressing|are pushing)(?: on)? (?:the )?/.exec(
      `${said(words, i, 6)} `,
    );
    const n = presses ? wordsIn(presses[0]) : 0;
    return presses && keyAt(words, i + n, called) ? { takes: n, puts: [w, added('you', w), added('hold', w)] } : null;
  },
  // `the burner may be opened by authorised staff only`, of what is opened in general
  (at) => {
    const { words, i } = at;
    const own = standsAt(at, i);
    if (!own) return null;
    const n = stopAt(words, i) - i;
    const may =
      /^(?:may|must|shall|should|can) be (?:opened|removed|touched|taken off|worked on|disconnected|unplugged) by .* only$/;
    return may.test(said(words, i + own.length, n - own.length)) ? goes(n) : null;
  },
  // `when it was false the signal makes three times`: as `if it was wrong`
  ({ words, i, w, out }) => {
    const wrong =
      w.word === 'when' && begins(out)
        ? /^when (?:it|that|you|all) (?:was|is|were|has been) (?:false|wrong|incorrect|not (?:right|correct|good))(?= )/.exec(
            said(words, i, 5),
          )
        : null;
    return wrong
      ? { takes: wordsIn(wrong[0]), puts: [added('if', w), added('it', w), added('was', w), added('wrong', w)] }
      : null;
  },
  // `pull it, but hold on to it`
  ({ words, i }) => {
    const holds =
      /^(?:and |but )?(?:hold|hang|holding|hanging|keep hold|keep a hold) (?:on to|onto|of) (?:it|them|that|those)(?= [.,;!?\n]|$)/.exec(
        said(words, i, 6),
      );
    return holds ? goes(wordsIn(holds[0])) : null;
  },
  // `a slide with run and test on it`: what is written there
  (at) => {
    const { words, i, w, out, called } = at;
    if (w.word !== 'with') return null;
    const near = out.slice(-8);
    const own = near.flatMap((_, k) => mentionAt(near, k, called.controls)?.of ?? []).at(-1);
    if (own?.mechanism.kind !== 'places') return null;
    const ids = own.mechanism.places.map((p) => p.label.toLowerCase());
    const from = words[i + 1]?.word === 'the' && words[i + 2]?.word === 'words' ? i + 3 : i + 1;
    const [one, and, two] = [words[from]?.word ?? '', words[from + 1]?.word, words[from + 2]?.word ?? ''];
    const isBoth = ids.includes(one) && ids.includes(two) && one !== two && /^(?:and|or)$/.test(and ?? '');
    const rest = isBoth ? /^(?:written |printed |marked )?on (?:it|them)\b/.exec(said(words, from + 3, 3)) : null;
    return isBoth ? goes(from + 3 + (rest ? wordsIn(rest[0]) : 0) - i) : null;
  },
  // `twenty seconds from when I switched it off`: since when
  ({ words, i }) => {
    const since =
      /^(?:from|since|counting from|after) (?:when |the moment |the time )?(?:i|you|we|they) (?:switched|turned|put|took|unplugged|pulled) (?:it|that|them) (?:off|on|out)(?= [.,;!?\n]| and | then |$)/.exec(
        said(words, i, 9),
      );
    const isAfter = since !== null && /^after (?!when)/.test(since[0]);
    return since && !isAfter ? goes(wordsIn(since[0])) : null;
  },
  // `it's on hinges`, `which is on a spring`: how it is held
  ({ words, i }) => {
    const held =
      /^(?:it|it's|it is|that|that's|that is|which is|they're) (?:on|with) (?:a |an |two |three |four |its |some )?(?:gas |little |small )?(?:hinges?|springs?|chains?|hooks?|rails?|magnets?|clips?|wheels?|runners?)(?= |$)/.exec(
        said(words, i, 7),
      );
    return held ? goes(wordsIn(held[0])) : null;
  },
  // `give it a quarter of an hour to heat up`: before it is used again
  ({ words, i, w }) => {
    if (!/^(?:give|gives|let)$/.test(w.word)) return null;
    const n = stopAt(words, i) - i;
    const warms =
      /^(?:give|gives|let) (?:it|her|him) (?:[\w'-]+ ){1,6}?to (?:heat up|warm up|get (?:hot|warm|going)|come up|fill(?: up)?)\b/.exec(
        said(words, i, Math.min(n, 11)),
      );
    return warms ? goes(wordsIn(warms[0])) : null;
  },
  // `the blade has to stand`: whatever key is called so
  ({ words, i, called, out }) => {
    const key = keyAt(words, i, called);
    const end = i + (key?.length ?? 0);
    const stands = key
      ? /^(?:has to|must|should|needs to|have to) (?:stand(?: still)?|be (?:still|at rest|standing|stopped|empty|cold|cool)|have stopped)(?= [.,;!?\n]| and |$)/.exec(
          said(words, end, 5),
        )
      : null;
    return stands && /^(?:the|your)$/.test(out.at(-1)?.word ?? '')
      ? { takes: end + wordsIn(stands[0]) - i, puts: [] }
      : null;
  },
];

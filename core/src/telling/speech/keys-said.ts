import { mentionAt, namedLast } from './mentions.ts';
import {
  added,
  begins,
  goes,
  isStop,
  keyAt,
  keysBefore,
  pastThe,
  type Rewrite,
  said,
  stopAt,
  wordsIn,
} from './rewrite.ts';
import type { Word } from './text.ts';

/** What tells behind a key, and behind two of them, that they are held. */
const oneHeld =
  /^(?:(?:, )?(?:and )?keep (?:on )?(?:pressing|pushing|holding)(?: it)?(?= [.,;!?\n]|$| until| till)|and (?:hold|keep holding|hold on|holds|stay on)(?= [.,;!?\n]|$))/;
const bothHeld =
  /^(?:(?:at |in )?(?:the )?same time|together|both|at once) (?:, )?and (?:hold|keep)(?: them| both| it)?(?= [.;!?\n]|$| , and)/;

/** Ways of saying that a key is pressed: by what it gives, by how often, by what it is called like. */
export const keysSaid: readonly Rewrite[] = [
  // `Hold Set, five seconds`, where a key is called Hold
  ({ words, i, w, out, called }) => {
    if (w.word !== 'hold' || !begins(out) || keyAt(words, i, called)?.of.control.label.toLowerCase() !== 'hold')
      return null;
    const key = keyAt(words, i + 1, called);
    return key
      ? {
          takes: 1 + key.length,
          puts: [added('keep', w), ...words.slice(i + 1, i + 1 + key.length), added('pressed', w)],
        }
      : null;
  },
  // `one on Heat, one on Set, press both and don't let go`
  ({ words, i, w }) => {
    const both = /^(?:press|push)$/.test(w.word)
      ? /^\w+ (?:both|them both|them|the two|these two)(?: of them)?(?: down)? (?:, )?(?:and )?(?:don't (?:you )?let go|do not let go|don't let them go|keep (?:on )?pressing|keep them (?:pressed|down)|stay on them|hold on)(?= |$)/.exec(
          said(words, i, 9),
        )
      : null;
    return both ? { takes: wordsIn(both[0]), puts: [{ ...w, word: 'hold', raw: 'hold' }, added('both', w)] } : null;
  },
  // `with Needle you come from one mistake to the other`, `Jet for each further fault`
  ({ words, i, w, out, called }) => {
    if (!begins(out)) return null;
    const at = w.word === 'with' ? pastThe(words, i + 1) : i;
    const key = keyAt(words, at, called);
    if (!key) return null;
    const leads = (
      w.word === 'with'
        ? /^(?:you|we|one|i) (?:come|go|get|move|walk|jump)s? from (?:one|the one|each) (?:\w+ )?to (?:the )?(?:other|next|another)(?: one)?(?= |$)/
        : /^for (?:each|every|any) (?:further|next|other|new|more|older|additional) (?:\w+)(?= [.,;!?\n]|$)/
    ).exec(said(words, at + key.length, 9));
    return leads
      ? {
          takes: at + key.length + wordsIn(leads[0]) - i,
          puts: [added('press', w), ...words.slice(at, at + key.length)],
        }
      : null;
  },
  // `down down up okay`, `hold Steam and okay`: a key that is called OK
  ({ words, i, w, out, called }) => {
    if (w.word !== 'okay' || !called.controls.some((c) => c.of.control.label === 'OK')) return null;
    const isRow = keysBefore(out, called) > 1 && !/^(?:so|now|right|you|i|we|it|that)$/.test(words[i + 1]?.word ?? '');
    const isHeld =
      out.at(-1)?.word === 'and' &&
      keysBefore(out.slice(0, -1), called) > 0 &&
      /\b(?:hold|holds|holding|keep|both)\b/.test(said(out, Math.max(0, out.length - 6), 6));
    return isRow || isHeld ? { takes: 1, puts: [{ ...w, word: 'ok', raw: 'OK' }] } : null;
  },
  // `one click back to the left and Info`: which way, and a key behind it
  ({ words, i, w, out, called }) => {
    if (
      w.word === 'back' &&
      /^clicks?$/.test(out.at(-1)?.word ?? '') &&
      /^to the (?:left|right)$/.test(said(words, i + 1, 3))
    )
      return { takes: 1, puts: [] };
    const key = w.word === 'and' ? keyAt(words, i + 1, called) : null;
    if (
      !key ||
      !/\bclicks? (?:back )?(?:to the |to )?(?:left|right|clockwise|anticlockwise|back)$/.test(
        said(out, Math.max(0, out.length - 6), 6),
      )
    )
      return null;
    const next = words[i + 1 + key.length];
    return !next || isStop(next.raw) || /^(?:,|and|then|now)$/.test(next.raw)
      ? { takes: 1, puts: [w, added('press', w)] }
      : null;
  },
  // `Open is up, Close is down`: which way each counts, and none is held
  ({ words, i, w, out, called }) => {
    if (w.word !== 'is' || words[i + 1]?.word !== 'down' || !/^(?:[.,;!?\n]|and|$)/.test(words[i + 2]?.raw ?? ''))
      return null;
    const isUp = / is up ,?(?: and)? /.test(`${said(out, Math.max(0, out.length - 9), 9)} `);
    const isKey = namedLast(out, called.controls)?.mechanism.kind === 'push';
    return isUp && isKey ? { takes: 1, puts: [{ ...w, word: 'counts', raw: 'counts' }] } : null;
  },
  // `press Time, keep pressing, at READY let go`, `somebody must push Halt and hold`, `press Home and Plus same time and hold`
  ({ words, i, w, called }) => {
    if (!/^(?:press|push|presses|pushes)$/.test(w.word)) return null;
    const at = pastThe(words, i + 1);
    const one = keyAt(words, at, called);
    if (!one) return null;
    const and = at + one.length;
    const two = words[and]?.word === 'and' ? keyAt(words, and + 1, called) : null;
    const end = two ? and + 1 + two.length : and;
    const holds = (two ? bothHeld : oneHeld).exec(said(words, end, 9));
    return holds
      ? { takes: end + wordsIn(holds[0]) - i, puts: [{ ...w, word: 'hold' }, ...words.slice(i + 1, end)] }
      : null;
  },
  // `now open close open. quick`: keys, in a row with nothing to open
  ({ words, i, w, out, called }) => {
    if (!/^(?:open|close)$/.test(w.raw) || !keyAt(words, i, called) || /^(?:open|close)$/.test(out.at(-1)?.word ?? ''))
      return null;
    let n = 0;
    while (/^(?:open|close)$/.test(words[i + n]?.raw ?? '') && keyAt(words, i + n, called)) n += 1;
    const isRow =
      n >= 3 && (isStop(words[i + n]?.raw) || /^(?:and|within|in|then|quick|quickly)$/.test(words[i + n]?.word ?? ''));
    return isRow
      ? {
          takes: n,
          puts: [
            added('press', w),
            ...words.slice(i, i + n).flatMap((x, k) => {
              const key = { ...x, raw: x.raw.charAt(0).toUpperCase() + x.raw.slice(1) };
              return k > 0 ? [added(',', x), key] : [key];
            }),
          ],
        }
      : null;
  },
  // `sound the horn three times`, `honk it twice`: a key that is called so
  ({ words, i, w, called }) => {
    if (!/^(?:sound|blow|hoot|ring)$/.test(w.word)) return null;
    const at = pastThe(words, i + 1);
    const key = keyAt(words, at, called);
    return key && /\b(?:horn|bell|hooter|siren|signal)\b/i.test(key.of.control.label)
      ? { takes: 1, puts: [{ ...w, word: 'press', raw: 'press' }] }
      : null;
  },
  // `Steam until it's MENU 4`
  ({ words, i, w, out, called }) => {
    const key = begins(out) ? keyAt(words, i, called) : null;
    const end = i + (key?.length ?? 0);
    const until = key ? /^(?:until|till) (?:it|he|she|the \w+)(?: is|'s)? (?=\S)/.exec(said(words, end, 5)) : null;
    const what = until ? words[end + wordsIn(until[0])] : undefined;
    return key && what && /^(?:["“]|[A-Z]{2,}|\d)/.test(what.raw)
      ? {
          takes: end + wordsIn(until?.[0] ?? '') - i,
          puts: [added('press', w), ...words.slice(i, end), added('until', w), added('it', w), added('says', w)],
        }
      : null;
  },
  // `with Plus comes always the next error`: pressed
  ({ words, i, w, called }) => {
    const means = /^(?:with|by means of|by way of) (?:the )?/.exec(`${said(words, i, 4)} `);
    if (!means || !/^(?:with|by)$/.test(w.word)) return null;
    const from = i + wordsIn(means[0]);
    const key = keyAt(words, from, called);
    const gives = key
      ? /^(?:then |always )*(?:comes?|appears?|(?:one|you|we|i) (?:can |may |might )?(?:sees?|gets?|wander|walk|step|leaf|page|scroll|go back|comes? to|goes? to|reach(?:es)?))(?: always| then)?(?= )/.exec(
          `${said(words, from + key.length, 5)} `,
        )
      : null;
    if (!key || !gives) return null;
    const own = words.slice(from, from + key.length);
    return { takes: from - i + key.length + wordsIn(gives[0]), puts: [added('press', w), ...own, added(',', w)] };
  },
  // `DOWN = the one before that`: pressed
  ({ words, i, w, called, out }) => {
    if (!(out.length === 0 || /^[.;\n]$/.test(out.at(-1)?.raw ?? ''))) return null;
    const key = keyAt(words, i, called);
    const end = key ? i + key.length : 0;
    const gives = key
      ? /^(?:(?:=|,|:) )?(?:the )?(?:one before(?: that)?|next one|next entry|next code|next fault|next error|next number|through the list|through them|older one|one further)(?= [.,;!?\n]|$)/.test(
          said(words, end, 6),
        )
      : false;
    return key && gives
      ? { takes: key.length, puts: [added('press', w), ...words.slice(i, end), added(',', w)] }
      : null;
  },
  // `I cleared it with Stop. You just hold Stop on its own`: how, is told behind it
  ({ words, i, w, called }) => {
    const clears = /^(?:i|you|we|to)$/.test(w.word)
      ? /^\S+ (?:clear|wipe|erase|delete|empt)\w* (?:it|them|that|those|everything) (?:with|by|using|from) (?:the )?/.exec(
          `${said(words, i, 6)} `,
        )
      : null;
    const key = clears ? keyAt(words, i + wordsIn(clears[0]), called) : null;
    const end = clears && key ? i + wordsIn(clears[0]) + key.length : 0;
    if (!key || !/^[.,:;]$/.test(words[end]?.raw ?? '')) return null;
    const behind = words.slice(end + 1, end + 12);
    const holds = behind.findIndex((x) => /^(?:hold|holds|held|keep|press)$/.test(x.word));
    const isSame = holds >= 0 && behind.some((_, k) => k > holds && keyAt(behind, k, called)?.of === key.of);
    return isSame ? goes(end - i) : null;
  },
  // `each RAMP = one entry`: pressed
  ({ words, i, w, called, out }) => {
    if (!/^(?:each|every|1)$/.test(w.word) || !(isStop(out.at(-1)?.raw) || out.at(-1)?.word === 'and')) return null;
    const key = keyAt(words, i + 1, called);
    const end = key ? i + 1 + key.length : 0;
    const gives = key
      ? /^(?:(?:=|,|:|is|gives|shows|brings|means) )?(?:you |me |us )?(?:the |a |an )?(?:one|next|new|further|single|other|older|newer) (?:entry|code|fault|one|error|number|message|more)\b/.test(
          said(words, end, 5),
        )
      : false;
    return key && gives
      ? { takes: end - i, puts: [added('press', w), ...words.slice(i + 1, end), added(',', w)] }
      : null;
  },
  // `what it wants to see next is Feed, Back, Feed`
  ({ words, i, w, called }) => {
    const wants =
      w.word === 'what'
        ? /^what (?:it|he|she|the \S+) (?:wants|needs|expects|likes|asks for)(?: to (?:see|have|get))?(?: next| now| then)? (?:is|are) (?:the )?/.exec(
            `${said(words, i, 10)} `,
          )
        : null;
    const n = wants ? wordsIn(wants[0]) : 0;
    return wants && keyAt(words, i + n, called) ? { takes: n, puts: [{ ...w, word: 'press', raw: 'press' }] } : null;
  },
  // `before I press reset for the tenth time`: what somebody else would do
  ({ words, i, w, called }) => {
    const head =
      w.word === 'before'
        ? /^before (?:i|you|we|he|anybody) (?:press|presses|hit|push|turn) (?:the )?/.exec(`${said(words, i, 5)} `)
        : null;
    const n = head ? wordsIn(head[0]) : 0;
    const own = head ? mentionAt(words, i + n, called.controls) : null;
    const time = own ? /^(?:off |on )?for the \S+ time(?= |$)/.exec(said(words, i + n + own.length, 5)) : null;
    return own && time ? goes(n + own.length + wordsIn(time[0])) : null;
  },
  // `M shows you the last fault`: pressed
  ({ words, i, w, out, called }) => {
    const key = begins(out) || out.at(-1)?.word === 'so' ? keyAt(words, i, called) : null;
    const shows = key
      ? /^(?:(?:shows?|gives?) (?:you|me|us|the (?:codes?|faults?|errors?|next|entries|older|list))|(?:is|brings up|goes to) (?:for )?(?:the )?(?:next|one before|older|newer|previous)|displays? (?:the|all|further|older))\b/.test(
          said(words, i + key.length, 3),
        )
      : false;
    return shows && key
      ? { takes: key.length, puts: [added('press', w), ...words.slice(i, i + key.length), added(',', w)] }
      : null;
  },
  // `and every time you press it you get the one before`: as was told just now
  ({ words, i, w, out }) => {
    if (!/^(?:and|every|each)$/.test(w.word)) return null;
    const each =
      /^(?:and )?(?:every|each) time (?:you|i|we) (?:press|push|tap|hit|do) (?:it|that)(?: again)? (?:you|it|i|we)\b/.exec(
        said(words, i, 9),
      );
    const isTold = out.slice(-14).some((x) => /^(?:press|push|tap)$/.test(x.word));
    return each && isTold ? goes(stopAt(words, i) - i) : null;
  },
  // `the code, which is Heater, Minus, Minus`
  ({ words, i, w, out, called }) => {
    const is = /^(?:which|and that|that|it) (?:is|goes|would be) (?:the )?/.exec(`${said(words, i, 4)} `);
    const n = is ? wordsIn(is[0]) : 0;
    const key = is && w.word === 'which' && out.at(-1)?.raw === ',' ? keyAt(words, i + n, called) : null;
    const next = key ? words[i + n + key.length] : undefined;
    return key && next && /^(?:,|and|then)$/.test(next.raw) && keyAt(words, i + n + key.length + 1, called)
      ? { takes: n, puts: [{ ...w, word: 'press', raw: 'press' }] }
      : null;
  },
  // `older faults are called up by means of Select`
  ({ words, i, w, called }) => {
    if (!/^(?:is|are|can|may)$/.test(w.word)) return null;
    const by =
      /^(?:is|are|can be|may be) (?:then )?(?:called up|called|displayed|shown|recalled|reached|retrieved|scrolled through|listed|selected) (?:by means of|by|with|using|via|by use of) (?:the )?/.exec(
        `${said(words, i, 8)} `,
      );
    const n = by ? wordsIn(by[0]) : 0;
    return by && keyAt(words, i + n, called) ? { takes: n, puts: [added(',', w), { ...w, word: 'press' }] } : null;
  },
  // `three Plus, two M, one Minus`: so often each
  ({ words, i, w, out, called }) => {
    const begins =
      out.length === 0 || /^[.!?\n:]$/.test(out.at(-1)?.raw ?? '') || /^(?:then|now|so)$/.test(out.at(-1)?.word ?? '');
    if (w.value === null || !begins) return null;
    const puts: Word[] = [added('press', w)];
    let [k, keys] = [i, 0];
    for (;;) {
      const n = words[k];
      const key = n?.value != null ? keyAt(words, k + n.span, called) : null;
      if (!n || !key) break;
      puts.push(...words.slice(k + n.span, k + n.span + key.length), ...words.slice(k, k + n.span), added('times', w));
      k += n.span + key.length;
      keys += 1;
      const next = words[k]?.raw === ',' ? k + 1 : k;
      const joined = /^(?:and|then)$/.test(words[next]?.word ?? '') ? next + 1 : next;
      if (words[joined]?.value == null || joined === k) break;
      puts.push(...words.slice(k, joined));
      k = joined;
    }
    return keys > 1 ? { takes: k - i, puts } : null;
  },
  // `plus minus plus minus, four presses`: as many as were named
  ({ words, i, w, out, called }) => {
    const isAll =
      w.value !== null &&
      w.value > 1 &&
      /^(?:presses|taps|pushes|keys|buttons|in all|altogether)\b/.test(said(words, i + w.span, 2));
    if (!isAll) return null;
    return keysBefore(out, called) === w.value
      ? goes(w.span + wordsIn(/^(?:in )?\S+/.exec(said(words, i + w.span, 2))?.[0] ?? ''))
      : null;
  },
  // `three short presses on Back`
  ({ words, i, w, called }) => {
    const of =
      /^(?:short |quick |brief |single |little )*(?:presses|taps|pushes|pokes|touches|prods) (?:on|of|at) (?:the )?/.exec(
        `${said(words, i + w.span, 6)} `,
      );
    const n = w.value !== null && of ? w.span + wordsIn(of[0]) : 0;
    const key = n > 0 ? keyAt(words, i + n, called) : null;
    return key
      ? {
          takes: n + key.length,
          puts: [added('press', w), ...words.slice(i + n, i + n + key.length), w, added('times', w)],
        }
      : null;
  },
  // `you're holding heat you're holding set`
  ({ words, i, w, out, called }) => {
    if (!/^(?:you|you're|i|i'm|we|we're|and)$/.test(w.word)) return null;
    const again = /^(?:and )?(?:you|you're|i|i'm|we|we're)(?: are| am)? (?:holding|hold)(?: the)? /.exec(
      `${said(words, i, 5)} `,
    );
    const n = again ? wordsIn(again[0]) : 0;
    const before = out.findLastIndex((x) => /^(?:holding|hold)$/.test(x.word));
    const key =
      again && before >= 0 && before >= out.length - 4
        ? keyAt(out, before + (out[before + 1]?.word === 'the' ? 2 : 1), called)
        : null;
    return key && keyAt(words, i + n, called) ? { takes: n, puts: [added('and', w)] } : null;
  },
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
];

import { mentionAt } from './mentions.ts';
import {
  added,
  begins,
  goes,
  isStop,
  keyAt,
  letGo,
  pastThe,
  type Rewrite,
  said,
  standsAt,
  stopAt,
  wordsIn,
} from './rewrite.ts';

/** Ways of saying that a hand comes off what it holds. */
export const letGoSaid: readonly Rewrite[] = [
  // `you let go straight away down down left horn`: what comes is done next
  ({ words, i, w, out, called }) => {
    const soon = /^(?:straight|right|immediately|at)$/.test(w.word)
      ? /^(?:straight away|right away|immediately|at once)(?= )/.exec(said(words, i, 3))
      : null;
    return soon && said(out, Math.max(0, out.length - 2), 2) === 'let go' && keyAt(words, i + wordsIn(soon[0]), called)
      ? { takes: wordsIn(soon[0]), puts: [added('.', w)] }
      : null;
  },
  // `by the third pip you go away from Menu`
  ({ words, i, w, called }) => {
    const away = /^(?:go|goes|come|comes|get|move)$/.test(w.word)
      ? /^\w+ (?:away|off) (?:from )?(?:the )?/.exec(`${said(words, i, 4)} `)
      : null;
    const from = away ? i + wordsIn(away[0]) : i;
    const key = away && /\bfrom /.test(away[0]) ? keyAt(words, from, called) : null;
    return key ? { takes: from + key.length - i, puts: letGo(w, ...words.slice(from, from + key.length)) } : null;
  },
  // `MENU.` – `Off with the fingers.`
  ({ words, i, w, out }) => {
    const off = begins(out)
      ? /^(?:and |now |then |ok |okay |so )*(?:off|away|up) with (?:the|your|both|those|them|that) ?(?:fingers?|thumbs?|hands?)?(?= [.,;!?\n]|$| then| and)/.exec(
          said(words, i, 6),
        )
      : null;
    return off && /\boff|fingers?|thumbs?|hands?/.test(off[0]) && w.word !== 'up'
      ? { takes: wordsIn(off[0]), puts: letGo(w) }
      : null;
  },
  // `hold them until it shows 00. Then off.`: the hand comes off, and no switch
  ({ words, i, w, out }) => {
    if (!/^(?:and|then|off)$/.test(w.word) || !/^[.,;!?\n]$/.test(out.at(-1)?.raw ?? '')) return null;
    const off = /^(?:and )?(?:then )?off(?= [.,;!?\n]|$)/.exec(said(words, i, 4));
    const told = said(out, Math.max(0, out.length - 24), 24);
    const sentence = told.slice(told.slice(0, -2).lastIndexOf(' . ') + 1);
    return off && /\b(?:hold|hang on|keep)\b.*\b(?:until|till)\b/.test(sentence)
      ? { takes: wordsIn(off[0]), puts: letGo(w) }
      : null;
  },
  // `when it stands on 0, let.`, `and not let`
  ({ words, i, w, out }) => {
    if (w.word !== 'let' || !isStop(words[i + 1]?.raw)) return null;
    if (/^(?:not|don't|never)$/.test(out.at(-1)?.word ?? ''))
      return { takes: 1, puts: [added('let', w), added('go', w)] };
    return isStop(out.at(-1)?.raw) ? { takes: 1, puts: letGo(w) } : null;
  },
  // `at 5 you let Info`
  ({ words, i, w, out, called }) => {
    const isHand = /^(?:you|i|we|then|one|now)$/.test(out.at(-1)?.word ?? '');
    if (!/^lets?$/.test(w.word) || words[i + 1]?.word === 'go' || !isHand) return null;
    const at = pastThe(words, i + 1);
    const key = keyAt(words, at, called);
    return key && isStop(words[at + key.length]?.raw) ? { takes: at - i, puts: [...letGo(w), added('of', w)] } : null;
  },
  // `keep the float up until you hear a beep, then let it down`
  ({ words, i, w, out, called }) => {
    const down =
      w.word === 'let'
        ? /^let (?:it|him|that) (?:down|come down|fall|sink|come back|back down|back)(?= [.,;!?\n]|$| and)/.exec(
            said(words, i, 4),
          )
        : null;
    const near = out.slice(-26);
    const isSprung = near.some((_, k) => (mentionAt(near, k, called.controls)?.of.springs.size ?? 0) > 0);
    return down && isSprung ? { takes: wordsIn(down[0]), puts: letGo(w, added('it', w)) } : null;
  },
  // `hold it for another five seconds, until you hear a beep`: until then
  ({ words, i, w, out }) => {
    if (w.word !== 'for' || !out.slice(-5).some((x) => /^(?:keep|hold|keeping|holding)$/.test(x.word))) return null;
    const more = /^for (?:another|about|some|roughly|around) (?=\S)/.exec(said(words, i, 3));
    const many = more ? words[i + 2] : undefined;
    const unit = many?.value != null ? i + 2 + many.span : -1;
    const until =
      unit > 0 && /^(?:seconds?|secs?)$/.test(words[unit]?.word ?? '')
        ? /^,? ?(?:until|till) (?:you hear|it|the) /.exec(`${said(words, unit + 1, 4)} `)
        : null;
    return until ? goes(words[unit + 1]?.raw === ',' ? unit + 2 - i : unit + 1 - i) : null;
  },
  // `at the third pip you leave the fingers`
  ({ words, i, w, out }) => {
    const off =
      /^(?:leave|leaves)$/.test(w.word) && /^(?:you|i|we|then|can|now)$/.test(out.at(-1)?.word ?? '')
        ? /^\S+ (?:the |your |my )?(?:fingers?|keys|buttons|both keys|both buttons)(?= [.,;!?\n]|$)/.exec(
            said(words, i, 4),
          )
        : null;
    return off ? { takes: wordsIn(off[0]), puts: letGo(w) } : null;
  },
  // `drop the float`, which was lifted
  (at) => {
    const { words, i, w } = at;
    const next = pastThe(words, i + 1);
    const own = /^(?:drop|drops|dropping|dropped)$/.test(w.word) ? standsAt(at, next) : null;
    return own && own.of.springs.size > 0 ? { takes: next - i, puts: letGo(w).concat([added('of', w)]) } : null;
  },
  // `the arm brake is released`: so it stands then
  (at) => {
    const { words, i, w } = at;
    if (!words.slice(i + 1, i + 6).some((x) => x.word === 'released')) return null;
    const own = standsAt(at, i);
    const n = own?.length ?? 0;
    if (
      !own ||
      own.of.springs.size > 0 ||
      !/^(?:is|are|gets|was|be) (?:then |now )?released(?= |$)/.test(said(words, i + n, 3))
    )
      return null;
    const { mechanism } = own.of;
    const free =
      mechanism.kind === 'places' ? mechanism.places.find((p) => /^(?:free|off|open|loose)$/.test(p.id)) : undefined;
    const more = words[i + n + 1]?.word === 'released' ? 2 : 3;
    return free ? { takes: n + more, puts: [...words.slice(i, i + n), added(free.id, w)] } : null;
  },

  // `now you can let off, not before`, `and don't let off`
  ({ words, i, w, out }) => {
    if (w.word !== 'let' || words[i + 1]?.word !== 'off' || /^(?:the|steam|your|its)$/.test(words[i + 2]?.word ?? ''))
      return null;
    if (/^(?:don't|dont|not|never)$/.test(out.at(-1)?.word ?? ''))
      return { takes: 2, puts: [added('keep', w), added('them', w)], drops: 1 };
    const early = said(words, i + 2, 2) === 'not before' || said(words, i + 3, 2) === 'not before';
    return /^(?:can|may|you|i|we|now|then|and)$/.test(out.at(-1)?.word ?? '')
      ? { takes: early ? (words[i + 2]?.raw === ',' ? 5 : 4) : 2, puts: letGo(w, added('it', w)) }
      : null;
  },

  // `and now we let go okay menu left left menu`: what comes is done next
  ({ words, i, w, out }) =>
    /^(?:okay|ok|right|good|great|perfect|lovely)$/.test(w.word) &&
    w.raw === w.word &&
    said(out, out.length - 2, 2) === 'let go' &&
    !isStop(words[i + 1]?.raw)
      ? { takes: 1, puts: [added(',', w)] }
      : null,
  // `when the green lamp stays, you can leave`
  ({ words, i, w, out }) =>
    w.word === 'leave' &&
    /^(?:can|may)$/.test(out.at(-1)?.word ?? '') &&
    isStop(words[i + 1]?.raw) &&
    out.slice(-60).some((x) => /^(?:hold|holding|press|keep)$/.test(x.word))
      ? { takes: 1, puts: letGo(w, added('it', w)) }
      : null,
  // `after the two short I let loose`
  ({ words, i, w, out }) =>
    w.word === 'let' &&
    words[i + 1]?.word === 'loose' &&
    /^(?:i|you|we|can|now|then|and|to)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 2, puts: letGo(w, added('it', w)) }
      : null,
  // `and not let free`, `now let free`
  ({ words, i, w, out }) => {
    if (!/^(?:let|set|make)$/.test(w.word) || !/^(?:free|loose)$/.test(words[i + 1]?.word ?? '')) return null;
    const isNot = /^(?:not|don't|dont|never)$/.test(out.at(-1)?.word ?? '');
    const isBehind = isStop(words[i + 2]?.raw) || /^(?:and|when|if|until)$/.test(words[i + 2]?.word ?? '');
    if (!isBehind || !/^(?:not|don't|dont|never|now|then|and|you|i|we|,)$/.test(out.at(-1)?.word ?? '')) return null;
    return isNot
      ? { takes: 2, puts: [added('keep', w), added('them', w)], drops: 1 }
      : { takes: 2, puts: letGo(w, added('it', w)) };
  },
  // `that's two, and that's three and off`: the hands, at the last of them
  ({ words, i, w, out, called }) => {
    if (w.word !== 'off' || out.at(-1)?.word !== 'and' || !isStop(words[i + 1]?.raw)) return null;
    const last = out.at(-2);
    const near = out.slice(-2);
    const isCounted = last != null && last.value !== null && last.value > 1 && last.value < 9;
    const isHeard = mentionAt(near, 0, called.signs)?.of.kind === 'beeper';
    const told = out.slice(-70);
    const sounds = told.some((_, k) => mentionAt(told, k, called.signs)?.of.kind === 'beeper');
    const isHeld = told.some(
      (x) => /^(?:hold|holds|holding|held|keep|keeps|pressed|down|fingers?|thumbs?)$/.test(x.word) || x.word === 'in',
    );
    return (isCounted || isHeard) && sounds && isHeld ? { takes: 1, puts: letGo(w) } : null;
  },
  // `if the error lamp goes out, one releases both keys`: at that, where they are held
  ({ words, i, w, out }) => {
    if (w.word !== 'if' || !out.slice(-60).some((x) => /^(?:hold|holds|holding|held|keep|keeps|pressed)$/.test(x.word)))
      return null;
    const end = stopAt(words, i + 1);
    if (
      words[end]?.raw !== ',' ||
      end - i > 9 ||
      /\b(?:you|not|don't|too|late|still|no)\b/.test(said(words, i, end - i))
    )
      return null;
    return /^(?:then )?(?:one|you|we|i|he|she) (?:can |may |must |then )?(?:releases?|lets? go|takes? (?:\w+ ){0,2}off)\b/.test(
      said(words, end + 1, 6),
    )
      ? { takes: 1, puts: [{ ...w, word: 'when', raw: 'when' }] }
      : null;
  },
  // `then you let go while it was still buzzing`: what went wrong
  ({ words, i, w }) => {
    if (!/^(?:then|you|he|she|they)$/.test(w.word)) return null;
    const wrong =
      /^(?:then )?(?:you|he|she|they) (?:must have |probably |have |'ve )?(?:let go|released(?: it| them)?|came off(?: it| them)?) (?:while it was still|when it was still|too (?:early|soon|late|quickly)|before it had)\b/.exec(
        said(words, i, 12),
      );
    return wrong ? goes(stopAt(words, i) - i) : null;
  },
  // `when it flashes quick you can loose the buttons`, `press both and not to loose`
  ({ words, i, w, out }) => {
    if (!/^(?:loose|lose)$/.test(w.word)) return null;
    const before = out.at(-1)?.word ?? '';
    if (before === 'to' && /^(?:not|don't)$/.test(out.at(-2)?.word ?? ''))
      return { takes: 1, puts: [added('keep', w), added('them', w)], drops: 2 };
    if (/^(?:not|don't|dont|never)$/.test(before))
      return { takes: 1, puts: [added('keep', w), added('them', w)], drops: 1 };
    const object = /^\S+ (?:the (?:buttons?|keys?|pads?|two|both)|both(?: buttons?| keys?)?|it|them)(?= |$)/.exec(
      said(words, i, 3),
    );
    return object && /^(?:can|may|must|you|i|we|then|now|and)$/.test(before)
      ? { takes: wordsIn(object[0]), puts: letGo(w, added('it', w)) }
      : null;
  },
  // `that's the one, so off`, `Now off, both.`
  ({ words, i, w, out }) => {
    if (w.word !== 'off') return null;
    const isNow = /^(?:so|now)$/.test(out.at(-1)?.word ?? '');
    const both =
      words[i + 1]?.raw === ',' && /^(?:both|all|the lot)$/.test(words[i + 2]?.word ?? '') && isStop(words[i + 3]?.raw);
    const isOne =
      out.slice(-7).some((x) => x.word === 'one') && (isStop(words[i + 1]?.raw) || words[i + 1]?.word === 'and');
    const isHeld = out.slice(-60).some((x) => /^(?:hold|holds|holding|held|keep|keeps|stay|pressed)$/.test(x.word));
    if (!isNow || !isHeld || !(both || isOne)) return null;
    return { takes: both ? 3 : 1, puts: letGo(w) };
  },
  // `fingers on Reverse and Info and not take away`, `press both and stay on`
  ({ words, i, w, out }) => {
    const stays =
      /^(?:not|don't|dont|never) take (?:(?:it|them|your \S+|the \S+) )?away(?= [.,;!?\n]| and |$)/.exec(
        said(words, i, 6),
      ) ??
      (out.slice(-8).some((x) => /^(?:press|push|both)$/.test(x.word)) && out.at(-1)?.word === 'and'
        ? /^stays? (?:on|there)(?= [.,;!?\n]|$)/.exec(said(words, i, 3))
        : null);
    return stays && /^(?:not|don't|dont|never|stay|stays)$/.test(w.word)
      ? { takes: wordsIn(stays[0]), puts: [added('hold', w), added('them', w)] }
      : null;
  },
  // `and now you're off them`
  ({ words, i, w }) => {
    const off = /^(?:you|i|we|you're|i'm|we're)/.test(w.word)
      ? /^(?:you|i|we|you're|i'm|we're)(?: are| am| go| come)? off (?:them|it|both|those|the (?:buttons?|keys?|pads?|pedal|two))(?= |$)/.exec(
          said(words, i, 5),
        )
      : null;
    return off ? { takes: wordsIn(off[0]), puts: letGo(w, added('it', w)) } : null;
  },
  // `you can go away with the fingers`
  ({ words, i, w }) => {
    const away = w.word.startsWith('go')
      ? /^(?:go|goes|going) (?:away|off|down) with (?:the|your|both|my) (?:fingers?|hands?|thumbs?|foot)(?= |$)/.exec(
          said(words, i, 6),
        )
      : null;
    return away ? { takes: wordsIn(away[0]), puts: letGo(w) } : null;
  },
  // `after you've let go you'll see …`: as was told just now
  ({ words, i, w, out }) => {
    if (!/^(?:after|once|when)$/.test(w.word)) return null;
    const since =
      /^(?:after|once|when) (?:you've|you have|you|i've|i have) let (?:go|(?:it|them|both) go)(?: of (?:it|them|both))? (?=you'll|you|the|there|it|,)/.exec(
        `${said(words, i, 9)} `,
      );
    const isTold = said(out, out.length - 22, 22).includes('let go');
    return since && isTold ? { takes: wordsIn(since[0]), puts: [] } : null;
  },
  // `Horn. Off the pedal.`
  ({ words, i, w, out, called }) => {
    const off = w.word === 'off' && begins(out);
    const key = off && words[i + 1]?.word === 'the' ? mentionAt(words, i + 2, called.controls) : null;
    const isHeld = key !== null && (key.of.mechanism.kind === 'push' || key.of.springs.size > 0);
    return key && isHeld && isStop(words[i + 2 + key.length]?.raw)
      ? { takes: 2 + key.length, puts: letGo(w, ...words.slice(i + 2, i + 2 + key.length)) }
      : null;
  },
  // `stay on the pedal until …`
  ({ words, i, w, called }) => {
    const stays = /^(?:stay|stays|stand|stands|remain) on (?:the )?/.exec(`${said(words, i, 3)} `);
    const n = stays ? wordsIn(stays[0]) : 0;
    const own = n > 0 ? mentionAt(words, i + n, called.controls) : null;
    return own && own.of.springs.size > 0 && /^(?:stay|stand|remain)/.test(w.word)
      ? { takes: n, puts: [{ ...w, word: 'hold' }] }
      : null;
  },
  // `I hear two beep, now I leave`
  ({ words, i, w }) => {
    const leave = /^(?:now|then) (?:i|you|we|one) (?:can |may )?leaves?(?= |$)/.exec(said(words, i, 4));
    const n = leave ? wordsIn(leave[0]) : 0;
    return leave && isStop(words[i + n]?.raw) ? { takes: n, puts: [w, ...letGo(w)] } : null;
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
];

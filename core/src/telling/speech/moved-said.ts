import { ordinalOf } from '../../spoken/numbers.ts';
import { mentionAt, placeAt, placeByVerb } from './mentions.ts';
import {
  added,
  begins,
  goes,
  isStop,
  keyAt,
  labelled,
  pastThe,
  type Rewrite,
  said,
  standsAt,
  wordsIn,
} from './rewrite.ts';

/** Ways of saying that something is switched, put, bridged or turned to where it belongs. */
export const movedSaid: readonly Rewrite[] = [
  // `plug from the wall`, `put the plug`: out and in
  ({ words, i, w, out, called }) => {
    const [plug, ...others] = called.facts.supply.filter((own) => own.control.look === 'plug');
    if (!plug || others.length > 0) return null;
    const away =
      w.word === 'plug' && begins(out)
        ? /^plug (?:from|off) the (?:wall|socket|mains)(?= [.,;!?\n]|$| and)/.exec(said(words, i, 5))
        : null;
    const back = /^(?:put|puts)$/.test(w.word)
      ? /^\S+ (?:in )?(?:the|your) plug(?= [.,;!?\n]|$| and)/.exec(said(words, i, 4))
      : null;
    const isTold = !mentionAt(words, i, called.controls) || away !== null;
    return (away ?? back) && isTold
      ? {
          takes: wordsIn((away ?? back)?.[0] ?? ''),
          puts: [...labelled(plug.control.label, w), added(away ? 'out' : 'in', w)],
        }
      : null;
  },
  // `bridge away from J7`
  (at) => {
    const { words, i, w } = at;
    const away = /^(?:bridge|cap|jumper|link|clip|strap)$/.test(w.word)
      ? /^\S+ (?:away|off|down) (?:from|of) (?:the )?(?=\S)/.exec(said(words, i, 5))
      : null;
    const own = away ? standsAt(at, i + wordsIn(away[0])) : null;
    const place =
      own?.of.mechanism.kind === 'places' && own.of.control.look === 'jumper'
        ? own.of.mechanism.places.find((p) => /^(?:off|out|open)$/.test(p.id))
        : undefined;
    const end = i + wordsIn(away?.[0] ?? '') + (own?.length ?? 0);
    return own && place ? { takes: end - i, puts: [...words.slice(end - own.length, end), added(place.id, w)] } : null;
  },
  // `J7, put on it the small bridge`
  ({ words, i }) => {
    const on =
      /^(?:put|puts|stick|push|set) (?:on|over|across) (?:it|him|them|that) (?:the|a|one|this) (?:\w+ ){0,2}(?:bridge|cap|jumper|link|clip)(?= |$)/.exec(
        said(words, i, 8),
      );
    const w = words[i];
    return on && w ? { takes: wordsIn(on[0]), puts: [{ ...w, word: 'bridge', raw: 'bridge' }, added('it', w)] } : null;
  },
  // `pull the mains plug and after it the battery plug`: the same with that
  (at) => {
    const { words, i, w, out } = at;
    const after = /^(?:and|then)$/.test(w.word)
      ? /^(?:and )?(?:then )?(?:after (?:it|that|this)|then|afterwards) (?:also )?the (?=.)/.exec(
          `${said(words, i, 6)} `,
        )
      : null;
    const own = after ? standsAt(at, i + wordsIn(after[0])) : null;
    const end = i + wordsIn(after?.[0] ?? '') + (own?.length ?? 0);
    const since = out.slice(Math.max(-14, -out.length)).findLastIndex((x) => /^[.!?\n]$/.test(x.raw));
    const clause = out.slice(Math.max(-14, -out.length)).slice(since + 1);
    const verb = own
      ? clause.findLast((x) => /^(?:pull|unplug|take|remove|open|close|shut|disconnect)$/.test(x.word))
      : undefined;
    const tail =
      clause.some((x) => x.word === 'out') && verb && /^(?:pull|take)$/.test(verb.word) ? [added('out', w)] : [];
    return own && verb && isStop(words[end]?.raw)
      ? {
          takes: end - i,
          puts: [
            added('.', w),
            { ...verb, from: w.from, to: w.to },
            added('the', w),
            ...words.slice(end - own.length, end),
            ...tail,
          ],
        }
      : null;
  },
  // `unplug the kettle`: the plug of all of it
  ({ words, i, w, called }) => {
    const what =
      /^unplug(?:s|ged)?$/.test(w.word) && /^(?:the|your)$/.test(words[i + 1]?.word ?? '') ? words[i + 2] : undefined;
    const [plug, ...others] = called.facts.supply.filter((own) => own.control.look === 'plug');
    return what &&
      plug &&
      others.length === 0 &&
      /^\p{Ll}+$/u.test(what.raw) &&
      !mentionAt(words, i + 2, called.controls) &&
      !/^(?:other|small|little|big|red|blue|white|black|grey|one|wire|cable|lead|connector|sensor|motor|board)$/.test(
        what.word,
      ) &&
      (isStop(words[i + 3]?.raw) || /^(?:for|and|from|then|at|again)$/.test(words[i + 3]?.word ?? ''))
      ? { takes: 3, puts: [w, added('the', w), ...labelled(plug.control.label, w)] }
      : null;
  },
  // `open door`, where a key is called Open: the door
  (at) => {
    const { words, i, w } = at;
    const named = pastThe(words, i + 1);
    const isVerb = named > i + 1 ? begins(at.out) : w.raw === w.word;
    const own = isVerb && /^(?:open|close|shut)$/.test(w.word) ? standsAt(at, named) : null;
    const end = named + (own?.length ?? 0);
    const to = own ? placeByVerb(own.of, w.word) : null;
    return own && to !== null && keyAt(words, i, at.called) && (isStop(words[end]?.raw) || words[end]?.word === 'and')
      ? { takes: end - i, puts: [...words.slice(named, end), added(to, w)] }
      : null;
  },
  // `jumper off lid on gate shut`, where nothing of it is called a lid
  ({ words, i, w, out, called }) =>
    /^(?:lid|cover|hood|box|flap|panel|top)$/.test(w.word) &&
    /^(?:on|off|shut|closed|open|back)$/.test(words[i + 1]?.word ?? '') &&
    /^(?:on|off|in|out|shut|closed|open|up|down)$/.test(out.at(-1)?.word ?? '') &&
    !mentionAt(words, i, called.controls)
      ? {
          takes: words[i + 1]?.word === 'back' && /^(?:on|off|shut)$/.test(words[i + 2]?.word ?? '') ? 3 : 2,
          puts: [added(',', w)],
        }
      : null,
  // `the lower of the two holders`: which, not what is done
  ({ words, i, w, out, called }) =>
    w.word === 'lower' &&
    /^(?:the|its|a)$/.test(out.at(-1)?.word ?? '') &&
    keyAt(words, i, called) === null &&
    /^(?:of|one|half|edge|part|row|left|right|two|panel|cover|corner)$/.test(words[i + 1]?.word ?? '')
      ? { takes: 1, puts: [{ ...w, word: 'bottom', raw: 'bottom' }] }
      : null,
  // `the plug of the drain pump`
  ({ words, i, w, called }) => {
    if (
      words[i + 1]?.word !== 'of' ||
      !/^(?:plug|connector|fuse|lid|cover|door|valve|tap|lever|switch|slide)$/.test(w.word)
    )
      return null;
    const from = /^(?:the|its|your)$/.test(words[i + 2]?.word ?? '') ? i + 3 : i + 2;
    for (let n = 3; n > 0; n -= 1) {
      const whole = `${said(words, from, n)} ${w.word}`;
      const own = called.controls.find(({ of }) => of.control.label.toLowerCase() === whole);
      if (own) return { takes: from + n - i, puts: labelled(whole, w) };
    }
    return null;
  },
  // `of the row of six the fourth has to be on`, `put the fourth switch back to off`: by its number
  ({ words, i, w, out, called }) => {
    const nth = out.at(-1)?.word === 'the' ? ordinalOf(w.word) : null;
    if (nth === null) return null;
    const kind = /^(?:switch|one|dip)$/.test(words[i + 1]?.word ?? '') ? 1 : 0;
    const leads =
      /^(?:has to|must|wants to|needs to|should|goes|is to|gets|back|to) (?:be |go |is |put |set |to )*(?:on|off|up|down)\b/.test(
        said(words, i + 1 + kind, 6),
      );
    const own = called.controls.filter(
      ({ of, weak }) => !weak && of.control.look === 'dip' && new RegExp(`(?:^|\\D)${nth}$`).test(of.control.label),
    );
    const [first] = own;
    return leads && first && own.every((o) => o.of === first.of)
      ? { takes: 1 + kind, puts: labelled(first.of.control.label, w) }
      : null;
  },
  // `he take away the flow plug`: out with it
  (at) => {
    const { words, i, w } = at;
    const away = /^(?:take|takes|took)$/.test(w.word)
      ? /^\S+ (?:away|out|off) (?:the |your |his )/.exec(`${said(words, i, 4)} `)
      : null;
    const n = away ? wordsIn(away[0]) : 0;
    const own = away ? standsAt(at, i + n) : null;
    if (!own || words[i + 1]?.word !== 'away' || !placeByVerb(own.of, 'out')) return null;
    return {
      takes: n + own.length,
      puts: [{ ...w, word: 'pull' }, ...words.slice(i + n, i + n + own.length), added('out', w)],
    };
  },
  // `K2, that's a little slide by the breaker, that goes across to test`: what it is
  ({ words, i, w, called, out }) => {
    if (!/^that['’]?s$/i.test(w.raw) || mentionAt(out.slice(-2), 0, called.controls)?.of.mechanism.kind !== 'places')
      return null;
    const what =
      /^that (?:is )?(?:a|the) (?:\w+ ){0,2}(?:slide|switch|lever|plug|knob|jumper)(?: \w+ the \w+)? (?=that (?:goes|gets|has)\b)/.exec(
        said(words, i, 11),
      );
    return what ? goes(wordsIn(what[0]) + 1) : null;
  },
  // `And the probe lead, that's the grey one, you unplug.`
  (at) => {
    const { words, i, w, out, called } = at;
    if (
      !/^(?:unplug|pull|open|close|shut|remove|bridge|disconnect)$/.test(w.word) ||
      !/^(?:you|we|i)$/.test(out.at(-1)?.word ?? '')
    )
      return null;
    if (out.at(-2)?.raw !== ',' || !/^[.!?\n]$/.test(words[i + 1]?.raw ?? '.')) return null;
    const start = out.findLastIndex((x) => /^[.!?\n]$/.test(x.raw)) + 1;
    const near = out.slice(start);
    const isNamed = near.some((_, k) => mentionAt(near, k, called.controls)?.of.mechanism.kind === 'places');
    return isNamed ? { takes: 1, puts: [w, added('it', w)] } : null;
  },
  // `fan plug in, tape off, door shut`: what is taped is free then
  ({ words, i, w, out, called }) => {
    const way = words[i + 1]?.word ?? '';
    if (w.word.length < 3 || !/^(?:off|out|on)$/.test(way) || !isStop(out.at(-1)?.raw) || !isStop(words[i + 2]?.raw))
      return null;
    if (mentionAt(words, i, called.controls) ?? mentionAt(words, i, called.signs)) return null;
    const own = [...called.facts.controls.values()].filter(
      (c) =>
        c.mechanism.kind === 'places' &&
        c.mechanism.places.length === 2 &&
        c.mechanism.places.some((p) => p.id === `${w.word}d` || p.id === `${w.word}ed`),
    );
    const [one] = own;
    if (!one || own.length > 1 || one.mechanism.kind !== 'places') return null;
    const isDone = (id: string): boolean => id === `${w.word}d` || id === `${w.word}ed`;
    const place = one.mechanism.places.find((p) => isDone(p.id) === (way === 'on'));
    return place
      ? {
          takes: 2,
          puts: [...labelled(one.control.label, w), added(place.id, w)],
        }
      : null;
  },
  // `the breaker you switch down, and …`
  ({ words, i, w, out }) =>
    w.word === 'switch' &&
    /^(?:down|up)$/.test(words[i + 1]?.word ?? '') &&
    out.at(-1)?.word === 'you' &&
    isStop(words[i + 2]?.raw)
      ? { takes: 2, puts: [w, added(words[i + 1]?.word === 'up' ? 'on' : 'off', w)] }
      : null,
  // `there's a switch S5 and it wants to be on`
  ({ words, i, w, out }) =>
    /^wants?$/.test(w.word) &&
    /^(?:it|that|this|they|which)$/.test(out.at(-1)?.word ?? '') &&
    /^\S+ to be (?:on|off|in|out|open|shut|closed|up|down)(?= |$)/.test(said(words, i, 4))
      ? { takes: 2, puts: [{ ...w, word: 'must', raw: 'must' }] }
      : null,
  // `pull it off and put it over the two of them`: bridged
  ({ words, i, w }) => {
    const over = /^(?:pull|take|lift|slip)s?$/.test(w.word)
      ? /^\S+ (?:it|that|the \S+) off (?:and|,) (?:put|push|stick|slip|place) (?:it|that) (?:back )?(?:over|on|across|onto) (?:the two|both|the pair|the two pins)(?: of them| pins)?(?= [.,;!?\n]| so | and |$)/.exec(
          said(words, i, 15),
        )
      : null;
    return over ? { takes: wordsIn(over[0]), puts: [{ ...w, word: 'bridge', raw: 'bridge' }, added('it', w)] } : null;
  },
  // `that's the flow plug. Pull.`
  ({ words, i, w, out }) =>
    /^(?:pull|unplug|bridge)$/.test(w.word) &&
    /^[.!?\n]$/.test(out.at(-1)?.raw ?? '') &&
    /^[.!\n]$/.test(words[i + 1]?.raw ?? '')
      ? { takes: 1, puts: [w, added('it', w)] }
      : null,
  // `one tiny switch says S one and I flick that on`: what is written on it
  (at) =>
    at.w.word === 'says' &&
    /^(?:switch|lever|slide|knob|plug|thing|one|jumper|rocker|tap|valve)$/.test(at.out.at(-1)?.word ?? '') &&
    standsAt(at, at.i + 1)
      ? { takes: 1, puts: [] }
      : null,
  // `turn it off at the main switch`
  (at) => {
    const { words, i, w } = at;
    const turns =
      /^(?:turn|switch|shut|put|power)s?$/.test(w.word) &&
      /^\S+ (?:it|them|everything|him|her|the (?:unit|machine|whole thing)) (off|on) (?:again )?(?:at|by|with) (?:the |your |its )?/.exec(
        `${said(words, i, 9)} `,
      );
    const n = turns ? wordsIn(turns[0]) : 0;
    const own = turns ? standsAt(at, i + n) : null;
    return turns && own
      ? { takes: n + own.length, puts: [...words.slice(i + n, i + n + own.length), added(turns[1] ?? '', w)] }
      : null;
  },
  // `from home over work to test`: where it goes in the end
  ({ words, i, w, places }) => {
    if (w.word !== 'from') return null;
    const from = words[i + 1]?.word ?? '';
    const to = words.slice(i, i + 6).findIndex((x) => x.word === 'to');
    const goal = words[i + to + 1]?.word ?? '';
    return to > 1 && places.has(from) && places.has(goal) && from !== goal ? goes(to) : null;
  },
  // `take the jumper off its parking pins`: where it was
  ({ words, i, w }) => {
    const off =
      w.word === 'off'
        ? /^off (?:its|the) (?:parking|spare|storage|resting) (?:pins?|place|spot|peg|post)(?= |$)/.exec(
            said(words, i, 4),
          )
        : null;
    return off ? goes(wordsIn(off[0])) : null;
  },
  // `bridge out, slide back, flap shut`: the slide
  ({ words, i, w, out, called }) => {
    if (w.word !== 'slide' || words[i + 1]?.word !== 'back' || !isStop(out.at(-1)?.raw) || !isStop(words[i + 2]?.raw))
      return null;
    const slides = [...called.facts.controls.values()].filter((c) => c.control.look === 'slide');
    const [slide] = slides;
    if (slides.length !== 1 || slide?.mechanism.kind !== 'places') return null;
    return { takes: 2, puts: [w, added('to', w), added(slide.mechanism.start, w)] };
  },
  // `drop the strut`
  (at) => {
    const { words, i, w } = at;
    const drops = /^(?:drop|drops|dropped) (?:the |your |that )/.exec(`${said(words, i, 2)} `);
    const own = drops ? standsAt(at, i + 2) : null;
    return drops && own && placeByVerb(own.of, 'down')
      ? { takes: 2 + own.length, puts: [...words.slice(i + 2, i + 2 + own.length), added('down', w)] }
      : null;
  },
  // `a slide marked S5, which you move across to service`: that is what is moved
  ({ words, i, w, out }) => {
    const which =
      w.word === 'which' && out.at(-1)?.raw === ','
        ? /^which (?:you|we|one|i) (?:must |have to |then |now )?(push|pull|put|turn|flick|flip|slide|move|shift|switch|set|open|close|shut|bridge|lift|lower) (?:across |over |along )?(?!it\b|them\b|the\b)/.exec(
            `${said(words, i, 6)} `,
          )
        : null;
    const verb = which ? words.slice(i, i + 6).find((x) => x.word === which[1]) : undefined;
    if (!which || !verb) return null;
    const moved = /^(?:move|slide|shift)$/.test(verb.word) ? { ...verb, word: 'push', raw: 'push' } : verb;
    return { takes: wordsIn(which[0]), puts: [added('you', w), moved, { ...w, word: 'it', raw: 'it' }] };
  },
  // `the lid closed and locked`: the lock of it
  ({ words, i, w, out, called, places }) => {
    if (!places.has(w.word) || w.word.length < 5 || out.at(-1)?.word !== 'and' || !places.has(out.at(-2)?.word ?? ''))
      return null;
    if (!isStop(words[i + 1]?.raw)) return null;
    const own = called.controls.filter(
      ({ of: { mechanism } }) => mechanism.kind === 'places' && mechanism.places.some((p) => p.id === w.word),
    );
    const [first] = own;
    const isOne = first && own.every((x) => x.of === first.of);
    const isBefore = own.some((x) => out.slice(-4).some((_, k, near) => mentionAt(near, k, [x]) !== null));
    return isOne && !isBefore ? { takes: 1, puts: [...labelled(first.of.control.label, w), w] } : null;
  },
  // `Dial up to 5 clicks`: so many from where it stands
  ({ words, i, w, called, out }) => {
    const near = out.slice(-2);
    if (!/^(?:up|down)$/.test(w.word) || near.length === 0) return null;
    const knob = near.some((_, k) => mentionAt(near, k, called.controls)?.of.mechanism.kind === 'clicks');
    const at = words[i + 1]?.word === 'to' ? i + 2 : i + 1;
    const many = words[at];
    const clicks = many?.value != null ? words[at + many.span] : undefined;
    if (!knob || !many || !clicks || !/^(?:clicks?|notch|notches)$/.test(clicks.word)) return null;
    return {
      takes: at + many.span + 1 - i,
      puts: [...words.slice(at, at + many.span), clicks, added(w.word === 'up' ? 'right' : 'left', w)],
    };
  },
  // `you'll see a float in there`: where it is
  ({ words, i, w, out }) =>
    /^(?:in|out|down|up)$/.test(w.word) &&
    words[i + 1]?.word === 'there' &&
    out.slice(-7).some((x) => /^(?:see|find|sees|there|there's|notice)$/.test(x.word)) &&
    !/^(?:put|push|plug|stick|it|them|that|go|goes|back|press|you|i|we|from|is)$/.test(out.at(-1)?.word ?? 'put')
      ? { takes: 2, puts: [] }
      : null,
  // `put it on test`, where something has a place called so
  ({ words, i, w, out, places }) => {
    const next = words[i + 1]?.word ?? '';
    const isPlace = places.has(next) && !/^(?:on|off|in|out|open|shut|closed|up|down)$/.test(next);
    return w.word === 'on' && /^(?:it|that|them)$/.test(out.at(-1)?.word ?? '') && isPlace
      ? { takes: 1, puts: [{ ...w, word: 'to', raw: 'to' }] }
      : null;
  },
  // `start by fitting the stand`, `and stowing the stand`
  (at) => {
    const verb = /^(fit|stow|lock|free|releas|remov)(?:t?ing)$/.exec(at.w.word)?.[1];
    if (!verb || !/^(?:the|your)$/.test(at.words[at.i + 1]?.word ?? '')) return null;
    const own = standsAt(at, at.i + 2);
    const place = { fit: 'fitted', stow: 'stowed', lock: 'locked', free: 'free', releas: 'released', remov: 'removed' }[
      verb
    ];
    const has = own?.of.mechanism.kind === 'places' && own.of.mechanism.places.some((p) => p.id === place);
    return own && place && has
      ? { takes: 2 + own.length, puts: [...at.words.slice(at.i + 1, at.i + 2 + own.length), added(place, at.w)] }
      : null;
  },
  // `it's parked on one pin; move it across to both`
  ({ words, i, w }) => {
    if (/^(?:it|it's|its)$/.test(w.word)) {
      const is =
        /^(?:it|it's|its)(?: is)? (?:just |only )?(?:parked|sitting|sits|stuck|hanging) on (?:one|a single|just one) (?:pin|leg|post)(?: only)?(?= |$)/.exec(
          said(words, i, 8),
        );
      return is ? { takes: wordsIn(is[0]), puts: [{ ...w, word: 'it' }] } : null;
    }
    const across =
      /^(?:moves?|puts?|slides?|shifts?) it (?:across|over|on)(?: to| onto)? (?:both|the two|the pair)(?: (?:of them|pins|legs))?(?= |$)/.exec(
        said(words, i, 7),
      );
    return across ? { takes: wordsIn(across[0]), puts: [{ ...w, word: 'bridge' }, added('it', w)] } : null;
  },
  // `K2 back where it was`
  ({ words, i, w }) => {
    const where =
      w.word === 'back' ? /^back (?:to )?(?:where|how|as|the way) it was(?= |$)/.exec(said(words, i, 6)) : null;
    return where ? { takes: wordsIn(where[0]), puts: [w] } : null;
  },
  // `then the air valve, shut`
  (at) => {
    const { words, i, w, out, places } = at;
    const begins =
      out.length === 0 || /^[.!?\n;]$/.test(out.at(-1)?.raw ?? '') || /^(?:and|then|now)$/.test(out.at(-1)?.word ?? '');
    const from = /^(?:the|your)$/.test(w.word) ? i + 1 : i;
    const own = begins ? standsAt(at, from) : null;
    const n = own ? from + own.length : 0;
    // `water tap first. Shut.`
    const stop = words[n]?.word === 'first' ? n + 1 : n;
    const isCut = words[stop]?.raw === ',' || (stop > n && words[stop]?.raw === '.');
    const to = isCut ? words[stop + 1] : undefined;
    return own && to && places.has(to.word) && isStop(words[stop + 2]?.raw)
      ? { takes: stop + 2 - i, puts: [...words.slice(i, n), { ...to, raw: to.word }] }
      : null;
  },
  // `the isolator I switch off`, `J2 I bridge`: what it is done to said first
  (at) => {
    const { words, i, w, out } = at;
    const isFirstSaid = begins(out);
    const from = /^(?:the|your)$/.test(w.word) ? i + 1 : i;
    const isFirst = words.slice(i, i + 5).some((x) => x.word === 'first');
    const own = isFirstSaid || isFirst ? standsAt(at, from) : null;
    const n = own ? from + own.length : 0;
    // `gas cock first I shut that`
    const does = own
      ? /^(first )?(?:i|we|you|one) (?:then |now |must |have to |can |should |also )*(switch|switches|turn|put|set|open|close|shut|bridge|flip|flick)(?: that| it)?(?= |$)/.exec(
          said(words, n, 6),
        )
      : null;
    if (!isFirstSaid && !does?.[1]) return null;
    const verb = does ? words.slice(n, n + wordsIn(does[0])).find((x) => x.word === does[2]) : undefined;
    return verb
      ? {
          takes: n + wordsIn(does?.[0] ?? '') - i,
          puts: [{ ...verb, raw: verb.word }, added('the', w), ...words.slice(from, n)],
        }
      : null;
  },
  // `you can reach DIP 4. On with it.`
  ({ words, i, w, out }) => {
    const isFirstSaid = begins(out);
    const on = isFirstSaid
      ? /^(?:on|off|in|out|up|down|open|shut) with (?:it|that|him|them)(?= |$)/.exec(said(words, i, 3))
      : null;
    return on && isStop(words[i + 3]?.raw)
      ? { takes: 3, puts: [added('put', w), added('it', w), { ...w, raw: w.word }] }
      : null;
  },
  // `with the key you go to on`
  (at) => {
    const { words, i, w, places } = at;
    if (w.word !== 'with' || !/^(?:the|that|your)$/.test(words[i + 1]?.word ?? '')) return null;
    const own = standsAt(at, i + 2);
    const n = own ? i + 2 + own.length : 0;
    const goes = own
      ? /^(?:you|i|we) (?:then |now )?(?:go|goes|move|change|switch|turn) (?:over |back |up |down )?(?:to|on) (?:the )?/.exec(
          `${said(words, n, 6)} `,
        )
      : null;
    const to = goes ? words[n + wordsIn(goes[0])] : undefined;
    return own && to && places.has(to.word)
      ? { takes: n + (goes ? wordsIn(goes[0]) : 0) + 1 - i, puts: [...words.slice(i + 1, n), added('to', w), to] }
      : null;
  },
  // `my son turns the key`, of what gives the current and is off: on
  (at) => {
    const { words, i, w, out } = at;
    if (!/^(?:turns|flips|flicks|throws)$/.test(w.word) || !/^(?:the|that)$/.test(words[i + 1]?.word ?? ''))
      return null;
    const own = standsAt(at, i + 2);
    const isHeld = out.slice(-16).some((x) => /^(?:hold|holds|held|holding|keep|keeps|press)$/.test(x.word));
    return own && own.of.powersAt.size > 0 && isHeld && isStop(words[i + 2 + own.length]?.raw)
      ? { takes: 2 + own.length, puts: [w, ...words.slice(i + 1, i + 2 + own.length), added('on', w)] }
      : null;
  },
  // `while F2 is reinserted`, `during reinsertion of the fuse`
  (at) => {
    const { words, i, w } = at;
    if (/^(?:reinserted|replugged)$/.test(w.word))
      return { takes: 1, puts: [{ ...w, word: 'put' }, added('back', w), added('in', w)] };
    const during = /^during (?:the )?(?:reinsertion|insertion|reconnection|refitting) of (?:the )?/.exec(
      `${said(words, i, 5)} `,
    );
    const n = during ? wordsIn(during[0]) : 0;
    const own = during ? standsAt(at, i + n) : null;
    return own
      ? {
          takes: n + own.length,
          puts: [
            { ...w, word: 'while' },
            ...words.slice(i + n, i + n + own.length),
            added('is', w),
            added('put', w),
            added('in', w),
          ],
        }
      : null;
  },
  // `crank away`
  (at) => {
    const own = standsAt(at, at.i);
    if (!own || !/^(?:away|off)$/.test(at.words[at.i + own.length]?.word ?? '') || own.of.mechanism.kind !== 'places')
      return null;
    const isStowed = own.of.mechanism.places.some((p) => p.id === 'stowed');
    return isStowed
      ? { takes: own.length + 1, puts: [...at.words.slice(at.i, at.i + own.length), added('stowed', at.w)] }
      : null;
  },
  // `S5 shall be set to on`
  ({ words, i, w }) =>
    w.word === 'shall' && /^be (?:set|put|switched|turned|moved) (?:to|on|in)\b/.test(said(words, i + 1, 3))
      ? { takes: 1, puts: [{ ...w, word: 'must' }] }
      : null,
  // `give it its power back`
  ({ words, i, w, called }) => {
    if (!/^(?:give|gives|giving)$/.test(w.word)) return null;
    const [supply, ...others] = called.facts.supply;
    const back =
      /^(?:give|gives|giving) (?:it|him|her|the \S+) (?:its |the |his |some )?(?:power|current|electricity|mains|supply|juice)(?: back| again)?(?= |$)/.exec(
        said(words, i, 7),
      );
    const name = supply && others.length === 0 ? labelled(supply.control.label, w) : [];
    return back && name.length > 0 ? { takes: wordsIn(back[0]), puts: [...name, added('on', w)] } : null;
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
  // `turns the button from stop two steps to the right`: where it stood
  ({ words, i, w, called, out }) => {
    if (w.word !== 'from') return null;
    const near = out.slice(-4);
    const knob = near
      .map((_, k) => mentionAt(near, k, called.controls)?.of)
      .find((c) => c?.mechanism.kind === 'clicks');
    const from = pastThe(words, i + 1);
    const at = knob ? placeAt(words, from, knob) : null;
    return at && words[from + at.length]?.value != null ? goes(from + at.length - i) : null;
  },
  // `flip up DIP 1 and DIP 2`: both of them
  (at) => {
    const { words, i, w } = at;
    const flips =
      /^(?:flip|flick|switch|turn|push|pull|set|put)s? (on|off|in|out|up|down) (?:the |your |that |both )?/.exec(
        `${said(words, i, 4)} `,
      );
    const n = flips ? wordsIn(flips[0]) : 0;
    const own = flips ? standsAt(at, i + n) : null;
    const next = own ? i + n + own.length + 1 : 0;
    const second = own && words[next - 1]?.word === 'and' ? standsAt(at, next) : null;
    const way = words[i + 1];
    if (!own || !second || !way) return null;
    const end = next + second.length;
    return { takes: end - i, puts: [w, ...words.slice(i + n, end), { ...way, raw: way.word }] };
  },
  // `J1 is under the battery, put the cap across it`, `this link L3, that goes across like so`
  (at) => {
    const { words, i, w, out, called } = at;
    const puts = /^(?:put|puts|place|stick|sticks)$/.test(w.word)
      ? /^\S+ (?:the |a |its |that )?(?:little )?(?:cap|jumper|link|bridge|clip) (?:across|over|on|onto|back on) (?:it|them|the (?:two )?pins|there|those)(?= |$)/.exec(
          said(words, i, 9),
        )
      : /^(?:goes|go) (?:straight |right )?(?:across|over)(?: like (?:so|that))?(?= [.,;!?\n]| and |$)/.exec(
          said(words, i, 6),
        );
    if (!puts || !/^(?:put|puts|place|stick|sticks|goes|go)$/.test(w.word)) return null;
    const near = out.slice(-14);
    const at1 = near.findLastIndex((_, k) => mentionAt(near, k, called.controls)?.of.control.look === 'jumper');
    const own = at1 >= 0 ? mentionAt(near, at1, called.controls) : null;
    if (!own || !placeByVerb(own.of, 'in')) return null;
    return w.word.startsWith('go')
      ? {
          takes: wordsIn(puts[0]),
          puts: [added('bridged', w)],
          drops: /^(?:that|it|which)$/.test(out.at(-1)?.word ?? '') ? 1 : 0,
        }
      : { takes: wordsIn(puts[0]), puts: [...near.slice(at1, at1 + own.length), added('bridged', w)] };
  },
  // `somebody else does the breaker`: they switch it back
  (at) => {
    if (!/^(?:does|do|operates?|works?)$/.test(at.w.word)) return null;
    // `you do the isolator. … Astrid, on.`: who does it, before it is done
    const isLater = at.words
      .slice(at.i, at.i + 40)
      .some((x, k, own) => x.word === 'on' && own[k - 1]?.raw === ',' && isStop(own[k + 1]?.raw));
    if (isLater) return null;
    const does = /^(?:does|do|operates?|works?) the /.exec(`${said(at.words, at.i, 2)} `);
    const own = does ? standsAt(at, at.i + 2) : null;
    // `I do the rocker with my chin`
    const end = at.i + 2 + (own?.length ?? 0);
    const using =
      /^(?:with|using) (?:my|your|his|her|the) (?:chin|elbow|knee|nose|foot|other hand|free hand|teeth|head|thumb)(?= |$)/.exec(
        said(at.words, end, 4),
      );
    if (!own || own.of.powersAt.size === 0 || (!using && !isStop(at.words[end]?.raw))) return null;
    return {
      takes: 2 + own.length + (using ? wordsIn(using[0]) : 0),
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
  // `with the main switch you make it without current`
  ({ words, i, w }) => {
    const without =
      /^(?:make|makes|made) (?:it|him|her|all|everything) without (?:current|power|electricity|supply)(?= |$)/.exec(
        said(words, i, 4),
      );
    return without ? { takes: 4, puts: [{ ...w, word: 'switch' }, added('off', w)] } : null;
  },
  // `After removal of the access cover the slide is moved`, `The cover is refitted`
  (at) => {
    const { words, i, w, out } = at;
    const off = begins(out)
      ? /^(?:after|following|upon) (?:the )?removal of (?:the )?/.exec(`${said(words, i, 5)} `)
      : null;
    const own = off ? standsAt(at, i + wordsIn(off[0])) : null;
    if (off && own) {
      const end = i + wordsIn(off[0]) + own.length;
      return {
        takes: (words[end]?.raw === ',' ? end + 1 : end) - i,
        puts: [added('remove', w), added('the', w), ...words.slice(i + wordsIn(off[0]), end), added('.', w)],
      };
    }
    const back =
      /^(?:is|are) (?:then |now |again )?(?:refitted|replaced|remounted|put back|reinstalled|reinserted)(?= |$)/.exec(
        said(words, i, 4),
      );
    const what = back
      ? [3, 2, 1].map((k) => standsAt({ ...at, i: out.length - k, words: out }, out.length - k)).find((x) => x)
      : null;
    const place = what ? (placeByVerb(what.of, 'in') ?? placeByVerb(what.of, 'on')) : null;
    return back && place !== null ? { takes: wordsIn(back[0]), puts: [added('goes', w), added(place, w)] } : null;
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
  // `close the door up`
  ({ words, i, w, called, out }) => {
    if (w.word !== 'up' || !isStop(words[i + 1]?.raw)) return null;
    const closes = out.slice(-5).findIndex((x) => /^(?:close|closes|closed|shut|shuts)$/.test(x.word));
    return closes >= 0 && out.slice(-4).some((_, k, last) => mentionAt(last, k, called.controls) !== null)
      ? { takes: 1, puts: [] }
      : null;
  },
];

import { type Called, mentionAt, namedLast } from './mentions.ts';
import {
  added,
  begins,
  goes,
  isStop,
  keyAt,
  labelled,
  letGo,
  type Rewrite,
  said,
  timesSaid,
  wordsIn,
} from './rewrite.ts';
import type { Word } from './text.ts';

/** That there is no more to see, and what a display is said to show before that. */
const over =
  "(?:you've|you have|youve) (?:seen|had|got|read|been through) (?:them all|all of them|everything|the lot|all)|(?:there are|there's|there is|that means) (?:no|nothing) more(?: \\w+)?|you(?:'re| are) (?:at|through) (?:the end|them)|(?:that's|thats|that is|that was) (?:all|the lot|the end|the last(?: one)?|all of them|all there is)";
const shown = "(?:you see|it says|it shows|it reads|you get|it's|the display (?:says|shows|reads))";
/** Where a list is over: `when you see END that was it`, `when you've seen them all`. */
const listOver = new RegExp(
  `^(?:when|if|once) (?:(?:\\S+ ){2,7}?(?:, )?(?:then )?(?:${over})|${shown} (?:\\S+ ){1,3}?(?:, )?(?:then )?(?:that (?:was|is)|that's|thats) it)(?= [.,;!?\\n]| and|$)`,
);

/** Ways of saying that stand for a plainer one, each put as the plainer one. */
export const plainer: readonly Rewrite[] = [
  // `press time once twice three times`: counted along
  ({ words, i, w }) => {
    if (w.word !== 'once') return null;
    const n = /^once ,? ?twice ,? ?(?:and )?three times(?: ,? ?(?:and )?(four|five|six) times)?(?= |$)/.exec(
      said(words, i, 11),
    );
    const many = n?.[1] ? { four: 4, five: 5, six: 6 }[n[1]] : 3;
    const last = n ? words[i + wordsIn(n[0]) - 2] : undefined;
    return n && last && many
      ? { takes: wordsIn(n[0]), puts: [{ ...last, value: many, span: 1 }, added('times', w)] }
      : null;
  },
  // `Stop, held, till the red lamp dies`
  ({ words, i, w }) => {
    if (w.raw !== ',' || !/^, (?:held|pressed) ,? ?(?:until|till)\b/.test(said(words, i, 4))) return null;
    return { takes: words[i + 2]?.raw === ',' ? 3 : 2, puts: words.slice(i + 1, i + 2) };
  },
  // `breaker off for a minute back on`
  ({ words, i, w, out }) => {
    const isSaid =
      /^back (?:on|in|up|down|out|off)$/.test(said(words, i, 2)) &&
      /^(?:minutes?|seconds?|secs?)$/.test(out.at(-1)?.word ?? '');
    return isSaid ? { takes: 2, puts: [added(',', w), ...words.slice(i, i + 2), added(',', w)] } : null;
  },
  // `key to service, not on`
  ({ words, i, w, out, places }) => {
    const before = out.at(-1)?.word ?? '';
    const next = words[i + 1]?.word ?? '';
    if (w.word !== 'not' || !places.has(before) || !places.has(next) || next === before) return null;
    return goes(words[i + 2]?.word === before ? 3 : 2);
  },
  // `cycle the isolator off and on`
  ({ words, i, out }) => {
    const both = /^off and (?:back )?on(?= |$)/.exec(said(words, i, 4));
    return both && out.slice(-5).some((x) => /^cycl(?:e|es|ed|ing)$/.test(x.word)) ? goes(wordsIn(both[0])) : null;
  },
  // `keep squeezing while you push Mode`
  ({ words, i }) => goes(/^(?:keep|keeps|keeping) (?:squeezing|holding) while\b/.test(said(words, i, 3)) ? 2 : 0),
  // `from position A to position B`: where it goes is said last
  ({ words, i, w, called, places }) => {
    if (w.word !== 'from') return null;
    const k = /^(?:position|the|its)$/.test(words[i + 1]?.word ?? '') ? i + 2 : i + 1;
    const next = /^(?:position|the)$/.test(words[k + 2]?.word ?? '') ? k + 3 : k + 2;
    const areBoth =
      places.has(words[k]?.word ?? '') && words[k + 1]?.word === 'to' && places.has(words[next]?.word ?? '');
    return areBoth && mentionAt(words, next, called.controls) === null ? goes(k + 1 - i) : null;
  },
  // `Start one two three times`: counted aloud up to how often
  ({ words, i }) => {
    let n = 0;
    while (words[i + n]?.value === n + 1 && words[i + n]?.span === 1) n += 1;
    return n >= 2 && words[i + n]?.word === 'times' ? goes(n - 1) : null;
  },
  // `until the gong comes a second time`
  ({ words, i, w, out }) => {
    const time = /^(?:for )?(?:a|the) (second|third|fourth) time(?: [.,;!?\n]|$)/.exec(said(words, i, 5));
    if (!time || !out.slice(-6).some((x) => /^(?:until|till|when|once)$/.test(x.word))) return null;
    const many = { second: 2, third: 3, fourth: 4 }[time[1] ?? ''] ?? 2;
    return {
      takes: w.word === 'for' ? 4 : 3,
      puts: [
        { ...w, word: String(many), raw: String(many), value: many, span: 1 },
        { ...w, word: 'times', raw: 'times', value: null },
      ],
    };
  },
  // `the Bell button, three short ones`
  ({ words, i, w, out, called }) => {
    const isSaid = w.value !== null && w.value <= 9 && /^(?:short|quick|brief) ones\b/.test(said(words, i + w.span, 2));
    const from = Math.max(0, out.length - 5);
    if (!isSaid || !out.slice(from).some((_, k) => keyAt(out, from + k, called))) return null;
    const times = { ...w, word: 'times', raw: 'times', value: null, span: 1 };
    return { takes: w.span + 2, puts: [w, times], drops: out.at(-1)?.raw === ',' ? 1 : 0 };
  },
  // `with Clear pressed`
  ({ w, out, called }) =>
    /^(?:pressed|pushed|depressed)$/.test(w.word) && namesKeysWith(out, called)
      ? { takes: 1, puts: [{ ...w, word: 'held' }] }
      : null,
  // `depress Raise four times`
  ({ words, i, w }) =>
    w.word === 'depress' && words.slice(i + 1, i + 6).some((x) => /^(?:times|twice|once)$/.test(x.word))
      ? { takes: 1, puts: [{ ...w, word: 'press' }] }
      : null,
  // `ten seconds for all of it`: of all that was told
  ({ words, i, w }) => {
    const begins = i === 0 || /^[.!?\n]$/.test(words[i - 1]?.raw ?? '');
    const isForAll =
      /^(?:seconds?|minutes?|secs?) for (?:all (?:of )?(?:it|that|them|those|this)|the (?:lot|whole)|all (?:two|three|four|five)|both|that|those|these)\b/.test(
        said(words, i + w.span, 5),
      );
    return begins && w.value !== null && isForAll ? { takes: 1, puts: [added("you've", w), added('got', w), w] } : null;
  },
  // `six clicks to the left and Menu and it goes to …`, `and Power to confirm`: nothing else can be meant but that it is pressed
  ({ words, i, w, out, called }) => {
    const before = out.at(-1)?.word ?? '';
    const key = /^(?:and|then|,)$/.test(before) ? keyAt(words, i, called) : null;
    if (!key) return null;
    const behind = `${said(words, i + key.length, 3)} `;
    // `hold Stop and Thin and you …`: one of those before it
    const isListed = [2, 3].some((k) => i >= k && keyAt(words, i - k, called) !== null);
    const goesOn = before === 'and' && !isListed && /^(?:and (?:it|you|that|this) |to open it)/.test(behind);
    const confirms = /^to (?:confirm|accept|select|save|store|enter|finish)\b/.test(behind);
    return goesOn || confirms ? { takes: 1, puts: [added('press', w), w] } : null;
  },
  // `Down and Defrost, thumb on each`
  ({ words, i, w, out, called }) => {
    const each =
      out.at(-1)?.raw === ',' || out.at(-1)?.word === 'and'
        ? /^(?:a |one |your |one )?(?:thumb|finger|hand)s? on each(?: of (?:them|those|the two))?(?= |$)/.exec(
            said(words, i, 7),
          )
        : null;
    const from = Math.max(0, out.length - 4);
    if (!each || !out.slice(from).some((_, k) => keyAt(out, from + k, called))) return null;
    return { takes: wordsIn(each[0]), puts: [added('hold', w), added('them', w)] };
  },
  // `the screen goes STAFF`
  ({ words, i, w, called, out }) => {
    const isCapital = /^["“]?\p{Lu}[\p{Lu}\p{N}]{2,}/u.test(words[i + 1]?.raw ?? '');
    const at = out.length - 1;
    const display = [1, 2].some((k) => {
      const sign = mentionAt(out, at - k + 1, called.signs);
      return (sign?.of.kind === 'text' || sign?.of.kind === 'segments') && sign.length === k;
    });
    return /^(?:goes|turns|becomes|went)$/.test(w.word) && isCapital && display
      ? { takes: 1, puts: [{ ...w, word: 'shows', raw: 'shows' }] }
      : null;
  },
  // `the isolator's on the leg, off it goes`
  ({ words, i, w }) => {
    const moves = /^(on|off|out|in|up|down|open|shut) (it|she|he|they) (?:goes|comes|go|come|pops|slides)(?= |$)/.exec(
      said(words, i, 3),
    );
    // `and up she goes`: it is at work again
    if (
      !moves ||
      (moves[2] === 'she' && /^(?:up|off|down)$/.test(moves[1] ?? '')) ||
      !(isStop(words[i - 1]?.raw) || /^(?:and|then)$/.test(words[i - 1]?.word ?? ''))
    )
      return null;
    const it = words[i + 1];
    return it ? { takes: 3, puts: [{ ...it, word: 'it', raw: 'it' }, added('goes', w), w] } : null;
  },
  // `in the same time`, `as long until`, `let both loose`: as others say it
  ({ words, i, w }) => {
    const here = said(words, i, 4);
    if (/^in the same (?:time|moment)\b/.test(here)) return { takes: 4, puts: [{ ...w, word: 'together' }] };
    if (/^(?:as|so) long (?:until|till)\b/.test(here)) return { takes: 3, puts: [{ ...w, word: 'until' }] };
    const loose = /^let (both|them|it|the two) loose(?= |$)/.exec(here);
    return loose ? { takes: wordsIn(loose[0]), puts: letGo(w, added('them', w)) } : null;
  },
  // `with the breaker you take the current away`
  ({ words, i, w, called }) => {
    const own = mentionAt(words, i, called.controls);
    const away = own
      ? /^(?:you |i |we |one )?(?:then )?(?:takes? (?:the |its )?(?:current|power|supply|voltage) (?:away|off)|(?:cuts?|removes?|interrupts?) (?:the |its )?(?:current|power|supply))(?= |$)/.exec(
          said(words, i + own.length, 7),
        )
      : null;
    return own && away
      ? { takes: own.length + wordsIn(away[0]), puts: [...words.slice(i, i + own.length), added('off', w)] }
      : null;
  },
  // `for as long as it takes the horn to sound`: until it does
  ({ words, i, w, called, out }) => {
    const takes = /^as long as it takes (?:for )?(?:the |your )?/.exec(`${said(words, i, 8)} `);
    const at = takes ? i + wordsIn(takes[0]) : -1;
    const sign = takes ? mentionAt(words, at, called.signs) : null;
    if (!sign || words[at + sign.length]?.word !== 'to') return null;
    const does = /^(sound|beep|ring|come on|go on|light|go out)(?= |$)/.exec(said(words, at + sign.length + 1, 2))?.[1];
    if (!does) return null;
    const ends =
      does === 'come on' || does === 'go on' || does === 'light'
        ? ['comes', 'on']
        : does === 'go out'
          ? ['goes', 'out']
          : ['sounds'];
    return {
      takes: at + sign.length + 1 + wordsIn(does) - i,
      puts: [added('until', w), added('the', w), ...words.slice(at, at + sign.length), ...ends.map((x) => added(x, w))],
      drops: out.at(-1)?.word === 'for' ? 1 : 0,
    };
  },
  // `Reset on its own, seven seconds`
  ({ words, i, out, called }) => {
    const alone = /^(?:on its own|all on its own|by itself)(?= [,.;!?\n]| for|$)/.exec(said(words, i, 6));
    const from = Math.max(0, out.length - 3);
    const isKey = out.slice(from).some((_, k) => keyAt(out, from + k, called)?.length === out.length - from - k);
    if (!alone || !isKey) return null;
    const n = wordsIn(alone[0]);
    return goes(words[i + n]?.raw === ',' && words[i + n + 1]?.value != null ? n + 1 : n);
  },
  // `isolate the lift`: its supply is switched off
  ({ words, i, w, called }) => {
    const isSaid =
      /^(?:isolate|isolates|isolated|de-energise|deenergise)$/.test(w.word) &&
      /^(?:the|your|it|this)$/.test(words[i + 1]?.word ?? '');
    if (!isSaid || mentionAt(words, i + 2, called.controls) !== null) return null;
    const [own, ...others] = called.facts.supply;
    const name = own && others.length === 0 ? labelled(own.control.label, w) : [];
    const takes = words[i + 1]?.word === 'it' ? 2 : 3;
    const where = /^(?:at|with|by) the /.test(said(words, i + takes, 3))
      ? mentionAt(words, i + takes + 2, called.controls)
      : null;
    return name.length > 0 ? { takes: takes + (where ? 2 + where.length : 0), puts: [...name, added('off', w)] } : null;
  },
  // `and off at the second buzz`: the hands
  ({ words, i, w, called, out }) => {
    const isSaid =
      /^off (?:at|on|with) the (?:second|third|fourth|fifth|last)\b/.test(said(words, i, 4)) &&
      /^(?:and|then|,)$/.test(out.at(-1)?.word ?? '');
    return isSaid && mentionAt(words, i + 4, called.signs)?.of.kind === 'beeper' ? { takes: 1, puts: letGo(w) } : null;
  },
  // `until everything's dark`: all lamps
  ({ words, i, w, called }) => {
    const all =
      /^(?:everything|it all|the whole thing|the lot)(?:'s|s| is| goes| has gone| went)? (?:dark|out|black)(?= |$)/.exec(
        said(words, i, 5),
      );
    const until = /^(?:until|till|when|once)$/.test(words[i - 1]?.word ?? '');
    return all && until && called.lamps.length > 0
      ? { takes: wordsIn(all[0]), puts: ['all', 'lamps', 'go', 'out'].map((x) => added(x, w)) }
      : null;
  },
  // `Bell off`, of a key that is held: let go of
  ({ words, i, w, called, out }) => {
    const key = begins(out) ? keyAt(words, i, called) : null;
    if (!key || words[i + key.length]?.word !== 'off' || !isStop(words[i + key.length + 1]?.raw)) return null;
    const name = words.slice(i, i + key.length);
    const isHeld = out.some(
      (x, k) =>
        /^(?:hold|holding|held|keep|keeping)$/.test(x.word) &&
        said(out, k + 1, key.length + 1)
          .replace(/^the /, '')
          .startsWith(said(name, 0, key.length)),
    );
    return isHeld ? { takes: key.length + 1, puts: letGo(w, ...name) } : null;
  },
  // `until it goes beep beep`: twice
  ({ words, i, w, called, out }) => {
    if (!/^(?:goes|go|went|hear)$/.test(out.at(-1)?.word ?? '')) return null;
    let n = 1;
    while (words[i + n]?.word === w.word) n += 1;
    if (n < 2) return null;
    const many = { ...w, word: String(n), raw: String(n), value: n };
    const puts = [many, added('times', w)];
    // `the horn goes toot toot`
    const sounds = namedLast(out.slice(0, -1), called.signs)?.kind === 'beeper';
    if (sounds && n < 6 && /^\p{L}/u.test(w.word)) return { takes: n, drops: 1, puts: [added('sounds', w), ...puts] };
    return mentionAt(words, i, called.signs)?.of.kind === 'beeper' ? { takes: n, puts: [w, ...puts] } : null;
  },
  // `hold, hold, hold, until`
  ({ words, i, w }) => {
    if (!/^(?:hold|keep|wait)$/.test(w.word)) return null;
    const n = timesSaid(words, i);
    if (n < 2) return null;
    const goesOn = words[i + 2 * n - 1]?.raw === ',' && /^(?:until|till)$/.test(words[i + 2 * n]?.word ?? '');
    return { takes: 2 * n - 1 + (goesOn ? 1 : 0), puts: [w] };
  },
  // `Power off`, of a key that is called Power
  ({ words, i, w, called }) =>
    w.word === 'power' &&
    (isStop(words[i - 1]?.raw) || /^(?:and|then|now)$/.test(words[i - 1]?.word ?? '')) &&
    /^(?:on|off)$/.test(words[i + 1]?.word ?? '') &&
    keyAt(words, i, called)?.of.control.label.toLowerCase() === 'power'
      ? { takes: 2, puts: [added('press', w), w] }
      : null,
  // `the display's all eights`
  ({ words, i, w, called }) => {
    const all =
      /^(?:(?:comes?|came) up with |comes? up )?all (?:the )?(eights|nines|zeros|zeroes|dashes|ones)(?= |$)/.exec(
        said(words, i, 6),
      );
    const [display] = [...called.facts.signs.values()].filter((s) => s.kind === 'segments');
    if (!all || display?.kind !== 'segments') return null;
    const one = { eights: '8', nines: '9', zeros: '0', zeroes: '0', dashes: '-', ones: '1' }[all[1] ?? ''] ?? '8';
    const text = `"${one.repeat(display.digits)}"`;
    return { takes: wordsIn(all[0]), puts: [added('shows', w), { ...added(text, w), raw: text }] };
  },
  // `after beep, beep, beep`: the third of them
  ({ words, i, w, called, out }) => {
    if (!/^(?:after|with|on|at)$/.test(out.at(-1)?.word ?? '')) return null;
    if (mentionAt(words, i, called.signs)?.of.kind !== 'beeper') return null;
    const n = timesSaid(words, i);
    const nth = ['', '', 'second', 'third', 'fourth', 'fifth'][n] ?? '';
    return nth === '' ? null : { takes: 2 * n - 1, puts: [added('the', w), added(nth, w), w] };
  },
  // `held as long as the red one is on`: until it is not
  ({ words, i, w, called, out }) => {
    const isHeld = out.slice(-7).some((x) => /^(?:hold|holds|held|holding|keep|pressed|down)$/.test(x.word));
    if (!isHeld || said(words, i, 3) !== 'as long as') return null;
    const at = words[i + 3]?.word === 'the' ? i + 4 : i + 3;
    const sign = mentionAt(words, at, called.signs);
    if (!sign) return null;
    const does =
      /^(?:is |stays |keeps |remains )?(on|lit|flashing|blinking|sounding|flashes|blinks|sounds|beeps|beeping)(?= |$)/.exec(
        said(words, at + sign.length, 2),
      );
    if (!does) return null;
    const ends = /^(?:on|lit)$/.test(does[1] ?? '')
      ? ['goes', 'out']
      : /^(?:flash|blink)/.test(does[1] ?? '')
        ? ['stops', 'flashing']
        : ['stops'];
    return {
      takes: at + sign.length + wordsIn(does[0]) - i,
      puts: [added('until', w), added('the', w), ...words.slice(at, at + sign.length), ...ends.map((x) => added(x, w))],
    };
  },
  // `isolator off, wait five, on`: seconds
  ({ words, i, w }) => {
    const n = /^(?:wait|waiting)$/.test(w.word) ? words[i + 1] : undefined;
    if (!n || n.value === null || n.value < 3 || n.value > 90 || !isStop(words[i + 1 + n.span]?.raw)) return null;
    return { takes: 1 + n.span, puts: [w, ...words.slice(i + 1, i + 1 + n.span), added('seconds', n)] };
  },
  // `third buzz and I press Eco`: at it
  ({ words, i, w, called }) => {
    const nth =
      /^(?:second|third|fourth|fifth)$/.test(w.word) && isStop(words[i - 1]?.raw)
        ? mentionAt(words, i + 1, called.signs)
        : null;
    if (nth?.of.kind !== 'beeper') return null;
    const goesOn = /^(?:and|,) (?:then )?(?:you|i|we|that's|now)\b/.test(said(words, i + 1 + nth.length, 3));
    return goesOn ? { takes: 1, puts: [added('at', w), added('the', w), w] } : null;
  },
  // `the buzzer confirms with two shorts`
  ({ words, i, w, out, called }) => {
    const many = w.word === 'with' ? words[i + 1] : w;
    const from = w.word === 'with' ? i + 1 : i;
    if (!many || many.value === null || many.value > 9 || many.span !== 1) return null;
    if (!/^(?:shorts|longs|blips|short ones|long ones)(?= |$)/.test(said(words, from + 1, 2))) return null;
    const takes = from + (/^(?:short|long)$/.test(words[from + 1]?.word ?? '') ? 3 : 2) - i;
    const isHeard = out.slice(-6).some((_, k, all) => mentionAt(all, k, called.signs)?.of.kind === 'beeper');
    return isHeard ? { takes, puts: [many, added('times', many)] } : null;
  },
  // `Info I leave`, `Start you release`: what is let go of said first
  ({ words, i, w, called }) => {
    const key = keyAt(words, i, called);
    if (!key) return null;
    const rest =
      /^(?:i|you|we|one) (?:then |now |can |may |must )?(leave|release|leaves|releases|let go|let loose)(?= [.,;!?\n]|$)/.exec(
        said(words, i + key.length, 5),
      );
    return rest ? { takes: key.length + wordsIn(rest[0]), puts: letGo(w, ...words.slice(i, i + key.length)) } : null;
  },
  // `the display writes LOG`
  ({ words, i, w }) =>
    w.word === 'writes' && /^(?:["“]|\p{Lu}|\d)/u.test(words[i + 1]?.raw ?? '')
      ? { takes: 1, puts: [{ ...w, word: 'shows', raw: 'shows' }] }
      : null,
  // `count ten, isolator back on`
  ({ words, i, w }) => {
    const n = w.word === 'count' ? words[i + 1] : undefined;
    if (!n || n.value === null || n.value < 3 || !isStop(words[i + 1 + n.span]?.raw)) return null;
    if (/^(?:the|to|a|it|them|can|until|till)$/.test(words[i - 1]?.word ?? '')) return null;
    return { takes: 1 + n.span, puts: [added('wait', w), ...words.slice(i + 1, i + 1 + n.span), added('seconds', n)] };
  },
  // `hold Alarm for ten and it's gone`: what one counts is seconds
  ({ words, i, w, out }) => {
    const n = w.word === 'for' ? words[i + 1] : undefined;
    if (!n || n.value === null || n.value < 3 || n.value > 60) return null;
    const behind = words[i + 1 + n.span];
    const isOver = isStop(behind?.raw) || /^(?:and|its|it's|when|then|they're|until)$/.test(behind?.word ?? '');
    const isHeld = out.slice(-6).some((x) => /^(?:hold|holds|held|holding|keep|press)$/.test(x.word));
    return isOver && isHeld
      ? { takes: 1 + n.span, puts: [...words.slice(i, i + 1 + n.span), added('seconds', n)] }
      : null;
  },
  // `don't hold them, just tap them`: as they were pressed
  ({ words, i }) => {
    const only =
      /^(?:you )?(?:don't|dont|do not|no need to|without|not|never) (?:hold|holding|keep) (?:it|them|that|those) (?:, )?(?:but )?(?:you )?(?:just|only) (?:tap|press|push|touch|hit|click) (?:it|them|that|those)(?= |$)/.exec(
        said(words, i, 12),
      );
    return only ? goes(wordsIn(only[0])) : null;
  },
  // `only then may one let go`, `and not before that can you let go`
  ({ words, i }) => {
    const may =
      /^(?:only|and only|not before|not until) (?:then|after that|that|now) (?:may|can|should|do|must) (?:one|you|we|i) (?=let|release|take|lift)/.exec(
        said(words, i, 7),
      );
    return may ? goes(wordsIn(may[0])) : null;
  },
  // `Off the buttons now`: the hands
  ({ words, i, w }) => {
    const off = isStop(words[i - 1]?.raw)
      ? /^off (?:the|both|those|all) (?:the )?(?:buttons?|keys|pads|two|both)(?= |$)/.exec(said(words, i, 4))
      : null;
    return off ? { takes: wordsIn(off[0]), puts: letGo(w) } : null;
  },
  // `when you see END that was it`: where it is over, not what one waits for
  ({ words, i }) => {
    if (!isStop(words[i - 1]?.raw) && !/^(?:and|but|so)$/.test(words[i - 1]?.word ?? '')) return null;
    const end = listOver.exec(said(words, i, 16));
    return end ? goes(wordsIn(end[0])) : null;
  },
  // `After this Light, Zero`
  ({ words, i, w, out, called }) =>
    /^after (?:this|that)$/.test(said(out, out.length - 2, 2)) && /^\p{Lu}/u.test(w.raw) && keyAt(words, i, called)
      ? { takes: 1, puts: [added(',', w), w] }
      : null,
];

/** Whether what was said last is *with* and keys: `with Up and Down`. */
function namesKeysWith(words: readonly Word[], called: Called): boolean {
  const from = words.findLastIndex((x) => x.word === 'with');
  if (from < 0 || from < words.length - 9) return false;
  let k = from + 1;
  let keys = 0;
  while (k < words.length) {
    const key = keyAt(words, k, called);
    if (key) keys += 1;
    else if (!/^(?:the|and|both|still|buttons?|keys?|,)$/.test(words[k]?.word ?? '')) return false;
    k += key?.length ?? 1;
  }
  return keys > 0;
}

import { mentionAt, placeByVerb } from './mentions.ts';
import { added, begins, pastThe, type Rewrite, said, standsAt, wordsIn } from './rewrite.ts';

/** Ways of saying that a jumper is put on its pins, and taken off them. */
export const jumperSaid: readonly Rewrite[] = [
  // `put a link across L3`
  (at) => {
    const { words, i, w } = at;
    const puts =
      /^(?:puts?|lays?|sticks?|clips?|fits?) (?:a|the|your|some|one) (?:little |small |short |bit of |piece of )*(?:link|wire|bridge|jumper|cap|clip|shunt|lead) (?:across|over|on|onto|between|to) (?:the )?/.exec(
        `${said(words, i, 9)} `,
      );
    const n = puts ? wordsIn(puts[0]) : 0;
    const own = puts ? standsAt(at, i + n) : null;
    return own?.of.control.look === 'jumper'
      ? { takes: n + own.length, puts: [{ ...w, word: 'bridge' }, ...words.slice(i + n, i + n + own.length)] }
      : null;
  },
  // `take away the wire from J2`
  (at) => {
    const { words, i, w } = at;
    const takes =
      /^(?:takes?|pulls?|removes?|lifts?) (?:away |off |out )?(?:the|your|that|this) (?:little |small )?(?:wire|bridge|cap|link|clip|jumper|shunt)(?: (?:away|off|out|again))* (?:from|off|of) (?:the )?/.exec(
        `${said(words, i, 10)} `,
      );
    const n = takes ? wordsIn(takes[0]) : 0;
    const own = takes ? standsAt(at, i + n) : null;
    if (own?.of.control.look !== 'jumper') return null;
    const named = words.slice(i + n, i + n + own.length);
    const away = /^(?:away|off|out)$/.test(words[i + n + own.length]?.word ?? '') ? 1 : 0;
    const place = placeByVerb(own.of, 'out');
    return {
      takes: n + own.length + away,
      puts: place === null ? [{ ...w, word: 'open' }, ...named] : [added('put', w), ...named, added(place, w)],
    };
  },
  // `place jumper J5 on its pins`, `bridge from B away`
  (at) => {
    const { words, i, w, called } = at;
    const placed = /^(?:place|put|fit|slip|plug)$/.test(w.word) ? pastThe(words, i + 1) : -1;
    const own = placed > 0 ? standsAt(at, placed) : null;
    const pins = own
      ? /^(?:on|onto|over|across) (?:its|the|both|their|his)(?: two)? (?:pins|posts|legs|contacts)(?= |$)/.exec(
          said(words, placed + own.length, 5),
        )
      : null;
    if (own?.of.control.look === 'jumper' && pins)
      return {
        takes: placed + own.length + wordsIn(pins[0]) - i,
        puts: [{ ...w, word: 'bridge' }, ...words.slice(placed, placed + own.length)],
      };
    const from = /^(?:the )?(?:bridge|jumper|cap|link|clip|wire) (?:from|off) (?:the )?/.exec(`${said(words, i, 4)} `);
    const pin = from ? mentionAt(words, i + wordsIn(from[0]), called.controls) : null;
    const end = pin ? i + wordsIn((from as RegExpExecArray)[0]) + pin.length : i;
    return pin?.of.control.look === 'jumper' && /^(?:away|off|out)$/.test(words[end]?.word ?? '')
      ? { takes: end + 1 - i, puts: [added('take', w), ...words.slice(end - pin.length, end), added('off', w)] }
      : null;
  },
  // `On P3 I put this.`
  (at) => {
    const { words, i, w, out } = at;
    const named = w.word === 'on' && begins(out) ? pastThe(words, i + 1) : -1;
    const own = named > 0 ? standsAt(at, named) : null;
    if (own?.of.control.look !== 'jumper') return null;
    const puts =
      /^(?:i|you|we) (?:now |then )?(?:put|stick|push|place) (?:this|that|it|one|(?:the|a|my|your) (?:\w+ )?(?:jumper|cap|bridge|link|clip))(?= [.,;!?\n]|$| and)/.exec(
        said(words, named + own.length, 7),
      );
    return puts
      ? {
          takes: named + own.length + wordsIn(puts[0]) - i,
          puts: [added('bridge', w), ...words.slice(named, named + own.length)],
        }
      : null;
  },
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
];

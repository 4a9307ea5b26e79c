import type { ControlFacts } from '../../unit/facts.ts';
import { isEmergencyStop } from '../names.ts';
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
import type { Word } from './text.ts';

/** The place of a brake or a lock in which it holds; null where it is none. */
function holdsAt({ control, mechanism }: ControlFacts): string | null {
  const isOne = /\b(?:brake|lock|latch|bolt|chock)\b/i.test(control.label) && mechanism.kind === 'places';
  return (isOne && mechanism.places.find((p) => /^(?:locked|applied|set|engaged|on)$/.test(p.id))?.id) || null;
}

const toAndFro = /^(?:open|shut|closed?|up|down|in|out|on|off)$/;
/** `open, shut, open`: places one after the other, commas, dashes or *and* between; where each stands and where they end. */
function placesFrom(words: readonly Word[], from: number): Readonly<{ at: readonly number[]; end: number }> {
  const at: number[] = [];
  let end = from;
  for (let k = from; toAndFro.test(words[k]?.word ?? ''); ) {
    at.push(k);
    end = k + 1;
    k = end;
    while (/^(?:,|-|–|and|then|again)$/.test(words[k]?.raw ?? '')) k += 1;
  }
  return { at, end };
}

/** Each of some places told with what it is done to, a comma between. */
const eachPlaced = (words: readonly Word[], name: readonly Word[], at: readonly number[]): Word[] =>
  at.flatMap((k, n) => {
    const place = words[k];
    return place ? [...(n > 0 ? [added(',', place)] : []), ...name, place] : [];
  });

/** Ways of saying to which place something comes: to and fro, as far as it goes, over its pins, where it lies meanwhile. */
export const placesSaid: readonly Rewrite[] = [
  // `unlock the emergency stop`: out of where it caught
  ({ words, i, w, called }) => {
    if (!/^(?:unlock|unlatch|disengage|deactivate|untwist)$/.test(w.word)) return null;
    const at = pastThe(words, i + 1);
    const own = mentionAt(words, at, called.controls);
    if (!own || !isEmergencyStop(own.of.control)) return null;
    return {
      takes: at + own.length - i,
      puts: [added('pull', w), ...words.slice(at, at + own.length), added('out', w)],
    };
  },
  // `isolator on, and the gas last`: back to where it stands by itself
  (at) => {
    const { words, i, w, out } = at;
    if (w.word !== 'and' || !/^(?:[.,;]|on|off|in|out|open|shut|closed|up|down)$/.test(out.at(-1)?.raw ?? ''))
      return null;
    const named = pastThe(words, i + 1);
    const own = standsAt(at, named);
    const start = own?.of.start ?? null;
    const last = own
      ? /^(?:last(?: of all)?|at the (?:very )?end|in the end)(?= [.;!?\n]|$)/.exec(said(words, named + own.length, 4))
      : null;
    return own && start !== null && last
      ? {
          takes: named + own.length + wordsIn(last[0]) - i,
          puts: [w, ...words.slice(named, named + own.length), added(start, w)],
        }
      : null;
  },
  // `Untie the float, let it hang free`: as it is by itself
  (at) => {
    const { words, i, w, out } = at;
    if (!/^(?:untie|unhook|unwedge)$/.test(w.word) || !begins(out)) return null;
    const named = pastThe(words, i + 1);
    const own = standsAt(at, named);
    const start = own?.of.start ?? null;
    if (!own || start === null) return null;
    const end = named + own.length;
    const hangs =
      /^(?:, )?(?:and )?let (?:it|him|her) (?:hang|drop|fall|go|down)(?: (?:free|down|freely|again))?(?= [.,;!?\n]|$| and)/.exec(
        said(words, end, 6),
      );
    return {
      takes: end - i + (hangs ? wordsIn(hangs[0]) : 0),
      puts: [added('put', w), ...words.slice(named, end), added(start, w)],
    };
  },
  // `number two is the one you want on`: put there
  ({ words, i, w, places }) => {
    const one =
      w.word === 'is'
        ? /^is (?:the one|what|the only one) (?:you|we|i) (?:want|need|have to have|must have|'re after) (?:to be )?/.exec(
            `${said(words, i, 9)} `,
          )
        : null;
    const to = one ? (words[i + wordsIn(one[0])]?.word ?? '') : '';
    return one && (places.has(to) || /^(?:on|off|in|out|open|shut|up|down)$/.test(to))
      ? { takes: wordsIn(one[0]), puts: [added('goes', w)] }
      : null;
  },
  // `off with main service off tray back in`: one after the other
  (at) => {
    const { words, i, w } = at;
    if (!/^(?:off|out|on|in)$/.test(w.word) || words[i + 1]?.word !== 'with') return null;
    const named = pastThe(words, i + 2);
    const end = named + (standsAt(at, named)?.length ?? words.length);
    const last = words[end - 1];
    return last && standsAt(at, end) ? { takes: end - i, puts: [...words.slice(i, end), added(',', last)] } : null;
  },
  // `bridge away`, `cover away`: off, or out
  (at) => {
    const { words, i, w } = at;
    const own = standsAt(at, i);
    const end = i + (own?.length ?? 0);
    const isAway =
      own && words[end]?.word === 'away' && (isStop(words[end + 1]?.raw) || words[end + 1]?.word === 'and');
    if (!isAway || own.of.mechanism.kind !== 'places' || own.of.powersAt.size > 0) return null;
    const place = own.of.mechanism.places.find((p) => /^(?:off|out|removed|open)$/.test(p.id));
    return place ? { takes: end + 1 - i, puts: [...words.slice(i, end), added(place.id, w)] } : null;
  },
  // `fuse flap under the seat: open`: where it is, and what is done to it
  (at) => {
    const { words, i } = at;
    const own = standsAt(at, i);
    const from = i + (own?.length ?? 0);
    const where = own
      ? /^(?:under|behind|below|above|beside|in|at|on|inside|over) (?:the |your |its )?\p{L}+(?: \p{L}+)? [:,] (\p{L}+)/u.exec(
          said(words, from, 6),
        )
      : null;
    if (!own || !where || !toAndFro.test(where[1] ?? '')) return null;
    const place = from + wordsIn(where[0]) - 1;
    return isStop(words[place + 1]?.raw) ? { takes: place - i, puts: words.slice(i, from) } : null;
  },
  // `inlet valve, shut, quarter turn`, `the valve, slowly, slowly, open`
  (at) => {
    const { words, i } = at;
    const own = standsAt(at, i);
    let next = i + (own?.length ?? 0);
    if (!own || words[next]?.raw !== ',') return null;
    while (
      words[next]?.raw === ',' &&
      /^(?:slowly|gently|carefully|please|too|again|also)$/.test(words[next + 1]?.word ?? '')
    )
      next += 2;
    const place = words[next]?.raw === ',' ? words[next + 1] : undefined;
    if (!place || !toAndFro.test(place.word) || !(isStop(words[next + 2]?.raw) || words[next + 2]?.raw === ','))
      return null;
    return { takes: next + 1 - i, puts: words.slice(i, i + own.length) };
  },
  // `take the cap and put it across both`: it is put, and not taken away
  (at) => {
    const { words, i, w } = at;
    if (!/^(?:take|takes|grab|get)$/.test(w.word)) return null;
    const from = /^(?:the|that|your|this)$/.test(words[i + 1]?.word ?? '') ? i + 2 : i + 1;
    const own = standsAt(at, from);
    const next = from + (own?.length ?? 0);
    const put = own
      ? /^and (put|place|push|slip|turn|flip|set|move|slide) (?:it|that)(?= )/.exec(said(words, next, 4))
      : null;
    const verb = put ? words[next + 1] : undefined;
    return put && verb ? { takes: next + 3 - i, puts: [verb, ...words.slice(from, next)] } : null;
  },
  // `a bridge K5, you plug it over the two legs`, `K5 back on one leg`
  (at) => {
    const { words, i, w, called } = at;
    const own = standsAt(at, i);
    const off =
      own?.of.control.look === 'jumper'
        ? /^(?:goes |is |comes |must )*(?:back )?on(?:to)? (?:only )?one (?:leg|pin)(?: only)?/.exec(
            said(words, i + own.length, 7),
          )
        : null;
    const out = off && own ? placeByVerb(own.of, 'out') : null;
    if (own && off && out)
      return { takes: own.length + wordsIn(off[0]), puts: [...words.slice(i, i + own.length), added('out', w)] };
    const over =
      /^(?:plug|put|push|stick|slip|slide|place) (?:it|him|that|this) (?:over|across|onto) (?:the |both )?(?:two )?(?:legs|pins|teeth|posts)(?= )/.exec(
        `${said(words, i, 7)} `,
      );
    const jumpers = called.controls.filter((c) => c.of.control.look === 'jumper' && !c.weak);
    const [jumper] = jumpers;
    if (!over || !jumper || jumpers.some((j) => j.of !== jumper.of)) return null;
    return {
      takes: wordsIn(over[0]),
      puts: [added('put', w), ...labelled(jumper.of.control.label, w), added('in', w)],
    };
  },
  // `the hood over the blade goes up`: which hood
  (at) => {
    const { words, i, called } = at;
    const own = standsAt(at, i);
    const next = i + (own?.length ?? 0);
    const where = own
      ? /^(?:over|above|below|beside|behind|under|next to|in front of) (?:the |your )/.exec(said(words, next, 5))
      : null;
    const key = where ? next + wordsIn(where[0]) : i;
    const of = where ? keyAt(words, key, called) : null;
    const end = key + (of?.length ?? 0);
    return own && of && /^(?:goes|comes|is|has|must|gets|swings|lifts|opens)$/.test(words[end]?.word ?? '')
      ? { takes: end - i, puts: words.slice(i, next) }
      : null;
  },
  // `put it on the floor`: where it lies meanwhile
  ({ words, i, w }) => {
    const lies =
      /^(?:put|puts|lay|lays|leave|set|place|stand|lean|hang|drop)$/.test(w.word) &&
      /^\w+ (?:it|that|them|those|this) (?:down )?(?:on|in|into|against|beside|by|to|under) (?:the|your|my|a|its) (?:\w+ )?(?:floor|table|bench|ground|side|seat|shelf|chair|bonnet|roof|pocket|bucket|wall|corner|cart|trolley|tray|hook|worktop|stool|grass|string)(?= [.,;!?\n]| and | so |$)/.exec(
        said(words, i, 8),
      );
    return lies ? goes(wordsIn(lies[0])) : null;
  },
  // `turn it right back to zero`: all of it
  ({ words, i, w, out }) =>
    w.word === 'right' &&
    words[i + 1]?.word === 'back' &&
    words[i + 2]?.word === 'to' &&
    !/^(?:the|to|your)$/.test(out.at(-1)?.word ?? '')
      ? goes(1)
      : null,
  // `the little cap goes over both`: it is put on
  (at) => {
    const { words, i } = at;
    const own = standsAt(at, i);
    if (own?.of.control.look !== 'jumper') return null;
    const next = i + own.length;
    const over =
      /^(?:(?:that|which) (?:[\w']+ ){1,8})?(?:goes|belongs|comes|must go|has to go|is put|gets put|fits) (?:over|across|onto|on) (?:the |both|them|these|those)(?:(?:two )?pins|both(?: of them)?|two(?: of them)?)?/.exec(
        said(words, next, 14),
      );
    const on = over && own.of.mechanism.kind === 'places' ? placeByVerb(own.of, 'in') : null;
    const [w] = words.slice(i);
    return over && on !== null && w
      ? { takes: own.length + wordsIn(over[0]), puts: [...words.slice(i, next), added('in', w)] }
      : null;
  },
  // `apply the wheel brake`, `the brake is to be applied`: what holds something is put where it holds
  (at) => {
    const { words, i, w } = at;
    const applied = /^(?:applied|engaged|locked|secured)$/;
    const isVerb = /^(?:apply|applies|engage|engages|lock|secure)$/.test(w.word);
    const from = isVerb && /^(?:the|its|your)$/.test(words[i + 1]?.word ?? '') ? i + 2 : isVerb ? i + 1 : i;
    const own = standsAt(at, from);
    const on = own ? holdsAt(own.of) : null;
    if (!own || on === null) return null;
    const next = from + own.length;
    const is = /^(?:(?:is to be|has to be|have to be|needs to be|must be|should be|to be|being|gets|is|are) )?/.exec(
      said(words, next, 5),
    );
    const done = next + (is?.[0] ? wordsIn(is[0]) : 0);
    if (!isVerb && !applied.test(words[done]?.word ?? '')) return null;
    return { takes: (isVerb ? next : done + 1) - i, puts: [...words.slice(from, next), added(on, w)] };
  },
  // `turn it left till it stops`, `back as far as it goes`: all the way
  ({ words, i, w, out, called }) => {
    if (!/^(?:until|till|as|to|right)$/.test(w.word) || !called.controls.some((c) => c.of.mechanism.kind === 'clicks'))
      return null;
    const far =
      /^(?:(?:until|till) (?:it|he|she) (?:stops|won't go (?:any )?(?:further|more)|can't go (?:any )?further|is at the stop)|as far as (?:it|he|she) (?:goes|will go|can go|can)|(?:right )?to (?:the|its) (?:end )?stop|to (?:the|its) end)(?= |$)/.exec(
        said(words, i, 8),
      );
    const isTurned = out
      .slice(-9)
      .some((x) =>
        /^(?:turn\w*|left|right|clockwise|anticlockwise|counterclockwise|knob|dial|back|down|up|wind|twist\w*)$/.test(
          x.word,
        ),
      );
    return far && isTurned ? { takes: wordsIn(far[0]), puts: ['all', 'the', 'way'].map((x) => added(x, w)) } : null;
  },
  // `lid: open, shut, open, shut`: each told with what it is done to
  (at) => {
    const { words, i, out } = at;
    const own = standsAt(at, i);
    if (!own) return null;
    const next = i + own.length;
    const from = /^(?:goes|moves|has to go|is|:)$/.test(words[next]?.raw ?? '') ? next + 1 : next;
    const { at: said, end } = placesFrom(words, from);
    const places = said.map((k) => placeByVerb(own.of, words[k]?.word ?? '') ?? placeAt(words, k, own.of)?.place);
    const isRow = said.length > 2 && places.every((p, k) => p != null && p !== places[k - 1]);
    const isPlain = /^(?:on|off|in|out)$/.test(words[said[0] ?? 0]?.word ?? '');
    // `open the lid, shut it`: told with a verb
    if (!isRow || isPlain || /^(?:open|shut|close)$/.test(out.at(-1)?.word ?? '')) return null;
    const name = words.slice(i, next);
    return { takes: end - i, puts: eachPlaced(words, name, said) };
  },
  // `open, close, open, close the lid`
  (at) => {
    const { words, i, w } = at;
    const { at: said, end } = /^(?:open|shut|close)$/.test(w.word) ? placesFrom(words, i) : { at: [], end: i };
    const from = words[end]?.word === 'the' ? end + 1 : end;
    const own = said.length > 2 ? standsAt(at, from) : null;
    if (!own || !said.every((k) => placeByVerb(own.of, words[k]?.word ?? '') !== null)) return null;
    const name = words.slice(from, from + own.length);
    return { takes: from + own.length - i, puts: eachPlaced(words, name, said) };
  },
];

import { type Called, lampsIn, mentionAt, namedLast } from './mentions.ts';
import { added, begins, goes, isStop, labelled, type Rewrite, said, stopAt, wordsIn } from './rewrite.ts';
import type { Word } from './text.ts';

/** Whether a display was named just now. */
const namesDisplay = (out: readonly Word[], called: Called): boolean =>
  out.slice(-3).some((_, k, last) => {
    const kind = mentionAt(last, k, called.signs)?.of.kind;
    return kind === 'segments' || kind === 'text';
  });

/** Ways of saying what lamps, sounds and displays do. */
export const shownSaid: readonly Rewrite[] = [
  // `the dampers mustn't move`: no lamp does
  ({ words, i, w, out, called }) => {
    const not = /^(?:mustn't|must|can't|cannot|shouldn't|should|won't|don't)$/.test(w.word)
      ? /^\S+ (?:not )?(?:move|turn|run|start|fall|drop|slide|roll|swing|close|open|jump)(?= |$)/.exec(
          said(words, i, 3),
        )
      : null;
    return not && namedLast(out, called.signs)?.kind === 'lamp' ? { takes: wordsIn(not[0]), puts: [], drops: 1 } : null;
  },
  // `-> amber on`, `Red out.`: the one lamp of that colour
  ({ words, i, w, out, called }) => {
    if (!/^(?:red|green|yellow|amber|orange|blue|white)$/.test(w.word) || !/^[.,;!?\n]$/.test(out.at(-1)?.raw ?? ''))
      return null;
    const how =
      /^(?:on|lit|out|dark)$/.test(words[i + 1]?.word ?? '') && /^[.;!?\n]?$/.test(words[i + 2]?.raw ?? '')
        ? words[i + 1]?.word
        : null;
    const lamps = how ? lampsIn(called, w.word) : [];
    const isOther = mentionAt(words, i, called.controls);
    return how && lamps.length === 1 && !isOther
      ? {
          takes: 2,
          puts: [
            w,
            added('lamp', w),
            ...(/^(?:on|lit)$/.test(how) ? ['comes', 'on'] : ['goes', 'out']).map((x) => added(x, w)),
          ],
        }
      : null;
  },
  // `then there's just the three lines`, `Three lines, that's it`, `at the two lines you let go`: on the one display there is
  ({ words, i, w, out, called }) => {
    const [display, ...others] = called.displays;
    const lead =
      /^(?:there's|there is|there are|theres|there|i get|you get|i see|you see|we get|we have|i have|you've got|i've got|we've got|come|comes) (?:just |only |now |then )?(?:the |these )?(?=\S+ (?:lines|dashes|strokes|bars)\b)/.exec(
        said(words, i, 7),
      );
    const at = /^(?:at|when|until|till|once) (?:the )?(?=\S+ (?:lines|dashes|strokes|bars)\b)/.exec(said(words, i, 4));
    const from = lead ? i + wordsIn(lead[0]) : at ? i + wordsIn(at[0]) : i;
    const many = words[from];
    const isBare = !lead && !at && begins(out) && isStop(words[from + 2]?.raw);
    const isMany =
      many?.value != null &&
      many.value >= 2 &&
      many.value <= 8 &&
      /^(?:lines|dashes|strokes|bars)$/.test(words[from + 1]?.word ?? '');
    if (!display || others.length > 0 || !isMany || !(lead || at || isBare)) return null;
    const head = at ? [{ ...w, word: w.word === 'at' ? 'when' : w.word }] : [];
    const rest = words[from + 2];
    const isMoment = at && rest && !isStop(rest.raw) ? [added(',', rest)] : [];
    return {
      takes: from + 2 - i,
      puts: [...head, ...labelled(display.label, w), added('shows', w), ...words.slice(from, from + 2), ...isMoment],
    };
  },
  // `the number shows 188 and then it is dark. When it is dark`, `it goes off completely dark`: the display
  ({ words, i, w, out, called }) => {
    if (!/^(?:is|goes|gets|turns|went|off|it)$/.test(w.word)) return null;
    const dark =
      /^(?:(?:is|goes|gets|turns|went) )?(?:off )?(?:completely |all |totally |quite )?dark(?= [.,;:!?\n]|$| and| that| then)/.exec(
        said(words, i, 5),
      );
    if (!dark || !/^(?:it|that)$/.test(out.at(-1)?.word ?? '')) return null;
    const near = out.slice(-26);
    if (near.some((x) => /^(?:lamps?|lights?|leds?)$/.test(x.word))) return null;
    const at = near.findLastIndex((_, k) => mentionAt(near, k, called.signs) !== null);
    const sign =
      at >= 0
        ? mentionAt(near, at, called.signs)?.of
        : called.displays.length === 1 && near.some((x) => /^(?:shows|says|reads|counts)$/.test(x.word))
          ? called.displays[0]
          : undefined;
    return sign?.kind === 'text' || sign?.kind === 'segments'
      ? { takes: wordsIn(dark[0]), puts: [added('goes', w), added('blank', w)] }
      : null;
  },
  // `the yellow lamp starts to blink, nice and lazy`, `blinking, slow`
  ({ words, i, w, out }) => {
    if (
      w.raw !== ',' ||
      !/^(?:blink|blinking|blinks|flash|flashing|flashes|flicker|flickering)$/.test(out.at(-1)?.word ?? '')
    )
      return null;
    const how =
      /^, (?:nice and |nice , |really |very )?(slow|slowly|lazy|lazily|gently|leisurely|fast|quick|quickly)(?= [.,;:!?\n]|$| and)/.exec(
        said(words, i, 5),
      );
    const isFast = /^(?:fast|quick)/.test(how?.[1] ?? '');
    return how ? { takes: wordsIn(how[0]), puts: [added(isFast ? 'fast' : 'slowly', w)] } : null;
  },
  // `blue lamp slow = memory open`, `run lamp: fast`: it flashes so
  ({ words, i, w, out, called }) => {
    const isSo =
      /^(?:slow|fast|quick|rapid|slowly|quickly)$/.test(w.word) &&
      // an equals sign is no word
      (/^(?:[.,;!?)\n:]|-+>)?$/.test(words[i + 1]?.raw ?? '') || (words[i + 1]?.from ?? 0) - w.to >= 3);
    const lamp = isSo ? namedLast(out.at(-1)?.raw === ':' ? out.slice(0, -1) : out, called.signs) : null;
    return lamp?.kind === 'lamp'
      ? {
          takes: 1,
          puts: [added('flashes', w), added(/^slow/.test(w.word) ? 'slowly' : 'quickly', w)],
          drops: out.at(-1)?.raw === ':' ? 1 : 0,
        }
      : null;
  },
  // `on the screen comes CODES`
  ({ words, i, w, called }) => {
    if (!/^(?:on|in)$/.test(w.word)) return null;
    const at = /^(?:the|its)$/.test(words[i + 1]?.word ?? '') ? i + 2 : i + 1;
    const display = mentionAt(words, at, called.signs);
    const isDisplay = display?.of.kind === 'text' || display?.of.kind === 'segments';
    const end = at + (display?.length ?? 0);
    const comes =
      /^(?:comes|appears|stands|is coming|is standing|is written|is then|there is|there's|pops up|comes up)(?: then| now)?(?= )/.exec(
        said(words, end, 3),
      );
    const what = comes ? words[end + wordsIn(comes[0])] : undefined;
    return display && isDisplay && comes && what && /^["“]|^[A-Z0-9-]{2,}$/.test(what.raw)
      ? { takes: end + wordsIn(comes[0]) - i, puts: [...words.slice(at, end), added('shows', w)] }
      : null;
  },

  // `when the amber lamp joins in as well`
  ({ words, i, w }) => {
    const joins = /^joins?$/.test(w.word)
      ? /^joins? (?:in|them|it)(?: as well| too| also)?(?= |$)/.exec(said(words, i, 4))
      : null;
    return joins ? { takes: wordsIn(joins[0]), puts: [added('comes', w), added('on', w)] } : null;
  },
  // `the yellow lamp is coming, is going, is coming`
  ({ words, i, w, out, called }) => {
    if (!/^(?:coming|going)$/.test(w.word) || out.at(-1)?.word !== 'is') return null;
    const isOver = isStop(words[i + 1]?.raw) || /^the (?:second|third|first) time\b/.test(said(words, i + 1, 3));
    const near = out.slice(-24);
    const isLamp = near.some((_, k) => mentionAt(near, k, called.signs)?.of.kind === 'lamp');
    return isOver && isLamp
      ? {
          takes: 1,
          puts: w.word === 'coming' ? [added('comes', w), added('on', w)] : [added('goes', w), added('out', w)],
          drops: 1,
        }
      : null;
  },
  // `green slow flash = you are in`
  ({ words, i, w, out, called }) => {
    const so = /^(?:(slow|fast|quick) )?(?:flash|blink)(?= [=:,.;\n]| -)/.exec(said(words, i, 3));
    return so?.[1] && namedLast(out, called.signs)?.kind === 'lamp'
      ? { takes: 2, puts: [added('flashes', w), added(so[1] === 'slow' ? 'slowly' : 'quickly', w)] }
      : null;
  },
  // `a counter that counts 5-4-3-2-1-0`: what it shows on the way
  ({ words, i, w }) =>
    /^counts?$/.test(w.word) && /^\d(?:[-–.]\d){2,}$/.test(words[i + 1]?.raw ?? '') ? { takes: 2, puts: [w] } : null,

  // `there's the amber one it's on and it's off and it's on`: it flashes
  ({ words, i, w }) => {
    if (w.word !== 'it') return null;
    let k = i;
    for (const way of ['on', 'off', 'on', 'off', 'on', 'off']) {
      const from = words[k]?.word === 'and' || words[k]?.raw === ',' ? k + 1 : k;
      const at = words[from]?.word === 'it' ? from + 1 : words[from]?.word === 'then' ? from + 1 : from;
      if (words[at]?.word !== way) break;
      k = at + 1;
    }
    if (
      said(words, i, k - i)
        .split(' ')
        .filter((x) => x === 'on' || x === 'off').length < 3
    )
      return null;
    return { takes: k - i, puts: [w, added('flashes', w)] };
  },
  // `SERV it says`: what it says
  ({ words, i, w, called, out }) => {
    if (!/^(?:\p{Lu}[\p{Lu}\d]{2,}|["“].{1,12}["”])$/u.test(w.raw) || !begins(out)) return null;
    const says = /^(?:it|the \S+|he|she) (?:says|reads|shows|said|displays)(?= [.,;!?\n]| and |$)/.exec(
      said(words, i + 1, 4),
    );
    const isNamed = mentionAt(words, i, called.controls) ?? mentionAt(words, i, called.signs);
    return says && !isNamed ? { takes: 1 + wordsIn(says[0]), puts: [added('it', w), added('says', w), w] } : null;
  },
  // `it's ringing. Don't let go until it stops`: the bell
  ({ words, i, w, called, out }) => {
    if (w.word !== 'it' || !/^(?:until|till)$/.test(out.at(-1)?.word ?? '')) return null;
    if (!/^it (?:has |is )?(?:stops|stopped)(?= [.,;!?\n]| and |$)/.test(said(words, i, 4))) return null;
    const near = out.slice(-28);
    const signs = near.flatMap((_, k) => mentionAt(near, k, called.signs)?.of ?? []);
    const [bell] = called.sounds;
    const isHeard =
      signs.at(-1)?.kind === 'beeper' ||
      (signs.length === 0 && near.some((x) => /^(?:ring|buzz|beep|hoot|chime|sound|bleep)(?:s|es|ing)?$/.test(x.word)));
    if (!bell || called.sounds.length !== 1 || !isHeard) return null;
    return {
      takes: 1,
      puts: [added('the', w), ...labelled(bell.label, w)],
    };
  },
  // `until the red lamp go out`, `The signal come second time`: as those say it who learnt it later
  ({ w, called, out }) => {
    const plainly: Readonly<Record<string, string>> = {
      go: 'goes',
      come: 'comes',
      burn: 'burns',
      blink: 'blinks',
      flash: 'flashes',
      ring: 'rings',
    };
    const does = plainly[w.word];
    if (does === undefined || w.raw !== w.word) return null;
    const near = out.slice(-3);
    const sign = near
      .map((_, k) => ({ k, of: mentionAt(near, k, called.signs) }))
      .find(({ k, of }) => of && k + of.length === near.length);
    const lead = near.slice(0, sign?.k ?? 0).at(-1)?.word ?? out.at(-4)?.word ?? '';
    const isOne =
      sign?.of != null &&
      !/^(?:and|let|lets|makes?|see|both|two|three|all)$/.test(lead) &&
      !near.some((x) => /^(?:lamps|lights|both|and)$/.test(x.word));
    return isOne ? { takes: 1, puts: [{ ...w, word: does, raw: does }] } : null;
  },
  // `When it goes the second time, let Menu go`, of what sounded before
  ({ words, i, w, called, out }) => {
    if (w.word !== 'it' || !/^(?:when|until|till|once|after|and)$/.test(out.at(-1)?.word ?? '')) return null;
    const goes =
      /^it (?:goes|sounds|does (?:it|that)|went) (?:off )?(?:the|a|for the|for a) (second|third|fourth) time(?= |$)/.exec(
        said(words, i, 8),
      );
    const near = out.slice(-24);
    const last = near.flatMap((_, k) => mentionAt(near, k, called.signs)?.of ?? []).at(-1);
    const [bell] = called.sounds;
    if (!goes || !bell || called.sounds.length !== 1 || last?.kind !== 'beeper') return null;
    return {
      takes: wordsIn(goes[0]),
      puts: [added('the', w), added(goes[1] ?? '', w), ...labelled(bell.label, w), added('sounds', w)],
    };
  },
  // `All lamps go on and then off again`: what is waited for is told behind it
  ({ words, i, w, called, out }) => {
    if (w.word !== 'on') return null;
    const off = /^on and (?:then )?(?:go |goes )?(?:off|out)(?: again)?(?= [.,;!?\n]| and |$)/.exec(said(words, i, 6));
    const near = out.slice(-4);
    const areLamps = near.some(
      (x, k) => /^(?:lamps|lights|leds)$/.test(x.word) || mentionAt(near, k, called.signs)?.of.kind === 'lamp',
    );
    return off && areLamps ? { takes: wordsIn(off[0]), puts: [w] } : null;
  },
  // `All lamps go on. When they are off, let go`, `the red one comes on with the amber one. When they've both gone out …`
  ({ words, i, w, called, out }) => {
    if (!/^(?:they|they've)$/.test(w.word) || !/^(?:when|until|till|once|after|and)$/.test(out.at(-1)?.word ?? ''))
      return null;
    const gone =
      /^they(?:'ve)?(?: are| have)?(?: all| both)? ?(?:gone |go )?(?:off|out|dark)(?: again)?(?= [.,;!?\n]| and | you |$)/.exec(
        said(words, i, 6),
      );
    if (!gone) return null;
    const puts = (text: string) => ({ takes: wordsIn(gone[0]), puts: text.split(' ').map((x) => added(x, w)) });
    if (out.slice(-14).some((x) => /^(?:lamps|lights|leds)$/.test(x.word))) return puts('all lamps go out');
    const near = out.slice(-26);
    const told = new Set(
      near.flatMap((_, k) => mentionAt(near, k, called.signs)?.of ?? []).filter((s) => s.kind === 'lamp'),
    );
    const [one, other, ...more] = [...told].map(
      (s) => `the ${s.label.toLowerCase().replace(/ (?:lamp|light)$/, '')} lamp`,
    );
    return one && other && more.length === 0 ? puts(`${one} and ${other} go out`) : null;
  },
  // `Service lamp slow = correct. Service lamp fast = wrong buttons`: what is wanted, and what is not
  ({ words, i, called, out }) => {
    if (out.length > 0 && !isStop(out.at(-1)?.raw)) return null;
    const lamp = mentionAt(words, i, called.signs);
    if (lamp?.of.kind !== 'lamp') return null;
    const end = i + lamp.length;
    const is =
      /^(slow|slowly|fast|quick|quickly|on|off|lit)(?: flashing| blinking)? (?:(?:=|:|,|means?|is) )?(?:(?:correct|ok|okay|right|good|fine)(?= [.,;!?\n]|$)|(wrong|error|bad|too late|not ok))/.exec(
        said(words, end, 5),
      );
    const at = words[end];
    if (!is || !at) return null;
    if (is[2]) return goes(stopAt(words, i) - i);
    const how = /^(?:on|lit|off)$/.test(is[1] ?? '')
      ? ['is', is[1] === 'off' ? 'off' : 'on']
      : ['flashes', is[1] ?? ''];
    return { takes: lamp.length + wordsIn(is[0]), puts: [...words.slice(i, end), ...how.map((x) => added(x, at))] };
  },
  // `Monitor: MEM`
  ({ words, i, w, called, out }) => {
    if (
      w.raw !== ':' ||
      !/^(?:\p{Lu}[\p{Lu}\d]{1,7}|["“].*)$/u.test(words[i + 1]?.raw ?? '') ||
      !isStop(words[i + 2]?.raw)
    )
      return null;
    const near = out.slice(-1);
    const kind = mentionAt(near, 0, called.signs)?.of.kind;
    return kind === 'text' || kind === 'segments' ? { takes: 1, puts: [added('says', w)] } : null;
  },
  // `until the red lamp is not any more on`
  ({ words, i, w }) => {
    const not = /^(?:is|are)$/.test(w.word)
      ? /^(?:is|are) (?:not|no) (?:any ?more|longer|any longer|more) (?:on|lit|there)(?= |$)|^(?:is|are) not (?:on|lit) (?:any ?more|any longer)(?= |$)/.exec(
          said(words, i, 5),
        )
      : null;
    return not ? { takes: wordsIn(not[0]), puts: [added('goes', w), added('out', w)] } : null;
  },
  // `when it finally shuts up`: it stops
  ({ words, i, w, out }) =>
    /^shuts?$/.test(w.word) &&
    words[i + 1]?.word === 'up' &&
    /^(?:it|he|she|finally|then|thing|that|buzzer|horn|bell|beeper)$/.test(out.at(-1)?.word ?? '')
      ? { takes: 2, puts: [added('stops', w)], drops: out.at(-1)?.word === 'finally' ? 1 : 0 }
      : null,
  // `glow light? – on – keep holding till it goes off again`: the lamp
  ({ words, i, w, called, out }) => {
    if (w.word !== 'it' || !/^(?:until|till)$/.test(out.at(-1)?.word ?? '')) return null;
    if (!/^it (?:goes|has gone|is) (?:off|out)(?: again)?(?= [.,;!?\n]| and |$)/.test(said(words, i, 5))) return null;
    const near = out.slice(-12);
    const at = near.findLastIndex(
      (_, k) => (mentionAt(near, k, called.signs) ?? mentionAt(near, k, called.controls)) !== null,
    );
    const lamp = at >= 0 ? mentionAt(near, at, called.signs) : null;
    return lamp?.of.kind === 'lamp' && !mentionAt(near, at, called.controls)
      ? {
          takes: 1,
          puts: [
            added('the', w),
            ...near.slice(at, at + lamp.length),
            ...(lamp.length === 1 ? [added('lamp', w)] : []),
          ],
        }
      : null;
  },
  // `When the pips are finished`: it sounds no more
  ({ words, i, w, called, out }) => {
    if (!/^(?:are|is|have|has)$/.test(w.word) || !/^(?:finished|over|ended|through)$/.test(words[i + 1]?.word ?? ''))
      return null;
    const near = out.slice(-2);
    return near.some((_, k) => mentionAt(near, k, called.signs)?.of.kind === 'beeper')
      ? { takes: 2, puts: [added('stops', w)] }
      : null;
  },
  // `until it stands EMPTY`
  ({ words, i, w }) =>
    /^stands?$/.test(w.word) && /^(?:\p{Lu}[\p{Lu}\d]{2,}|["“].+["”])$/u.test(words[i + 1]?.raw ?? '')
      ? { takes: 1, puts: [{ ...w, word: 'says', raw: 'says' }] }
      : null,
  // `the counter should be showing 77`, `the window said READY`, `Display come 15`
  ({ words, i, w, called, out }) => {
    if (!/^(?:should|must|will|said|showed|come)$/.test(w.word) || !namesDisplay(out, called)) return null;
    const shows =
      /^(?:(?:should|must|will)(?: now| then)? (?:be (?:now )?(?:showing|reading|saying)|show|read|say)|said|showed|come(?= \S+$))(?= |$)/.exec(
        said(words, i, 4),
      ) ?? (w.word === 'come' && /^["“]|\d/.test(words[i + 1]?.raw ?? '') ? ['come'] : null);
    return shows ? { takes: wordsIn(shows[0]), puts: [{ ...w, word: 'shows', raw: 'shows' }] } : null;
  },
  // `when there is nothing on it any more`: a display
  ({ words, i, w, called, out }) => {
    if (!/^(?:there|there's)$/.test(w.word) || !/^(?:when|once|until|till|wait|after)$/.test(out.at(-1)?.word ?? ''))
      return null;
    const none =
      /^(?:there's|there is|there) nothing (?:(?:more |else )?(?:on|in) (?:it|the \w+)|more to see|to see(?: there)?|shown)(?: any ?more| any longer| at all)?(?= |$)/.exec(
        said(words, i, 9),
      );
    return none && called.displays.length === 1
      ? { takes: wordsIn(none[0]), puts: [{ ...w, word: 'it' }, added('is', w), added('blank', w)] }
      : null;
  },
  // `Red go out, green come`
  ({ words, i, w, called, out }) => {
    if (!/^(?:red|green|yellow|amber|orange|blue|white)$/.test(w.word) || !isStop(out.at(-1)?.raw)) return null;
    const does = /^\S+ (?:lamp |light |led )?(go|come)(?: (out|off|away|on))?(?= [,.;!?\n]| and |$)/.exec(
      said(words, i, 5),
    );
    const lamps = lampsIn(called, w.word);
    if (!does || lamps.length !== 1) return null;
    const how = does[1] === 'go' ? ['goes', 'out'] : ['comes', 'on'];
    return { takes: wordsIn(does[0]), puts: [w, added('lamp', w), ...how.map((x) => added(x, w))] };
  },
  // `just as green comes on`: the one lamp of that colour
  ({ words, i, w, called, out }) => {
    if (!/^(?:red|green|yellow|amber|orange|blue|white)$/.test(w.word)) return null;
    const does =
      /^\S+ (?:(?:comes?|goes|came|went|turns?|pops) (?:on|off|out|up)|(?:blinking|flashing|lit)(?= |$)|flashes|blinks|flickers|lights? up|(?:starts|begins) (?:to )?(?:flash|blink|flicker)\w*|is (?:on|off|out|lit|flashing|blinking))(?= |$)/.test(
        said(words, i, 5),
      );
    const ofIt = lampsIn(called, w.word);
    const isOther = mentionAt(words, i, called.controls) ?? mentionAt(words, i, called.signs);
    const isOne = ofIt.length === 1 && !isOther && !/^(?:it|or|from|to|in)$/.test(out.at(-1)?.word ?? '');
    return does && isOne ? { takes: 1, puts: [w, added('lamp', w)] } : null;
  },
  // `Rapid flashing of the Enabled lamp signifies that access has been granted`
  ({ words, i, w, called, out }) => {
    const how = begins(out)
      ? /^(rapid|fast|quick|slow) (?:flashing|blinking) (?:of|from|on|by) (?:the )?/.exec(`${said(words, i, 4)} `)
      : null;
    const lamp = how ? mentionAt(words, i + wordsIn(how[0]), called.signs) : null;
    if (!how || lamp?.of.kind !== 'lamp') return null;
    const named = i + wordsIn(how[0]);
    const end = named + lamp.length;
    const says = /^(?:signifies|indicates|means|shows|confirms|tells you|signals|denotes|is the sign)(?= )/.exec(
      said(words, end, 3),
    );
    if (!says) return null;
    const does = ['flashes', how[1] === 'slow' ? 'slowly' : 'fast'].map((x) => added(x, w));
    // what it signifies is told for those who ask
    return { takes: stopAt(words, i) - i, puts: [added('the', w), ...words.slice(named, end), ...does] };
  },
  // `manual's flashing like mad`
  ({ words, i, w }) => {
    const fast =
      /^(?:flashing|blinking|flashes|blinks) like (?:mad|crazy|nothing else|a disco|the clappers)(?= |$)/.exec(
        said(words, i, 4),
      );
    return fast ? { takes: wordsIn(fast[0]), puts: [w, added('fast', w)] } : null;
  },
  // `the blue lamp breathes slowly`
  ({ words, i, w, out, called }) => {
    const slow = /^(?:breathes|pulses|breathing|pulsing)(?: slowly| gently)?(?= [.,;:!?\n]|$| and)/.exec(
      said(words, i, 3),
    );
    const isLamp = namedLast(out, called.signs)?.kind === 'lamp' || /^(?:it|one)$/.test(out.at(-1)?.word ?? '');
    return slow && isLamp ? { takes: wordsIn(slow[0]), puts: [added('flashes', w), added('slowly', w)] } : null;
  },
  // `it'll speed up`, `now it's going like mad`
  ({ words, i, w, out }) => {
    if (!/^(?:speeds?|speeding|speeded|sped|going|goes|gone)$/.test(w.word)) return null;
    if (
      !/^(?:it|it'll|they|will|lamp|light|one|red|green|yellow|amber|orange|blue|white|flashing|blinking|now|starts?|starting|to|and|is)$/.test(
        out.at(-1)?.word ?? '',
      )
    )
      return null;
    const fast =
      /^(?:(?:speeds?|speeding|speeded|sped) up|(?:going|goes|gone) (?:like )?(?:mad|crazy|nuts|berserk|the clappers|wild))(?= |$)/.exec(
        said(words, i, 4),
      );
    if (!fast) return null;
    // what is promised has come when one goes on
    const isPromised = /^(?:it'll|they'll|will)$/.test(out.at(-1)?.word ?? '');
    const it = isPromised && out.at(-1)?.word !== 'will' ? [added('it', w)] : [];
    const puts = [...it, added('flashing', w), added('fast', w)];
    return { takes: wordsIn(fast[0]), puts, drops: isPromised ? 1 : 0 };
  },
  // `a lit hydraulic lamp tells you that you're in`
  ({ words, i, w, called }) => {
    const how = /^(?:a|the)$/.test(w.word)
      ? /^(?:a|the) (lit|burning|glowing|flashing|blinking) /.exec(`${said(words, i, 2)} `)
      : null;
    const lamp = how ? mentionAt(words, i + 2, called.signs) : null;
    if (!how || lamp?.of.kind !== 'lamp') return null;
    const end = i + 2 + lamp.length;
    const tells = /^(?:tells you|means|shows|says)(?: that)? you(?:'re| are)? in(?= |$)/.exec(said(words, end, 6));
    const does = /^(?:flash|blink)/.test(how[1] ?? '') ? ['flashes'] : ['comes', 'on'];
    return tells
      ? {
          takes: 2 + lamp.length + wordsIn(tells[0]),
          puts: [added('the', w), ...words.slice(i + 2, end), ...does.map((x) => added(x, w))],
        }
      : null;
  },
  // `the window will count from 1 to 9`: what it runs through
  ({ words, i, w, called, out }) => {
    const counts = /^(?:will|counts?|runs?)$/.test(w.word)
      ? /^(?:will )?(?:counts?|runs?) (?:up |down )?from \S+ (?:up |down )?to \S+(?= |$)/.exec(said(words, i, 8))
      : null;
    const isDisplay = namesDisplay(out, called);
    return counts && isDisplay ? { takes: wordsIn(counts[0]), puts: [] } : null;
  },
  // `when the eights go out`: the display goes dark
  ({ words, i, w, called }) => {
    if (!/^(?:eights|figures|digits|segments|numbers|zeros|zeroes|dashes|strokes)$/.test(w.word)) return null;
    const gone =
      /^\S+ (?:have |are |all |then )*(?:go|gone|went|disappear|vanish|vanished)(?! to\b)(?: (?:out|away|off|dark|again))*(?= |$)/.exec(
        said(words, i, 6),
      );
    return gone && called.displays.length === 1
      ? { takes: wordsIn(gone[0]), puts: ['display', 'goes', 'blank'].map((x) => added(x, w)) }
      : null;
  },
  // `is not blinking more and stays on`
  ({ words, i, w }) => {
    const no = /^(?:is|are)$/.test(w.word)
      ? /^(?:is|are) (?:not|no) (?:longer )?(?:blinking|flashing)(?: any)? ?(?:more|longer)?(?= |$)/.exec(
          said(words, i, 5),
        )
      : null;
    return no ? { takes: wordsIn(no[0]), puts: [{ ...w, word: 'stops' }, added('blinking', w)] } : null;
  },
  // `until nothing is to see on the display`
  ({ words, i, w }) => {
    const none =
      w.word === 'nothing'
        ? /^nothing (?:more )?(?:is|can be|was|is there) (?:more )?(?:to see|to be seen|seen|visible|shown|left)(?: more)? (?:on|in) (?:the|its) (?=display|screen|window)/.exec(
            said(words, i, 10),
          )
        : null;
    const n = none ? wordsIn(none[0]) : 0;
    const display = words[i + n];
    return none && display ? { takes: n + 1, puts: [display, added('goes', w), added('blank', w)] } : null;
  },
  // `the lamp for defrost is coming`
  ({ words, i, w, called }) => {
    const of = /^(?:lamp|light|led|indicator) (?:for|of) (?:the )?/.exec(`${said(words, i, 4)} `);
    const n = of ? wordsIn(of[0]) : 0;
    const lamp = of ? mentionAt(words, i + n, called.signs) : null;
    return lamp?.of.kind === 'lamp'
      ? { takes: n + lamp.length, puts: [...words.slice(i + n, i + n + lamp.length), w] }
      : null;
  },
  ({ words, i, w, called, out }) =>
    /^is (?:now )?coming(?: now| on)?(?= |$)/.test(said(words, i, 4)) &&
    out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs)?.of.kind === 'lamp')
      ? {
          takes: wordsIn(/^is (?:now )?coming(?: now| on)?(?= |$)/.exec(said(words, i, 4))?.[0] ?? ''),
          puts: [{ ...w, word: 'comes' }, added('on', w)],
        }
      : null,
  // `until the counter has counted down to zero`
  ({ words, i, w, called, out }) => {
    const down = /^(?:has |have |had )?(?:counted|counts|counting|gone|goes|run|runs|ran)(?: back)? down to /.exec(
      `${said(words, i, 5)} `,
    );
    if (!down) return null;
    const n = wordsIn(down[0]);
    const many = words[i + n];
    const isDisplay = namesDisplay(out, called);
    const figure = many
      ? many.word === 'zero' || many.word === 'nought'
        ? '0'
        : many.value === null
          ? null
          : String(many.value)
      : null;
    return isDisplay && figure !== null
      ? {
          takes: n + (many?.span || 1),
          puts: [
            { ...w, word: 'shows' },
            { ...added(`"${figure}"`, w), raw: `"${figure}"` },
          ],
        }
      : null;
  },
  // `there stands then "tESt"`
  ({ words, i, w }) =>
    /^(?:stands?|appears?|comes?)$/.test(w.word) &&
    words[i + 1]?.word === 'then' &&
    /^["“]/.test(words[i + 2]?.raw ?? '')
      ? { takes: 2, puts: [w] }
      : null,
  // `till there's nothing left on the display`
  ({ words, i, w }) => {
    if (!/^(?:there|there's|theres|nothing)$/.test(w.word)) return null;
    const none =
      /^(?:there's |theres |there is )?nothing (?:left |more |to see |any more )?(?:on|in) (?:the|its) (?=display|screen|window)/.exec(
        said(words, i, 8),
      );
    const n = none ? wordsIn(none[0]) : 0;
    const display = words[i + n];
    return none && display ? { takes: n + 1, puts: [display, added('goes', w), added('blank', w)] } : null;
  },
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
    namedLast(out, called.signs)?.kind === 'beeper'
      ? { takes: 2, puts: [{ ...w, word: 'stops' }] }
      : null,
  // `the display indicates "SERVICE"`
  ({ w, called, out }) =>
    /^indicates?$/.test(w.word) && out.slice(-3).some((_, k, last) => mentionAt(last, k, called.signs) !== null)
      ? { takes: 1, puts: [{ ...w, word: 'shows' }] }
      : null,
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
  // `till you've heard two beeps`: until it beeps so often
  ({ words, i, w, called }) => {
    const heard =
      /^(?:until|till)$/.test(w.word) &&
      /^(?:until|till) (?:you|i|we)(?:'ve| have)? (?:heard|hear|counted|had|got) /.exec(`${said(words, i, 5)} `);
    const from = heard ? i + wordsIn(heard[0]) : i;
    const many = words[from];
    const sign = many?.value != null && heard ? mentionAt(words, from + many.span, called.signs) : null;
    if (!many || !sign || sign.of.kind !== 'beeper') return null;
    return {
      takes: from + many.span + sign.length - i,
      puts: [
        w,
        ...labelled(sign.of.label, w),
        added('sounds', w),
        ...words.slice(from, from + many.span),
        added('times', words[from + many.span] ?? many),
      ],
    };
  },
];

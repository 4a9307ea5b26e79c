import type { ControlFacts } from '../../unit/facts.ts';
import { mentionAt, placeByVerb, supplyFor, switchAt } from './mentions.ts';
import { isStop } from './rewrite.ts';
import type { Scan } from './scan.ts';

const whoSwitches =
  /^(?:you|i|we|they|he|she|one|somebody|someone|else|who|colleague|friend|hand|and|then|now|again|please|just|finally|to|can|must|could|may|should|will|first|so|or|next|ok|okay|done|right)$/;
const noObject =
  /^(?:and|then|again|while|with|without|for|before|after|when|until|till|as|so|because|but|now|once|first|or|together|too|straight|immediately|somewhere|whilst)$/;

const isToldOf = ({ last, items }: Scan, own: ControlFacts): boolean =>
  last.includes(own) || items.some((x) => x.is === 'control' && x.own === own);

/** `hold Menu and switch on`: with nothing named that is switched, what gives the unit its current. */
function switchedBare(s: Scan): boolean {
  const { words, called, here, i, put } = s;
  const said = /^(?:(?:switch|switches|power|powers)|(?:switching|powering))( back)? (on|off)(?= |$)/.exec(here);
  const before = words[i - 1];
  // `while switching on`
  const isMeanwhile = /ing$/.test(words[i]?.word ?? '');
  const isLed = isMeanwhile
    ? /^(?:while|whilst|when)$/.test(before?.word ?? '')
    : !before || isStop(before.raw) || whoSwitches.test(before.word);
  if (!said || !isLed) return false;
  const n = said[1] ? 3 : 2;
  const next = words[i + n];
  if (next && !isStop(next.raw) && !noObject.test(next.word)) return false;
  const own = supplyFor(called, said[2] ?? 'on');
  const place = own && placeByVerb(own, said[2] ?? 'on');
  // what is called a switch is meant by its name, where that was told of
  const named = mentionAt(words, i, called.controls);
  const isMeant = named !== null && (!named.weak || named.of.powersAt.size > 0 || isToldOf(s, named.of));
  if (!own || !place || isMeant) return false;
  put(i, n, { is: 'control', own, place });
  s.i = i + n;
  return true;
}

/** What gives a unit its current or takes it away, said in several words. */
export function supplyWords(s: Scan): boolean {
  const { words, called, here, i, put } = s;
  // `cycle the isolator`
  if (/^(?:cycle|cycles|recycle) the\b/.test(here)) {
    const named = mentionAt(words, i + 2, called.controls);
    const [off, on] = named ? [placeByVerb(named.of, 'off'), placeByVerb(named.of, 'on')] : [];
    if (named && off && on) {
      put(i, 2 + named.length, { is: 'control', own: named.of, place: off });
      put(i, 2 + named.length, { is: 'control', own: named.of, place: on });
      s.i += 2 + named.length;
      return true;
    }
  }
  // `off and on at the rocker`
  const offOn = /^(off|on)(?: and|,) (off|on)(?: again)? (?:at|with|on|by)(?: the)? /.exec(here);
  if (offOn) {
    const k = offOn[0].trim().split(' ').length;
    const plain = switchAt(words, i + k, called);
    const named = plain ? { of: plain, length: 1 } : mentionAt(words, i + k, called.controls);
    const first = named && placeByVerb(named.of, offOn[1] ?? '');
    const then = named && placeByVerb(named.of, offOn[2] ?? '');
    if (named && first && then && named.of.mechanism.kind === 'places') {
      put(i, k, { is: 'control', own: named.of, place: first });
      put(i, k + named.length, { is: 'control', own: named.of, place: then });
      s.i += k + named.length;
      return true;
    }
  }
  if (switchedBare(s)) return true;
  // `power it up`, `powered down`
  const upDown = /^power(?:s|ed|ing)?(?: it| him| her| the unit| the machine)? (up|down|on|off)\b/.exec(here);
  if (upDown && called.facts.supply[0]) {
    const own = supplyFor(called, 'on') ?? called.facts.supply[0];
    const way = placeByVerb(own, /up|on/.test(upDown[1] ?? '') ? 'on' : 'off');
    const n = upDown[0].split(' ').length;
    if (way) {
      put(i, n, { is: 'control', own, place: way });
      s.i += n;
      return true;
    }
  }
  // `cycle the power`
  const cycled =
    /^(?:(?:cycle|recycle|cycles) the (?:power|mains|supply)|power[- ]cycle(?:s|d)?(?: it| the \w+)?)\b/.exec(here);
  if (cycled) {
    const own = supplyFor(called, 'on');
    const [off, on] = own ? [placeByVerb(own, 'off'), placeByVerb(own, 'on')] : [];
    const n = words.slice(i, i + 3).some((x) => x.word === 'power-cycle') ? 1 : cycled[0].split(' ').length;
    if (own && off && on) {
      put(i, n, { is: 'control', own, place: off });
      put(i, n, { is: 'control', own, place: on });
      s.i += n;
      return true;
    }
  }
  // `give current again`, `cut the power`
  const powered =
    /^(give|gives|gave|giving|cut|cuts|cutting|kill|kills|killed)(?: it| him| her| them)?(?: the)? (?:current|power|electricity|juice|mains|supply)\b/.exec(
      here,
    );
  const [supply] = called.facts.supply;
  const to = powered && supply ? placeByVerb(supply, powered[1]?.startsWith('g') ? 'on' : 'off') : null;
  if (powered && supply && to) {
    const n = powered[0].split(' ').length;
    put(i, n, { is: 'control', own: supply, place: to });
    s.i += n;
    return true;
  }
  return false;
}

import { actOf } from './lexicon.ts';
import { mentionAt, placeAt, placeByVerb } from './mentions.ts';
import { placeDone } from './place-by-kind.ts';
import { said, wordsIn } from './rewrite.ts';
import type { Scan } from './scan.ts';

/** Verbs that say by themselves what is done: bridge, confirm with, lock, pump, double-press. */
export function verbWords(s: Scan): boolean {
  const { words, called, w, here, i, take, put } = s;
  // `fingers on up and hold`: a key that is called like what is done with it
  const called1 = actOf.has(w.word) ? mentionAt(words, i, called.controls) : null;
  if (called1?.of.mechanism.kind === 'push' && called1.length === 1 && words[i - 1]?.word === 'and') {
    const behind = s.items.at(-1);
    const isBehindKey =
      behind?.is === 'control' &&
      behind.own.mechanism.kind === 'push' &&
      behind.to === words[i - 2]?.to &&
      called1.of !== behind.own;
    const hasObject =
      /^(?:the|it|them|both|that|those|this|your|on|down)$/.test(words[i + 1]?.word ?? '') ||
      mentionAt(words, i + 1, called.controls) !== null;
    if (isBehindKey && !hasObject) {
      take(1, { is: 'control', own: called1.of, place: null });
      return true;
    }
  }
  // `crank out`, `crank in the hole`: what is called like a verb, and where it goes
  const goes = called1
    ? /^(?:back )?(?:(in|into) (?:the|its) (?:hole|socket|holder|slot)|(in|out|off|on|away))(?= |$)/.exec(
        said(words, i + called1.length, 4),
      )
    : null;
  const goesTo = called1 && goes ? placeAt(words, i + called1.length, called1.of) : null;
  if (called1?.of.mechanism.kind === 'places' && called1.of.powersAt.size === 0 && goes && goesTo) {
    take(called1.length + wordsIn(goes[0]), { is: 'control', own: called1.of, place: goesTo.place });
    return true;
  }
  // `confirm with Enter`
  const confirms =
    /^(?:confirm|confirms|confirmed|acknowledge|acknowledged|accept|accepted|validate)(?: it| this| that)? (?:with|by|using|by pressing)(?: the)? /.exec(
      here,
    );
  if (confirms) {
    const n = confirms[0].trim().split(' ').length;
    if (mentionAt(words, i + n, called.controls)?.of.mechanism.kind === 'push') {
      take(n, { is: 'act', act: 'press', word: 'press' });
      return true;
    }
  }
  // `pin the drum`, `unpin it`
  const pins = /^(pin|unpin)s? (?:(?:the|your|its|that) \w+|it\b|them\b)/.exec(here);
  const pin = pins ? [...called.facts.controls.values()].filter((c) => /\bpin\b/i.test(c.control.label)) : [];
  const pinned = pin.length === 1 && pin[0] ? placeByVerb(pin[0], pins?.[1] === 'pin' ? 'in' : 'out') : null;
  if (pins && pin[0] && pinned !== null && !/^(?:the|a|your|its)$/.test(words[i - 1]?.word ?? '')) {
    const isNamed = mentionAt(words, i, called.controls);
    if (!isNamed || isNamed.length === 1) {
      take(wordsIn(pins[0]), { is: 'control', own: pin[0], place: pinned });
      return true;
    }
  }
  // `you keep pressing Slow`
  const keepsOn = /^(?:keep|keeps|keeping) (?:on )?(?:pressing|pushing) (?:the |it\b)?/.exec(here);
  const keptAt = keepsOn ? i + keepsOn[0].trim().split(' ').length : -1;
  if (
    keepsOn &&
    mentionAt(words, keptAt, called.controls)?.of.mechanism.kind === 'push' &&
    !words.slice(keptAt).some((x) => /^(?:until|till|times|and)$/.test(x.word))
  ) {
    take(keptAt - i, { is: 'act', act: 'hold', word: 'keep' });
    return true;
  }
  // `bring the breaker back`
  const brings = /^(?:bring|brings|get|gets|put|puts) (?:the |your |that )?/.exec(here);
  const brought = brings ? mentionAt(words, i + brings[0].trim().split(' ').length, called.controls) : null;
  const backAt = brought && brings ? i + brings[0].trim().split(' ').length + brought.length : -1;
  if (
    brings &&
    brought &&
    brought.of.powersAt.size > 0 &&
    words[backAt]?.word === 'back' &&
    (words[backAt + 1] === undefined || /^(?:up|on|,|and)$/.test(words[backAt + 1]?.word ?? ''))
  ) {
    const place = placeByVerb(brought.of, 'on') ?? placeByVerb(brought.of, 'in');
    if (place !== null) {
      put(i, backAt + 1 - i, { is: 'control', own: brought.of, place });
      s.i = backAt + (/^(?:up|on)$/.test(words[backAt + 1]?.word ?? '') ? 2 : 1);
      return true;
    }
  }
  // `to scroll, use Slow`
  const uses = /^(?:use|uses|using) (?:the )?/.exec(here);
  if (uses && mentionAt(words, i + uses[0].trim().split(' ').length, called.controls)?.of.mechanism.kind === 'push') {
    take(1, { is: 'act', act: 'press', word: 'press' });
    return true;
  }
  // `bridge JP2`
  const isNoun = /^(?:the|a|this|that|open|opens|close|closes|remove|fit|take|put|insert|pull|and|of)$/.test(
    words[i - 1]?.word ?? '',
  );
  if (
    /^(?:bridge|bridges|short|shorts|link|links)(?: out)?\b/.test(here) &&
    !(isNoun && /^(?:link|bridge)\b/.test(here))
  ) {
    const k = i + (words[i + 1]?.word === 'out' ? 2 : 1);
    const at = words[k]?.word === 'the' ? k + 1 : k;
    const named = mentionAt(words, at, called.controls);
    // `link 4 open`: how what is called so stands
    const stands = /^(?:on|off|in|out|open|closed?|parked|back|to)$/.test(words[at + (named?.length ?? 0)]?.word ?? '');
    if (named?.of.control.look === 'jumper' && !stands) {
      take(k - i, { is: 'act', act: 'in', word: w.word });
      return true;
    }
  }
  // `with J1 bridged`
  const bridged = mentionAt(words, i, called.controls);
  if (
    bridged?.of.control.look === 'jumper' &&
    /^(?:bridged|linked|shorted|jumpered|unbridged|pulled)$/.test(words[i + bridged.length]?.word ?? '')
  ) {
    const isOpen = /^(?:unbridged|pulled)$/.test(words[i + bridged.length]?.word ?? '');
    const place = placeByVerb(bridged.of, isOpen ? 'out' : 'in');
    if (place !== null) {
      put(i, bridged.length + 1, { is: 'control', own: bridged.of, place });
      s.i += bridged.length + 1;
      return true;
    }
  }
  // `lock the clutch`, `fold the step`: a place by the verb that brings it there
  const [article, named2] = [words[i + 1]?.word ?? '', words[i + 2]];
  const target =
    /^(?:the|your|my)$/.test(article) && named2 && w.word.length > 2 ? mentionAt(words, i + 2, called.controls) : null;
  if (target && target.of.mechanism.kind === 'places') {
    const same = target.of.mechanism.places.find((p) => p.id === w.word && !/^(?:open|shut)$/.test(p.id));
    const place = placeDone(target.of, w.word) ?? same?.id ?? null;
    if (place !== null && !/^(?:off|out|out of)$/.test(words[i - 1]?.word ?? '')) {
      put(i, 2 + target.length, { is: 'control', own: target.of, place });
      s.i += 2 + target.length;
      return true;
    }
  }
  // `pump the pedal`, `stamp on it`
  const foot =
    /^(?:pump|pumps|pumped|kick|kicks|stomp|stamp|stamps|jab|jabs|nudge|nudges)(?: on)? (?:the|it|your|that)\b/.exec(
      here,
    );
  // of a control only: what else is kicked is not understood
  const footAt = foot ? i + foot[0].split(' ').length : i;
  const isFoot = foot && (/ (?:it|that)$/.test(foot[0]) || mentionAt(words, footAt, called.controls) !== null);
  if (isFoot && !/^(?:the|a|your|drain|water|heat|oil|fuel)$/.test(words[i - 1]?.word ?? '')) {
    take(1, { is: 'act', act: 'press', word: 'press' });
    return true;
  }
  // `double press`, `double-tap`
  const doubled = /^(double|triple)[- ](?=press|push|tap|click)/.exec(here);
  if (doubled || /^(?:double|triple)-(?:press|push|tap|click)/.test(w.word)) {
    const n = w.word.startsWith('d') ? 2 : 3;
    put(i, 1, { is: 'act', act: 'press', word: 'press' });
    put(i, 1, { is: 'times', n });
    s.i += doubled && !w.word.includes('-') ? 2 : 1;
    return true;
  }
  return false;
}

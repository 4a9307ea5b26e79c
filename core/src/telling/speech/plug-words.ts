import type { ControlFacts } from '../../unit/facts.ts';
import { mentionAt, placeByVerb } from './mentions.ts';
import type { Scan } from './scan.ts';

/** The plug that is called by what hangs on it: the battery's, the load's. */
function plugOf(s: Scan, noun: string): ControlFacts | null {
  const plugs = [...s.called.facts.controls.values()].filter(
    ({ control }) => control.look === 'plug' && control.label.toLowerCase().split(/\W+/).includes(noun),
  );
  return plugs.length === 1 ? (plugs[0] ?? null) : null;
}

/** `unplug the battery`, `battery back in`, where a lamp may be called the same; `I'm on Fan and Brush`, `I'm off`. */
export function plugWords(s: Scan): boolean {
  const { words, called, here, i, put, take } = s;
  const verb =
    /^(unplug|unplugs|unplugged|disconnect|disconnects|disconnected|pull|pulls|pulled|plug in|plugs in|plugged in|connect|connects|connected|reconnect|reconnects|reconnected|replug)(?: back)?(?: in)? (?:the |its |your |my |that )?(\w+)/.exec(
      here,
    );
  const noun = verb?.[2];
  const unplugged = noun === undefined ? null : plugOf(s, noun);
  const isLamp =
    verb !== null && /^(?:lamp|light|led|indicator)$/.test(words[i + verb[0].split(' ').length]?.word ?? '');
  if (verb && unplugged && !isLamp) {
    const isOut = /^(?:un|dis|pull)/.test(verb[1] ?? '');
    const place = placeByVerb(unplugged, isOut ? 'out' : 'in');
    const n = verb[0].split(' ').length;
    if (place !== null) {
      put(i, n, { is: 'control', own: unplugged, place });
      s.i += n;
      return true;
    }
  }
  const back =
    /^(\w+) (?:back in|back on|goes back(?: in| on)?|reconnected|disconnected|unplugged|plugged (?:back )?in)(?= |$)/.exec(
      here,
    ) ?? (i <= 1 ? /^(\w+) (?:out|in)(?= (?:for|and)\b|$)/.exec(here) : null);
  const own = back?.[1] !== undefined ? plugOf(s, back[1]) : null;
  if (back && own) {
    const place = placeByVerb(own, /\b(?:dis|un)(?:connected|plugged)| out$/.test(back[0]) ? 'out' : 'in');
    const n = back[0].split(' ').length;
    if (place !== null) {
      put(i, n, { is: 'control', own, place });
      s.i += n;
      return true;
    }
  }
  const puts = /^(?:put|puts|putting) (?:the |your |my )?(\w+) back(?: in| on)?(?= |$)/.exec(here);
  const home = puts?.[1] !== undefined ? plugOf(s, puts[1]) : null;
  const backIn = home ? placeByVerb(home, 'in') : null;
  if (puts && home && backIn !== null) {
    take(puts[0].split(' ').length, { is: 'control', own: home, place: backIn });
    return true;
  }
  const on =
    /^(?:i'm|i am|you're|you are|he's|she's|we're|stay|stays|sit|sits|someone|somebody|(?:a|the|your|my|one) (?:\w+ )?(?:man|person|mate|colleague)) on (?:the |both )?/.exec(
      here,
    );
  const key = on ? mentionAt(words, i + on[0].trim().split(' ').length, called.controls) : null;
  if (on && key?.of.mechanism.kind === 'push') {
    take(on[0].trim().split(' ').length, { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  // `I've got Timer under my left thumb`
  const got = /^(?:i've got|i have|i've|you've got|you have|he's got|she's got|got) (?:the )?/.exec(here);
  const under = got ? mentionAt(words, i + got[0].trim().split(' ').length, called.controls) : null;
  const behind = under && got ? i + got[0].trim().split(' ').length + under.length : -1;
  if (
    got &&
    under?.of.mechanism.kind === 'push' &&
    /^under (?:my|your|the|his|her|one) (?:\w+ )?(?:thumb|finger|hand|palm|foot)/.test(
      words
        .slice(behind, behind + 5)
        .map((x) => x.word)
        .join(' '),
    )
  ) {
    take(got[0].trim().split(' ').length, { is: 'act', act: 'hold', word: 'hold' });
    return true;
  }
  // `now she can have her hands back`
  const backAgain =
    /^(?:have|has|get|gets|take|takes) (?:his|her|your|my|their|the) (?:hands?|fingers?|thumbs?|foot|feet) (?:back|away)(?= |$)/.exec(
      here,
    );
  if (backAgain) {
    take(backAgain[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  // `on the fourth line I let Print`; `take Home away`
  const lets = /^(?:let|lets) (?:the )?/.exec(here);
  const letKey = lets ? mentionAt(words, i + lets[0].trim().split(' ').length, called.controls) : null;
  const letEnd = lets && letKey ? i + lets[0].trim().split(' ').length + letKey.length : -1;
  if (
    letKey?.of.mechanism.kind === 'push' &&
    !/\blets? go\b/.test(here) &&
    /^(?:,|and|)$/.test(words[letEnd]?.word ?? '')
  ) {
    take(1, { is: 'let-go' });
    return true;
  }
  const takes = /^(?:take|takes) (?:the )?/.exec(here);
  const takenKey = takes ? mentionAt(words, i + takes[0].trim().split(' ').length, called.controls) : null;
  const takenEnd = takes && takenKey ? i + takes[0].trim().split(' ').length + takenKey.length : -1;
  if (takenKey?.of.mechanism.kind === 'push' && /^(?:away|off)$/.test(words[takenEnd]?.word ?? '')) {
    put(i, 1, { is: 'let-go' });
    put(takenEnd - takenKey.length, takenKey.length, { is: 'control', own: takenKey.of, place: null });
    s.i = takenEnd + 1;
    return true;
  }
  // `when the horn stops you stop as well`
  const stopsToo = /^(?:you|i|he|she|we) (?:stop|stops) (?:as well|too)(?= |$)/.exec(here);
  if (stopsToo) {
    take(stopsToo[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  const off =
    /^(?:i'm|i am|you're|he's|she's|we're|come|comes|get|gets) off(?: (?:it|them|both|the (?:keys|buttons)))?$/.exec(
      here,
    );
  if (off && /^(?:|you|then|and|now|can|to|i|,|we|he|she)$/.test(words[i - 1]?.word ?? '')) {
    take(off[0].split(' ').length, { is: 'let-go' });
    return true;
  }
  return false;
}

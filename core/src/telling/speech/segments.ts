import { ordinalOf } from '../../spoken/numbers.ts';
import type { ReadIn } from './captions.ts';
import { clickWords, corrections, sumsUp } from './lexicon.ts';
import type { Word } from './text.ts';

/** A stretch of a telling between two breaks. */
export type Segment = Readonly<{
  words: readonly Word[];
  /** Which sentence it is in; within one, what is told belongs together. */
  sentence: number;
  /** How it is joined to the one before. */
  joined: 'and' | 'then' | 'comma' | 'start';
  isQuestion: boolean;
  /** Whether it stands in something told without stops. */
  flows: boolean;
}>;

/** What a stretch says, in small letters. */
export const saidOf = ({ words }: Pick<Segment, 'words'>): string => words.map((w) => w.word).join(' ');

const hard = new Set(['.', '!', '?', '\n', ';', '…']);

const hedges =
  /^, (?:i want to say|i think|i guess|i'd say|i would say|let's say|shall we say|say|what|you know|i mean it|uh|um|er|erm|ah|hm|hmm|if i remember|if i remember right|i believe|more or less|please) ,/;

/** `within, I want to say, six seconds`: what says nothing between two commas goes, and the commas with it. */
function withoutHedges(words: readonly Word[]): Word[] {
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const w = words[i];
    if (!w) break;
    const m =
      w.raw === ','
        ? hedges.exec(
            words
              .slice(i, i + 8)
              .map((x) => x.word)
              .join(' '),
          )
        : null;
    // what stood between stays apart, but for an amount whose head came before
    const goesOn = /^(?:within|about|for|in|only|just|maybe|like|the|a)$/.test(words[i - 1]?.word ?? '');
    if (m) i += m[0].split(' ').length - (goesOn ? 1 : 2);
    else out.push(w);
  }
  return out;
}

/** `a couple of seconds, let's say five`: five seconds. */
function saidExactly(words: readonly Word[]): Word[] {
  const out = [...words];
  for (let i = 0; i < out.length; i += 1) {
    const vague = /^(?:a )?(?:couple of|few|some) (seconds|minutes) , (?:let(?:'s)? say|i'd say|say) /.exec(
      out
        .slice(i, i + 8)
        .map((w) => w.word)
        .join(' '),
    );
    const n = vague ? vague[0].trim().split(' ').length : 0;
    const [much, unit] = [out[i + n], out.slice(i, i + 4).find((w) => w.word === vague?.[1])];
    if (vague && unit && much && much.value !== null)
      out.splice(i, n + much.span, much, ...out.slice(i + n + 1, i + n + much.span), unit);
  }
  return out;
}

/** What was taken back in the same breath gives way to what took its place: `three, no sorry, two clicks` is two clicks. */
export function corrected(
  all: readonly Word[],
  isKey: (words: readonly Word[], at: number) => boolean = () => false,
): Word[] {
  const words = withoutHedges(saidExactly(all));
  const out: Word[] = [];
  for (let i = 0; i < words.length; i += 1) {
    const bare = (k: number): number => {
      let j = k;
      while (words[j]?.raw === ',') j += 1;
      return j;
    };
    let marked = 0;
    // `Yes, No, No, Yes`: keys, not somebody who corrects himself
    for (const marker of isKey(words, bare(i)) ? [] : corrections) {
      let k = i;
      const is = marker.every((m) => {
        if (m !== ',') k = bare(k);
        const fits = words[k]?.word === m;
        k += 1;
        return fits;
      });
      if (is && marker.length > 0) marked = Math.max(marked, k - i);
    }
    const next = bare(i + marked);
    if (marked > 0 && out.length > 0 && i > 0) {
      // what comes instead is a number, or is named as what stood before
      const instead = words
        .slice(next, next + 4)
        .findIndex((w) => w.value !== null || w.word === 'once' || w.word === 'twice');
      const isPlain = words[i]?.word !== 'rather' && words[i]?.word !== 'sorry';
      const at =
        instead >= 0
          ? out.findLastIndex(
              (w, k) => k >= out.length - 7 && (w.value !== null || w.word === 'once' || w.word === 'twice'),
            )
          : -1;
      if (at >= 0) {
        // a number takes its unit along
        out.splice(at);
        i = next + Math.max(0, instead) - 1;
        continue;
      }
      const ways = /^(?:left|right|clockwise|anticlockwise|counterclockwise)$/;
      const turned = words.slice(next, next + 3).findIndex((w) => ways.test(w.word));
      const was = turned >= 0 ? out.findLastIndex((w, k) => k >= out.length - 4 && ways.test(w.word)) : -1;
      const other = words[next + turned];
      if (was >= 0 && other && instead < 0) {
        out[was] = other;
        i = next + turned;
        continue;
      }
      if (isPlain || words[i]?.word === 'sorry') {
        i = next - 1;
        continue;
      }
    }
    const w = words[i];
    if (w) out.push(w);
  }
  return out;
}

const joins = new Set(['then', 'now', 'next', 'afterwards']);

/** Whether something is told without stops, as captions are. */
export const isFlow = (words: readonly Word[]): boolean =>
  words.length > 18 && words.filter((w) => hard.has(w.raw)).length * 60 < words.length;

/** For each word, whether it stands in something told without stops: all of it, or one long sentence with hardly a comma. */
function runsOf(words: readonly Word[]): boolean[] {
  const whole = isFlow(words);
  const out: boolean[] = [];
  let begun = 0;
  const close = (to: number): void => {
    const own = words.slice(begun, to);
    const commas = own.filter((w) => w.raw === ',').length;
    const runs = whole || (own.length > 34 && commas * 20 < own.length);
    for (let i = begun; i <= to && i < words.length; i += 1) out[i] = runs;
    begun = to + 1;
  };
  words.forEach((w, i) => {
    if (hard.has(w.raw)) close(i);
  });
  close(words.length);
  return out;
}

/** Whether a comma stands within what is read from a display, sign by sign: `says, capital F, capital L, one`. */
function spelt(words: readonly Word[], at: number, own: readonly Word[]): boolean {
  const [before, after] = [words[at - 1], words[at + 1]];
  if (!before || !after) return false;
  if (/^(?:say|says|read|reads|show|shows|capital)$/.test(before.word)) return true;
  const isSign = /^(?:[A-Z]|\d)$/.test(before.raw);
  if (isSign && (after.word === 'capital' || /^[A-Z]$/.test(after.raw))) return true;
  return (after.value ?? 99) < 10 && own.some((w) => w.word === 'capital');
}

const startsPurpose = (words: readonly Word[], at: number): boolean =>
  words[at]?.word === 'so' &&
  (/^(?:that|nobody|nothing|no)$/.test(words[at + 1]?.word ?? '') ||
    [2, 3].some((k) => /^(?:does|will|can|do) not$/.test(`${words[at + k]?.word} ${words[at + k + 1]?.word}`)) ||
    [2, 3].some((k) => /^(?:can't|cant|cannot|won't|wont|doesn't|doesnt)$/.test(words[at + k]?.word ?? '')));

/** What is asked of the unit while words are cut: what begins at a place, and what stands there. */
export type Cuts = Readonly<{
  startsAct: (at: number) => boolean;
  lacksState: (own: readonly Word[], ahead: readonly Word[]) => boolean;
  startsPlace: (at: number) => boolean;
  startsOn: (at: number) => boolean;
  /** A key by its name, where the word may be another. */
  isName: (at: number) => boolean;
  isLarge: (at: number) => boolean;
  /** Whether the word is the name of a key. */
  isKey: (at: number) => boolean;
  /** Whether a display is told there to say something. */
  saysAt: (at: number) => boolean;
}>;

/** Cuts words into sentences and these into stretches, at stops, commas and what joins one act to the next. */
export function segmentsOf(
  words: readonly Word[],
  { startsAct, lacksState, startsPlace, startsOn, isName, isLarge, isKey, saysAt }: Cuts,
): Segment[] {
  const segments: Segment[] = [];
  let sentence = 0;
  // captions without stops are cut where somebody goes on
  const runs = runsOf(words);
  let flows = runs[0] ?? false;
  let own: Word[] = [];
  let joined: Segment['joined'] = 'start';
  const end = (next: Segment['joined'], isQuestion = false): void => {
    if (own.length > 0) segments.push({ words: own, sentence, joined, isQuestion, flows });
    own = [];
    joined = next;
  };
  const endsOrGoesOn = (at: number): boolean =>
    /^(?:and|then|until|till|for|together|down|in|both|,|\.)$/.test(words[at]?.word ?? '.');
  words.forEach((w, i) => {
    flows = runs[i] ?? false;
    if (hard.has(w.raw)) {
      end('start', w.raw === '?');
      // a stop and the end of a line are one end
      if (segments.at(-1)?.sentence === sentence) sentence += 1;
    } else if (w.raw === ',' && spelt(words, i, own)) own.push(w);
    // `wait till L1, L2 and L3 are out`: what they do is said of all
    else if (
      w.raw === ',' &&
      own.some((x) => /^(?:until|till)$/.test(x.word)) &&
      words[i + 2] !== undefined &&
      /^(?:,|and|or)$/.test(words[i + 2]?.raw ?? '') &&
      lacksState(own, words.slice(i + 1, i + 6))
    )
      own.push(w);
    // `Hood: OPEN.`
    else if (
      // `valve -> open`
      (w.raw === ':' || (w.raw === ',' && w.to - w.from === 2)) &&
      own.length > 0 &&
      own.length <= 3 &&
      words[i + 1] !== undefined &&
      (words[i + 2] === undefined || hard.has(words[i + 2]?.raw ?? '') || words[i + 2]?.raw === '(') &&
      (/^(?:on|off|in|out|open|shut|closed|up|down)$/.test(words[i + 1]?.word ?? '') ||
        (/^["“]/.test(words[i + 1]?.raw ?? '') && /^(?:display|screen|line|readout)$/.test(words[i - 1]?.word ?? '')))
    )
      return;
    else if ([',', ':', '(', ')', '–', '—'].includes(w.raw)) end('comma');
    else if (
      // `on the second bip`, `so that's up twice`
      flows &&
      own.length >= 3 &&
      ((/^(?:on|at|with|after)$/.test(w.word) &&
        words[i + 1]?.word === 'the' &&
        ordinalOf(words[i + 2]?.word ?? '') !== null) ||
        (w.word === 'so' && /^(?:that|thats|that's)$/.test(words[i + 1]?.word ?? '')))
    ) {
      end('then');
      own.push(w);
    } else if (
      // `key on again or it doesn't store it`: what would be else
      own.length >= 2 &&
      w.word === 'or' &&
      /^(?:it|you|they|she|he|that)$/.test(words[i + 1]?.word ?? '') &&
      /^(?:doesn't|doesnt|won't|wont|can't|cant|don't|dont|will|has|have|does|starts?|goes|is|are)$/.test(
        words[i + 2]?.word ?? '',
      )
    ) {
      end('comma');
      own.push(w);
    } else if (
      // `or the cabinet heats without limit`: what would be else
      own.length >= 4 &&
      w.word === 'or' &&
      /^(?:the|your)$/.test(words[i + 1]?.word ?? '') &&
      words[i + 2] !== undefined &&
      /^(?:\p{L}{3,}s|will|won't|can't|doesn't|has|is|gets)$/u.test(words[i + 3]?.word ?? '') &&
      !startsAct(i + 1)
    ) {
      end('comma');
      own.push(w);
    } else if (
      // `the lever stays where it is you don't touch that`
      own.length >= 4 &&
      /^(?:you|we|i)$/.test(w.word) &&
      /^(?:don't|dont|never)$/.test(words[i + 1]?.word ?? '') &&
      /^(?:touch|press|move|turn|pull|need)$/.test(words[i + 2]?.word ?? '') &&
      /^(?:that|it|them|those|this)$/.test(words[i + 3]?.word ?? '') &&
      !/^(?:and|if|when|that|while|once|until|till|as|to|what|where|how|because|or|before|after|so|which)$/.test(
        words[i - 1]?.word ?? '',
      )
    ) {
      end('comma');
      own.push(w);
    } else if (
      // `somebody asked how you read it out so I'm down in the pit and …`: what is told begins there
      flows &&
      w.word === 'so' &&
      own.some((x) => /^(?:asked|ask|asks|asking|wanted|wondered|wants)$/.test(x.word)) &&
      /^(?:i|i'm|we|we're|here|here's|what|the|you|first)$/.test(words[i + 1]?.word ?? '')
    ) {
      end('then');
      sentence += 1;
      own.push(w);
    } else if (
      // `leave it up the brake lever you lock that`: what comes is something else
      flows &&
      /^(?:the|then|and)$/.test(w.word) &&
      /^(?:up|down|on|off|in|out|open|shut|there|be|alone)$/.test(own.at(-1)?.word ?? '') &&
      /^(?:it|that|them|those)$/.test(own.at(-2)?.word ?? '') &&
      /^(?:leave|leaves|leaving)$/.test(own.at(-3)?.word ?? '')
    ) {
      end('then');
      own.push(w);
    } else if (
      // `inside of five seconds the left display says`: what it says then
      flows &&
      own.length >= 3 &&
      w.word === 'the' &&
      saysAt(i + 1) &&
      !/^(?:until|till|when|once|if|and|what|on|in)$/.test(own.at(-1)?.word ?? '')
    ) {
      end('then');
      own.push(w);
    } else if (
      // `the cover lifts off and inside there's a switch`: something else
      w.word === 'and' &&
      own.length >= 2 &&
      /^(?:inside|behind|underneath|below|beside)$/.test(words[i + 1]?.word ?? '') &&
      words.slice(i + 2, i + 5).some((x) => /^(?:there|there's|is|are|sits|you|you'll|you've)$/.test(x.word))
    ) {
      end('and');
    } else if (
      // `ten seconds which is plenty it's OK tilt width`: the keys begin there
      flows &&
      own.length >= 3 &&
      w.word === 'it' &&
      /s$/.test(w.raw) &&
      isKey(i + 1) &&
      isKey(i + 2)
    ) {
      end('then');
      own.push(w);
    } else if (
      // `you don't touch that so fn and down you hold`: what is done is said behind what is not
      flows &&
      w.word === 'so' &&
      own.some((x) => /^(?:don't|dont|never|not|doesn't|doesnt)$/.test(x.word)) &&
      !startsPurpose(words, i) &&
      (isKey(i + 1) || startsAct(i + 1))
    ) {
      end('then');
      sentence += 1;
      own.push(w);
    } else if (
      // `spin spin heat it says E04`: what it does then
      flows &&
      own.length >= 2 &&
      isKey(i - 1) &&
      /^(?:it|he|she|display|screen)$/.test(w.word) &&
      /^(?:says|said|reads|shows|showed|beeps|bleeps|buzzes|goes|flashes|blinks|counts|comes)$/.test(
        words[i + 1]?.word ?? '',
      )
    ) {
      end('then');
      own.push(w);
    } else if (
      // `both thumbs off clean clean clean`
      flows &&
      own.at(-1)?.word === 'off' &&
      /^(?:thumbs?|fingers?|hands?|foot|feet)$/.test(own.at(-2)?.word ?? '') &&
      !/^(?:the|it|them|both|again|now)$/.test(w.word)
    ) {
      end('then');
      own.push(w);
    } else if (
      // `let go and quickly Stop, Stop, Go`
      flows &&
      /^(?:and|then)$/.test(w.word) &&
      own.at(-1)?.word === 'go' &&
      own.at(-2)?.word === 'let'
    ) {
      end('then');
    } else if (
      // `do it again every click gives you the next one`, `I'm not joking right isolator's on the left`
      flows &&
      own.length >= 2 &&
      ((/^(?:every|each)$/.test(w.word) &&
        /^(?:click|press|tap|push|turn|notch|touch)$/.test(words[i + 1]?.word ?? '') &&
        !/^(?:and|of|with|after|for|at|on|so|then)$/.test(words[i - 1]?.word ?? '')) ||
        (w.word === 'right' &&
          startsPlace(i + 1) &&
          !/^(?:the|on|to|your|turn|turned|clicks?|hand|all|is|that's|far|and|my|this|that)$/.test(
            words[i - 1]?.word ?? '',
          )))
    ) {
      end('then');
      sentence += 1;
      own.push(w);
    } else if (
      // `to clear it`, `to get out`: what comes is for something else
      flows &&
      own.length >= 3 &&
      w.word === 'to' &&
      /^(?:clear|wipe|erase|delete|reset|leave|finish|exit|see|get)$/.test(words[i + 1]?.word ?? '') &&
      (words[i + 1]?.word !== 'get' || /^(?:out|rid|back)$/.test(words[i + 2]?.word ?? '')) &&
      !/^(?:want|wants|wanted|need|needs|have|has|got|going|how|way|you|i|like|used|try|able|start|starts|begin|begins|gonna|is|it|easy|hard)$/.test(
        words[i - 1]?.word ?? '',
      )
    ) {
      end('then');
      own.push(w);
    } else if (
      // `count to fifteen with my left hand I hold …`: told without stops, what that hand does begins there
      flows &&
      own.length >= 4 &&
      w.word === 'with' &&
      /^(?:my|your|one|the)$/.test(words[i + 1]?.word ?? '') &&
      /^(?:left|right|other|one|hand)$/.test(words[i + 2]?.word ?? '') &&
      (words[i + 2]?.word === 'hand' || /^(?:hand|finger|thumb)$/.test(words[i + 3]?.word ?? '')) &&
      startsAct(words[i + 2]?.word === 'hand' ? i + 3 : i + 5)
    ) {
      end('then');
      own.push(w);
    } else if (
      // `number two`, `step three`: the next of them
      flows &&
      own.length > 0 &&
      /^(?:number|step)$/.test(w.word) &&
      (words[i + 1]?.value ?? 99) <= 20 &&
      !/^(?:to|on|off|up|down)$/.test(words[i + 2]?.word ?? 'to') &&
      !/^(?:the|a|with|press|hold|push|switch|dip|want|key|button)$/.test(words[i - 1]?.word ?? '')
    ) {
      end('then');
      own.push(w);
    } else if (
      // `selector to hand hold mix`: what was put somewhere is told
      flows &&
      /^(?:hold|press|push|wait|keep)$/.test(w.word) &&
      [2, 3, 4].some((k) => own.length >= k && startsPlace(i - k)) &&
      !/^(?:and|to|then|not|never|the)$/.test(words[i - 1]?.word ?? '') &&
      (w.word === 'wait' ||
        (w.word === 'keep' && /^(?:holding|them|it|both)$/.test(words[i + 1]?.word ?? '')) ||
        startsOn(i))
    ) {
      end('then');
      own.push(w);
    } else if (
      flows &&
      own.length >= 4 &&
      (/^(?:hold|press|push|hit|tap|turn|wait|keep)$/.test(w.word) ||
        (w.word === 'listen' && words[i + 1]?.word === 'to')) &&
      !/^(?:you|i|we|and|to|then|just|will|can|must|should|have|now|gotta|gonna|wanna|please|dont|don't|not|never|if|when|the)$/.test(
        words[i - 1]?.word ?? '',
      ) &&
      (startsOn(i) ||
        own.some((x) =>
          /^(?:hold|press|pressing|push|pushing|hit|tap|turn|take|pull|put|plug|switch|open|close|shut|let)$/.test(
            x.word,
          ),
        ))
    ) {
      end('then');
      own.push(w);
    } else if (
      flows &&
      own.length >= 4 &&
      startsPlace(i) &&
      !/^(?:the|a|an|with|my|your|and|of|to|then|put|turn|switch|set|move|pull|push|take|flip|flick|go|leave|this|that|its)$/.test(
        words[i - 1]?.word ?? '',
      )
    ) {
      end('then');
      own.push(w);
    } else if (
      // `press code three clicks down`: the knob goes on from there
      flows &&
      own.length >= 2 &&
      w.value !== null &&
      clickWords.has(words[i + w.span]?.word ?? '') &&
      isKey(i - 1) &&
      own.some((x) => /^(?:press|push|hit|tap)$/.test(x.word)) &&
      /^(?:up|down|left|right|back|clockwise|anticlockwise)$/.test(words[i + w.span + 1]?.word ?? '')
    ) {
      end('then');
      own.push(w);
    } else if (
      // `press Test back one click press Test again`: the knob goes on from there
      flows &&
      own.length >= 2 &&
      w.word === 'back' &&
      words[i + 1]?.value != null &&
      clickWords.has(words[i + 1 + (words[i + 1]?.span ?? 1)]?.word ?? '') &&
      !/^(?:go|goes|turn|turned|it|knob|dial|selector|and|then|come|comes)$/.test(words[i - 1]?.word ?? '') &&
      own.some((x) => /^(?:press|push|hit|tap)$/.test(x.word))
    ) {
      end('then');
      own.push(w);
    } else if (
      own.length > 0 &&
      (/^(?:if|because|unless|cause|cos)$/.test(w.word) ||
        (w.word === 'otherwise' && words[i - 1]?.word !== 'because') ||
        (w.word === 'which' && /^(?:is|means|was|are)$/.test(words[i + 1]?.word ?? '')) ||
        startsPurpose(words, i))
    ) {
      end('comma');
      own.push(w);
    } else if (
      flows &&
      own.length >= 2 &&
      (w.word === 'not' ||
        (w.word === 'do' && words[i + 1]?.word === 'this') ||
        (w.word === 'first' && words[i + 1]?.word === 'of'))
    ) {
      end('then');
      own.push(w);
    } else if (
      flows &&
      own.length >= 3 &&
      (/^(?:don't|dont|never)$/.test(w.word) ||
        (/^(?:you|i|we|just|first|okay|ok|so)$/.test(w.word) &&
          !isName(i) &&
          // `fn and down you press and hold`: told behind what it is done to
          !(isKey(i - 1) && /^(?:press|hold|push|keep|let)$/.test(words[i + 1]?.word ?? '') && endsOrGoesOn(i + 2)) &&
          !/^(?:and|if|when|that|while|once|until|till|as|to|what|where|how|because|or|before|after|like)$/.test(
            words[i - 1]?.word ?? '',
          ) &&
          startsAct(i + 1)))
    ) {
      end('then');
      own.push(w);
    } else if (
      // pressed and held, pressed and not let go of
      w.word === 'and' &&
      /^(?:press|presses|pressed|push|pushes|pushed)$/.test(words[i - 1]?.word ?? '') &&
      /^(?:hold|holds|held|keep|kept|not|do|don't|dont|never|release|let)$/.test(words[i + 1]?.word ?? '')
    )
      own.push(w);
    else if (
      // in the middle of what is said: `you count now up to`, `shall then be moved`
      (w.word === 'then' && words[i + 1]?.word === 'got') ||
      (w.word === 'then' && /^(?:be|been|being|is|are|was|have|has)$/.test(words[i + 1]?.word ?? '')) ||
      (w.word === 'now' &&
        own.length > 0 &&
        /^(?:up|down|to|on|with|be|been|being|and|,|the one)$/.test(words[i + 1]?.word ?? '') &&
        // `you let go now down twice`
        !(flows && words[i - 2]?.word === 'let') &&
        /^(?:count|go|counts|goes|counting|is|are|to|step|turn)$/.test(words[i - 1]?.word ?? '')) ||
      (w.word === 'now' && /^(?:is|are)$/.test(words[i - 1]?.word ?? '') && own.length > 1) ||
      (w.word === 'now' && words[i - 1]?.word === 'which') ||
      (w.word === 'next' && /^(?:the|your|a|very|this|that)$/.test(words[i - 1]?.word ?? ''))
    )
      own.push(w);
    else if (joins.has(w.word) && !isLarge(i)) {
      end('then');
      if (flows) sentence += 1;
      if (w.word !== 'then') own.push(w);
    } else if (
      flows &&
      w.word === 'and' &&
      own.some((x) => /^(?:don't|dont|never|not)$/.test(x.word)) &&
      /^(?:you|i|we|it|then|now)$/.test(words[i + 1]?.word ?? '')
    )
      end('and');
    else if (
      // `opening and closing the door`, `open and shut it`
      w.word === 'and' &&
      /^open(?:s|ed|ing)?$/.test(words[i - 1]?.word ?? '') &&
      /^(?:shut|close)(?:s|d|ing|ting)?$|^closing$/.test(words[i + 1]?.word ?? '')
    )
      own.push(w);
    else if (
      // told without stops: `and as soon as it does that`
      flows &&
      w.word === 'and' &&
      own.length > 2 &&
      (/^(?:when|once)$/.test(words[i + 1]?.word ?? '') ||
        /^(?:as soon|the (?:moment|second|instant))$/.test(`${words[i + 1]?.word} ${words[i + 2]?.word}`))
    )
      end('and');
    else if (
      // `and while they are in, flick the switch`
      w.word === 'and' &&
      /^(?:while|whilst)$/.test(words[i + 1]?.word ?? '') &&
      own.length > 2
    )
      end('and');
    else if (
      // told without stops: somebody goes on with what he or it does
      flows &&
      w.word === 'and' &&
      own.length >= 4 &&
      /^(?:it|you|she|he|we|i|nothing|(?:i|you|we)'(?:d|ll|ve|re|m))$/.test(words[i + 1]?.word ?? '') &&
      !own.some((x) => /^(?:when|if|until|till|once|while|after)$/.test(x.word))
    )
      end('and');
    // `three clicks down and press Code again`
    else if (
      w.word === 'and' &&
      /^(?:press|push|hit|tap)$/.test(words[i + 1]?.word ?? '') &&
      own.some((x) => clickWords.has(x.word)) &&
      startsOn(i + 1)
    )
      end('and');
    // `a minute and a half`
    else if (w.word === 'and' && words[i + 1]?.word === 'a' && words[i + 2]?.word === 'half') own.push(w);
    else if (w.word === 'and' && !lacksState(own, words.slice(i + 1, i + 6)) && startsAct(i + 1)) end('and');
    else if (
      (w.word === 'so' || w.word === 'okay' || w.word === 'ok' || (w.word === 'right' && own.length === 0)) &&
      // a button may be called so
      !/^(?:with|press|hold|push|hit|tap|the|by|plus|then|use|on|of|keep|keeps|keeping|holding|pressing|release|and)$/.test(
        words[i - 1]?.word ?? '',
      ) &&
      own.length > 0 &&
      !isName(i) &&
      startsAct(i + 1)
    ) {
      end('then');
      if (flows) sentence += 1;
    } else if (w.word === 'but') end('comma');
    else own.push(w);
  });
  end('start');
  return segments;
}

/** Where the telling begins to be said once more; its end where it never does. */
export function summaryAt({ text }: ReadIn): number {
  const found = sumsUp.exec(text);
  return found && found.index > text.length * 0.3 ? found.index : text.length;
}

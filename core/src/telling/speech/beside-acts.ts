import type { Made, Reader } from './reader.ts';

/** How far before and behind a step the words stand that tell it is not done now, in letters. */
const [before, behind, close] = [90, 70, 40];

/** What begins a sentence about what is done elsewhere, by others or wrongly. */
const opens =
  /^\W*(?:(?:and|but|so|now|well|because) )*(?:(?:most|many|a lot of|lots of|plenty of|a few|half of the) (?:people|folks?|fitters|guys|lads|customers|users|colleagues)|(?:you|one|i)(?:'d| would| might| may) (?:think|expect|assume|guess|suppose)|(?:first |at first |once )?(?:i|we|he|she) (?:first |always |also |originally )?(?:thought|assumed|believed|figured|was told|guessed)\b(?! to)|some(?:body|one) had\b|(?:on|with|in) (?:the |some |an? )?(?:older|old|early|earlier|previous|first|newer|new|later) (?:ones?|models?|series|machines?|type|version)|the (?:older|old|early|earlier|newer|new) (?:ones?|models?|series|machines?)|by the way|it used to|they used to|that's not|thats not)\b/i;
/** What ends one. */
const ends =
  /\b(?:and (?:that's|thats|that is) (?:what|how|where|why) (?:\w+ ){0,3}(?:breaks?|ruins?|wrong|goes wrong|kills?|jams?)|and (?:then )?forg[eo]t\w*|which is (?:wrong|why it (?:breaks|fails))|is the one that (?:always )?(?:sticks?|breaks?|fails?|wears?|goes)|means (?:there's|there is|it has|it's got|you've got|that there's)(?! (?:nothing|no)\b)|not on this one|not any ?more(?! (?:on|lit|there|flash|blink)))\b|\b(?:no good|wrong|too slow|not (?:right|good|accepted|taken))\b.*\b(?:and|then) (?:(?:all|once|the whole thing) )?(?:again|more|over)\b/i;
/** `you'd expect it to light and it does`. */
const comesTrue = /\b(?:and|but) (?:they|it|he|she|you) (?:do|does|did)\b/i;
const takenBack = /^\W*(?:you |we |i )?(?:don't|dont|do not|mustn't|shouldn't|can't)\W*(?:\.|,|$|!)/i;

/**
 * What others do, what was once so, what one might think: the sentence it is told in says so, at its start, at its end or
 * right behind it. Of that nothing is done; it stays as a hole.
 */
export function dropBesideActs(r: Reader, text: string): void {
  const beside = new Set<Made>();
  for (const m of r.made) {
    const from = Math.max(0, m.from - before);
    const start = from + text.slice(from, m.from).search(/[^.!?\n]*$/);
    const end = text.slice(m.to, m.to + behind).search(/[.!?\n]/);
    const stop = end < 0 ? m.to + behind : m.to + end;
    const sentence = text.slice(start, stop);
    // a stretch told without stops has no start to go by
    const isWhole = start > from || from === 0;
    const isBeside =
      (isWhole && opens.test(sentence) && !comesTrue.test(text.slice(start, stop + behind))) ||
      // in what is told without stops only what comes right behind is of it
      ends.test(isWhole && end >= 0 ? sentence : text.slice(m.from, Math.min(stop, m.to + close))) ||
      takenBack.test(text.slice(stop + 1, stop + 30));
    if (isBeside) beside.add(m);
  }
  for (const m of beside) r.holes.push({ from: m.from, to: m.to, why: 'warned' });
  r.drop(beside);
}

import type { Step } from '../model/route.ts';
import type { LinkedPhrase, Phrase, TellingDraft } from './draft.ts';
import type { Names } from './names.ts';
import { beginTelling, phraseOf } from './pieces.ts';
import { readSentence } from './sentence.ts';
import { type Token, tokensOf } from './tokens.ts';

/** Reads a telling sentence by sentence: steps, each linked with its words, and what was not understood. */
export function readSentences(text: string, names: Names): TellingDraft {
  const telling = beginTelling(text, names);
  for (const sentence of sentencesOf(tokensOf(text))) readSentence(telling, sentence);
  const steps: Step[] = [];
  const phrases: LinkedPhrase[] = [];
  for (const piece of telling.pieces) {
    piece.steps.forEach((_, i) => {
      phrases.push({ ...phraseOf(telling, piece.from, piece.to), at: String(steps.length + i) });
    });
    steps.push(...piece.steps);
  }
  return {
    steps,
    phrases,
    notUnderstood: merge(telling.notUnderstood, text),
    doubts: telling.doubts,
    contradictions: [],
  };
}

function sentencesOf(tokens: readonly Token[]): Token[][] {
  const sentences: Token[][] = [[]];
  for (const token of tokens) {
    const ends = token.kind === 'stop' && ['.', '!', '?', '\n'].includes(token.word);
    const isIf = token.word === ';' && sentences.at(-1)?.[0]?.word === 'if';
    if (ends || (token.word === ';' && !isIf)) sentences.push([]);
    else sentences.at(-1)?.push(token);
  }
  return sentences.filter((s) => s.length > 0);
}

function merge(phrases: readonly Phrase[], text: string): Phrase[] {
  const out: Phrase[] = [];
  for (const p of [...phrases].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && /^[\s,]*$/.test(text.slice(last.to, p.from)))
      out[out.length - 1] = { from: last.from, to: p.to, text: text.slice(last.from, p.to) };
    else out.push(p);
  }
  return out;
}

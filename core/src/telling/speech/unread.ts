import { itemsOf } from './items.ts';
import { isOf, type Reader } from './reader.ts';
import type { Segment } from './segments.ts';

const notDone =
  /^(?:is|are|was|were|has|have|had|do|does|did|get|gets|got|know|think|see|thank|tell|ask|say|said|love|like|hate|remember|forget|watch|mind|check|call|enjoy|drink|bring|buy|find|read|count|note|write|look|give|make|makes|made|means|takes?|needs?|wants?|in|on|at|with|of|for|from|to|by|after|before|when|if|once|that|this|it|all|both|only|about|not|no|what|which|who|where|how|why|because|as|like|than|use|mine|under|behind|beside|over|off|out|up|down|or|but|let|go|hit|the|your)$/;
/** `kick the left wheel`: told like something to do, of which nothing is known. */
export function soundsDone(r: Reader, segment: Segment): boolean {
  const words = segment.words
    .map((w) => w.word)
    .filter(
      (w, i, all) =>
        !(
          /^(?:and|then|now|so|you|just)$/.test(w) &&
          all.slice(0, i).every((x) => /^(?:and|then|now|so|you|just)$/.test(x))
        ),
    );
  const [verb = '', article = ''] = words;
  return (
    !r.flows &&
    r.made.length > 0 &&
    !segment.isQuestion &&
    words.length > 2 &&
    words.length < 9 &&
    /^[a-z]{3,}$/.test(verb) &&
    !verb.endsWith('ing') &&
    !verb.endsWith('ed') &&
    !verb.endsWith('ly') &&
    !notDone.test(verb) &&
    /^(?:the|your)$/.test(article) &&
    itemsOf(segment.words, r.called, []).every(isOf('way', 'place', 'number', 'times'))
  );
}

/** Whether a stretch names a control and says something of it that is more than where or what it is. */
export function namesUnread(r: Reader, segment: Segment): boolean {
  if (r.flows || segment.isQuestion) return false;
  const items = itemsOf(segment.words, r.called, r.last);
  const control = items.find(isOf('control'));
  if (!control) return false;
  const before = segment.words.filter(
    (w) => w.to <= control.from && !/^(?:the|a|an|and|then|so|now|this|that|your)$/.test(w.word),
  );
  const behind = segment.words.find((w) => w.from >= control.to)?.word ?? '';
  return (
    before.length > 0 &&
    !/^(?:is|are|was|were|has|sits|lives)$/.test(behind) &&
    !/^(?:there|here|that|this|it|on|in|at|with|for|of|next)$/.test(before[0]?.word ?? '')
  );
}

import { joinedByDash } from '../spoken/numbers.ts';

const durations =
  /\b(?:for |after |about |like |another |roughly )*(?:a |an |one |two |three |four |five |six |ten |few |\d+(?:[.,]\d+)? ?|couple of |half a |several |some )+(?:seconds?|secs?|minutes?|mins?)\b(?: or so| later)?/gi;

/** What was said, in plain words: corrections marked as `§correct`, phrases that mean one thing made one word. */
export function plainly(said: string): string {
  return (
    said
      .slice(0, 400)
      .replace(/[’`]/g, "'")
      .replace(/(\w)'s\b/g, '$1 is')
      .replace(joinedByDash, '$1 ')
      // right, so … is a beginning and no place
      .replace(/(^|[.!?] ?)(?:all ?)?right,? (?=(?:so|then|well|ok|okay|now|i|we|it|there|um|uh)\b)/gi, '$1')
      .replace(/\b(all|everything|every \w+|each) bar\b/gi, '$1 except')
      .replace(
        /\b(?:\w+ of (?:the |them )?(?:\w+ )?are (?:on|lit),? ?(?:and |but )?)?(?:it is )?(?:the )?(\w+)(?: one| light| lamp)? (?:that is|is the one) missing\b/gi,
        ' all except $1 ',
      )
      .replace(/\bonly one (?:is |of them )?(?:lit|on)\b(?: and\b)?/gi, ' ')
      .replace(/\b(?:bar|save for|excluding|not counting) (?=the|that|number|one|for)\b/gi, ' except ')
      .replace(
        /\b(?:before|until|till) (?:the )?(\w+(?: (?:light|lamp|led))?) (?:comes?|goes|turns|lights|is) (?:on|up|lit)\b/gi,
        ' without $1 ',
      )
      .replace(/\b(?:but )?all the (?:others|rest)\b/gi, ' rest on ')
      .replace(/\b(?:um+|uh+|er+|erm)\b,?/gi, ' ')
      .replace(
        /\b(?:no,? (?:wait|sorry|hang on|make that)|hang on|hold on|sorry,?(?: no)?|wait,? no|i mean|scratch that|correction|rather)\b,?/gi,
        ' §correct ',
      )
      .replace(/([.,;] ?)no, /gi, '$1§correct ')
      .replace(durations, ' ')
      .replace(/\b(?:a )?couple of (?=\w)/gi, 'two ')
      .replace(
        /\bi (?:checked|counted|watched|looked|tried|did)\b[^,.;]{0,20}?\b(?:once|twice|\w+ times|again)\b/gi,
        ' ',
      )
      .replace(/\b(?:long|longer|short|shorter|bigger|little) (?=(?:pause|gap|break|wait)\b)/gi, '')
      .replace(/\b(\w+),? (?:and |then )*(\w+) (?:below|underneath|under) (?:it|that)\b/gi, 'top $1, bottom $2')
      .replace(/\b(?:underneath|below)\b(?! (?:it|that|the))/gi, ' bottom ')
      .replace(/\b(\w+),? (?:and |then )*(\w+) above (?:it|that)\b/gi, 'bottom $1, top $2')
      .replace(/\bnone (?:of (?:them|the \w+) )?(?:is|are) (?:off|out|dark)\b/gi, ' all on ')
      .replace(/\b(?:does not|doesn't|never|won't) (?:go|goes) (?:off|out)\b/gi, ' lit ')
      .replace(/\b(?:is not|isn't|not|aren't) (?:on|lit)\b/gi, ' off ')
      .replace(
        /\b(?:is|are) the only (?:one|ones|lamp|light)(?: (?:that|which))?(?: is| are)? +(?:off|out|dark)\b/gi,
        ' off, rest on ',
      )
      .replace(/\b(?:can ?not|can't|couldn't) (?:tell|see|be sure|say|read|make out)(?: about| of)?\b/gi, ' unsure ')
      .replace(/\bnot sure (?:about|of)?\b/gi, ' unsure ')
      .replace(/\b(?:could|might|may) (?:also )?be\b/gi, ' or ')
      .replace(/\bone of (?:them|the (?:lamps|lights|leds))\b/gi, ' ')
      // how many there are says no more than which they are
      .replace(/\b(?:two|three|four|five|six|\d) (?:lamps|lights|leds)(?: are)?(?: on| lit| up)?(?=[,:])/gi, ' ')
      .replace(/\b(?:one |a )?(?:long |short )?(?:pause|gap|break) (?:in )?between\b,?/gi, ' ')
      .replace(/\b(?:two|three|four) (red|green|amber|white|blue|yellow)s\b/gi, ' all $1 ')
      .replace(/\b(?:the )?other (?:one|two|three|four|five|ones|lamps?|lights?)\b/gi, ' rest ')
      .replace(/\bnothing else\b|\bthat is all\b|\bthe whole time\b/gi, ' ')
      .replace(/\band so (?:is|are|does|do)\b|\bsame (?:for|with)\b/gi, ' ditto ')
      .replace(/\bbefore that\b|\bthe rest of the time\b/gi, ' otherwise ')
      .replace(/\bafter that\b|\bfollowed by\b|\band then\b|\bover and over\b|\bthen again\b/gi, (m) =>
        /over/i.test(m) ? ' ' : ' then ',
      )
      .replace(/\bstays on (?:for )?longer,? like a long one\b/gi, ' long ')
      .replace(/\b(?:stays?|stayed|goes|is|are) on\b/gi, ' lit ')
      .replace(/\bthe one (?=on|in|at|next|below|above|to|for|with|of)/gi, 'the ')
      .replace(/\b(?:once|twice|\w+ times) over\b/gi, ' ')
      .replace(/\b(first|second|third|fourth|fifth|sixth|last|left|right|middle|top|bottom) one\b/gi, '$1')
      .replace(/\b(the|this|that) ((?:far |very )?[a-z0-9]+) one\b/gi, '$1 $2')
      .replace(/\b(\w+) over (red|green|amber|white|blue|yellow|dark|off)\b/gi, 'top $1, bottom $2')
      .replace(/\b(?:apart|aside) from\b|\bother than\b|\bbesides\b/gi, ' except ')
      .replace(
        /\bthe (?:whole|entire) (?:row|lot|line|panel)\b|\ball the (?:lamps|lights|leds)\b|\bthe lot\b/gi,
        ' all ',
      )
      .replace(/\ball (?:of them|two|three|four|five|six)\b|\bboth of them\b/gi, ' all ')
      .replace(/\bof them\b/gi, ' ')
  );
}

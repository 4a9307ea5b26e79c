import type { PlaceId } from '../../base/ids.ts';
import type { LampColour } from '../../model/lamp.ts';
import type { Sign } from '../../model/panel.ts';
import type { ControlFacts } from '../../unit/facts.ts';
import type { Act } from './lexicon.ts';

export type Light = 'lit' | 'dark' | 'slow' | 'fast' | 'blinks';

/** Something a stretch of a telling names that a step may be made of, in the order it was said. */
export type Item = Readonly<{ from: number; to: number }> &
  (
    | Readonly<{ is: 'act'; act: Act; word: string }>
    | Readonly<{ is: 'control'; own: ControlFacts; place: PlaceId | null }>
    | Readonly<{ is: 'place'; word: string }>
    | Readonly<{
        is:
          | 'any'
          | 'both'
          | 'it'
          | 'not'
          | 'within'
          | 'until'
          | 'moment'
          | 'if'
          | 'else'
          | 'while'
          | 'again'
          | 'long'
          | 'each'
          | 'over'
          | 'let-go'
          | 'on-off';
      }>
    | Readonly<{ is: 'sign'; signs: readonly Sign[] }>
    | Readonly<{ is: 'light'; light: Light; colour?: LampColour }>
    | Readonly<{ is: 'text'; text: string }>
    | Readonly<{ is: 'times'; n: number }>
    | Readonly<{ is: 'clicks'; n: number }>
    | Readonly<{ is: 'turns'; n: number }>
    | Readonly<{ is: 'way'; way: 'cw' | 'ccw' }>
    | Readonly<{ is: 'length'; ms: number; mostMs: number }>
    | Readonly<{ is: 'nth'; n: number }>
    | Readonly<{ is: 'number'; n: number }>
  );

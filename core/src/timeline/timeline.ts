import type { Moment } from '../model/route.ts';
import type { Shown } from '../model/shown.ts';

/** A lane of a timeline: a control, a sign, or what is neither. Signs that always show the same share one, named by the first. */
export type Lane = Readonly<{ kind: 'control' | 'sign' | 'other'; id: string; alike: readonly string[] }>;

/** Something drawn in a lane. Times are milliseconds since the start, as usually done; the bounds are how early and late it may be. */
export type Mark = Readonly<{
  at: string;
  lane: string;
  kind: 'press' | 'hold' | 'click' | 'set' | 'rest' | 'choose' | 'see' | 'moment' | 'say';
  fromMs: number;
  toMs: number;
  earliestMs: number;
  latestMs: number;
  /** A place, a text, what shows; in the words of the script. */
  says: string;
  shown: Shown | null;
  must: 'must' | 'may' | 'must-not' | null;
  /** May be made longer or shorter by dragging its end. */
  drags: boolean;
}>;

/** A window over part of the timeline: what it allows, what its steps usually take, and what is left. */
export type Bracket = Readonly<{
  at: string;
  fromMs: number;
  toMs: number;
  usedMs: number;
  slackMs: number;
  slackRatio: number;
  since: Moment;
}>;
export type Timeline = Readonly<{
  lanes: readonly Lane[];
  marks: readonly Mark[];
  brackets: readonly Bracket[];
  lengthMs: number;
  /** Not every repeat of a group is drawn: there are too many. */
  cut: boolean;
}>;

import type { ChartId } from '../base/ids.ts';
import type { ChartNode } from '../model/chart.ts';
import type { TakenReading } from '../model/taken-reading.ts';

/** One step a walk has gone: where, what was answered, and how that came. */
export type Step = Readonly<{
  chart: ChartId;
  node: ChartNode;
  answer: string;
  reading: TakenReading | null;
  /** Worked out from what is known, without asking anybody. */
  byItself: boolean;
  skipped: string | null;
  /** What was done about it since this reading was last not good: it is good because of that. */
  since?: ChartNode;
}>;

import type { Look } from '../model/look.ts';

/** How often a whole code was looked at: as often as the stage that was looked at most. */
export function roundsSeen(looks: readonly Look[]): number {
  const byStage = new Map<string, number>();
  for (const { stage } of looks) byStage.set(stage, (byStage.get(stage) ?? 0) + 1);
  return Math.max(0, ...byStage.values());
}

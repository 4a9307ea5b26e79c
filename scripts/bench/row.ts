/** One measurement: `aim` in words, `met` null where it is for information. */
export type Row = Readonly<{ name: string; value: number; unit: string; aim: string | null; met: boolean | null }>;

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? Number.NaN;
};

export const row = (
  name: string,
  value: number,
  unit: string,
  aim: string | null = null,
  met: boolean | null = null,
): Row => ({ name, value, unit, aim, met });

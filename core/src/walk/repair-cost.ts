import type { Part } from '../model/family.ts';

/** From so many years on, a repair over so much is looked at twice. */
export type RepairLimit = Readonly<{ fromYears: number; most: number; currency: string }>;

/** What a repair comes to beside the school's limit; what cannot be told is null. Shown, never decided. */
export type RepairCost = Readonly<{
  amount: number;
  currency: string;
  minutes: number | null;
  /** Over the limit, under it, or why it cannot be said. */
  is: 'over' | 'within' | 'no-limit' | 'age-unknown' | 'younger' | 'other-currency';
  years: number | null;
}>;

/** The age in years of something as it was told, `7 years` or the year it was built; null where it is neither. */
export function yearsOf(told: string | undefined, thisYear: number): number | null {
  const built = /\b(19[5-9]\d|20\d\d)\b/.exec(told ?? '');
  if (built) return Math.max(0, thisYear - Number(built[1]));
  const years = /(\d{1,2})(?:[.,]\d)?\s*(?:y|years?|yrs?|a)?\b/i.exec(told ?? '');
  return years ? Number(years[1]) : null;
}

/** What the next part costs against the limit the school sets by age; null where the part has no price. */
export function repairCost(
  part: Part,
  quantity: number,
  of: Readonly<{ limit: RepairLimit | undefined; age: string | undefined; thisYear: number }>,
): RepairCost | null {
  if (!part.price) return null;
  const { limit, age, thisYear } = of;
  const years = yearsOf(age, thisYear);
  const amount = part.price.amount * quantity;
  const known = { amount, currency: part.price.currency, minutes: part.minutesToFit ?? null, years };
  if (!limit) return { ...known, is: 'no-limit' };
  if (years === null) return { ...known, is: 'age-unknown' };
  if (years < limit.fromYears) return { ...known, is: 'younger' };
  if (limit.currency !== part.price.currency) return { ...known, is: 'other-currency' };
  return { ...known, is: amount > limit.most ? 'over' : 'within' };
}

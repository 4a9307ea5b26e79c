import { formatQuantity, type OwnUnits, ownUnit, type Quantity, withOwn } from '@wire-trail/core';
import { format, formatDistanceStrict, isSameYear, isToday, parseISO } from 'date-fns';
import { useCallback, useMemo } from 'react';
import type { DateStyle } from './profile-slice.ts';
import { useAppSelector } from './store.ts';

const styles: Readonly<Record<DateStyle, Readonly<{ day: string; short: string }>>> = {
  'day-first': { day: 'd MMM yyyy', short: 'd MMM' },
  'month-first': { day: 'MMM d, yyyy', short: 'MMM d' },
  'year-first': { day: 'yyyy-MM-dd', short: 'MM-dd' },
};

/** Dates and times as one person writes them; each takes a time as it is stored. */
export type Dates = Readonly<{
  day: (iso: string) => string;
  /** With the time of day; of this year without the year, of today the time alone. */
  moment: (iso: string) => string;
  /** How long ago, roughly. */
  ago: (iso: string) => string;
}>;

/** How a day is written in this style, in the words of date-fns. */
export const dayFormat = (style: DateStyle): string => styles[style].day;

export function datesIn(style: DateStyle, now: () => Date = () => new Date()): Dates {
  const { day, short } = styles[style];
  return {
    day: (iso) => format(parseISO(iso), day),
    moment: (iso) => {
      const at = parseISO(iso);
      if (isToday(at)) return format(at, 'HH:mm');
      return `${format(at, isSameYear(at, now()) ? short : day)}, ${format(at, 'HH:mm')}`;
    },
    ago: (iso) => {
      const at = parseISO(iso);
      const passedMs = now().getTime() - at.getTime();
      return passedMs < 60_000 ? 'just now' : `${formatDistanceStrict(at, now())} ago`;
    },
  };
}

export function useDates(): Dates {
  const style = useAppSelector((s) => s.profile.own.dates);
  return useMemo(() => datesIn(style), [style]);
}

/** What a unit shows or wants keyed in, as it is there, with one's own unit beside it where it differs. */
export function useVerbatim(): (text: string, unit?: string) => string {
  const own = useAppSelector((s) => s.profile.own.units);
  return useCallback((text, unit) => withOwn(text, own, unit), [own]);
}

/** Amounts in the units one person reads. */
export type Amounts = Readonly<{
  own: OwnUnits;
  say: (value: number, quantity: Quantity) => string;
  unit: (quantity: Quantity) => string;
}>;

export function useAmounts(): Amounts {
  const own = useAppSelector((s) => s.profile.own.units);
  return useMemo(
    () => ({
      own,
      say: (value, quantity) => formatQuantity(value, quantity, own),
      unit: (quantity) => ownUnit(quantity, own),
    }),
    [own],
  );
}

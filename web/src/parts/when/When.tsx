import { useDates } from '../../foundation/use-own.ts';

type Props = Readonly<{ at: string | null | undefined }>;

/** A day as the person who reads it writes days; nothing where none is known. */
export function Day({ at }: Props) {
  const dates = useDates();
  return at ? <time dateTime={at}>{dates.day(at)}</time> : null;
}

/** A day with its time. */
export function Moment({ at }: Props) {
  const dates = useDates();
  return at ? <time dateTime={at}>{dates.moment(at)}</time> : null;
}

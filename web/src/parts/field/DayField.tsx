import { AdapterDateFns } from '@mui/x-date-pickers/AdapterDateFns';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { format, isValid, parseISO } from 'date-fns';
import { useAppSelector } from '../../foundation/store.ts';
import { dayFormat } from '../../foundation/use-own.ts';

type Props = Readonly<{ label: string; day: string; least?: string; onChange: (day: string) => void }>;

/** One day, picked from a calendar or typed; given and taken as dates are kept, `2026-11-27`. */
export default function DayField({ label, day, least, onChange }: Props) {
  const style = useAppSelector((s) => s.profile.own.dates);
  return (
    <LocalizationProvider dateAdapter={AdapterDateFns}>
      <DatePicker
        label={label}
        format={dayFormat(style)}
        value={parseISO(day)}
        {...(least !== undefined && { minDate: parseISO(least) })}
        onChange={(to) => to && isValid(to) && onChange(format(to, 'yyyy-MM-dd'))}
      />
    </LocalizationProvider>
  );
}

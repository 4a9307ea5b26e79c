import Alert from '@mui/material/Alert';
import MuiLink from '@mui/material/Link';
import type { FieldErrors, FieldValues } from 'react-hook-form';

type Props<Values extends FieldValues> = Readonly<{
  errors: FieldErrors<Values>;
  /** What each field is called on the screen. */
  names: Readonly<Record<keyof Values & string, string>>;
  onGo: (field: keyof Values & string) => void;
}>;

/** What is wrong with a form, all of it, each with a link to its field; nothing where one look at the field is enough. */
export function Wrongs<Values extends FieldValues>({ errors, names, onGo }: Props<Values>) {
  const fields = Object.keys(names) as Array<keyof Values & string>;
  const wrong = fields.flatMap((field) => {
    const words = errors[field]?.message;
    return typeof words === 'string' ? [{ field, words }] : [];
  });
  if (wrong.length < 2) return null;
  return (
    <Alert severity="error">
      <ul className="plain">
        {wrong.map(({ field, words }) => (
          <li key={field}>
            <MuiLink component="button" type="button" onClick={() => onGo(field)}>
              {names[field]}
            </MuiLink>
            : {words}
          </li>
        ))}
      </ul>
    </Alert>
  );
}

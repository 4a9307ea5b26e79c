import Checkbox from '@mui/material/Checkbox';

type Props = Readonly<{
  name: string;
  all: ReadonlyArray<readonly [id: string, words: string]>;
  picked: readonly string[];
  onChange: (picked: readonly string[]) => void;
}>;

/** Some of several, to be ticked. */
export function Choices({ name, all, picked, onChange }: Props) {
  if (all.length === 0) return null;
  return (
    <fieldset className="plain">
      <legend className="small">{name}</legend>
      <div className="row">
        {all.map(([id, words]) => (
          <label key={id} className="row small">
            <Checkbox
              checked={picked.includes(id)}
              onChange={(e) => onChange(e.target.checked ? [...picked, id] : picked.filter((x) => x !== id))}
            />{' '}
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

import Button from '@mui/material/Button';
import { type Sense, senses } from '../../../../foundation/profile-slice.ts';
import { useSenses } from './senses.ts';

const names: Readonly<Record<Sense, string>> = {
  sound: 'beeps',
  speech: 'voice',
  vibration: 'vibration',
  picture: 'flashes',
};

/** How the coach is heard, felt and seen; each can be off. */
export function Senses() {
  const [on, toggle] = useSenses();
  return (
    <fieldset className="row senses">
      <legend className="small soft">Hands free it tells by</legend>
      {senses.map((s) => (
        <Button key={s} className={on[s] ? 'on' : undefined} aria-pressed={on[s]} onClick={() => toggle(s)}>
          {names[s]}
        </Button>
      ))}
    </fieldset>
  );
}

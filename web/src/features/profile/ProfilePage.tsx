import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useId, useState } from 'react';
import { type Profile, profileChanged, type Sense, senses } from '../../foundation/profile-slice.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';
import { useAmounts, useDates } from '../../foundation/use-own.ts';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import SignOut from '../../parts/sign-out/SignOut.tsx';
import { Account } from './Account.tsx';
import { ThisDevice } from './ThisDevice.tsx';

const senseWords: Readonly<Record<Sense, string>> = {
  sound: 'beeps',
  speech: 'a voice',
  vibration: 'vibration',
  picture: 'flashes of the screen',
};
const looks = [
  ['device', 'The device’s'],
  ['light', 'Light'],
  ['dark', 'Dark'],
] as const;
const dateWords = [
  ['day-first', '27 Nov 2026'],
  ['month-first', 'Nov 27, 2026'],
  ['year-first', '2026-11-27'],
] as const;

/** How one wants to be told things; holds for this person on this device at once. */
export default function ProfilePage() {
  const dispatch = useAppDispatch();
  const session = useAppSelector((s) => s.session);
  const own = useAppSelector((s) => s.profile.own);
  const [leaving, setLeaving] = useState(false);
  const amounts = useAmounts();
  const dates = useDates();
  const change = (to: Partial<Profile>) => dispatch(profileChanged(to));
  const units = (to: Partial<Profile['units']>) => change({ units: { ...own.units, ...to } });
  return (
    <div className="stack narrow">
      <PageBar
        title="Your profile"
        state={session.status === 'signed-in' && <span className="soft">{session.user.name}</span>}
        actions={<Button onClick={() => setLeaving(true)}>Sign out</Button>}
      />
      <section className="sheet stack">
        <h2>Units</h2>
        <p className="soft small">Readings are shown in these, and a bare number you type is taken in them.</p>
        <OneOf
          name="Temperature"
          value={own.units.temperature}
          of={[
            ['°C', '°C'],
            ['°F', '°F'],
          ]}
          onPick={(temperature) => units({ temperature })}
        />
        <OneOf
          name="Pressure"
          value={own.units.pressure}
          of={[
            ['bar', 'bar'],
            ['mbar', 'mbar'],
            ['kPa', 'kPa'],
            ['psi', 'psi'],
            ['inWC', 'inches of water'],
          ]}
          onPick={(pressure) => units({ pressure })}
        />
        <OneOf
          name="Volume and flow"
          value={own.units.volume}
          of={[
            ['L', 'litres'],
            ['gal', 'US gallons'],
            ['imp gal', 'imperial gallons'],
          ]}
          onPick={(volume) => units({ volume })}
        />
        <p className="small mono" role="status">
          {amounts.say(82, 'temperature')} · {amounts.say(2.5, 'pressure')} · {amounts.say(8, 'flow')}
        </p>
      </section>
      <section className="sheet stack">
        <h2>Dates</h2>
        <OneOf name="Written as" value={own.dates} of={dateWords} onPick={(to) => change({ dates: to })} />
        <p className="small soft">Today is {dates.day(new Date().toISOString())}.</p>
      </section>
      <section className="sheet stack">
        <h2>Look</h2>
        <OneOf name="Colours" value={own.look} of={looks} onPick={(look) => change({ look })} />
      </section>
      <section className="sheet stack">
        <h2>Hands</h2>
        <OneOf
          name="The phone is held in"
          value={own.hand}
          of={[
            ['left', 'the left hand'],
            ['right', 'the right hand'],
          ]}
          onPick={(hand) => change({ hand })}
        />
        <p className="small soft">Of two buttons beside each other the first lies under that thumb.</p>
      </section>
      <section className="sheet stack">
        <h2>While both hands are busy</h2>
        <FormGroup>
          {senses.map((sense) => (
            <FormControlLabel
              key={sense}
              control={
                <Checkbox
                  checked={own.senses[sense]}
                  onChange={() => change({ senses: { ...own.senses, [sense]: !own.senses[sense] } })}
                />
              }
              label={`The coach tells by ${senseWords[sense]}`}
            />
          ))}
        </FormGroup>
      </section>
      <ThisDevice />
      <Account />
      {leaving && <SignOut onClose={() => setLeaving(false)} />}
    </div>
  );
}

/** One of a few, each a button. */
function OneOf<Value extends string>({
  name,
  value,
  of,
  onPick,
}: {
  name: string;
  value: Value;
  of: ReadonlyArray<readonly [Value, string]>;
  onPick: (value: Value) => void;
}) {
  const id = useId();
  return (
    <div className="row spread">
      <span id={id}>{name}</span>
      <ToggleButtonGroup
        exclusive
        value={value}
        aria-labelledby={id}
        onChange={(_, to: Value | null) => to !== null && onPick(to)}
      >
        {of.map(([is, words]) => (
          <ToggleButton key={is} value={is}>
            {words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </div>
  );
}

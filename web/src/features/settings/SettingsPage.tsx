import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import {
  firstMoveWords,
  NewPassword,
  type Role,
  roles,
  type SchoolSettings,
  type Scope,
  scopes,
  type User,
} from '@wire-trail/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { type ApiError, api } from '../../foundation/api.ts';
import { Field } from '../../parts/field/Field.tsx';
import { Input } from '../../parts/field/Input.tsx';
import { wrongsOf } from '../../parts/field/refused.ts';
import { Select } from '../../parts/field/Select.tsx';
import { Wrongs } from '../../parts/field/Wrongs.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { PersonAccess } from './PersonAccess.tsx';
import { SchoolContacts } from './SchoolContacts.tsx';

/** The school: its name, who reviews, and who has an account. */
export default function SettingsPage() {
  const { data, error, refetch } = api.useSettingsQuery();
  if (error && !data) return <Failed error={error} again={() => void refetch()} />;
  if (!data) return <Loading what="the settings" />;
  return (
    <div className="stack" style={{ maxWidth: 860 }}>
      <PageBar title="Settings" />
      <School settings={data} />
      <People />
    </div>
  );
}

function School({ settings }: { settings: SchoolSettings }) {
  const [save, { isLoading, error, isSuccess }] = api.useSaveSettingsMutation();
  const [name, setName] = useState(settings.schoolName);
  const [own, setOwn] = useState(settings.ownReview);
  const [firstDo, setFirstDo] = useState(settings.firstDo);
  const [limit, setLimit] = useState(settings.repairLimit);
  const [country, setCountry] = useState(settings.country ?? '');
  const [contacts, setContacts] = useState(settings.contacts ?? []);
  const named = contacts.filter((c) => c.name.trim() !== '' && c.reach.trim() !== '');
  const isDirty =
    country !== (settings.country ?? '') ||
    JSON.stringify(contacts) !== JSON.stringify(settings.contacts ?? []) ||
    name !== settings.schoolName ||
    own !== settings.ownReview ||
    firstDo !== settings.firstDo ||
    JSON.stringify(limit) !== JSON.stringify(settings.repairLimit);
  return (
    <form
      className="sheet stack"
      onSubmit={(e) => {
        e.preventDefault();
        void save({
          schoolName: name.trim(),
          ownReview: own,
          firstDo,
          ...(limit && { repairLimit: limit }),
          ...(country.trim() && { country: country.trim() }),
          ...(named.length > 0 && { contacts: named }),
        });
      }}
    >
      <label className="field">
        Name of the school
        <Input
          fullWidth
          value={name}
          required
          onChange={(e) => setName(e.target.value)}
          slotProps={{ input: { maxLength: 120 } }}
        />
      </label>
      <label className="row">
        <Checkbox checked={own} onChange={(e) => setOwn(e.target.checked)} />
        <span>
          The author may publish: for a school of one.{' '}
          <span className="soft">The history says each time that the author reviewed it.</span>
        </span>
      </label>
      <label className="field">
        For a code, first
        <Select native fullWidth value={firstDo} onChange={(e) => setFirstDo(e.target.value as typeof firstDo)}>
          <option value="test">test what may be behind it</option>
          <option value="reset">reset it and see whether it comes back</option>
          <option value="recalibrate">recalibrate what it may come from, and see</option>
        </Select>
        <span className="soft small">{firstMoveWords.why}</span>
      </label>
      <RepairLimit limit={limit} onLimit={setLimit} />
      <SchoolContacts contacts={contacts} country={country} onContacts={setContacts} onCountry={setCountry} />
      <div className="row">
        <Button type="submit" variant="contained" color="primary" disabled={!isDirty || isLoading}>
          Save
        </Button>
        {isSuccess && !isDirty && <span role="status">Saved.</span>}
        {error && <span className="wrong">{(error as ApiError).title}</span>}
      </div>
    </form>
  );
}

type Limit = SchoolSettings['repairLimit'];

/** From which age on a repair over how much is looked at twice; nothing is decided by it. */
function RepairLimit({ limit, onLimit }: { limit: Limit; onLimit: (limit: Limit) => void }) {
  const own = limit ?? { fromYears: 8, most: 200, currency: 'EUR' };
  return (
    <fieldset className="field">
      <legend>Repair or replace</legend>
      <label className="row">
        <Checkbox checked={limit !== undefined} onChange={(e) => onLimit(e.target.checked ? own : undefined)} />
        look twice at a repair of an old unit
      </label>
      {limit && (
        <div className="row">
          <Field
            label="From so many years"
            type="number"
            value={String(limit.fromYears)}
            onChange={(e) => onLimit({ ...limit, fromYears: Math.max(0, Math.round(Number(e.target.value) || 0)) })}
          />
          <Field
            label="Over so much"
            type="number"
            value={String(limit.most)}
            onChange={(e) => onLimit({ ...limit, most: Math.max(0, Number(e.target.value) || 0) })}
          />
          <Field
            label="Currency"
            value={limit.currency}
            maxLength={3}
            onChange={(e) => onLimit({ ...limit, currency: e.target.value.toUpperCase() })}
          />
        </div>
      )}
    </fieldset>
  );
}

/** What an account needs, said as one would to the person who opens it. */
const Asked = z.object({
  name: z.string().trim().min(1, 'Give the person’s name.').max(120, 'That is too long for a name.'),
  signIn: z.string().trim().min(3, 'At least three letters.').max(120, 'That is too long to sign in with.'),
  password: NewPassword,
  role: z.enum(roles),
});

/** Trades somebody has a paper for, with commas between; none is said as well. */
function Trades({
  of,
  trades,
  onTrades,
}: {
  of: string;
  trades: readonly string[];
  onTrades: (trades: string[]) => void;
}) {
  const [typed, setTyped] = useState(trades.join(', '));
  const read = typed
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)
    .slice(0, 12);
  return (
    <Input
      fullWidth
      value={typed}
      placeholder="no trade named"
      inputProps={{ 'aria-label': `trades of ${of}`, maxLength: 400 }}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => read.join() !== trades.join() && onTrades(read)}
    />
  );
}

function People() {
  const { data } = api.useUsersQuery();
  const [change] = api.useChangeUserMutation();
  const [add, adding] = api.useAddUserMutation();
  const [problem, setProblem] = useState<ApiError | null>(null);
  const [shown, setShown] = useState<User | null>(null);
  const { register, handleSubmit, reset, setError, setFocus, formState } = useForm({
    resolver: zodResolver(Asked),
    defaultValues: { name: '', signIn: '', password: '', role: 'technician' as Role },
  });
  const { errors } = formState;
  const submit = handleSubmit(async (asked) => {
    const result = await add(asked);
    if ('data' in result && result.data) reset();
    const refused = result.error as ApiError | undefined;
    const wrong = refused && wrongsOf(refused).find((w) => w.field === 'password');
    if (wrong) setError('password', { message: `It ${wrong.reason}.` }, { shouldFocus: true });
    setProblem(wrong ? null : (refused ?? null));
  });
  type Change = Readonly<{ role?: Role; disabled?: boolean; level?: Scope; trades?: string[] }>;
  const alter = async ({ id, role, disabled }: Pick<User, 'id' | 'role'> & { disabled: boolean }, to: Change) =>
    setProblem(((await change({ id, role, disabled, ...to })).error as ApiError | undefined) ?? null);
  return (
    <section className="sheet stack">
      <h2>People</h2>
      <Table>
        <TableBody>
          {data?.map((user) => (
            <TableRow key={user.id} sx={{ '& td': { verticalAlign: 'middle' } }}>
              <TableCell>{user.name}</TableCell>
              <TableCell className="mono">{user.signIn}</TableCell>
              <TableCell sx={{ minWidth: '9rem' }}>
                <Select
                  native
                  fullWidth
                  value={user.role}
                  onChange={(e) => void alter(user, { role: e.target.value as Role })}
                  inputProps={{ 'aria-label': `role of ${user.name}` }}
                >
                  {roles.map((r) => (
                    <option key={r}>{r}</option>
                  ))}
                </Select>
              </TableCell>
              <TableCell className="stack">
                <Select
                  native
                  fullWidth
                  value={user.level ?? 'technician'}
                  onChange={(e) => void alter(user, { level: e.target.value as Scope })}
                  inputProps={{ 'aria-label': `what ${user.name} may do on a unit` }}
                >
                  {scopes.map((s) => (
                    <option key={s} value={s}>
                      {s === 'maker' ? 'maker’s support' : s}
                    </option>
                  ))}
                </Select>
                {user.level === 'licensed' && (user.trades ?? []).length === 0 && (
                  <span className="wrong small" role="status">
                    Licensed for what? Without a trade, steps that name one stay closed.
                  </span>
                )}
                <Trades of={user.name} trades={user.trades ?? []} onTrades={(trades) => void alter(user, { trades })} />
              </TableCell>
              <TableCell>
                <div className="row">
                  {!user.disabled && <Button onClick={() => setShown(user)}>Devices and password</Button>}
                  <Button onClick={() => void alter(user, { disabled: !user.disabled })}>
                    {user.disabled ? 'Activate again' : 'Deactivate'}
                  </Button>
                </div>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {shown && <PersonAccess user={shown} onClose={() => setShown(null)} />}
      <form className="stack" onSubmit={submit} noValidate>
        <Wrongs
          errors={errors}
          names={{ name: 'Name', signIn: 'Signs in as', password: 'Password', role: 'Role' }}
          onGo={setFocus}
        />
        <div className="two">
          <Field id="new-name" label="Name" wrong={errors.name?.message} {...register('name')} />
          <Field
            id="new-signIn"
            label="Signs in as"
            wrong={errors.signIn?.message}
            autoCapitalize="none"
            {...register('signIn')}
          />
          <Field
            id="new-password"
            label="Password"
            type="password"
            autoComplete="new-password"
            wrong={errors.password?.message}
            {...register('password')}
          />
          <label className="field">
            Role
            <Select native fullWidth inputProps={register('role')}>
              {roles.map((r) => (
                <option key={r}>{r}</option>
              ))}
            </Select>
          </label>
        </div>
        <div>
          <Button type="submit" disabled={adding.isLoading}>
            Add person
          </Button>
        </div>
      </form>
      {problem && (
        <p className="wrong" role="alert">
          {problem.title} {problem.detail} {problem.fields?.map((f) => `${f.path.join('.')}: ${f.reason}`).join('; ')}
        </p>
      )}
    </section>
  );
}

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { type Role, roles, type SchoolSettings } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { type ApiError, api } from '../../foundation/api.ts';
import { Input } from '../../parts/field/Input.tsx';
import { Select } from '../../parts/field/Select.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed, Loading } from '../../parts/states/States.tsx';

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
  const isDirty = name !== settings.schoolName || own !== settings.ownReview;
  return (
    <form
      className="sheet stack"
      onSubmit={(e) => {
        e.preventDefault();
        void save({ schoolName: name.trim(), ownReview: own });
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

function People() {
  const { data } = api.useUsersQuery();
  const [change] = api.useChangeUserMutation();
  const [add, adding] = api.useAddUserMutation();
  const [form, setForm] = useState({ name: '', signIn: '', password: '', role: 'technician' as Role });
  const [problem, setProblem] = useState<ApiError | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const result = await add(form);
    if ('data' in result && result.data) setForm({ name: '', signIn: '', password: '', role: 'technician' });
    setProblem((result.error as ApiError | undefined) ?? null);
  };
  const alter = async (id: number, role: Role, disabled: boolean) =>
    setProblem(((await change({ id, role, disabled })).error as ApiError | undefined) ?? null);
  return (
    <section className="sheet stack">
      <h2>People</h2>
      <Table>
        <TableBody>
          {data?.map((user) => (
            <TableRow key={user.id}>
              <TableCell>{user.name}</TableCell>
              <TableCell className="mono">{user.signIn}</TableCell>
              <TableCell>
                <Select
                  native
                  fullWidth
                  value={user.role}
                  onChange={(e) => void alter(user.id, e.target.value as Role, user.disabled)}
                  inputProps={{ 'aria-label': `role of ${user.name}` }}
                >
                  {roles.map((r) => (
                    <option key={r}>{r}</option>
                  ))}
                </Select>
              </TableCell>
              <TableCell>
                <Button onClick={() => void alter(user.id, user.role, !user.disabled)}>
                  {user.disabled ? 'Open again' : 'Close account'}
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <form className="row" onSubmit={(e) => void submit(e)} style={{ alignItems: 'end' }}>
        <label className="field">
          Name
          <Input fullWidth required value={form.name} onChange={(e) => setForm({ ...form, name: e.target.value })} />
        </label>
        <label className="field">
          Signs in as
          <Input
            fullWidth
            required
            value={form.signIn}
            onChange={(e) => setForm({ ...form, signIn: e.target.value })}
            slotProps={{ input: { minLength: 3, autoCapitalize: 'none' } }}
          />
        </label>
        <label className="field">
          Password
          <Input
            fullWidth
            type="password"
            autoComplete="new-password"
            required
            value={form.password}
            onChange={(e) => setForm({ ...form, password: e.target.value })}
            slotProps={{ input: { minLength: 10 } }}
          />
        </label>
        <label className="field">
          Role
          <Select
            native
            fullWidth
            value={form.role}
            onChange={(e) => setForm({ ...form, role: e.target.value as Role })}
          >
            {roles.map((r) => (
              <option key={r}>{r}</option>
            ))}
          </Select>
        </label>
        <Button type="submit" disabled={adding.isLoading}>
          Open an account
        </Button>
      </form>
      {problem && (
        <p className="wrong" role="alert">
          {problem.title} {problem.detail} {problem.fields?.map((f) => `${f.path.join('.')}: ${f.reason}`).join('; ')}
        </p>
      )}
    </section>
  );
}

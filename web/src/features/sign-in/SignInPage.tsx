import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { Navigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';
import { rememberUser } from '../../foundation/remembered-user.ts';
import { signedIn } from '../../foundation/session-slice.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';
import { Input } from '../../parts/field/Input.tsx';
import './sign-in.css';

export function SignInPage() {
  const dispatch = useAppDispatch();
  const status = useAppSelector((s) => s.session.status);
  const [signIn, { isLoading, error }] = api.useSignInMutation();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  if (status === 'signed-in') return <Navigate to="/" replace />;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const result = await signIn({ signIn: name.trim(), password });
    if (!('data' in result) || !result.data) return;
    rememberUser(result.data);
    dispatch(signedIn(result.data));
  };
  return (
    <main className="sign-in">
      <div className="sign-in-words">
        <img src="/icon.svg" width="56" height="56" alt="" />
        <h1>Wire Trail</h1>
        <p>
          From the lamps on the panel to a proven repair: codes, ways into service modes and tests, kept by those who
          teach them.
        </p>
      </div>
      <form className="sheet stack" onSubmit={submit}>
        <h2>Sign in</h2>
        <label className="field">
          Name
          <Input
            fullWidth
            name="username"
            autoComplete="username"
            required
            value={name}
            onChange={(e) => setName(e.target.value)}
            slotProps={{ input: { autoCapitalize: 'none' } }}
          />
        </label>
        <label className="field">
          Password
          <Input
            fullWidth
            type="password"
            name="password"
            autoComplete="current-password"
            required
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        </label>
        {error && (
          <p className="wrong" role="alert">
            {(error as ApiError).title}
          </p>
        )}
        <Button type="submit" variant="contained" size="glove" color="primary" disabled={isLoading}>
          {isLoading ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>
    </main>
  );
}

import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useForm } from 'react-hook-form';
import { Navigate, useLocation } from 'react-router';
import { z } from 'zod';
import { type ApiError, api } from '../../foundation/api.ts';
import { leavingMarked } from '../../foundation/leaving.ts';
import { rememberUser } from '../../foundation/remembered-user.ts';
import { signedIn } from '../../foundation/session-slice.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';
import { endedMet } from '../../foundation/view-slice.ts';
import { Field } from '../../parts/field/Field.tsx';
import './sign-in.css';

const Asked = z.object({
  name: z.string().trim().min(1, 'Type the name you sign in with.'),
  password: z.string().min(1, 'Type your password.'),
});
const Came = z.object({ to: z.string().startsWith('/') });

/** Signs in, and goes on to where somebody wanted to go. */
export default function SignInPage() {
  const dispatch = useAppDispatch();
  const { state } = useLocation();
  const ended = useAppSelector((s) => s.view.ended);
  const status = useAppSelector((s) => s.session.status);
  const [signIn, { isLoading, error }] = api.useSignInMutation();
  const { register, handleSubmit, formState } = useForm({
    resolver: zodResolver(Asked),
    defaultValues: { name: '', password: '' },
  });
  if (status === 'signed-in') return <Navigate to={Came.safeParse(state).data?.to ?? '/'} replace />;
  const submit = handleSubmit(async ({ name, password }) => {
    const result = await signIn({ signIn: name, password });
    if (!('data' in result) || !result.data) return;
    rememberUser(result.data);
    leavingMarked(false);
    dispatch(endedMet(false));
    dispatch(signedIn(result.data));
  });
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
      <form className="sheet stack" onSubmit={submit} noValidate>
        <h2>Sign in</h2>
        <Field
          label="Name"
          wrong={formState.errors.name?.message}
          autoComplete="username"
          autoCapitalize="none"
          {...register('name')}
        />
        <Field
          label="Password"
          type="password"
          wrong={formState.errors.password?.message}
          autoComplete="current-password"
          {...register('password')}
        />
        {ended && (
          <Alert severity="warning">
            This device was signed out by an admin of your school. What Wire Trail had kept here is gone.
          </Alert>
        )}
        {error && <Alert severity="error">{(error as ApiError).title}</Alert>}
        <Button type="submit" variant="contained" size="glove" color="primary" disabled={isLoading}>
          {isLoading ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>
    </main>
  );
}

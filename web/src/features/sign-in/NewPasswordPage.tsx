import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { NewPassword } from '@wire-trail/core';
import { useForm } from 'react-hook-form';
import { Link, useLocation } from 'react-router';
import { z } from 'zod';
import { type ApiError, api } from '../../foundation/api.ts';
import { NewPasswordFields } from '../../parts/field/NewPasswordFields.tsx';
import { wrongsOf } from '../../parts/field/refused.ts';
import './sign-in.css';

const Asked = z
  .object({ password: NewPassword, again: z.string() })
  .refine((a) => a.again === a.password, { path: ['again'], error: 'This is not the same as above.' });

/** Sets a new password by the link an admin gave; the link stands behind the #, which is sent to nobody. */
export default function NewPasswordPage() {
  const token = useLocation().hash.slice(1);
  const [reset, { isLoading, isSuccess, error }] = api.useResetPasswordMutation();
  const { register, handleSubmit, setError, formState } = useForm({
    resolver: zodResolver(Asked),
    defaultValues: { password: '', again: '' },
  });
  const { errors } = formState;
  const submit = handleSubmit(async ({ password }) => {
    const result = await reset({ token, password });
    const wrong = result.error && wrongsOf(result.error as ApiError).find((w) => w.field === 'password');
    if (wrong) setError('password', { message: `It ${wrong.reason}.` }, { shouldFocus: true });
  });
  const refused = error as ApiError | undefined;
  return (
    <main className="sign-in">
      <div className="sign-in-words">
        <img src="/icon.svg" width="56" height="56" alt="" />
        <h1>Wire Trail</h1>
      </div>
      {isSuccess ? (
        <div className="sheet stack">
          <Alert severity="success">Your new password is set. Wherever you were signed in, you are not any more.</Alert>
          <Button component={Link} to="/sign-in" variant="contained" size="glove" color="primary">
            Sign in
          </Button>
        </div>
      ) : (
        <form className="sheet stack" onSubmit={submit} noValidate>
          <h2>Choose a new password</h2>
          <NewPasswordFields
            password={{ of: register('password'), wrong: errors.password?.message }}
            again={{ of: register('again'), wrong: errors.again?.message }}
          />
          {refused && refused.code !== 'field-wrong' && <Alert severity="error">{refused.title}</Alert>}
          <Button type="submit" variant="contained" size="glove" color="primary" disabled={isLoading}>
            Set it
          </Button>
        </form>
      )}
    </main>
  );
}

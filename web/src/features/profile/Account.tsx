import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { NewPassword } from '@wire-trail/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { type ApiError, api } from '../../foundation/api.ts';
import { forgetPerson } from '../../foundation/forget-person.ts';
import { useAppDispatch } from '../../foundation/store.ts';
import { Field } from '../../parts/field/Field.tsx';
import { NewPasswordFields } from '../../parts/field/NewPasswordFields.tsx';
import { wrongsOf } from '../../parts/field/refused.ts';

const Asked = z
  .object({
    old: z.string().min(1, 'Type the password you have now.'),
    password: NewPassword,
    again: z.string(),
  })
  .refine((a) => a.again === a.password, { path: ['again'], error: 'This is not the same as above.' });

/** One's own password, and every place one is signed in. */
export function Account() {
  const dispatch = useAppDispatch();
  const [change, { isLoading }] = api.useChangePasswordMutation();
  const [leaveAll, leaving] = api.useSignOutEverywhereMutation();
  const [said, setSaid] = useState<Readonly<{ good: boolean; words: string }> | null>(null);
  const { register, handleSubmit, reset, setError, formState } = useForm({
    resolver: zodResolver(Asked),
    defaultValues: { old: '', password: '', again: '' },
  });
  const { errors } = formState;
  const submit = handleSubmit(async ({ old, password }) => {
    setSaid(null);
    const { error } = await change({ old, password });
    if (!error) {
      reset();
      setSaid({
        good: true,
        words: 'Your password is changed. Wherever else you were signed in, you are not any more.',
      });
      return;
    }
    const refused = error as ApiError;
    const wrong = wrongsOf(refused).find((w) => w.field === 'password');
    if (refused.code === 'sign-in-wrong')
      setError('old', { message: 'This is not your password.' }, { shouldFocus: true });
    else if (wrong) setError('password', { message: `It ${wrong.reason}.` }, { shouldFocus: true });
    else setSaid({ good: false, words: refused.title });
  });
  const everywhere = async () => {
    const { error } = await leaveAll();
    if (error) return setSaid({ good: false, words: (error as ApiError).title });
    forgetPerson(dispatch);
  };
  return (
    <section className="sheet stack">
      <h2>Password</h2>
      <form className="stack" onSubmit={submit} noValidate>
        <Field
          label="Your password now"
          type="password"
          autoComplete="current-password"
          wrong={errors.old?.message}
          {...register('old')}
        />
        <NewPasswordFields
          password={{ of: register('password'), wrong: errors.password?.message }}
          again={{ of: register('again'), wrong: errors.again?.message }}
        />
        {said && <Alert severity={said.good ? 'success' : 'error'}>{said.words}</Alert>}
        <div className="row">
          <Button type="submit" disabled={isLoading}>
            Change password
          </Button>
          <Button color="error" disabled={leaving.isLoading} onClick={() => void everywhere()}>
            Sign out everywhere
          </Button>
        </div>
      </form>
    </section>
  );
}

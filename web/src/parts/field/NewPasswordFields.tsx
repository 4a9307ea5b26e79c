import type { UseFormRegisterReturn } from 'react-hook-form';
import { Field } from './Field.tsx';

type One = Readonly<{ of: UseFormRegisterReturn; wrong: string | undefined }>;

/** A password that is chosen, twice, and what makes a good one. */
export function NewPasswordFields({ password, again }: { password: One; again: One }) {
  return (
    <>
      <Field label="New password" type="password" autoComplete="new-password" wrong={password.wrong} {...password.of} />
      <Field
        label="New password, once more"
        type="password"
        autoComplete="new-password"
        wrong={again.wrong}
        {...again.of}
      />
      <p className="small soft">Ten characters at least. Three or four words nobody would guess are easy to keep.</p>
    </>
  );
}

import { type ComponentProps, type ReactNode, type Ref, useId } from 'react';
import { Input } from './Input.tsx';

type Own = Readonly<{
  label: ReactNode;
  /** What it is for, in a few words under its label. */
  hint?: ReactNode;
  /** What is wrong with what stands in it; nothing where it is right. */
  wrong?: string | false | null | undefined;
  ref?: Ref<HTMLInputElement>;
  maxLength?: number;
  inputMode?: 'text' | 'decimal' | 'numeric';
  autoCapitalize?: string;
  /** The list of what is usually meant. */
  list?: string;
}>;
type Props = Own & Omit<ComponentProps<typeof Input>, 'ref' | 'error' | 'inputRef' | keyof Own>;

/** A box with its label above it, and below it what is wrong with what stands in it. */
export function Field({ label, hint, wrong, ref, maxLength, inputMode, autoCapitalize, list, id, ...rest }: Props) {
  const made = useId();
  const own = id ?? made;
  return (
    <div className="field-of">
      <label htmlFor={own}>
        {label} {hint && <span className="soft">{hint}</span>}
      </label>
      <Input
        fullWidth
        id={own}
        inputRef={ref}
        error={Boolean(wrong)}
        {...rest}
        slotProps={{
          input: {
            ...(maxLength !== undefined && { maxLength }),
            ...(inputMode && { inputMode }),
            ...(autoCapitalize && { autoCapitalize }),
            ...(list && { list }),
            ...(wrong && { 'aria-describedby': `${own}-wrong`, 'aria-invalid': true }),
          },
        }}
      />
      {wrong && (
        <span className="wrong" id={`${own}-wrong`} role="alert">
          {wrong}
        </span>
      )}
    </div>
  );
}

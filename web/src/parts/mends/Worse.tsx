import Button from '@mui/material/Button';
import { type Severity, severityWords } from '@wire-trail/core';

type Props = Readonly<{
  isGone: boolean;
  brings: ReadonlyArray<Readonly<{ severity: Severity; words: string }>>;
  isBusy?: boolean;
  onAll: () => void;
  onLeave: () => void;
}>;

/** A mend that would not help, or would bring something worse: asked first. */
export function Worse({ isGone, brings, isBusy = false, onAll, onLeave }: Props) {
  return (
    <div className="note" role="alert">
      <strong>{isGone ? 'It would bring something worse:' : 'It would still be found then.'}</strong>
      <ul>
        {brings.slice(0, 6).map((f) => (
          <li key={f.words}>
            {severityWords[f.severity]}: {f.words}
          </li>
        ))}
      </ul>
      <div className="row">
        <Button disabled={isBusy} onClick={onAll}>
          Do it all the same
        </Button>
        <Button variant="text" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </div>
  );
}

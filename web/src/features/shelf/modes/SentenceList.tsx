import Button from '@mui/material/Button';

type Props = Readonly<{
  /** What the list is called, and what is said above it. */
  name: string;
  heading: string;
  sentences: readonly string[];
  /** What is said where there is none. */
  empty?: string;
  adds: string;
  onAdd: () => void;
  onChange: (at: number) => void;
  onTakeAway: (at: number) => void;
}>;

/** Sentences, each said anew or taken away, and one more. */
export function SentenceList({ name, heading, sentences, empty, adds, onAdd, onChange, onTakeAway }: Props) {
  return (
    <>
      <h3>{heading}</h3>
      {empty && sentences.length === 0 && <p className="soft small">{empty}</p>}
      <ul className="plain stack modes-list" aria-label={name}>
        {sentences.map((sentence, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a sentence has no name of its own; its place is its name
          <li key={i} className="row spread">
            <span>{sentence}</span>
            <span className="row">
              <Button variant="text" size="inline" onClick={() => onChange(i)}>
                Change
              </Button>
              <Button variant="text" size="inline" aria-label={`Take away: ${sentence}`} onClick={() => onTakeAway(i)}>
                Take away
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <div className="row">
        <Button onClick={onAdd}>{adds}</Button>
      </div>
    </>
  );
}

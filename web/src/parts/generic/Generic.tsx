import { type Bundle, genericMeaning } from '@wire-trail/core';

/** Whether a scheme's generic meaning is known of what was typed. */
export const saysGeneric = (bundle: Bundle, text: string): boolean => genericMeaning(bundle, text) !== null;

/** What a number pair that no table lists means in general; marked as that, because it says nothing of this unit. */
export function Generic({ bundle, text }: { bundle: Bundle; text: string }) {
  const meaning = genericMeaning(bundle, text);
  if (!meaning) return null;
  return (
    <div className="note" role="status">
      <span className="tag">generic, not from this unit’s table</span>
      <p>
        <strong>{meaning.says}</strong>
      </p>
      <p className="soft small">
        {meaning.scheme}, {meaning.number}. Which part it is about stands in the number before.
      </p>
    </div>
  );
}

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { type Entry, leaningOn, type Source } from '@wire-trail/core';
import { draftEdited } from '../../foundation/entry-draft-slice.ts';
import { useAppDispatch } from '../../foundation/store.ts';

/** Everything that leans on a source; after a new edition, the list of what to look at again. */
export function SourceBeside({ source, bodies }: { source: Source; bodies: { entries: Entry[] } }) {
  const dispatch = useAppDispatch();
  const leaning = leaningOn(bodies, source.id);
  const waits = source.sort === 'document' && source.before !== null;
  const edit = (change: object) => void dispatch(draftEdited({ body: { ...source, ...change } as Source, about: '' }));
  return (
    <aside className="sheet small sticks">
      <h2>What leans on it</h2>
      {source.sort === 'document' && !waits && (
        <Button onClick={() => edit({ before: source.edition, edition: `${source.edition} +1`, lookedAgain: [] })}>
          There is a new edition
        </Button>
      )}
      {source.sort === 'document' && waits && (
        <>
          <p className="note">
            Edition {source.edition} came after {source.before}. Look again at each of these; tick what still holds.
          </p>
          <Button onClick={() => edit({ before: null, lookedAgain: [] })}>All of it was looked at</Button>
        </>
      )}
      {leaning.length === 0 && <p className="soft">Nothing yet.</p>}
      <ul className="plain">
        {leaning.map(({ key, title, places }) => (
          <li key={key}>
            {source.sort === 'document' && waits ? (
              <label>
                <Checkbox
                  checked={source.lookedAgain.includes(key)}
                  onChange={(e) =>
                    edit({
                      lookedAgain: e.target.checked
                        ? [...source.lookedAgain, key]
                        : source.lookedAgain.filter((k) => k !== key),
                    })
                  }
                />{' '}
                {title}
              </label>
            ) : (
              title
            )}
            <span className="soft"> {places.length > 1 ? `${places.length} places` : ''}</span>
          </li>
        ))}
      </ul>
    </aside>
  );
}

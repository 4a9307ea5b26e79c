import { diff, type Entry } from '@wire-trail/core';
import { ChangeList } from '../../parts/changes/ChangeList.tsx';

export function Changes({ published, body }: { published: Entry | null; body: Entry }) {
  return (
    <section className="sheet">
      <h2>Against what is published</h2>
      {published ? (
        <ChangeList changes={diff(published, body)} />
      ) : (
        <p className="soft">Nothing is published of this yet: all of it is new.</p>
      )}
    </section>
  );
}

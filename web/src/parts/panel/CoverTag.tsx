import type { Face } from '@wire-trail/core';

/** What covers a face, and whether the unit has to be isolated before that comes off. */
export function CoverTag({ face }: { face: Face }) {
  if (!face.cover) return null;
  return (
    <span className="tag">
      {face.cover.label}
      {face.cover.isolateFirst ? ' · isolate first' : ''}
    </span>
  );
}

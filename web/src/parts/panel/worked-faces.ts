import { type Bundle, entriesOf, type Face } from '@wire-trail/core';

/** The faces of a unit on which there is something to work or to see; what is only felt is not drawn. */
export const workedFaces = (bundle: Bundle): Face[] =>
  entriesOf(bundle, 'panel')
    .filter((p) => p.family === bundle.family)
    .flatMap((p) => p.faces)
    .filter((f) => f.controls.length > 0 || f.signs.some((s) => s.kind !== 'felt'));

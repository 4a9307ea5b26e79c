import type { Face } from '../model/panel.ts';

/** What has to come off before a face can be reached. */
export function coverWords(face: Face): string | null {
  if (!face.cover) return null;
  return `${face.cover.label}${face.cover.isolateFirst ? ': isolate first' : ''}`;
}

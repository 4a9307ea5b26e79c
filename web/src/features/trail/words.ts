import type { Face, ReadingError } from '@wire-trail/core';

export function readingErrorWords(error: ReadingError): string {
  switch (error.code) {
    case 'reading-empty':
      return 'Type what the meter shows.';
    case 'reading-not-a-number':
      return `“${error.typed}” is not a number. Type it like 12.4, 12,4 k or OL.`;
    case 'reading-negative':
      return 'This cannot be negative. Swap the probes or zero the meter.';
    case 'reading-wrong-unit':
      return `“${error.unit}” is not a unit for this. It takes ${error.wanted.filter(Boolean).join(', ')}.`;
    case 'reading-below-absolute-zero':
      return 'Nothing is as cold as that.';
    case 'reading-too-large':
      return 'That is more than any meter shows. For an open circuit type OL.';
  }
}

/** What has to come off before a face can be reached. */
export function coverWords(face: Face): string | null {
  if (!face.cover) return null;
  return `${face.cover.label}${face.cover.isolateFirst ? ': isolate first' : ''}`;
}

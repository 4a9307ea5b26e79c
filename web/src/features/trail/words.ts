import type { Face, ReadingError, Reason } from '@wire-trail/core';

export function reasonWords(reason: Reason): string {
  switch (reason.kind) {
    case 'model':
      return `model number fits ${reason.pattern}`;
    case 'serial':
      return `serial number from ${reason.from} to ${reason.to}`;
    case 'software':
      return `software ${reason.from ? `${reason.from} and up` : ''}${reason.from && reason.below ? ', ' : ''}${reason.below ? `below ${reason.below}` : ''}`;
    case 'option':
      return `${reason.option} ${reason.value}`;
    case 'only-one':
      return 'there is only this one';
  }
}

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

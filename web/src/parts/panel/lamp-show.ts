import type { LampColour, LampState } from '@wire-trail/core';

export type LampShow = Readonly<{ state: LampState | 'dim' | 'unsure' | 'unseen'; colour?: LampColour }>;

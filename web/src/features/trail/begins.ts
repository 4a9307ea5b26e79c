import type { Code, Symptom } from '@wire-trail/core';
import type { Bundles } from '../../foundation/device/use-bundles.ts';

export type UnitBundle = Bundles['bundles'][number];
/** What a walk begins from. */
export type From =
  | { kind: 'code'; code: Code['id'] }
  | { kind: 'symptom'; symptom: Symptom['id'] }
  | { kind: 'panel' }
  | { kind: 'unlisted'; text: string };

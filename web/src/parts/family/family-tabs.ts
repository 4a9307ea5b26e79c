import type { EntryKind } from '@wire-trail/core';

export const familyTabs = [
  'Panel',
  'Modes',
  'Readouts',
  'Codes',
  'Routes',
  'Charts',
  'Settings',
  'Sources',
  'To fix',
] as const;
export type FamilyTab = (typeof familyTabs)[number];

/** Under which tab of its unit an entry is. */
export const tabOfKind: Partial<Record<EntryKind, FamilyTab>> = {
  family: 'Panel',
  panel: 'Panel',
  code: 'Codes',
  symptom: 'Codes',
  route: 'Routes',
  account: 'Routes',
  mode: 'Modes',
  readout: 'Readouts',
  chart: 'Charts',
  source: 'Sources',
  setting: 'Settings',
};

export const familyAddress = (family: string, tab: FamilyTab): string =>
  `/shelf/${family}?room=${encodeURIComponent(tab)}`;

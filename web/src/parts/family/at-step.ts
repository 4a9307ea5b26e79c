/** At which step of which unit somebody is, in this tab: from what is opened there one gets back to it. */
const key = 'wire-trail-at-step';

export function standAtStep(family: string, step: string): void {
  sessionStorage.setItem(key, JSON.stringify([family, step]));
}

/** Where the steps of this unit are gone on with; null where nobody came from there. */
export function stepAddress(family: string): string | null {
  const [own, step] = JSON.parse(sessionStorage.getItem(key) ?? '[]') as readonly string[];
  return own === family && step ? `/shelf/${family}/steps?step=${step}` : null;
}

/** Somebody looks at the unit as a whole: the steps are over. */
export const leaveSteps = (): void => sessionStorage.removeItem(key);

const kinds = [
  [/iPhone|iPad/, 'an iPhone or iPad'],
  [/Android/, 'an Android device'],
  [/Windows/, 'a Windows computer'],
  [/Macintosh/, 'a Mac'],
  [/Linux|X11/, 'a Linux computer'],
] as const;

/** What kind of device a browser says it is on; its own words where they tell nothing. */
export const browserWords = (said: string): string =>
  kinds.find(([pattern]) => pattern.test(said))?.[1] ?? (said.trim().slice(0, 60) || 'an unknown browser');

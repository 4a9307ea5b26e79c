import type { Told } from '@wire-trail/core';
import { type TellingQuestion, toldOf } from './told-of.ts';

export type TellingNews =
  | Readonly<{ kind: 'read'; told: Told }>
  | Readonly<{ kind: 'at'; share: number }>
  | Readonly<{ kind: 'failed' }>;

const tell = (news: TellingNews): void => self.postMessage(news);

/** A telling read off the page, however long it is; how far it has come is told meanwhile. */
self.onmessage = ({ data }: MessageEvent<TellingQuestion>) => {
  try {
    tell({ kind: 'read', told: toldOf(data, (share) => tell({ kind: 'at', share })) });
  } catch {
    tell({ kind: 'failed' });
  }
};

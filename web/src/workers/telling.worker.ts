import { type Bundle, bundleFacts, entriesOf, readAnyTelling, type Told } from '@wire-trail/core';

export type TellingQuestion = Readonly<{ text: string; bundle: Bundle }>;
export type TellingNews = Readonly<{ kind: 'read'; told: Told }> | Readonly<{ kind: 'failed' }>;

const tell = (news: TellingNews): void => self.postMessage(news);

/** A telling read off the page, however long it is. */
self.onmessage = ({ data }: MessageEvent<TellingQuestion>) => {
  try {
    tell({
      kind: 'read',
      told: readAnyTelling(data.text, bundleFacts(data.bundle), entriesOf(data.bundle, 'instrument')),
    });
  } catch {
    tell({ kind: 'failed' });
  }
};

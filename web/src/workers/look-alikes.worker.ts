import { type LookAlike, lookAlikes, type Readout } from '@wire-trail/core';

export type LookAlikeNews = readonly LookAlike[];

self.onmessage = ({ data }: MessageEvent<{ readout: Readout; texts: readonly string[] }>) => {
  self.postMessage(lookAlikes(data.readout, data.texts));
};

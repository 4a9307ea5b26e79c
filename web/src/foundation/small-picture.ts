import { mostPictureLength } from '@wire-trail/core';

/** A picture or a clip as a walk keeps it: base64, no longer than goes over any line. */
export type Small = Readonly<{ type: 'image/jpeg' | 'video/webm'; data: string }>;

/** Longest sides and qualities that are tried, one after the other, until a picture is small enough. */
const tries = [
  [1000, 0.7],
  [800, 0.6],
  [640, 0.5],
  [480, 0.4],
  [320, 0.3],
] as const;
/** So long a clip is, and so many bits a second it may have: within what a walk keeps, with room to spare. */
export const clipMs = 4000;
const clipBits = 120_000;

const base64 = async (blob: Blob): Promise<string> => {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
};

/** A picture whose longer side is no longer than this; null where it cannot be written. */
export function asJpeg(
  picture: ImageBitmap,
  side: number,
  quality: number,
  canvas = document.createElement('canvas'),
): Promise<Blob | null> {
  const scale = Math.min(1, side / Math.max(picture.width, picture.height));
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', quality));
}

/** Makes a picture small enough for a walk; null where it is none, or cannot be made so small. */
export async function smallPicture(file: Blob): Promise<Small | null> {
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) return null;
  const canvas = document.createElement('canvas');
  for (const [side, quality] of tries) {
    const blob = await asJpeg(picture, side, quality, canvas);
    const data = blob ? await base64(blob) : '';
    if (data !== '' && data.length <= mostPictureLength) return { type: 'image/jpeg', data };
  }
  return null;
}

/** Whether this device can take a clip. */
export const canClip = (): boolean =>
  typeof MediaRecorder !== 'undefined' &&
  navigator.mediaDevices !== undefined &&
  MediaRecorder.isTypeSupported('video/webm');

/** Takes a clip of a few seconds, without sound; null where there is no camera, or it came out too large. */
export async function takeClip(): Promise<Small | null> {
  const video = { facingMode: 'environment', width: { ideal: 320 }, frameRate: { ideal: 12 } };
  const stream = await navigator.mediaDevices.getUserMedia({ video }).catch(() => null);
  if (!stream) return null;
  const recorder = new MediaRecorder(stream, { mimeType: 'video/webm', videoBitsPerSecond: clipBits });
  const pieces: Blob[] = [];
  const ended = new Promise((done) => recorder.addEventListener('stop', done, { once: true }));
  recorder.addEventListener('dataavailable', (e) => pieces.push(e.data));
  recorder.start();
  setTimeout(() => recorder.stop(), clipMs);
  await ended;
  for (const track of stream.getTracks()) track.stop();
  const data = await base64(new Blob(pieces));
  return data !== '' && data.length <= mostPictureLength ? { type: 'video/webm', data } : null;
}

import { z } from 'zod';
import { keepNamed, keptNamed } from '../../../foundation/device/database.ts';
import { asJpeg } from '../../../foundation/small-picture.ts';

/** How a photograph lies under a drawn face: in the units of its grid, degrees to the right, and how much of it shows. */
const Lies = z.object({
  x: z.number(),
  y: z.number(),
  width: z.number().positive(),
  turned: z.number(),
  shows: z.number(),
});
export type Lies = z.infer<typeof Lies>;
const Kept = z.object({ picture: z.instanceof(Blob), ratio: z.number().positive(), lies: Lies });
export type Photo = Readonly<z.infer<typeof Kept>>;

/** Larger than any camera takes them: such a file is not opened at all. */
const mostBytes = 100 * 2 ** 20;
/** More points than this a face on screen cannot show. */
const longestSide = 1600;

/** As wide as the face, in its middle, half of it to be seen. */
export const laidOn = (face: Readonly<{ width: number; height: number }>, ratio: number): Lies => ({
  x: 0,
  y: (face.height - face.width / ratio) / 2,
  width: face.width,
  turned: 0,
  shows: 50,
});

/** Where it is drawn, and how it is turned about its own middle. `ratio` is its width to its height. */
export function drawnAs({ x, y, width, turned }: Lies, ratio: number) {
  const height = width / ratio;
  return { x, y, width, height, transform: `rotate(${turned} ${x + width / 2} ${y + height / 2})` };
}

/** Grown or shrunk about its middle. */
export function madeAsWide(lies: Lies, width: number, ratio: number): Lies {
  const by = (lies.width - width) / 2;
  return { ...lies, width, x: lies.x + by, y: lies.y + by / ratio };
}

/** Reads a photograph somebody chose, made small; a word why it cannot be used where it cannot. */
export async function readPhoto(
  file: File,
  face: Readonly<{ width: number; height: number }>,
): Promise<Photo | string> {
  if (file.size === 0) return `${file.name} is empty.`;
  if (file.size > mostBytes) return `${file.name} is larger than 100 MB.`;
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) return `${file.name} is no picture this browser can read.`;
  const ratio = image.width / image.height;
  const picture = await asJpeg(image, longestSide, 0.85);
  image.close();
  if (!picture) return `${file.name} is no picture this browser can read.`;
  return { picture, ratio, lies: laidOn(face, ratio) };
}

const nameOf = (place: string): string => `photograph under ${place}`;

/** The photograph that was laid under a face on this device; null where there is none. */
export async function keptPhoto(place: string): Promise<Photo | null> {
  const kept = Kept.safeParse(await keptNamed(nameOf(place)));
  return kept.success ? kept.data : null;
}
export const keepPhoto = (place: string, photo: Photo | null): Promise<void> => keepNamed(nameOf(place), photo);

import type { Face } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { keepPhoto, keptPhoto, type Photo, readPhoto } from './photo.ts';

/** The photograph under one face: kept on this device, so that it is there when somebody comes back. */
export function usePhoto(place: string, face: Face | undefined) {
  const [photo, setPhoto] = useState<Photo | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    let stale = false;
    setPhoto(null);
    setWrong(null);
    void keptPhoto(place).then((kept) => !stale && setPhoto(kept));
    return () => {
      stale = true;
    };
  }, [place]);
  const picture = photo?.picture;
  useEffect(() => {
    if (!picture) return setAddress(null);
    const made = URL.createObjectURL(picture);
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [picture]);
  const lay = (next: Photo | null): void => {
    setPhoto(next);
    void keepPhoto(place, next);
  };
  const take = async (file: File): Promise<void> => {
    if (!face) return;
    const read = await readPhoto(file, face);
    setWrong(typeof read === 'string' ? read : null);
    if (typeof read !== 'string') lay(read);
  };
  return { photo, address, wrong, show: setPhoto, lay, take };
}

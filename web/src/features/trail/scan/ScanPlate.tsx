import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { type Family, readScan, type ScannedPlate } from '@wire-trail/core';
import { useEffect, useRef, useState } from 'react';
import { readPicture } from './read-picture.ts';
import { paintPlate } from './simulated-plate.ts';
import './scan.css';

type Props = Readonly<{
  families: readonly Family[];
  onScan: (plate: ScannedPlate) => void;
  onClose: () => void;
}>;
type Trouble = 'refused' | 'none' | 'nothing-in-picture';

const troubleWords: Readonly<Record<Trouble, string>> = {
  refused: 'The camera may not be used. Allow it for this page, or take a picture of the plate.',
  none: 'There is no camera on this device. A picture of the plate does as well.',
  'nothing-in-picture': 'No bar code and no square code was found in that picture. Closer, straight on, without glare.',
};

/** Points the camera at the bar code or square code of a plate until it reads; a picture of it does as well. */
export default function ScanPlate({ families, onScan, onClose }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const told = useRef((text: string) => onScan(readScan(text, families)));
  useEffect(() => {
    told.current = (text) => onScan(readScan(text, families));
  });
  useEffect(() => {
    let over = false;
    let stream: MediaStream | null = null;
    let timer = 0;
    const stop = () => {
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
    const look = () => {
      const from = video.current;
      if (over || !from) return;
      const text = from.readyState >= 2 ? readPicture(from, from.videoWidth, from.videoHeight) : null;
      if (text !== null) {
        navigator.vibrate?.(60);
        told.current(text);
        return;
      }
      timer = window.setTimeout(look, 150);
    };
    const open = async () => {
      if (!navigator.mediaDevices) return setTrouble('none');
      stream = await navigator.mediaDevices.getUserMedia({
        video: { facingMode: 'environment', width: { ideal: 1280 }, height: { ideal: 720 } },
      });
      if (over || !video.current) return stop();
      video.current.srcObject = stream;
      await video.current.play();
      return look();
    };
    open().catch((error: unknown) => {
      if (!over) setTrouble(error instanceof DOMException && error.name === 'NotFoundError' ? 'none' : 'refused');
    });
    return () => {
      over = true;
      window.clearTimeout(timer);
      stop();
    };
  }, []);
  const take = (text: string | null) => (text ? onScan(readScan(text, families)) : setTrouble('nothing-in-picture'));
  const fromFile = async (file: File | undefined) => {
    if (!file) return;
    const picture = await createImageBitmap(file).catch(() => null);
    take(picture && readPicture(picture, picture.width, picture.height));
  };
  // the stand-in for a real plate goes the same way: it is drawn, looked at and read
  const simulate = () => {
    const canvas = document.createElement('canvas');
    take(paintPlate(canvas, families) ? readPicture(canvas, canvas.width, canvas.height) : null);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="scan-title">
      <DialogTitle id="scan-title">Scan the plate</DialogTitle>
      <DialogContent className="stack">
        {(trouble === null || trouble === 'nothing-in-picture') && (
          <div className="board scan-view">
            <video className="overlay" ref={video} muted playsInline aria-label="what the camera sees" />
            <span className="scan-frame" aria-hidden="true" />
          </div>
        )}
        {trouble ? (
          <p className="note" role="alert">
            {troubleWords[trouble]}
          </p>
        ) : (
          <p className="soft small">Bar code or square code, whole in the frame. It is read by itself.</p>
        )}
      </DialogContent>
      <DialogActions>
        <Button component="label">
          From a picture
          <input
            className="visually-hidden"
            type="file"
            accept="image/*"
            onChange={(e) => void fromFile(e.target.files?.[0])}
          />
        </Button>
        <Button onClick={simulate}>A made-up plate</Button>
        <Button onClick={onClose}>Type it instead</Button>
      </DialogActions>
    </Dialog>
  );
}

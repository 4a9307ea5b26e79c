import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { type ApiError, api } from '../../foundation/api.ts';

const longestSide = 2000;
const edges = ['left', 'top', 'right', 'bottom'] as const;
/** What is cut off at each edge, in per cent. */
type Cut = Readonly<Record<(typeof edges)[number], number>>;
const whole: Cut = { left: 0, top: 0, right: 0, bottom: 0 };

/** Cuts a picture, makes it small enough, and gives its bytes as base64. */
async function shrink(file: File, cut: Cut): Promise<string> {
  const image = await createImageBitmap(file);
  const x = (image.width * cut.left) / 100;
  const y = (image.height * cut.top) / 100;
  const w = Math.max(1, image.width - x - (image.width * cut.right) / 100);
  const h = Math.max(1, image.height - y - (image.height * cut.bottom) / 100);
  const scale = Math.min(1, longestSide / Math.max(w, h));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(w * scale));
  canvas.height = Math.max(1, Math.round(h * scale));
  canvas.getContext('2d')?.drawImage(image, x, y, w, h, 0, 0, canvas.width, canvas.height);
  const type = file.type === 'image/png' ? 'image/png' : 'image/jpeg';
  return canvas.toDataURL(type, 0.85).split(',')[1] ?? '';
}

/** Takes a picture in: its edges cut off while one looks at it, shrunk, kept by its hash; then its points are set. */
export function AddPicture() {
  const navigate = useNavigate();
  const [keep, { isLoading }] = api.useKeepPictureMutation();
  const [save] = api.useSaveDraftMutation();
  const [file, setFile] = useState<File | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  const [cut, setCut] = useState(whole);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (!file) return;
    const made = URL.createObjectURL(file);
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  const take = async (chosen: File) => {
    setProblem(null);
    const base64 = await shrink(chosen, cut).catch(() => null);
    if (base64 === null) return setProblem(`${chosen.name} is no picture this browser can read.`);
    const kept = await keep(base64);
    if (!kept.data) return setProblem((kept.error as ApiError).title);
    const { hash, type, bytes } = kept.data;
    const name = chosen.name.replace(/[^\p{L}\p{N} ._-]/gu, '').slice(0, 100) || 'Picture';
    const body = { kind: 'asset', id: hash, family: null, name, type, bytes, mayBeShared: false, marks: [] };
    const key = { family: null, kind: 'asset' as const, id: hash };
    const saved = await save({ key, basedOn: 0, note: 'uploaded', body });
    // the same picture once more is the entry that is there
    if (saved.data || (saved.error as ApiError).code === 'stale-save') void navigate(`/shelf/library/asset/${hash}`);
    else setProblem((saved.error as ApiError).title);
  };
  return (
    <div className="stack">
      <label className="field">
        Take a picture in
        <input
          className="box"
          type="file"
          accept="image/png,image/jpeg,image/webp"
          onChange={(e) => {
            setFile(e.target.files?.[0] ?? null);
            setCut(whole);
          }}
        />
      </label>
      {file && address && (
        <div className="split flip picture-cut">
          <img
            src={address}
            alt="as it will be kept"
            style={{ clipPath: `inset(${cut.top}% ${cut.right}% ${cut.bottom}% ${cut.left}%)` }}
            onError={() => setProblem(`${file.name} is no picture this browser can read.`)}
          />
          <div className="stack">
            {edges.map((edge) => (
              <div key={edge} className="field narrow">
                <span id={`cut-${edge}`}>
                  cut off {edge}: {cut[edge]} %
                </span>
                <Slider
                  aria-labelledby={`cut-${edge}`}
                  min={0}
                  max={49}
                  value={cut[edge]}
                  onChange={(_, to) => setCut({ ...cut, [edge]: Number(to) })}
                />
              </div>
            ))}
            <Button variant="contained" color="primary" disabled={isLoading} onClick={() => void take(file)}>
              Keep it
            </Button>
          </div>
        </div>
      )}
      {problem && (
        <span className="wrong" role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}

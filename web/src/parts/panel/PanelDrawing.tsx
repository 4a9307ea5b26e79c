import type { Control, ControlId, Face, PlaceId, Sign, SignId } from '@wire-trail/core';
import { type KeyboardEvent, useId } from 'react';
import { ControlMark } from './ControlMark.tsx';
import type { LampShow } from './lamp-show.ts';
import { SignMark } from './SignMark.tsx';
import './panel.css';

export type PanelProps = Readonly<{
  face: Face;
  /** What each lamp shows; one that is not named is dark. */
  lamps?: ReadonlyMap<SignId, LampShow>;
  texts?: ReadonlyMap<SignId, string>;
  /** Displays whose text flashes. */
  flashing?: ReadonlySet<SignId>;
  /** Where each control stands; one that is not named stands at its start. */
  places?: ReadonlyMap<ControlId, PlaceId>;
  /** Sounds and things felt that are on right now. */
  sounding?: ReadonlySet<SignId>;
  /** What the person should look at or act on now. */
  pointed?: ReadonlySet<string>;
  /** Small text beside a sign, such as its weight. */
  weights?: ReadonlyMap<SignId, string>;
  badge?: string;
  thumbnail?: boolean;
  /** The part alone, without the unit around it. */
  bare?: boolean;
  onSign?: (sign: Sign) => void;
  /** Knobs with clicks: how many they stand from their first rest. */
  clicks?: ReadonlyMap<ControlId, number>;
  /** Pushed down right now. */
  pushed?: ReadonlySet<ControlId>;
  onControl?: (control: Control, place: PlaceId | null, way: 'cw' | 'ccw') => void;
  onControlEnd?: (control: Control) => void;
}>;

const labelOf = (part: Control | Sign, badge: string | undefined): string =>
  (badge ? part.labelByBadge?.[badge] : undefined) ?? part.label;

/** A face of a unit, drawn from its data: the same drawing on the Shelf, on the way in, and to read codes from. */
export function PanelDrawing(props: PanelProps) {
  const { face, lamps, texts, places, sounding, pointed, weights, badge, thumbnail, bare, clicks, pushed } = props;
  const { onSign, onControl, onControlEnd, flashing } = props;
  const titleId = useId();
  const onLampKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || !onSign) return;
    const sign = face.signs.find(
      (s) => s.kind === 'lamp' && labelOf(s, badge).toLowerCase() === event.key.toLowerCase(),
    );
    if (!sign) return;
    event.preventDefault();
    onSign(sign);
  };
  return (
    <svg
      className={`panel ${thumbnail ? 'thumbnail' : ''}`}
      viewBox={`-1 -1 ${face.width + 2} ${face.height + 2}`}
      aria-labelledby={titleId}
      role={thumbnail ? 'img' : 'group'}
      data-keys={onSign ? 'panel' : undefined}
      onKeyDown={onSign ? onLampKey : undefined}
    >
      <title id={titleId}>{face.label}</title>
      {!bare && (
        <>
          <rect className="unit" x={-0.8} y={-0.8} width={face.width + 1.6} height={face.height + 1.6} rx={2.2} />
          <rect className="unit-face" x={0.6} y={0.6} width={face.width - 1.2} height={face.height - 1.2} rx={1.4} />
        </>
      )}
      {face.sheet && !bare && !thumbnail && <SheetMark at={face.sheet.at} where={face.sheet.where} />}
      {face.captions.map((caption) => (
        <text key={`${caption.text}${caption.at.x}`} className="caption" x={caption.at.x} y={caption.at.y + 1.4}>
          {caption.text}
        </text>
      ))}
      {face.signs.map((sign) => (
        <SignMark
          key={sign.id}
          sign={sign}
          label={labelOf(sign, badge)}
          lamp={lamps?.get(sign.id) ?? { state: 'dark' }}
          text={texts?.get(sign.id)}
          flashes={flashing?.has(sign.id) ?? false}
          on={sounding?.has(sign.id) ?? false}
          weight={weights?.get(sign.id)}
          pointed={pointed?.has(sign.id) ?? false}
          onTap={onSign && sign.kind === 'lamp' ? () => onSign(sign) : undefined}
        />
      ))}
      {face.controls.map((control) => (
        <ControlMark
          key={control.id}
          control={control}
          label={labelOf(control, badge)}
          place={places?.get(control.id) ?? null}
          pointed={pointed?.has(control.id) ?? false}
          click={clicks?.get(control.id)}
          down={pushed?.has(control.id)}
          onAct={onControl}
          onEnd={onControlEnd}
        />
      ))}
    </svg>
  );
}

/** Where the service sheet is hidden. */
function SheetMark({ at: { x, y, w, h }, where }: { at: Face['captions'][number]['at']; where: string }) {
  return (
    <g className="sheet-mark">
      <title>{`service sheet: ${where}`}</title>
      <rect fill="none" strokeWidth={0.2} x={x} y={y} width={w} height={h} rx={0.4} />
      <text x={x + w / 2} y={y + h / 2 + 0.5} textAnchor="middle">
        sheet
      </text>
    </g>
  );
}

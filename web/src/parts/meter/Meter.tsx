import LinearProgress, { type LinearProgressProps } from '@mui/material/LinearProgress';

type Props = Readonly<{
  /** How much of the whole, 0 to 1. */
  share: number;
  color?: LinearProgressProps['color'];
  /** Where it usually is, 0 to 1. */
  usual?: number | undefined;
}>;

/** How much of a whole, drawn; the figure stands beside it in words. */
export function Meter({ share, color = 'primary', usual }: Props) {
  return (
    <span className="board" aria-hidden>
      <LinearProgress variant="determinate" color={color} value={Math.min(100, Math.max(0, share * 100))} />
      {usual !== undefined && <span className="usual" style={{ left: `${usual * 100}%` }} />}
    </span>
  );
}

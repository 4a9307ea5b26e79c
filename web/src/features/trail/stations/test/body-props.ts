import type { ChartWalk } from '@wire-trail/core';
import type { StationProps } from '../StationLayout.tsx';
import type { Say } from './say.ts';

export type BodyProps = StationProps & Readonly<{ at: ChartWalk; say: Say }>;

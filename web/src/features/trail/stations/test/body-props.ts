import type { ChartWalk } from '@wire-trail/core';
import type { StationProps } from '../station.tsx';
import type { Say } from './say.ts';

export type BodyProps = StationProps & Readonly<{ at: ChartWalk; say: Say }>;

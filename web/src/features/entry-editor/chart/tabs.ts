import type { Chart } from '@wire-trail/core';

/** The tabs a chart is worked on in. */
export const chartTabs = ['Chart and outline', 'Try it', 'Print and exchange', 'About the chart'] as const;

/** One edit of the chart, and what it belongs to, for undo. */
export type EditChart = (next: Chart, about: string) => void;

import type { Bundle, Chart, Entry } from '@wire-trail/core';
import type { EditChart } from './tabs.ts';

export type ChartAt = Readonly<{ body: Chart; bodies: { entries: Entry[] }; bundle: Bundle; onEdit: EditChart }>;

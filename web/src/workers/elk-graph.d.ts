import type { ElkNode } from 'elkjs/lib/elk-api.js';
export type Box = Readonly<{
  id: string;
  width: number;
  height: number;
}>;
export type Arrow = Readonly<{
  id: string;
  from: string;
  to: string;
  label: Readonly<{
    width: number;
    height: number;
  }>;
}>;
/** Boxes and arrows as the layout engine takes them: downwards, layer by layer, no label upon anything. */
export declare const elkGraph: (boxes: readonly Box[], arrows: readonly Arrow[]) => ElkNode;

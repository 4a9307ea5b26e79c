/** What the line does with one request. */
export type Does =
  | 'passes'
  /** A page of somebody else's answers in the server's stead, as in a hotel. */
  | 'captive'
  /** Something on the way refuses. */
  | 403
  | 408
  | 500
  /** It is passed on, and the answer gets lost. */
  | 'loses-answer'
  /** It is passed on twice. */
  | 'repeats'
  | 'delays'
  | 'drops';
export type BadLine = Readonly<{
  address: string;
  /** What is done with the next requests to this path, in turn; whatever comes after passes. */
  will: (path: string, ...does: Does[]) => void;
  /** How many requests to this path have come. */
  came: (path: string) => number;
  close: () => Promise<void>;
}>;
/** A line to the school that fails as it is told; the browser knows no other. */
export declare function badLine(school: string): Promise<BadLine>;

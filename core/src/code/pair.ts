/** The number pair a text may be: suspect parameter and failure mode, as in `412-3`, `412.3` or `412/3`. */
export function pairOf(text: string): { parameter: number; mode: number } | null {
  const [, parameter, mode] = /^\D{0,4}(\d{1,6})\s*[-./\s]\s*\D{0,4}(\d{1,2})$/.exec(text.trim()) ?? [];
  return parameter === undefined || mode === undefined ? null : { parameter: Number(parameter), mode: Number(mode) };
}

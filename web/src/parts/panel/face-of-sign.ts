import type { Face, Panel } from '@wire-trail/core';

/** The face a sign sits on, on whichever panel; null where none has it. */
export function faceOfSign(panels: readonly Panel[], sign: string | undefined): { panel: Panel; face: Face } | null {
  for (const panel of panels)
    for (const face of panel.faces) if (face.signs.some((s) => s.id === sign)) return { panel, face };
  return null;
}

import { type Entry, keyOf, type Panel, type Working } from '@wire-trail/core';
import { useCallback } from 'react';
import { api } from '../../foundation/api.ts';

const mostNames = 12;

/** A panel on which a control has one more name; null where it has none such, or has that name already. */
function withName(panel: Panel, control: string, name: string): Panel | null {
  let done = false;
  const faces = panel.faces.map((face) => ({
    ...face,
    controls: face.controls.map((c) => {
      const known = c.alsoCalled ?? [];
      if (c.id !== control || known.includes(name) || known.length >= mostNames) return c;
      done = true;
      return { ...c, alsoCalled: [...known, name] };
    }),
  }));
  return done ? { ...panel, faces } : null;
}

/** Keeps what somebody calls a control as its further name, on the panel’s draft: found by it from then on. */
export function useFurtherName(working: readonly Working[]): (name: string, control: string) => void {
  const [save] = api.useSaveDraftMutation();
  return useCallback(
    (name, control) => {
      for (const { body, number } of working) {
        if (body.kind !== 'panel') continue;
        const panel = withName(body, control, name);
        if (!panel) continue;
        void save({
          key: keyOf(panel),
          basedOn: number,
          note: `“${name}” is what people call it`,
          body: panel as Entry,
        });
        return;
      }
    },
    [working, save],
  );
}

import { useEffect, useRef } from 'react';

/** Letters and digits belong to a text field while it has the focus. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

/** Whether the drawn panel has the focus: then letters belong to its lamps. */
const inPanel = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[data-keys="panel"]') !== null;

/** Page-wide keys by `KeyboardEvent.key`; off while somebody types, or the panel has the focus. */
export function usePageKeys(keys: Readonly<Record<string, () => void>>): void {
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || inPanel(event.target)) return;
      const run = current.current[event.key];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

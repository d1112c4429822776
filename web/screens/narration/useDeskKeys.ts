import { useEffect } from 'react';
import { useAuthor } from '../../state/author-store';

export interface DeskActions {
  readonly next: () => void;
  readonly previous: () => void;
  readonly accept: () => void;
  readonly edit: () => void;
  readonly aside: () => void;
  readonly merge: () => void;
  readonly split: () => void;
}

const KEYS: Readonly<Record<string, keyof DeskActions>> = {
  ArrowDown: 'next',
  ArrowUp: 'previous',
  Enter: 'accept',
  e: 'edit',
  x: 'aside',
  m: 'merge',
  s: 'split',
};

/** The keys of the narration desk. Nothing happens while somebody types, presses a button or has a dialog open. */
export function useDeskKeys(writes: boolean, actions: DeskActions): void {
  useEffect(() => {
    if (!writes) return undefined;
    const onKey = (event: KeyboardEvent) => {
      const { target } = event;
      const mod = event.ctrlKey || event.metaKey;
      if (event.defaultPrevented || event.altKey || !(target instanceof HTMLElement)) return;
      if (target.closest('[role="dialog"]') || target.matches('input, textarea, select, [contenteditable]')) return;
      if (mod && /^[zy]$/i.test(event.key)) {
        const { undo, redo } = useAuthor.getState();
        if (event.key.toLowerCase() === 'y' || event.shiftKey) redo();
        else undo();
      } else {
        const key = mod ? undefined : KEYS[event.key];
        // On the card in hand Enter adds it; on anything else that is pressed by Enter it presses.
        if (!key || (event.key === 'Enter' && target.closest('a, video, button:not([data-card][aria-pressed="true"])')))
          return;
        actions[key]();
      }
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [writes, actions]);
}

import { useEffect } from 'react';
import { AUTHOR_ACTIONS } from './desk/author-actions';
import { palette } from './desk/palette';

/** The keys of the author screen. Nothing happens while somebody types or a dialog is open. */
export function useAuthorKeys(writes: boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const mod = event.ctrlKey || event.metaKey;
      if (mod && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        palette.open();
        return;
      }
      if (event.altKey || event.defaultPrevented || isBusy(event.target, mod)) return;
      // Shift with Ctrl and Z is the other usual way to redo.
      const pressed = mod && event.shiftKey && event.key.toLowerCase() === 'z' ? 'y' : event.key;
      const key = mod ? `mod+${pressed.toLowerCase()}` : pressed;
      // Words that are marked on the page are copied as words.
      if (key === 'mod+c' && getSelection()?.toString()) return;
      const action = AUTHOR_ACTIONS.find((candidate) => candidate.key === key);
      if (!action || (action.writes && !writes)) return;
      event.preventDefault();
      action.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [writes]);
}

/** An empty typed line lets undo and redo through; every other field keeps its keys. */
function isBusy(target: EventTarget | null, mod: boolean): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('[role="dialog"]')) return true;
  return target.matches(mod ? 'input:not([data-undo]), textarea' : 'input, textarea, select, [contenteditable]');
}

import i18next from 'i18next';
import { useEffect } from 'react';
import { tellDone } from '../../app/notify';
import { useAuthor } from '../../state/author-store';

/** Drafts the way back from the way down and says what it did; undone like any edit. */
export function draftTheWayBack(): void {
  const count = useAuthor.getState().draftWayBack();
  tellDone(count > 0 ? i18next.t('fold.draftedSteps', { count }) : i18next.t('fold.nothingToDraft'));
}

/** "b" anywhere outside a field drafts the way back. */
export function useDraftKey(enabled: boolean): void {
  useEffect(() => {
    if (!enabled) return;
    const onKey = (event: KeyboardEvent) => {
      const busy =
        event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [role="dialog"]');
      if (busy || event.key !== 'b' || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      draftTheWayBack();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [enabled]);
}

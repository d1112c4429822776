import { type RefObject, useEffect, useLayoutEffect, useRef } from 'react';
import { useAuthor } from '../../../state/author-store';

/** The chip in hand keeps the focus it had when it is drawn anew, because its row changed. */
export function useKeptFocus(scroller: RefObject<HTMLElement | null>, drawn: unknown): void {
  const left = useRef<HTMLElement>(null);
  useEffect(() => {
    const list = scroller.current;
    const leave = ({ target }: FocusEvent) => {
      left.current = target instanceof HTMLElement ? target : null;
    };
    const enter = () => {
      left.current = null;
    };
    list?.addEventListener('focusout', leave);
    list?.addEventListener('focusin', enter);
    return () => {
      list?.removeEventListener('focusout', leave);
      list?.removeEventListener('focusin', enter);
    };
  }, [scroller]);
  // Asked by what is drawn: a chip that somebody left by themselves is still there.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at whenever rows are drawn
  useLayoutEffect(() => {
    const chip = left.current;
    if (!chip || chip.isConnected || document.activeElement !== document.body) return;
    left.current = null;
    if (chip.dataset.step !== useAuthor.getState().selected) return;
    scroller.current?.querySelector<HTMLElement>(`[data-step="${chip.dataset.step}"]`)?.focus({ preventScroll: true });
  }, [drawn, scroller]);
}

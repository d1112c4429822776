import { createContext, type ReactNode, use, useDeferredValue } from 'react';
import type { Workbook } from '#core/model/procedure';
import { useAuthor } from './author-store';

const SettledWorkbook = createContext<Workbook | null>(null);
const SettledStep = createContext<string | null>(null);

/**
 * Lets what is large follow an edit as soon as there is time: only this part is drawn with the edit, and nothing that
 * hangs on it twice.
 */
export function Settled({ children }: { children: ReactNode }) {
  const workbook = useDeferredValue(useAuthor((state) => state.workbook));
  const selected = useDeferredValue(useAuthor((state) => state.selected));
  return (
    <SettledWorkbook value={workbook}>
      <SettledStep value={selected}>{children}</SettledStep>
    </SettledWorkbook>
  );
}

/** The draft as it stood when there was last time to draw it. Throws outside of `Settled`. */
export function useSettledWorkbook(): Workbook {
  const workbook = use(SettledWorkbook);
  if (!workbook) throw new Error('nothing settles here');
  return workbook;
}

/** The step in hand when there was last time to draw it. */
export function useSettledStep(): string | null {
  return use(SettledStep);
}

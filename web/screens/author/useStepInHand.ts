import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { useAuthor } from '../../state/author-store';

const keyOf = (procedureId: string) => `fukusa.step.${procedureId}`;

/**
 * On opening, the step that the address names comes in hand; else the first one of what is released as it is, else the
 * one where this person left off on this device.
 */
export function useStepInHand(procedureId: string, releasedAsIs: boolean): void {
  const [params] = useSearchParams();
  const asked = params.get('step');
  useEffect(() => {
    const { workbook, select } = useAuthor.getState();
    const { steps } = workbook.procedure;
    const wanted = asked ?? (releasedAsIs ? steps[0]?.id : localStorage.getItem(keyOf(procedureId)));
    if (steps.some(({ id }) => id === wanted)) select(wanted ?? null);
    return useAuthor.subscribe(({ selected }, before) => {
      if (selected && selected !== before.selected) localStorage.setItem(keyOf(procedureId), selected);
    });
  }, [procedureId, releasedAsIs, asked]);
}

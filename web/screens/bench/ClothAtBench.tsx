import { useTranslation } from 'react-i18next';
import type { Step, Workbook } from '#core/procedure/procedure';
import { Cloth } from '../../drawings/Cloth';
import { computed } from '../../state/timeline';

/** The whole cloth as it should look when the step is done. */
export function ClothAtBench({ timelineOf, step, after }: { timelineOf: Workbook; step: Step; after: number }) {
  const { t } = useTranslation();
  const { timeline } = computed(timelineOf);
  // A step that asks for something has the room to itself; the small mat below still shows the cell.
  if (step.torque || step.photo || step.verb === 'torque') return null;
  return (
    <>
      <h2>{t('bench.clothAfter')}</h2>
      <Cloth timeline={timeline} after={after} />
    </>
  );
}

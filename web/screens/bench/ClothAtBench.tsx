import { useTranslation } from 'react-i18next';
import type { Step, Workbook } from '#core/model/procedure';
import { Cloth } from '../../drawings/Cloth';
import { timelineOn } from '../../state/ways';

interface ClothAtBenchProps {
  readonly workbook: Workbook;
  readonly answers: ReadonlyMap<string, string>;
  readonly step: Step;
  readonly after: number;
}

/** The whole cloth as it should look when the step is done. */
export function ClothAtBench({ workbook, answers, step, after }: ClothAtBenchProps) {
  const { t } = useTranslation();
  const timeline = timelineOn(workbook, answers);
  // A step that asks for something has the room to itself; the small mat below still shows the cell.
  if (step.torque || step.photo || step.verb === 'torque' || step.decision || step.looks || step.measurements)
    return null;
  return (
    <>
      <h2>{t('bench.clothAfter')}</h2>
      <Cloth timeline={timeline} after={after} />
    </>
  );
}

import { useTranslation } from 'react-i18next';
import { aidNames, methodLine, poseLine } from '#core/language/en/branches';
import { sayFacing } from '#core/language/en/directions';
import { photoShows } from '#core/language/en/photo';
import { sayAsked } from '#core/language/en/proofs';
import { sayTool } from '#core/language/en/sentence';
import type { Step, Workbook } from '#core/model/procedure';
import { showDuration, showQuantity } from '../../../ground/format';
import styles from './Step.module.css';

/** What a step says beside its sentence, for those who read and do not write. */
export function StepFacts({ step, workbook }: { step: Step; workbook: Workbook }) {
  const { t } = useTranslation();
  const { series } = workbook;
  const tools = step.toolIds.flatMap((id) => {
    const tool = series.tools.find((one) => one.id === id);
    return tool ? [sayTool(tool, step.toolCounts?.[id])] : [];
  });
  const applied = step.applications.map(({ consumableId, where }) => {
    const name = series.consumables.find((consumable) => consumable.id === consumableId)?.name ?? '';
    return where ? `${name}, ${where}` : name;
  });
  const facts: [string, string | undefined][] = [
    [t('step.tools'), tools.join(', ')],
    [
      t('step.faces'),
      step.faces && sayFacing(step.faces, series) + (step.faces.tellBy ? `, ${step.faces.tellBy}` : ''),
    ],
    [t('step.apply'), applied.join('; ')],
    [t('step.torque'), step.torque && `${showQuantity(step.torque.figure)} ± ${step.torque.tolerancePercent} %`],
    [t('step.detail'), step.detail],
    [t('step.why'), step.why],
    [t('step.methods'), step.methods?.map((method) => methodLine(method, workbook)).join('; ')],
    [t('step.aidsIn'), aidNames(step.aidsIn, workbook)],
    [t('step.aidsOut'), aidNames(step.aidsOut, workbook)],
    [t('step.pose'), poseLine(step, workbook)],
    [
      t('step.decision'),
      step.decision && `${step.decision.question} ${step.decision.answers.map(({ text }) => text).join(' / ')}`,
    ],
    [t('step.add.looks'), step.looks?.map(({ at, sound }) => `${at}: ${sound}`).join('; ')],
    [t('step.add.measurements'), step.measurements?.map(({ what, points }) => [what, ...points].join(', ')).join('; ')],
    [t('step.proofs'), step.proofs && sayAsked(step.proofs)],
    [t('step.add.repeat'), step.oneByOne && t('repeat.oneByOne')],
    [t('step.photo'), step.photo && photoShows(step, series)],
    [t('step.minutes'), step.minutes === undefined ? undefined : showDuration(step.minutes)],
  ];
  return (
    <>
      {facts
        .filter(([, value]) => value)
        .map(([label, value]) => (
          <div key={label} className={styles.read}>
            <span className="quiet">{label}</span>
            <span>{value}</span>
          </div>
        ))}
    </>
  );
}

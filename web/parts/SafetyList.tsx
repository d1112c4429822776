import { useTranslation } from 'react-i18next';
import { safetyPage } from '#core/cautions/safety-page';
import { sayCaution } from '#core/language/en/cautions';
import type { Workbook } from '#core/model/procedure';
import type { Setting } from '#core/model/procedure-words';
import { useSaid } from '../state/reader';
import { CautionNote } from './CautionNote';
import styles from './SafetyList.module.css';

/** What to know before the first step, made from all of them. Local rules and the site's lockout procedure come first. */
export function SafetyList({ workbook, setting }: { workbook: Workbook; setting?: Setting }) {
  const { t } = useTranslation();
  const said = useSaid();
  const { cautions, makingSafe, heavy, springs, substances } = safetyPage(workbook, setting);
  return (
    <div className={styles.page}>
      <p className={styles.first}>{t('safety.first')}</p>
      {makingSafe.length > 0 && (
        <p>{t('safety.makingSafe', { steps: makingSafe.join(', '), count: makingSafe.length })}</p>
      )}
      {cautions.map(({ steps, ...caution }) => (
        <div key={`${caution.signal} ${sayCaution(caution)}`} className={styles.caution}>
          <CautionNote caution={caution} />
          <span className="quiet">{t('safety.atSteps', { steps: steps.join(', '), count: steps.length })}</span>
        </div>
      ))}
      {heavy.length > 0 && (
        <p>
          {t('safety.heavy', {
            parts: heavy.map(({ name, massKg = 0 }) => `${name} ${said({ value: massKg, unit: 'kg' })}`).join(', '),
          })}
        </p>
      )}
      {springs.length > 0 && <p>{t('safety.springs', { parts: springs.map(({ name }) => name).join(', ') })}</p>}
      {substances.map(({ id, name, hazard }) => (
        <p key={id}>
          <strong>{name}</strong> {hazard}
        </p>
      ))}
    </div>
  );
}

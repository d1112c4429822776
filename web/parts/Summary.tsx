import { useTranslation } from 'react-i18next';
import { summarySections } from '#core/language/en/summary';
import { preferred } from '#core/quantity/preference';
import type { JobSummary } from '#core/record/summary';
import { showDuration, showQuantity } from '../ground/format';
import { useReader } from '../state/reader';
import styles from './Summary.module.css';

interface SummaryProps {
  readonly summary: JobSummary;
  readonly nameOf: (personId: string) => string;
}

/** What was done, found, renewed, measured and tightened, before the detail. */
export function Summary({ summary, nameOf }: SummaryProps) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  const sections = summarySections(
    summary,
    {
      nameOf,
      say: (quantity, digits) => showQuantity(preferred(quantity, units), digits),
      duration: showDuration,
    },
    'workshop',
  );
  return (
    <section className={styles.summary} aria-label={t('record.summary')}>
      {sections.map(({ title, lines, isOdd }) => (
        <div key={title} className={isOdd ? styles.oddSection : ''}>
          <h2>{title}</h2>
          <ul>
            {lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

import type { Caution } from '#core/procedure/procedure';
import styles from './Caution.module.css';

/** A caution with its published signal word in front. */
export function CautionNote({ caution }: { caution: Caution }) {
  return (
    <p className={`${styles.caution} ${styles[caution.signal] ?? ''}`}>
      <span className={styles.word}>{caution.signal}</span>
      {caution.text}
    </p>
  );
}

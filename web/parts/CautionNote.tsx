import { SIGNALS } from '#core/cautions/signal-words';
import { sayCaution } from '#core/language/en/cautions';
import type { Caution } from '#core/model/procedure';
import styles from './Caution.module.css';

/** A caution with its published signal word in front, on the published colour. */
export function CautionNote({ caution }: { caution: Caution }) {
  const { panel, word } = SIGNALS[caution.signal];
  return (
    <p className={styles.caution} style={{ borderColor: panel }}>
      <span className={styles.word} style={{ background: panel, color: word }}>
        {caution.signal}
      </span>
      <span>{sayCaution(caution)}</span>
    </p>
  );
}

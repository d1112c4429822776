import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './SignIn.module.css';

/** The page before one is signed in: what this is on the left, the form on the right. */
export function Welcome({ children }: { children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <main className={styles.screen}>
      <div className={styles.cloth}>
        <h1>{t('app.name')}</h1>
        <p>{t('app.promise')}</p>
        <p className={styles.safety}>{t('app.safety')}</p>
      </div>
      <div className={styles.form}>{children}</div>
    </main>
  );
}

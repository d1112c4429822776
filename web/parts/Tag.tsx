import type { ReactNode } from 'react';
import styles from './Tag.module.css';

/** A quiet label; coloured only when it says something about state. */
export function Tag({ children, tone }: { children: ReactNode; tone?: 'kaki' | 'moss' | 'ochre' | undefined }) {
  return <span className={`${styles.tag} ${tone ? styles[tone] : ''}`}>{children}</span>;
}

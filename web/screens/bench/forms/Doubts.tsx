import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { PhotoFault } from '#core/photo/judge-photo';
import { modals } from '../../../ground/overlays';
import frame from '../Bench.module.css';
import styles from './Forms.module.css';
import { ReasonForm } from './ReasonForm';

export interface DoubtsProps {
  readonly picture: Blob;
  readonly doubts: readonly PhotoFault[];
  readonly onAgain: () => void;
  readonly onKeep: (reason: string) => Promise<unknown>;
}

/** Tells what is wrong with a photo and what to do; it is taken again, or kept with a reason. */
export function Doubts({ picture, doubts, onAgain, onKeep }: DoubtsProps) {
  const { t } = useTranslation();
  const [source, setSource] = useState<string>();
  const [isKept, setKept] = useState(false);
  useEffect(() => {
    const url = URL.createObjectURL(picture);
    setSource(url);
    return () => URL.revokeObjectURL(url);
  }, [picture]);
  return (
    <div className={styles.doubts}>
      {source && <img src={source} alt={t('bench.doubts.picture')} />}
      <div className={styles.told}>
        <ul>
          {doubts.map((doubt) => (
            <li key={doubt}>
              <b>{t(`bench.doubts.is.${doubt}`)}</b> {t(`bench.doubts.todo.${doubt}`)}
            </li>
          ))}
        </ul>
        {isKept ? (
          <ReasonForm action={t('bench.doubts.keep')} onReason={onKeep} />
        ) : (
          <>
            <button
              type="button"
              className={`${frame.medium} ${frame.go}`}
              onClick={() => {
                modals.closeAll();
                onAgain();
              }}
            >
              {t('bench.doubts.again')}
            </button>
            <button type="button" className={frame.medium} onClick={() => setKept(true)}>
              {t('bench.doubts.keepWithReason')}
            </button>
          </>
        )}
      </div>
    </div>
  );
}

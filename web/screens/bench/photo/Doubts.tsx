import { Textarea } from '@mantine/core';
import { modals } from '@mantine/modals';
import i18next from 'i18next';
import { type FormEvent, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { PhotoFault } from '#core/photo/judge-photo';
import frame from '../Bench.module.css';
import styles from './Photo.module.css';

interface DoubtsProps {
  readonly picture: Blob;
  readonly doubts: readonly PhotoFault[];
  readonly onAgain: () => void;
  readonly onKeep: (reason: string) => Promise<void>;
}

/** Tells what is wrong with a photo and what to do; it is taken again, or kept with a reason. */
export function openDoubts(props: DoubtsProps): void {
  modals.open({ title: i18next.t('bench.doubts.title'), size: 'xl', children: <Doubts {...props} /> });
}

const SHORTEST = 3;

function Doubts({ picture, doubts, onAgain, onKeep }: DoubtsProps) {
  const { t } = useTranslation();
  const [source, setSource] = useState<string>();
  const [isKept, setKept] = useState(false);
  const [reason, setReason] = useState('');
  const [fault, setFault] = useState('');
  useEffect(() => {
    const url = URL.createObjectURL(picture);
    setSource(url);
    return () => URL.revokeObjectURL(url);
  }, [picture]);
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim().length < SHORTEST) return setFault(t('bench.reasonShort'));
    await onKeep(reason.trim());
    modals.closeAll();
  };
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
          <form onSubmit={keep} className={styles.told}>
            <Textarea
              size="lg"
              label={t('bench.reason')}
              value={reason}
              error={fault}
              maxLength={600}
              autosize
              minRows={2}
              data-autofocus
              onChange={(event) => setReason(event.currentTarget.value)}
            />
            <button type="submit" className={frame.medium}>
              {t('bench.doubts.keep')}
            </button>
          </form>
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

import { UnstyledButton } from '@mantine/core';
import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import { useStore } from 'zustand';
import { newVersion } from '../background/register';
import { modals } from '../ground/overlays';
import { Tag } from '../parts/Tag';
import styles from './Waiting.module.css';

/** Says that a new version of the app waits, and loads it when it is asked to. */
export function NewVersionNote({ atBench = false }: { atBench?: boolean }) {
  const { t } = useTranslation();
  const { takeOver } = useStore(newVersion);
  if (!takeOver) return null;
  return (
    <UnstyledButton
      className={atBench ? `${styles.note} ${styles.large}` : styles.note}
      onClick={() => ask(takeOver, atBench ? 'xl' : 'sm')}
    >
      <Tag>{t('newVersion.short')}</Tag>
    </UnstyledButton>
  );
}

function ask(takeOver: () => void, size: 'sm' | 'xl'): void {
  modals.openConfirmModal({
    title: i18next.t('newVersion.title'),
    children: i18next.t('newVersion.body'),
    labels: { confirm: i18next.t('newVersion.load'), cancel: i18next.t('newVersion.later') },
    confirmProps: { size },
    cancelProps: { size },
    onConfirm: takeOver,
  });
}

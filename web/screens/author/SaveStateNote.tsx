import { UnstyledButton } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { showTime } from '../../ground/format';
import { faultText, tellFault } from '../../ground/notify';
import { save, useAutosave } from '../../sync/autosave';
import styles from './desk/Author.module.css';

/** Says, in a word or two, whether the server has what is on the screen. */
export function SaveStateNote() {
  const { t } = useTranslation();
  const state = useAutosave((autosave) => autosave.state);
  switch (state.kind) {
    case 'saved':
      return (
        <output className={styles.saveState}>
          {state.at ? t('save.savedAt', { time: showTime(state.at) }) : t('save.saved')}
        </output>
      );
    case 'unsaved':
    case 'saving':
      return <output className={styles.saveState}>{t('save.saving')}</output>;
    case 'waiting':
      return <output className={`${styles.saveState} ${styles.problem}`}>{t(`save.waiting.${state.why}`)}</output>;
    case 'stale':
      return <output className={`${styles.saveState} ${styles.problem}`}>{t('save.stale')}</output>;
    case 'refused':
      return (
        <UnstyledButton
          className={`${styles.saveState} ${styles.problem}`}
          title={faultText(state.error).what}
          onClick={() => {
            tellFault(state.error);
            void save();
          }}
        >
          {t('save.refused')}
        </UnstyledButton>
      );
  }
}

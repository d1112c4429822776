import { Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { sayStep } from '#core/language/en/sentence';
import type { Workbook } from '#core/model/procedure';
import type { PhotoPair } from '#core/record/photo-pairs';
import { photoUrl } from '../../ground/api';
import { JobPhoto } from '../bench/photo/JobPhoto';
import styles from './Record.module.css';

/** The photo of parts that came off beside the one of them back in their place. */
export function Pairs({ pairs, workbook }: { pairs: readonly PhotoPair[]; workbook: Workbook }) {
  const { t } = useTranslation();
  if (pairs.length === 0) return null;
  const side = ({ index, photo }: PhotoPair['before'], when: 'before' | 'after') => {
    const step = workbook.procedure.steps[index];
    return (
      <figure key={when}>
        <a href={photoUrl(photo.hash)} target="_blank" rel="noreferrer">
          <JobPhoto photo={photo.hash} marks={photo.marks} isThumb alt={t(`record.pair.${when}`)} />
        </a>
        <figcaption>
          <b>{t(`record.pair.${when}`)}</b>{' '}
          {t('record.pair.step', { number: index + 1, step: step ? sayStep(step, workbook.series) : '' })}
        </figcaption>
      </figure>
    );
  };
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('record.pair.title')}
      </Title>
      <div className={styles.pairs}>
        {pairs.map(({ before, after }) => (
          <div key={`${before.index} ${after.index}`} className={styles.pair}>
            {side(before, 'before')}
            {side(after, 'after')}
          </div>
        ))}
      </div>
    </section>
  );
}

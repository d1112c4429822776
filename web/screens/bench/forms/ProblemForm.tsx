import { Textarea } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { PROBLEM_PLACES, type ProblemPlace } from '#core/job/entry-words';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import frame from '../Bench.module.css';
import styles from './Forms.module.css';

const SHORTEST = 3;

/** What is wrong, where, with a photo. */
export function ProblemForm({ bench, stepId }: { bench: BenchJob; stepId: string }) {
  const { t } = useTranslation();
  const [about, setAbout] = useState<ProblemPlace>();
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<File>();
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (note.trim().length < SHORTEST) return setFault(t('bench.reasonShort'));
    await bench.enterProblem({ stepId, note: note.trim(), ...(about && { about }) }, photo);
    modals.closeAll();
  };
  return (
    <form onSubmit={submit} className={styles.form}>
      <p>{t('bench.wrongBody')}</p>
      <fieldset className={styles.places}>
        <legend>{t('bench.problem.where')}</legend>
        {PROBLEM_PLACES.map((place) => (
          <button
            key={place}
            type="button"
            className={`${frame.medium} ${about === place ? frame.chosen : ''}`}
            aria-pressed={about === place}
            onClick={() => setAbout(about === place ? undefined : place)}
          >
            {t(`bench.problem.about.${place}`)}
          </button>
        ))}
      </fieldset>
      <Textarea
        size="lg"
        label={t('bench.reason')}
        value={note}
        error={fault}
        maxLength={600}
        minRows={3}
        autosize
        onChange={(event) => setNote(event.currentTarget.value)}
        data-autofocus
      />
      <label className={`${frame.medium} ${styles.take}`}>
        {photo ? t('bench.problem.photoTaken') : t('bench.problem.takePhoto')}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          onChange={(event) => setPhoto(event.currentTarget.files?.[0])}
        />
      </label>
      <button type="submit" className={`${frame.medium} ${frame.go}`}>
        {t('bench.wrongGo')}
      </button>
    </form>
  );
}

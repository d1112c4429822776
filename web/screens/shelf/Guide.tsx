import { Button } from '@mantine/core';
import { IconCheck } from '@tabler/icons-react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { type GuideSeries, stepsDone } from './guide-steps';
import { openNewProcedure, openNewSeries } from './NewDocuments';
import styles from './Shelf.module.css';

const AWAY = 'fukusa.guide-away';
const STEPS = ['series', 'lines', 'back', 'release'] as const;

/** The first four things to do in a new workshop; shown until they are done, or put away. */
export function Guide({ series }: { series: readonly GuideSeries[] }) {
  const { t } = useTranslation();
  const [away, setAway] = useState(localStorage.getItem(AWAY) !== null);
  const done = stepsDone(series);
  if (away || done >= STEPS.length) return null;
  const [first] = series;
  const procedure = first?.procedures[0];
  const putAway = () => {
    localStorage.setItem(AWAY, 'yes');
    setAway(true);
  };
  const act = () => {
    if (done === 0) return <Button onClick={openNewSeries}>{t('shelf.newSeries')}</Button>;
    if (first && !procedure) return <Button onClick={() => openNewProcedure(first)}>{t('shelf.newProcedure')}</Button>;
    return (
      procedure && (
        <Button component={Link} to={`/procedures/${procedure.id}${done === 3 ? '/release' : ''}`}>
          {t('guide.open')}
        </Button>
      )
    );
  };
  return (
    <section className={styles.guide} aria-label={t('guide.title')}>
      <div className={styles.guideHead}>
        <h2>{t('guide.title')}</h2>
        <Button variant="subtle" onClick={putAway}>
          {t('guide.away')}
        </Button>
      </div>
      <ol>
        {STEPS.map((step, i) => (
          <li key={step} data-state={i < done ? 'done' : i === done ? 'now' : 'later'}>
            <span className={styles.guideNumber}>
              {i < done ? <IconCheck size={18} aria-label={t('guide.done')} /> : i + 1}
            </span>
            <div>
              <strong>{t(`guide.${step}.what`)}</strong>
              <p className="quiet">{t(`guide.${step}.how`)}</p>
            </div>
            {i === done && act()}
          </li>
        ))}
      </ol>
    </section>
  );
}

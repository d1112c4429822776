import { IconCamera, IconPhoto } from '@tabler/icons-react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { photoShows } from '#core/language/en/photo';
import { photoUrl } from '../../../ground/api';
import { hasCamera } from '../../../parts/camera';
import { showLarge } from '../../../parts/StepPictures';
import frame from '../Bench.module.css';
import { PassOver } from '../DemandParts';
import type { DemandsProps } from '../Demands';
import styles from '../Demands.module.css';
import { openDoubts } from '../forms/open';
import { openCamera } from './Camera';
import { JobPhoto } from './JobPhoto';
import { judgeTaken } from './judge-taken';
import { openMarkPhoto } from './MarkPhoto';
import photoStyles from './Photo.module.css';

/** The photo that a step asks for: taken, judged on the spot, and kept, or taken again. */
export function PhotoDemand({ bench, step, run, inHand }: DemandsProps) {
  const { t } = useTranslation();
  const [isJudging, setJudging] = useState(false);
  const reference = step.pictures?.find(({ id }) => id === step.photo?.referenceId);
  const take = async (picture: Blob) => {
    setJudging(true);
    const doubts = await judgeTaken(picture, step.photo?.region, reference?.photo);
    setJudging(false);
    if (doubts.length === 0) return bench.enterPhoto(step.id, picture);
    openDoubts({
      picture,
      doubts,
      onAgain: open,
      onKeep: (reason) => bench.enterPhoto(step.id, picture, { doubts, reason }),
    });
  };
  const open = () => openCamera({ ghost: reference?.photo, region: step.photo?.region, onTaken: take });
  const another = run.photos.length > 0 ? t('bench.anotherPhoto') : t('bench.takePhoto');
  return (
    <>
      <div>
        <h2>{t('bench.photo')}</h2>
        <p className={styles.mustShow}>{photoShows(step, bench.job.release.workbook.series)}</p>
      </div>
      {reference && (
        <button type="button" className={styles.reference} onClick={() => showLarge(reference)}>
          <img src={photoUrl(reference.flat ?? reference.photo)} alt={reference.caption ?? t('picture.noCaption')} />
          {t('bench.reference')}
        </button>
      )}
      {run.photos.length > 0 && (
        <div className={styles.photos}>
          {run.photos.map((taken, i) => (
            <button
              key={taken.hash}
              type="button"
              className={photoStyles.open}
              onClick={() => openMarkPhoto(bench, step.id, taken, inHand)}
            >
              <JobPhoto
                bench={bench}
                photo={taken.hash}
                marks={taken.marks}
                isThumb
                alt={t('bench.photoNumber', { number: i + 1 })}
              />
            </button>
          ))}
        </div>
      )}
      {inHand && (
        <div className={styles.takes}>
          {hasCamera() && (
            <button type="button" className={`${frame.medium} ${styles.camera}`} disabled={isJudging} onClick={open}>
              <IconCamera size={28} aria-hidden />
              {isJudging ? t('bench.judging') : another}
            </button>
          )}
          <label className={`${frame.medium} ${styles.camera}`}>
            <IconPhoto size={28} aria-hidden />
            {hasCamera() ? t('bench.choosePhoto') : isJudging ? t('bench.judging') : another}
            <input
              type="file"
              accept="image/jpeg,image/png,image/webp"
              capture={hasCamera() ? undefined : 'environment'}
              onChange={(event) => {
                const [file] = event.currentTarget.files ?? [];
                if (file) void take(file);
                event.currentTarget.value = '';
              }}
            />
          </label>
        </div>
      )}
      <PassOver bench={bench} stepId={step.id} run={run} what="photo" offered={inHand && run.photos.length === 0} />
    </>
  );
}

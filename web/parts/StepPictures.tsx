import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Clip, Picture } from '#core/model/pictures/picture';
import type { Step } from '#core/model/procedure';
import { photoUrl, videoUrl } from '../ground/api';
import { modals } from '../ground/overlays';
import styles from './StepPictures.module.css';

/** The pictures and clips of a step, small; a press shows one large. */
export function StepPictures({ step }: { step: Step }) {
  const { t } = useTranslation();
  const pictures = step.pictures ?? [];
  const clips = step.clips ?? [];
  if (pictures.length + clips.length === 0) return null;
  return (
    <div className={styles.pictures}>
      {pictures.map((picture) => (
        <button
          key={picture.id}
          type="button"
          onClick={() => showLarge(picture)}
          aria-label={t('picture.large', { caption: picture.caption ?? '' })}
        >
          <img src={photoUrl(picture.flat ?? picture.photo, 'thumb')} alt={picture.caption ?? t('picture.noCaption')} />
          {picture.caption && <span>{picture.caption}</span>}
        </button>
      ))}
      {clips.map((clip) => (
        <figure key={clip.id}>
          <ClipPlayer clip={clip} />
          {clip.caption && <figcaption>{clip.caption}</figcaption>}
        </figure>
      ))}
    </div>
  );
}

export function showLarge({ photo, flat, caption }: Picture): void {
  modals.open({
    size: 'auto',
    title: caption,
    children: (
      <img className={styles.large} src={photoUrl(flat ?? photo)} alt={caption ?? i18next.t('picture.noCaption')} />
    ),
  });
}

/** Plays its stretch only, and starts it over from its beginning. */
export function ClipPlayer({ clip }: { clip: Clip }) {
  const { t } = useTranslation();
  return (
    // The clips of a workshop show hands and parts; what is said in them is said in the step.
    <video
      className={styles.video}
      src={`${videoUrl(clip.video)}#t=${clip.from},${clip.to}`}
      controls
      muted
      preload="metadata"
      aria-label={clip.caption ?? t('clip.player')}
      onPlay={(event) => {
        const { currentTarget: player } = event;
        if (player.currentTime < clip.from || player.currentTime >= clip.to - 0.1) player.currentTime = clip.from;
      }}
      onTimeUpdate={(event) => {
        if (event.currentTarget.currentTime >= clip.to) event.currentTarget.pause();
      }}
    />
  );
}

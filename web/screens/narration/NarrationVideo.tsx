import { Button, Group } from '@mantine/core';
import { IconCamera, IconPlayerPlay } from '@tabler/icons-react';
import { nanoid } from 'nanoid';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import type { Narration } from '#core/model/narration';
import { changingNarration } from '#core/narration/desk';
import { picturing } from '#core/narration/editing';
import { sendPhoto, videoUrl } from '../../ground/api';
import { tellDone, tellFault } from '../../ground/notify';
import { useAuthor } from '../../state/author-store';
import type { DeskRow } from './desk-rows';
import styles from './Narration.module.css';

interface NarrationVideoProps {
  readonly video: string;
  /** The stretch that belongs to what is in hand. */
  readonly clip: { readonly from: number; readonly to: number } | undefined;
  readonly narration: Narration;
  readonly chosen: DeskRow | undefined;
  readonly writes: boolean;
}

/** Plays the stretch in which the proposal in hand is said; a frame of it becomes a picture of the step. */
export function NarrationVideo({ video, clip, narration, chosen, writes }: NarrationVideoProps) {
  const { t } = useTranslation();
  const player = useRef<HTMLVideoElement>(null);
  const from = clip?.from;
  const until = useRef<number>(undefined);
  useEffect(() => {
    until.current = undefined;
    if (player.current && from !== undefined) player.current.currentTime = from;
  }, [from]);
  const play = () => {
    if (!player.current || !clip) return;
    player.current.currentTime = clip.from;
    until.current = clip.to;
    void player.current.play();
  };
  const grab = async () => {
    const picture = player.current && (await frameOf(player.current));
    if (!picture || !chosen) return;
    try {
      const { hash } = await sendPhoto(picture);
      const { workbook, apply, changeStep } = useAuthor.getState();
      const now = workbook.procedure.narrations?.find(({ id }) => id === narration.id);
      if (chosen.step) {
        const step = workbook.procedure.steps.find(({ id }) => id === chosen.step?.id);
        changeStep(chosen.step.id, {
          pictures: [...(step?.pictures ?? []), { id: nanoid(8), photo: hash, marks: [] }],
        });
      } else if (now) apply([changingNarration(workbook, picturing(now, chosen.id, hash))]);
      tellDone(t('narration.grabbed'));
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <div className={styles.film}>
      {/* What is said in it stands below it, passage by passage. */}
      <video
        ref={player}
        src={videoUrl(video)}
        controls
        muted
        preload="auto"
        aria-label={t('narration.film')}
        onTimeUpdate={({ currentTarget }) => {
          if (until.current !== undefined && currentTarget.currentTime >= until.current) {
            currentTarget.pause();
            until.current = undefined;
          }
        }}
      />
      <Group gap={8}>
        <Button
          size="compact-sm"
          variant="default"
          disabled={!clip}
          leftSection={<IconPlayerPlay size={15} />}
          onClick={play}
        >
          {t('narration.play')}
        </Button>
        {writes && (
          <Button
            size="compact-sm"
            variant="default"
            disabled={!chosen}
            leftSection={<IconCamera size={15} />}
            onClick={() => void grab()}
          >
            {t('narration.grab')}
          </Button>
        )}
        {(chosen?.read?.proposal.photos ?? []).length > 0 && (
          <span className={styles.small}>
            {t('narration.pictures', { count: chosen?.read?.proposal.photos?.length ?? 0 })}
          </span>
        )}
      </Group>
    </div>
  );
}

async function frameOf(film: HTMLVideoElement): Promise<Blob | null> {
  const canvas = document.createElement('canvas');
  canvas.width = film.videoWidth;
  canvas.height = film.videoHeight;
  canvas.getContext('2d')?.drawImage(film, 0, 0);
  return canvas.width > 0 ? new Promise((done) => canvas.toBlob(done, 'image/jpeg', 0.9)) : null;
}

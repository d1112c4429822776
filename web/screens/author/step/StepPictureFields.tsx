import { Button, FileButton, Group, Modal, NumberInput, Text } from '@mantine/core';
import { IconMovie, IconPhotoPlus } from '@tabler/icons-react';
import { nanoid } from 'nanoid';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Clip, Picture } from '#core/model/pictures/picture';
import type { Step } from '#core/model/procedure';
import { photoUrl, sendPhoto, sendVideo } from '../../../ground/api';
import { tellFault } from '../../../ground/notify';
import { DraftText } from '../../../parts/DraftText';
import { Remove } from '../../../parts/Remove';
import { ClipPlayer } from '../../../parts/StepPictures';
import { useAuthor } from '../../../state/author-store';
import { PartThatMatters } from './PartThatMatters';
import styles from './Pictures.module.css';
import { emptyIsNone } from './StepFieldKinds';

const Annotator = lazy(() => import('./annotator/Annotator'));

interface PictureFieldsProps {
  readonly step: Step;
  readonly change: (fields: Partial<Step>) => void;
}

const picturesNow = (stepId: string) =>
  useAuthor.getState().workbook.procedure.steps.find((step) => step.id === stepId)?.pictures ?? [];

/** Photos dropped, pasted or chosen; each can be drawn on, and one can show how the photo check should look. */
export function PictureFields({ step, change }: PictureFieldsProps) {
  const { t } = useTranslation();
  const [sending, setSending] = useState(0);
  const [over, setOver] = useState(false);
  const [drawing, setDrawing] = useState<string | null>(null);
  const [isMarking, setMarking] = useState(false);
  const pictures = step.pictures ?? [];
  const set = (next: readonly Picture[]) => change({ pictures: emptyIsNone(next) });
  const take = async (files: readonly File[]) => {
    const images = files.filter((file) => file.type.startsWith('image/'));
    if (images.length === 0) return;
    setSending((n) => n + images.length);
    for (const file of images) {
      try {
        const { hash } = await sendPhoto(file);
        set([...picturesNow(step.id), { id: nanoid(8), photo: hash, marks: [] }]);
      } catch (error) {
        tellFault(error);
      }
      setSending((n) => n - 1);
    }
  };
  const remove = (picture: Picture) =>
    change({
      pictures: emptyIsNone(pictures.filter((other) => other !== picture)),
      ...(step.photo?.referenceId === picture.id && { photo: { mustShow: step.photo.mustShow } }),
    });
  const open = pictures.find(({ id }) => id === drawing);
  const reference = pictures.find(({ id }) => id === step.photo?.referenceId);
  return (
    <section
      className={`${styles.drop} ${over ? styles.over : ''}`}
      aria-label={t('picture.drop')}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void take([...event.dataTransfer.files]);
      }}
      onPaste={(event) => void take([...event.clipboardData.files])}
    >
      {pictures.map((picture) => (
        <div key={picture.id} className={styles.picture}>
          <button
            type="button"
            className={styles.thumb}
            onClick={() => setDrawing(picture.id)}
            aria-label={t('picture.draw')}
          >
            <img
              src={photoUrl(picture.flat ?? picture.photo, 'thumb')}
              alt={picture.caption ?? t('picture.noCaption')}
            />
          </button>
          <div className={styles.about}>
            <DraftText
              ariaLabel={t('picture.caption')}
              placeholder={t('picture.captionHint')}
              value={picture.caption ?? ''}
              maxLength={200}
              onCommit={(caption) => {
                const { caption: _old, ...rest } = picture;
                set(pictures.map((other) => (other === picture ? (caption ? { ...rest, caption } : rest) : other)));
              }}
            />
            <Group gap={6}>
              <Button size="compact-sm" variant="default" onClick={() => setDrawing(picture.id)}>
                {t('picture.draw')}
              </Button>
              {step.photo && (
                <Button
                  size="compact-sm"
                  variant={step.photo.referenceId === picture.id ? 'filled' : 'default'}
                  aria-pressed={step.photo.referenceId === picture.id}
                  onClick={() => {
                    const { mustShow, referenceId } = step.photo ?? { mustShow: '' };
                    change({
                      photo: referenceId === picture.id ? { mustShow } : { mustShow, referenceId: picture.id },
                    });
                  }}
                >
                  {t('picture.reference')}
                </Button>
              )}
              {step.photo?.referenceId === picture.id && (
                <Button
                  size="compact-sm"
                  variant={step.photo.region ? 'filled' : 'default'}
                  onClick={() => setMarking(true)}
                >
                  {t('picture.part')}
                </Button>
              )}
            </Group>
          </div>
          <Remove onClick={() => remove(picture)} />
        </div>
      ))}
      <Group gap={8}>
        <FileButton multiple accept="image/jpeg,image/png,image/webp" onChange={(files) => void take(files)}>
          {(props) => (
            <Button {...props} size="compact-sm" variant="default" leftSection={<IconPhotoPlus size={15} />}>
              {t('picture.choose')}
            </Button>
          )}
        </FileButton>
        <Text size="sm" className="quiet" role="status">
          {sending > 0 ? t('picture.sending', { count: sending }) : t('picture.drop')}
        </Text>
      </Group>
      <Modal opened={isMarking} size="xl" onClose={() => setMarking(false)} title={t('picture.part')}>
        {reference && step.photo && (
          <PartThatMatters
            photo={reference.photo}
            region={step.photo.region}
            onSave={(region) => {
              const { region: _before, ...photo } = step.photo ?? {};
              change({ photo: region ? { ...photo, region } : photo });
              setMarking(false);
            }}
          />
        )}
      </Modal>
      <Modal opened={open !== undefined} size="auto" onClose={() => setDrawing(null)} title={t('picture.draw')}>
        {open && (
          <Suspense fallback={<div className={styles.waiting} />}>
            <Annotator
              picture={open}
              onSave={(next) => {
                set(picturesNow(step.id).map((other) => (other.id === next.id ? next : other)));
                setDrawing(null);
              }}
              onCancel={() => setDrawing(null)}
            />
          </Suspense>
        )}
      </Modal>
    </section>
  );
}

/** Short stretches of video, each with its start and end. */
export function ClipFields({ step, change }: PictureFieldsProps) {
  const { t } = useTranslation();
  const [sending, setSending] = useState(false);
  const clips = step.clips ?? [];
  const set = (next: readonly Clip[]) => change({ clips: emptyIsNone(next) });
  const take = async (file: File | null) => {
    if (!file) return;
    setSending(true);
    try {
      const [{ hash }, length] = await Promise.all([sendVideo(file), lengthOf(file)]);
      set([...clips, { id: nanoid(8), video: hash, from: 0, to: Math.max(1, Math.min(length, 60)) }]);
    } catch (error) {
      tellFault(error);
    }
    setSending(false);
  };
  return (
    <div className={styles.clips}>
      {clips.map((clip, i) => (
        <div key={clip.id} className={styles.clip}>
          <ClipPlayer clip={clip} />
          <div className={styles.about}>
            <DraftText
              ariaLabel={t('picture.caption')}
              placeholder={t('picture.captionHint')}
              value={clip.caption ?? ''}
              maxLength={200}
              onCommit={(caption) => {
                const { caption: _old, ...rest } = clip;
                set(clips.with(i, caption ? { ...rest, caption } : rest));
              }}
            />
            <Group gap={6} grow>
              {(['from', 'to'] as const).map((end) => (
                <NumberInput
                  key={end}
                  aria-label={t(`clip.${end}`)}
                  prefix={`${t(`clip.${end}`)} `}
                  suffix=" s"
                  min={0}
                  max={7200}
                  decimalScale={1}
                  value={clip[end]}
                  onChange={(value) => {
                    const next = { ...clip, [end]: Number(value) };
                    if (value !== '' && next.to > next.from) set(clips.with(i, next));
                  }}
                />
              ))}
            </Group>
          </div>
          <Remove onClick={() => set(clips.toSpliced(i, 1))} />
        </div>
      ))}
      <FileButton accept="video/mp4,video/webm" onChange={(file) => void take(file)}>
        {(props) => (
          <Button
            {...props}
            size="compact-sm"
            variant="default"
            loading={sending}
            leftSection={<IconMovie size={15} />}
            justify="flex-start"
            style={{ justifySelf: 'start' }}
          >
            {t('clip.choose')}
          </Button>
        )}
      </FileButton>
    </div>
  );
}

/** Seconds a video lasts, as far as the browser can tell; a minute where it cannot. */
function lengthOf(file: File): Promise<number> {
  const url = URL.createObjectURL(file);
  const video = document.createElement('video');
  return new Promise<number>((resolve) => {
    const tell = (seconds: number) => {
      URL.revokeObjectURL(url);
      resolve(Number.isFinite(seconds) && seconds > 0 ? seconds : 60);
    };
    video.onloadedmetadata = () => tell(video.duration);
    video.onerror = () => tell(0);
    video.src = url;
  });
}

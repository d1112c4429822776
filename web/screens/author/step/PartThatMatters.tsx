import { Button, Group, Text } from '@mantine/core';
import { type PointerEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Region } from '#core/photo/grey';
import { photoUrl } from '../../../ground/api';
import styles from './Pictures.module.css';

interface PartThatMattersProps {
  readonly photo: string;
  readonly region: Region | undefined;
  readonly onSave: (region: Region | undefined) => void;
}

/** Smaller than this is a slip of the hand. */
const LEAST = 0.05;

/** The part of a reference photo that photos at the bench are judged by, drawn with the pointer. */
export function PartThatMatters({ photo, region, onSave }: PartThatMattersProps) {
  const { t } = useTranslation();
  const [drawn, setDrawn] = useState(region);
  const [from, setFrom] = useState<{ readonly x: number; readonly y: number }>();
  const at = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (value: number, start: number, length: number) =>
      Number(Math.min(1, Math.max(0, (value - start) / length)).toFixed(3));
    return { x: share(event.clientX, box.left, box.width), y: share(event.clientY, box.top, box.height) };
  };
  const draw = (event: PointerEvent<HTMLElement>) => {
    if (!from) return;
    const to = at(event);
    const size = (a: number, b: number) => Number(Math.abs(a - b).toFixed(3));
    setDrawn({
      x: Math.min(from.x, to.x),
      y: Math.min(from.y, to.y),
      width: size(from.x, to.x),
      height: size(from.y, to.y),
    });
  };
  const isLarge = drawn !== undefined && drawn.width >= LEAST && drawn.height >= LEAST;
  const percent = (value: number) => `${100 * value}%`;
  return (
    <div>
      <Text mb="sm">{t('picture.partHelp')}</Text>
      <div
        className={styles.matters}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setFrom(at(event));
          setDrawn(undefined);
        }}
        onPointerMove={draw}
        onPointerUp={(event) => {
          draw(event);
          setFrom(undefined);
        }}
      >
        <img src={photoUrl(photo)} alt={t('picture.partOf')} draggable={false} />
        {drawn && (
          <span
            style={{
              left: percent(drawn.x),
              top: percent(drawn.y),
              width: percent(drawn.width),
              height: percent(drawn.height),
            }}
          />
        )}
      </div>
      <Group mt="md" justify="flex-end">
        {region && (
          <Button variant="default" onClick={() => onSave(undefined)}>
            {t('picture.partWhole')}
          </Button>
        )}
        <Button disabled={!isLarge} onClick={() => onSave(drawn)}>
          {t('picture.partSave')}
        </Button>
      </Group>
    </div>
  );
}

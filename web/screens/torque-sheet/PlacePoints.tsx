import { Button, Group, Text } from '@mantine/core';
import { type PointerEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Point } from '#core/model/fastener-group';
import styles from './TorqueSheet.module.css';

interface PlacePointsProps {
  readonly count: number;
  readonly onPlaced: (points: readonly Point[]) => void;
  readonly onCancel: () => void;
}

const SIDE = 320;
const EDGE = 30;

/** Free places of a joint, clicked where the fasteners sit, one after the other. */
export function PlacePoints({ count, onPlaced, onCancel }: PlacePointsProps) {
  const { t } = useTranslation();
  const [points, setPoints] = useState<readonly Point[]>([]);
  const place = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (at: number, from: number, length: number) =>
      Number(Math.min(1, Math.max(0, (((at - from) / length) * SIDE - EDGE) / (SIDE - 2 * EDGE))).toFixed(3));
    const point = {
      x: share(event.clientX, box.left, box.width),
      y: share(event.clientY, box.top, box.height),
    };
    const next = [...points, point];
    if (next.length < count) setPoints(next);
    else onPlaced(next);
  };
  const at = (share: number) => EDGE + share * (SIDE - 2 * EDGE);
  return (
    <>
      <svg
        className={styles.places}
        viewBox={`0 0 ${SIDE} ${SIDE}`}
        role="img"
        aria-label={t('torque.placeLabel', { done: points.length, count })}
        onPointerDown={place}
      >
        <rect x={1} y={1} width={SIDE - 2} height={SIDE - 2} rx={10} />
        {points.map(({ x, y }, i) => (
          <g key={`${x} ${y}`}>
            <circle cx={at(x)} cy={at(y)} r={15} />
            <text x={at(x)} y={at(y) + 5}>
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
      <Text size="sm">{t('torque.placeNext', { next: points.length + 1, count })}</Text>
      <Group gap="xs" className={styles.tools}>
        <Button
          size="compact-md"
          variant="default"
          disabled={points.length === 0}
          onClick={() => setPoints(points.slice(0, -1))}
        >
          {t('torque.placeUndo')}
        </Button>
        <Button size="compact-md" variant="default" onClick={onCancel}>
          {t('torque.cancel')}
        </Button>
      </Group>
    </>
  );
}

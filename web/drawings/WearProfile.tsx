import type { Measured } from '#core/judging/measure';
import type { Measurement } from '#core/model/procedure';
import { convert } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import { showNumber } from '../ground/format';
import styles from './WearProfile.module.css';

interface WearProfileProps {
  readonly measurement: Measurement;
  readonly measured: readonly Measured[];
  /** How far inside a limit a reading has to lie to prove something. */
  readonly guard: Quantity | undefined;
  readonly label: string;
}

const WIDE = 400;
const HIGH = 150;
const LEFT = 62;
const RIGHT = 14;
const TOP = 12;
const BOTTOM = 26;

/** The sizes of a part along its length, against new, the limits and the band in which nothing is proved. */
export function WearProfile({ measurement, measured, guard, label }: WearProfileProps) {
  const { nominal, least, most, points } = measurement;
  const unit = (nominal ?? least ?? most ?? measured[0]?.reading)?.unit;
  if (!unit || measured.length === 0 || (!least && !most && !nominal)) return null;
  const size = (quantity: Quantity | undefined) => quantity && convert(quantity, unit).value;
  const band = size(guard) ?? 0;
  const taken = measured.map((one) => ({ ...one, value: convert(one.reading, unit).value }));
  const lines = { new: size(nominal), least: size(least), most: size(most) };
  const all = [...taken.map(({ value }) => value), ...Object.values(lines).filter((value) => value !== undefined)];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const room = Math.max((high - low) * 0.14, band, high * 1e-4);
  const [from, to] = [low - room, high + room];
  const y = (value: number) => TOP + ((to - value) / (to - from)) * (HIGH - TOP - BOTTOM);
  const along = points.length > 0 ? points : [''];
  const x = (point: string | null) =>
    LEFT + ((along.indexOf(point ?? '') + 0.5) / along.length) * (WIDE - LEFT - RIGHT);
  const limit = (value: number | undefined, name: string) =>
    value === undefined ? null : (
      <g key={name}>
        {band > 0 && (
          <rect
            x={LEFT}
            width={WIDE - LEFT - RIGHT}
            y={y(value + band)}
            height={y(value - band) - y(value + band)}
            className={styles.band}
          />
        )}
        <line x1={LEFT} x2={WIDE - RIGHT} y1={y(value)} y2={y(value)} className={styles.limit} />
        <text x={LEFT - 6} y={y(value) + 4} className={styles.scale}>
          {showNumber(value, 5)}
        </text>
      </g>
    );
  return (
    <svg className={styles.profile} viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label}>
      {limit(lines.least, 'least')}
      {limit(lines.most, 'most')}
      {lines.new !== undefined && (
        <g>
          <line x1={LEFT} x2={WIDE - RIGHT} y1={y(lines.new)} y2={y(lines.new)} className={styles.isNew} />
          {lines.new !== lines.most && lines.new !== lines.least && (
            <text x={LEFT - 6} y={y(lines.new) + 4} className={styles.scale}>
              {showNumber(lines.new, 5)}
            </text>
          )}
        </g>
      )}
      {([1, 2] as const).map((direction) => {
        const way = taken.filter((one) => one.direction === direction).toSorted((a, b) => x(a.point) - x(b.point));
        const path = way.map(({ point, value }) => `${x(point)},${y(value)}`).join(' ');
        return (
          <g key={direction} className={direction === 1 ? styles.first : styles.second}>
            {way.length > 1 && <polyline points={path} />}
            {way.map(({ point, value }) =>
              direction === 1 ? (
                <circle key={point} cx={x(point)} cy={y(value)} r={5} />
              ) : (
                <rect key={point} x={x(point) - 4.5} y={y(value) - 4.5} width={9} height={9} />
              ),
            )}
          </g>
        );
      })}
      {points.map((point) => (
        <text key={point} x={x(point)} y={HIGH - 8} className={styles.point}>
          {point}
        </text>
      ))}
    </svg>
  );
}

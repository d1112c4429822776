import type { Sample } from '#core/proving/run';
import styles from './Run.module.css';

interface RunChartProps {
  readonly samples: readonly Sample[];
  /** Seconds between samples. */
  readonly every: number;
  /** The flow that is expected, L/min. */
  readonly flow: number | undefined;
  readonly label: string;
}

const WIDE = 400;
const HIGH = 120;

/** Flow and pressure over the run, each on a scale of its own from zero; light enough for the bench. */
export function RunChart({ samples, every, flow, label }: RunChartProps) {
  if (samples.length < 2) return null;
  const most = (what: 'flow' | 'pressure', room: number, more = 0) =>
    Math.max(more, ...samples.map((sample) => sample[what] ?? 0)) * room || 1;
  // The pressure is drawn lower, so that the lines do not cover one another.
  const tops = { flow: most('flow', 1.15, flow), pressure: most('pressure', 1.8) };
  const x = (i: number) => (i / (samples.length - 1)) * WIDE;
  const y = (what: 'flow' | 'pressure', value: number) => HIGH - (value / tops[what]) * HIGH;
  const path = (what: 'flow' | 'pressure') =>
    samples.map((sample, i) => `${x(i).toFixed(1)},${y(what, sample[what] ?? 0).toFixed(1)}`).join(' ');
  return (
    <figure className={styles.chart}>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} preserveAspectRatio="none" role="img" aria-label={label}>
        {flow !== undefined && (
          <line x1={0} x2={WIDE} y1={y('flow', flow)} y2={y('flow', flow)} className={styles.expected} />
        )}
        <polyline points={path('flow')} className={styles.flow} />
        <polyline points={path('pressure')} className={styles.pressure} />
      </svg>
      <figcaption>{`${label}, ${Math.round((samples.length - 1) * every)} s`}</figcaption>
    </figure>
  );
}

import { levelLine, NAMED_ONLY, TONES, useChart } from './useChart';
import styles from './WindowChart.module.css';

export interface ChartPoints {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}

interface WindowChartProps {
  /** What it shows, for whoever does not see it. */
  readonly label: string;
  readonly series: readonly ChartPoints[];
  /** Allowed either way, in per cent; drawn as two lines. */
  readonly tolerance: number;
  readonly from: number;
  readonly to: number;
  /** What stands at a place of the lower edge; nothing where the order is all that counts. */
  readonly at?: (x: number) => string;
}

/** Readings off their target in per cent, in groups of one colour each, against their window. */
export function WindowChart({ label, series, tolerance, from, to, at }: WindowChartProps) {
  const ticks = at ? { callback: (value: string | number) => at(Number(value)), maxTicksLimit: 8 } : { display: false };
  const canvas = useChart(JSON.stringify([series, tolerance, from, to]), () => ({
    type: 'scatter',
    data: {
      datasets: [
        ...series.map(({ name, points }, i) => ({
          label: name,
          data: [...points],
          backgroundColor: TONES[i % TONES.length] as string,
          pointRadius: 5,
          clip: false as const,
        })),
        levelLine(from, to, tolerance),
        levelLine(from, to, -tolerance),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      scales: {
        x: { min: from, max: to, ticks, grid: { display: false } },
        y: {
          title: { display: true, text: '%' },
          suggestedMin: -1.25 * tolerance,
          suggestedMax: 1.25 * tolerance,
        },
      },
      plugins: { legend: NAMED_ONLY },
    },
  }));
  return (
    <div className={styles.chart}>
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}

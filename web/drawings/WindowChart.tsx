import { useEffect, useRef } from 'react';
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
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = JSON.stringify(series);
  const name = useRef(at);
  name.current = at;
  useEffect(() => {
    const sheet = canvas.current;
    if (!sheet) return;
    let chart: { destroy(): void } | undefined;
    let here = true;
    // Its own file: the bench, which is loaded with the record, draws no charts.
    void import('chart.js').then(
      ({ Chart, LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip }) => {
        if (!here) return;
        Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
        Chart.register(LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip);
        const read = (JSON.parse(drawn) as ChartPoints[]).map((one, i) => ({
          label: one.name,
          data: [...one.points],
          backgroundColor: TONES[i % TONES.length] as string,
          pointRadius: 5,
          clip: false as const,
        }));
        const limit = (y: number) => ({
          label: '',
          data: [
            { x: from, y },
            { x: to, y },
          ],
          showLine: true,
          pointRadius: 0,
          borderColor: '#4c6b2f',
          borderWidth: 2,
        });
        const ticks = name.current
          ? { callback: (value: string | number) => name.current?.(Number(value)), maxTicksLimit: 8 }
          : { display: false };
        chart = new Chart(sheet, {
          type: 'scatter',
          data: { datasets: [...read, limit(tolerance), limit(-tolerance)] },
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
            plugins: { legend: { labels: { filter: ({ text }) => text !== '' } } },
          },
        });
      },
    );
    return () => {
      here = false;
      chart?.destroy();
    };
  }, [drawn, tolerance, from, to]);
  return (
    <div className={styles.chart}>
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}

const TONES = ['#9c8f72', '#6079a9', '#24406e', '#7d5c07', '#b03f12', '#4c6b2f', '#4a5670', '#1d2b45'];

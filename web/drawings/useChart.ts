import type { ChartConfiguration } from 'chart.js';
import { type RefObject, useEffect, useRef } from 'react';

/**
 * Draws points and lines on a canvas, again whenever `key` changes. The library comes in a file of its own: the bench,
 * which is loaded with the record, draws no charts.
 */
export function useChart(key: string, configure: () => ChartConfiguration<'scatter'>): RefObject<HTMLCanvasElement> {
  const canvas = useRef<HTMLCanvasElement>(null);
  const latest = useRef(configure);
  latest.current = configure;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for all that is drawn
  useEffect(() => {
    const sheet = canvas.current;
    if (!sheet) return;
    let chart: { destroy(): void } | undefined;
    let here = true;
    void import('chart.js').then(
      ({ Chart, LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip }) => {
        if (!here) return;
        Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
        Chart.register(LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip);
        chart = new Chart(sheet, latest.current());
      },
    );
    return () => {
      here = false;
      chart?.destroy();
    };
  }, [key]);
  return canvas as RefObject<HTMLCanvasElement>;
}

/** One colour for each group of points. */
export const TONES = ['#9c8f72', '#6079a9', '#24406e', '#7d5c07', '#b03f12', '#4c6b2f', '#4a5670', '#1d2b45'];

/** A level line over the whole chart, which no legend names. */
export function levelLine(from: number, to: number, y: number, color = '#4c6b2f') {
  return {
    label: '',
    data: [
      { x: from, y },
      { x: to, y },
    ],
    showLine: true,
    pointRadius: 0,
    borderColor: color,
    borderWidth: 2,
  };
}

/** The legend without lines that have no name. */
export const NAMED_ONLY = { labels: { filter: ({ text }: { text: string }) => text !== '' } };

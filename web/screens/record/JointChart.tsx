import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import type { StepRun } from '#core/job/job';
import { jointOfStep, passesRead, torqueAt } from '#core/job/tightening';
import type { Step, Workbook } from '#core/model/procedure';
import { convert } from '#core/quantity/quantity';
import { capability } from '#core/torque/capability';
import { showNumber } from '../../ground/format';
import styles from './Record.module.css';

interface JointChartProps {
  readonly step: Step;
  readonly run: StepRun;
  readonly workbook: Workbook;
}

/** Readings off their target in per cent, in the order in which they were taken, against the window. */
export function JointChart({ step, run, workbook }: JointChartProps) {
  const { t } = useTranslation();
  const canvas = useRef<HTMLCanvasElement>(null);
  const joint = jointOfStep(step, workbook);
  const tolerance = step.torque?.tolerancePercent ?? 0;
  const passes = passesRead(run);
  const points = passes.map(({ pass, readings }, i) => ({
    name: joint?.passes[pass]?.plan.is === 'check' ? t('torque.check') : t('record.passOf', { pass: pass + 1 }),
    from: passes.slice(0, i).reduce((sum, { readings: before }) => sum + before.length, 0),
    off: readings.map((reading) => {
      const target = reading.spot && torqueAt(step, workbook, reading.spot)?.figure;
      return target ? 100 * (convert(reading.reading, target.unit).value / target.value - 1) : 0;
    }),
  }));
  const drawn = JSON.stringify(points);
  const last = run.readings.filter(({ spot }) => spot !== undefined).length;
  const { figure } = step.torque ?? {};
  // What stays in the joint: the last reading of each fastener at the whole figure.
  const kept = passes
    .filter(({ pass }) => {
      const { plan, target } = joint?.passes[pass] ?? {};
      return plan?.is === 'rise' && figure !== undefined && target?.value === figure.value;
    })
    .flatMap(({ readings }) =>
      readings.filter((one, n) => !readings.slice(n + 1).some(({ spot }) => spot?.slot === one.spot?.slot)),
    );
  const figures =
    figure &&
    capability(
      kept.map(({ reading }) => convert(reading, figure.unit).value),
      figure.value * (1 - tolerance / 100),
      figure.value * (1 + tolerance / 100),
    );
  useEffect(() => {
    const sheet = canvas.current;
    if (!sheet) return;
    let chart: { destroy(): void } | undefined;
    let here = true;
    // Its own file: the bench, which is loaded with this screen, draws no charts.
    void import('chart.js').then(
      ({ Chart, LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip }) => {
        if (!here) return;
        Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
        Chart.register(LinearScale, Legend, PointElement, LineElement, ScatterController, Tooltip);
        const read = (JSON.parse(drawn) as typeof points).map(({ name, from, off }, i) => ({
          label: name,
          data: off.map((y, n) => ({ x: from + n + 1, y })),
          backgroundColor: TONES[i % TONES.length] as string,
          pointRadius: 5,
        }));
        const limit = (y: number) => ({
          label: '',
          data: [
            { x: 0.5, y },
            { x: last + 0.5, y },
          ],
          showLine: true,
          pointRadius: 0,
          borderColor: '#4c6b2f',
          borderWidth: 2,
        });
        chart = new Chart(sheet, {
          type: 'scatter',
          data: { datasets: [...read, limit(tolerance), limit(-tolerance)] },
          options: {
            animation: false,
            maintainAspectRatio: false,
            scales: {
              x: { min: 0.5, max: last + 0.5, ticks: { display: false }, grid: { display: false } },
              y: { title: { display: true, text: '%' } },
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
  }, [drawn, last, tolerance]);
  if (!joint || passes.length === 0) return null;
  return (
    <figure className={styles.chart}>
      <div>
        <canvas ref={canvas} role="img" aria-label={t('record.chart')} />
      </div>
      <figcaption className="quiet">
        {t('record.chart')}
        {figures?.cp !== undefined &&
          ` ${t('record.capability', {
            count: figures.count,
            mean: showNumber(figures.mean, 3),
            deviation: showNumber(figures.deviation, 2),
            cp: showNumber(figures.cp, 2),
            cpk: showNumber(figures.cpk ?? 0, 2),
          })}`}
      </figcaption>
    </figure>
  );
}

const TONES = ['#9c8f72', '#6079a9', '#24406e', '#7d5c07', '#b03f12', '#4c6b2f', '#4a5670', '#1d2b45'];

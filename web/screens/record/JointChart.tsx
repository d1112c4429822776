import { useTranslation } from 'react-i18next';
import { keptReadings } from '#core/job/kept-readings';
import type { StepRun } from '#core/job/state';
import { jointOfStep, passesRead, torqueAt } from '#core/job/tightening';
import type { Step, Workbook } from '#core/model/procedure';
import { preferred } from '#core/quantity/preference';
import { convert } from '#core/quantity/quantity';
import { capability } from '#core/torque/capability';
import { WindowChart } from '../../drawings/WindowChart';
import { showNumber, showQuantity } from '../../ground/format';
import { useReader } from '../../state/reader';
import styles from './Record.module.css';

interface JointChartProps {
  readonly step: Step;
  readonly run: StepRun;
  readonly workbook: Workbook;
}

/** Readings off their target in per cent, in the order in which they were taken, against the window. */
export function JointChart({ step, run, workbook }: JointChartProps) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
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
  const last = run.readings.filter(({ spot }) => spot !== undefined).length;
  const figure = step.torque && preferred(step.torque.figure, units);
  const kept = joint ? keptReadings(step, run, workbook) : [];
  const figures =
    figure &&
    capability(
      kept.map(({ reading }) => convert(reading, figure.unit).value),
      figure.value * (1 - tolerance / 100),
      figure.value * (1 + tolerance / 100),
    );
  if (!joint || passes.length === 0) return null;
  return (
    <figure className={styles.chart}>
      <WindowChart
        label={t('record.chart')}
        series={points.map(({ name, from, off }) => ({ name, points: off.map((y, n) => ({ x: from + n + 1, y })) }))}
        tolerance={tolerance}
        from={0.5}
        to={last + 0.5}
      />
      <figcaption className="quiet">
        {t('record.chart')}
        {figure &&
          figures?.cp !== undefined &&
          ` ${t('record.capability', {
            count: figures.count,
            mean: showQuantity({ value: figures.mean, unit: figure.unit }, 3),
            deviation: showQuantity({ value: figures.deviation, unit: figure.unit }, 2),
            cp: showNumber(figures.cp, 2),
            cpk: showNumber(figures.cpk ?? 0, 2),
          })}`}
      </figcaption>
    </figure>
  );
}

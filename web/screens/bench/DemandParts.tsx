import { useTranslation } from 'react-i18next';
import type { Overridable } from '#core/job/entry-words';
import type { StepRun } from '#core/job/state';
import type { TorqueFigure } from '#core/model/torque-figure';
import { preferred } from '#core/quantity/preference';
import { convert } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import { type Dimension, symbolsOf, type UnitSymbol } from '#core/quantity/units';
import { judgeTorque, torqueWindow, unitThatFits } from '#core/torque/judge';
import { showNumber, showQuantity } from '../../ground/format';
import { Tag } from '../../parts/Tag';
import { useReader } from '../../state/reader';
import type { BenchJob } from '../../sync/bench-job';
import frame from './Bench.module.css';
import styles from './Demands.module.css';
import { openOverride } from './dialogs';

interface PassOverProps {
  readonly bench: BenchJob;
  readonly stepId: string;
  readonly run: StepRun;
  readonly what: Overridable;
  /** Whether there is something to pass over, and somebody who may. */
  readonly offered: boolean;
}

/** The reason why a demand was passed over, or the way to pass over it. */
export function PassOver({ bench, stepId, run, what, offered }: PassOverProps) {
  const { t } = useTranslation();
  const passed = run.overrides[what];
  if (passed) return <Tag tone="ochre">{t('bench.overridden', { reason: passed.text })}</Tag>;
  if (!offered) return null;
  return (
    <button type="button" className={styles.override} onClick={() => openOverride(bench, stepId, what)}>
      {t(`bench.override.${what}`)}
    </button>
  );
}

interface UnitAndEnterProps {
  readonly dimension: Dimension;
  readonly unit: UnitSymbol;
  readonly onUnit: (unit: UnitSymbol) => void;
}

/** The unit the gauge shows, and the button that enters what was read off it. */
export function UnitAndEnter({ dimension, unit, onUnit }: UnitAndEnterProps) {
  const { t } = useTranslation();
  return (
    <>
      <select
        className={frame.entry}
        aria-label={t('bench.unit')}
        value={unit}
        onChange={(event) => onUnit(event.currentTarget.value as UnitSymbol)}
      >
        {symbolsOf(dimension).map((symbol) => (
          <option key={symbol}>{symbol}</option>
        ))}
      </select>
      <button type="submit" className={frame.medium}>
        {t('bench.enter')}
      </button>
    </>
  );
}

interface TypedFigureProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
}

/** A figure that is read off and typed. */
export function TypedFigure({ label, value, onChange }: TypedFigureProps) {
  return (
    <label>
      {label}
      <input
        className={frame.entry}
        inputMode="decimal"
        autoComplete="off"
        value={value}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
    </label>
  );
}

/** What is wrong with what was typed. */
export function ReadingFault({ fault }: { fault: string }) {
  return fault ? (
    <span className={styles.faultText} role="alert">
      {fault}
    </span>
  ) : null;
}

/** What passes, in the reader's units. */
export function Window({ torque }: { torque: TorqueFigure }) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  const { low, high } = torqueWindow(torque);
  const from = showNumber(preferred(low, units).value, 3);
  return <p className="quiet">{t('bench.window', { low: from, high: showQuantity(preferred(high, units), 3) })}</p>;
}

/** A number that would be right in another unit: the gauge may stand on that one. */
export function UnitDoubt({ reading, torque }: { reading: Quantity; torque: TorqueFigure | undefined }) {
  const { t } = useTranslation();
  const isOut = torque && !['within', 'unjudged'].includes(judgeTorque(reading, torque));
  const unit = isOut ? unitThatFits(reading, torque) : undefined;
  if (!unit) return null;
  return <p className={styles.out}>{t('bench.otherUnit', { figure: showQuantity({ value: reading.value, unit }) })}</p>;
}

/** The reading as a bar, against the window it has to end in; the scale runs a quarter past the figure. */
export function Gauge({ reading, torque }: { reading: Quantity; torque: TorqueFigure }) {
  const { t } = useTranslation();
  const { low, high } = torqueWindow(torque);
  const top = torque.figure.value * 1.25;
  const share = (value: number) => 400 * Math.min(1, value / top);
  const value = convert(reading, torque.figure.unit).value;
  return (
    <svg
      className={styles.gauge}
      viewBox="0 0 400 30"
      preserveAspectRatio="none"
      role="img"
      aria-label={t('bench.gauge')}
    >
      <rect y={9} width={400} height={12} fill="var(--weave)" />
      <rect y={9} width={share(value)} height={12} fill="var(--indigo)" />
      <rect
        x={share(low.value)}
        y={3}
        width={share(high.value) - share(low.value)}
        height={24}
        fill="none"
        stroke="var(--moss)"
        strokeWidth={3}
      />
    </svg>
  );
}

import { useTranslation } from 'react-i18next';
import type { Overridable } from '#core/job/entry';
import type { StepRun } from '#core/job/job';
import { type Dimension, symbolsOf, type UnitSymbol } from '#core/quantity/units';
import { Tag } from '../../parts/Tag';
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

/** What is wrong with what was typed. */
export function ReadingFault({ fault }: { fault: string }) {
  return fault ? (
    <span className={styles.faultText} role="alert">
      {fault}
    </span>
  ) : null;
}

import { Select, Switch } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { TestRun } from '#core/model/procedure';
import { GRADE_NAMES, type Grade } from '#core/proving/acceptance';
import { expectedOf } from '#core/proving/run';
import { showNumber } from '../../../ground/format';
import { QuantityText } from '../../../parts/QuantityText';
import styles from './Step.module.css';
import type { StepExtraProps } from './step-extras';

const FIRST: TestRun = { speed: { value: 1450, unit: 'rpm' }, pressure: { value: 100, unit: 'bar' }, grade: '2B' };

/** A run on the test bench: at what, and how closely it has to do what is expected. */
export function RunFields({ step, series, change }: StepExtraProps) {
  const { t } = useTranslation();
  const { run } = step;
  const set = (fields: { [Field in keyof TestRun]?: TestRun[Field] | undefined }) => {
    if (!run) return;
    const next = Object.entries({ ...run, ...fields }).filter(([, value]) => value !== undefined);
    change({ run: Object.fromEntries(next) as TestRun });
  };
  const expected = run && expectedOf(run, series.duty ?? {});
  return (
    <>
      <Switch
        label={t('step.runOn')}
        checked={run !== undefined}
        onChange={(event) => change({ run: event.currentTarget.checked ? FIRST : undefined })}
      />
      {run && (
        <>
          <div className={styles.run}>
            <QuantityText
              label={t('run.speed')}
              dimension="speed"
              value={run.speed}
              onQuantity={(speed) => speed && set({ speed })}
            />
            <QuantityText
              label={t('run.pressure')}
              dimension="pressure"
              value={run.pressure}
              onQuantity={(pressure) => pressure && set({ pressure })}
            />
            <QuantityText
              label={t('run.flow')}
              dimension="flow"
              placeholder={expected?.flow === undefined ? '' : `${showNumber(expected.flow, 3)} L/min`}
              value={run.flow}
              onQuantity={(flow) => set({ flow })}
            />
            <QuantityText
              label={t('run.power')}
              dimension="power"
              placeholder={expected?.power === undefined ? '' : `${showNumber(expected.power, 3)} kW`}
              value={run.power}
              onQuantity={(power) => set({ power })}
            />
            <Select
              label={t('run.grade')}
              data={[...GRADE_NAMES]}
              allowDeselect={false}
              value={run.grade}
              onChange={(grade) => set({ grade: (grade ?? run.grade) as Grade })}
            />
          </div>
          {expected?.flow === undefined && <p className="quiet">{t('run.noExpectation')}</p>}
        </>
      )}
    </>
  );
}

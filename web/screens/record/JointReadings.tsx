import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import type { JudgedReading, StepRun } from '#core/job/state';
import { jointOfStep, passesRead } from '#core/job/tightening';
import { placeNameOf } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import { preferredAs } from '#core/quantity/preference';
import { convert } from '#core/quantity/quantity';
import type { UnitSymbol } from '#core/quantity/units';
import { showNumber, showQuantity } from '../../ground/format';
import { useReader } from '../../state/reader';
import styles from './Record.module.css';

interface JointReadingsProps {
  readonly step: Step;
  readonly run: StepRun;
  readonly workbook: Workbook;
}

/** Every reading of a joint: a row for each pass, a column for each fastener; what was read again stands behind. */
export function JointReadings({ step, run, workbook }: JointReadingsProps) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  const joint = jointOfStep(step, workbook);
  const passes = passesRead(run);
  if (!joint || passes.length === 0) return null;
  const final = joint.passes.findLast(({ target }) => target)?.target;
  const numbers = joint.order.map((slot) => slot);
  return (
    <table className={styles.joint}>
      <thead>
        <tr>
          <th>{t('torque.pass')}</th>
          {numbers.map((slot, i) => (
            <th key={slot}>{i + 1}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {passes.map(({ positionId, pass, readings }) => {
          const { plan, target: asGiven } = joint.passes[pass] ?? {};
          const target = asGiven && preferredAs(asGiven, final ?? asGiven, units);
          const name = plan?.is === 'check' ? t('torque.check') : String(pass + 1);
          const where = placeNameOf(workbook.series, positionId);
          return (
            <tr key={`${positionId} ${pass}`}>
              <th>{[where, name, target && showQuantity(target, 3)].filter(Boolean).join(', ')}</th>
              {numbers.map((slot) => (
                <td key={slot} className="number">
                  {readings
                    .filter(({ spot }) => spot?.slot === slot)
                    .map((reading, i) => (
                      <Fragment key={reading.entryId}>
                        {i > 0 && ' → '}
                        <Value reading={reading} unit={target?.unit} />
                      </Fragment>
                    ))}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** In the unit of its target; as it was read stands behind it. */
function Value({ reading, unit }: { reading: JudgedReading; unit: UnitSymbol | undefined }) {
  const { t } = useTranslation();
  const { value } = unit ? convert(reading.reading, unit) : reading.reading;
  const isGood = reading.verdict === 'within';
  const said = `${showQuantity(reading.reading)}, ${t(`verdict.${reading.verdict}`)}`;
  return (
    <span
      className={isGood ? styles.within : styles.out}
      title={[said, reading.accepted?.text].filter(Boolean).join(': ')}
    >
      {showNumber(value, 3)}
    </span>
  );
}

import { useTranslation } from 'react-i18next';
import { preferred } from '#core/quantity/preference';
import { showNumber, showQuantity } from '../../../ground/format';
import { useReader } from '../../../state/reader';
import styles from './Joint.module.css';
import type { Tightening } from './useTightening';

/** The passes with their targets, and how many fasteners are done in each. */
export function JointPasses({ tightening: { joint, spot, doneIn } }: { tightening: Tightening }) {
  const { t } = useTranslation();
  const units = useReader((state) => state.units);
  return (
    <table className={styles.passes}>
      <thead>
        <tr>
          <th>{t('torque.pass')}</th>
          <th>{t('torque.share')}</th>
          <th>{t('torque.field.figure')}</th>
          <th>{t('bench.joint.done')}</th>
        </tr>
      </thead>
      <tbody>
        {joint.passes.map(({ plan, target, order, afterPins }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a pass is told by its place
          <tr key={i} className={spot?.pass === i ? styles.now : undefined}>
            <td>
              {plan.is === 'check'
                ? t('torque.check')
                : afterPins
                  ? t('bench.joint.passAfterPins', { pass: i + 1 })
                  : i + 1}
            </td>
            <td>
              {plan.is === 'angle'
                ? t('torque.angle', { degrees: plan.degrees })
                : `${plan.is === 'rise' ? showNumber(plan.percent) : 100} %`}
            </td>
            <td className="number">{target ? showQuantity(preferred(target, units), 3) : ''}</td>
            <td>{t('bench.joint.of', { done: doneIn[i] ?? 0, count: order.length })}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

import type { SpringOrder } from '#core/job/spring-order';
import { saySpringOrder } from '#core/language/en/spring-order';
import { BoltPlan } from '../../../drawings/BoltPlan';
import styles from './Joint.module.css';

/** In which order the fasteners over a spring come out, or go in. */
export function SpringPlan({ order: { is, plan, slots, stages }, name }: { order: SpringOrder; name: string }) {
  return (
    <div className={styles.plan}>
      <BoltPlan name={name} plan={plan} slots={slots} order={stages.flat()} />
      <p>{saySpringOrder(is, stages)}</p>
    </div>
  );
}

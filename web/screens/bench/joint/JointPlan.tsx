import { componentById } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import { BoltPlan } from '../../../drawings/BoltPlan';
import styles from './Joint.module.css';
import type { Tightening } from './useTightening';

interface JointPlanProps {
  readonly tightening: Tightening;
  readonly step: Step;
  readonly workbook: Workbook;
  readonly inHand: boolean;
  /** What was tapped is the fastener of the latest reading. */
  readonly onMove: ((slot: number) => void) | undefined;
}

/** The joint with the order of the pass in hand; the next fastener is large, and another one can be tapped. */
export function JointPlan({ tightening, step, workbook, inHand, onMove }: JointPlanProps) {
  const { joint, spot, done, pick } = tightening;
  const order = joint.passes[spot?.pass ?? joint.passes.length - 1]?.order ?? joint.order;
  const name = componentById(workbook.series, step.targets[0]?.componentId ?? '')?.name ?? '';
  return (
    <div className={styles.plan}>
      <BoltPlan
        name={name}
        plan={joint.plan}
        slots={joint.slots}
        order={order}
        done={done}
        current={spot?.slot}
        onSlot={inHand && spot ? (onMove ?? pick) : undefined}
      />
    </div>
  );
}

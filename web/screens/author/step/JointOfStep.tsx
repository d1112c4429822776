import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { groupOf } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { torqueSheet } from '#core/torque-sheet/sheet';
import { BoltPlan } from '../../../drawings/BoltPlan';
import { showNumber } from '../../../ground/format';
import styles from './Step.module.css';

/** The joint a torque step tightens, as the torque sheet has it; or the way to describe it there. */
export function JointOfStep({ step, series }: { readonly step: Step; readonly series: Workbook['series'] }) {
  const { t } = useTranslation();
  const [target] = step.targets;
  if (step.verb !== 'torque' || !target) return null;
  const group = groupOf(series, target.componentId);
  const sheet = group && sheetOf(series, group.id);
  const joint = sheet?.joint;
  const share = sheet?.judged?.share;
  return (
    <div className={styles.joint}>
      {sheet && joint && group.plan && (
        <BoltPlan name={sheet.component.name} plan={joint.plan} slots={joint.slots} order={joint.order} small />
      )}
      <span>
        {joint &&
          [
            t(`torque.pattern.${joint.pattern}`),
            t('step.passes', { count: joint.plans.filter(({ is }) => is !== 'check').length }),
            share && t('torque.ofProof', { percent: showNumber(share.usual * 100, 2) }),
          ]
            .filter(Boolean)
            .join(', ')}{' '}
        <Link to={`/series/${series.id}/torque`}>{t(sheet ? 'torque.title' : 'step.describeJoint')}</Link>
      </span>
    </div>
  );
}

function sheetOf(series: Series, groupId: string) {
  return torqueSheet(series).find(({ group }) => group.id === groupId);
}

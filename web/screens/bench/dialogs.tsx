import i18next from 'i18next';
import type { Overridable } from '#core/job/entry-words';
import type { TighteningSpot } from '#core/job/tightening';
import type { Workbook } from '#core/model/procedure';
import type { Setting } from '#core/model/procedure-words';
import { modals } from '../../ground/overlays';
import { SafetyList } from '../../parts/SafetyList';
import type { BenchJob } from '../../sync/bench-job';
import { askReason } from './forms/open';

export function openOverride(bench: BenchJob, stepId: string, what: Overridable): void {
  askReason(
    i18next.t(`bench.override.${what}`),
    i18next.t('bench.overrideBody'),
    i18next.t('bench.overrideGo'),
    (reason) => bench.enter({ kind: 'overridden', stepId, what, reason }),
  );
}

/** A reading out of its window is let stand, with the reason. */
export function openAcceptance(bench: BenchJob, stepId: string, positionId: string | null, spot: TighteningSpot): void {
  askReason(
    i18next.t('bench.joint.accept'),
    i18next.t('bench.overrideBody'),
    i18next.t('bench.joint.acceptGo'),
    (reason) => bench.enter({ kind: 'torque-accepted', stepId, positionId, spot, reason }),
  );
}

export function openSafety(workbook: Workbook, setting: Setting): void {
  modals.open({
    title: i18next.t('safety.title'),
    size: 860,
    children: <SafetyList workbook={workbook} setting={setting} />,
  });
}

import type { Consequence } from '../model/looks';
import type { Step } from '../model/procedure';
import type { StepRun } from './job';

/** Something a look or a measurement found that is not as it should be. */
export interface Found {
  /** What was looked at or measured. */
  readonly where: string;
  /** What was seen, in the words of the look, or which limit was passed. */
  readonly found: { readonly sign: string } | { readonly limit: 'under' | 'over' };
  readonly positionId: string | null;
  readonly follows: Consequence;
  readonly at: string;
  readonly by: string;
}

/** What a step found wrong: the faults of its looks, and each part measured out of its limits once. */
export function foundIn(step: Step, run: StepRun): Found[] {
  const faults = run.looked.flatMap(({ lookId, faultId, positionId, at, by }): Found[] => {
    const look = step.looks?.find(({ id }) => id === lookId);
    const fault = look?.faults.find(({ id }) => id === faultId);
    return look && fault
      ? [{ where: look.at, found: { sign: fault.sign }, positionId, follows: fault.follows, at, by }]
      : [];
  });
  const worn = (step.measurements ?? []).flatMap((measurement): Found[] => {
    const out = run.measured.filter(
      ({ measurementId, verdict }) => measurementId === measurement.id && (verdict === 'under' || verdict === 'over'),
    );
    return [...new Set(out.map(({ positionId }) => positionId))].flatMap((positionId) => {
      const [first] = out.filter((one) => one.positionId === positionId);
      if (!first) return [];
      const { at, by, verdict } = first;
      const found = { limit: verdict === 'under' ? ('under' as const) : ('over' as const) };
      return [{ where: measurement.what, found, positionId, follows: measurement.follows, at, by }];
    });
  });
  return [...faults, ...worn];
}

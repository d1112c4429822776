import { instrumentOf, prove } from '../judging/guard';
import type { Consequence } from '../model/looks';
import type { Measurement, Step } from '../model/procedure';
import type { Series } from '../model/series';
import type { Gap } from './entry-words';
import type { StepRun } from './state';

/** Something a look or a measurement found that is not as it should be. */
export interface Found {
  /** What was looked at or measured. */
  readonly where: string;
  /** The sign is what was seen, in the words of the look. */
  readonly found:
    | { readonly sign: string }
    | { readonly limit: 'under' | 'over' }
    /** Too close to a limit to be proved by this instrument. */
    | { readonly near: true }
    /** By a new ring in place of an instrument. */
    | { readonly gap: Exclude<Gap, 'none'> };
  readonly positionId: string | null;
  readonly follows: Consequence;
  readonly photo?: string;
  readonly at: string;
  readonly by: string;
}

/** What a step found wrong: the faults of its looks, and each part that is worn, or may be, once. */
export function foundIn(step: Step, run: StepRun, series: Series): Found[] {
  return [...seen(step, run), ...(step.measurements ?? []).flatMap((one) => worn(one, run, series))];
}

function seen(step: Step, run: StepRun): Found[] {
  return run.looked.flatMap(({ lookId, faultId, other, photo, positionId, at, by }): Found[] => {
    const look = step.looks?.find(({ id }) => id === lookId);
    const fault = other ?? look?.faults.find(({ id }) => id === faultId);
    if (!look || !fault) return [];
    const found = { sign: fault.sign };
    return [{ where: look.at, found, positionId, follows: fault.follows, ...(photo && { photo }), at, by }];
  });
}

function worn(measurement: Measurement, run: StepRun, series: Series): Found[] {
  const { error } = instrumentOf(measurement, series);
  const where = measurement.what;
  const byPart = new Map<string | null, Found>();
  for (const { measurementId, positionId, reading, verdict, at, by } of run.measured) {
    if (measurementId !== measurement.id) continue;
    const isOut = verdict === 'under' || verdict === 'over';
    const known = byPart.get(positionId)?.found;
    // Out of its limits counts more than close to them.
    if (isOut && !(known && 'limit' in known)) {
      byPart.set(positionId, { where, found: { limit: verdict }, positionId, follows: measurement.follows, at, by });
    } else if (!isOut && !known && prove(reading, measurement, error) === 'uncertain') {
      byPart.set(positionId, { where, found: { near: true }, positionId, follows: 'refer', at, by });
    }
  }
  const gauged = run.gauged.flatMap(({ measurementId, positionId, gap, at, by }): Found[] => {
    if (measurementId !== measurement.id || gap === 'none') return [];
    const follows = gap === 'all-along' ? measurement.follows : 'refer';
    return [{ where, found: { gap }, positionId, follows, at, by }];
  });
  return [...byPart.values(), ...gauged];
}

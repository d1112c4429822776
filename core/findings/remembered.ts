import type { Step } from '../model/procedure';
import type { Series } from '../model/series';

/**
 * What is read from the words of a step, computed once for each version of the step and its series: an edit leaves all
 * other steps as they are, and their words need no second reading.
 */
export function remembered<T>(compute: (step: Step, series: Series) => T): (step: Step, series: Series) => T {
  const known = new WeakMap<Step, { series: Series; value: T }>();
  return (step, series) => {
    const there = known.get(step);
    if (there?.series === series) return there.value;
    const value = compute(step, series);
    known.set(step, { series, value });
    return value;
  };
}

import { changeStep } from '../edits/steps';
import { applyLine } from '../line/apply-line';
import type { Step, Workbook } from '../model/procedure';
import { type Component, Series } from '../model/series';
import { readingOf } from '../narration/reading';

/** A two-shaft pump for tests; its parts come from the lines a test types. */
export function emptyWorkbook(): Workbook {
  return {
    series: Series.parse({
      id: 'series',
      name: 'Test series',
      code: 'T-1',
      pumpType: 'rotary-lobe',
      positionSets: [
        {
          id: 'shafts',
          name: 'shaft',
          positions: [
            { id: 's1', name: 'shaft 1' },
            { id: 's2', name: 'shaft 2' },
          ],
        },
      ],
    }),
    procedure: { id: 'procedure', seriesId: 'series', title: 'Test', steps: [] },
  };
}

/** Types each line in turn, as a trainer would who insists on the names as typed; throws when one has a fault. */
export function typed(lines: readonly string[], from: Workbook = emptyWorkbook()): Workbook {
  let n = from.procedure.steps.length + from.series.components.length + from.series.tools.length;
  return lines.reduce((workbook, line) => {
    const parsed = readingOf(line, workbook.series, []);
    const applied = applyLine(
      workbook,
      { ...parsed, doubts: [] },
      workbook.procedure.steps.length - 1,
      () => `x${n++}`,
    );
    if (!applied) throw new Error(`"${line}": ${JSON.stringify(parsed.faults)}`);
    return applied.workbook;
  }, from);
}

type Ids = (name: string) => string;

/** The same workbook with one component changed by name; the change may name other components. */
export function withComponent(
  workbook: Workbook,
  name: string,
  change: Partial<Component> | ((id: Ids) => Partial<Component>),
): Workbook {
  const fields = typeof change === 'function' ? change((other) => componentId(workbook, other)) : change;
  const components = workbook.series.components.map((component) =>
    component.name === name ? { ...component, ...fields } : component,
  );
  return { ...workbook, series: { ...workbook.series, components } };
}

/** The same workbook with the step at `index` changed; the change may look at the step and name components. */
export function withStep(
  workbook: Workbook,
  index: number,
  change: Partial<Step> | ((step: Step, id: Ids) => Partial<Step>),
): Workbook {
  const step = workbook.procedure.steps[index];
  if (!step) throw new Error(`no step ${index}`);
  const fields = typeof change === 'function' ? change(step, (name) => componentId(workbook, name)) : change;
  return { ...workbook, procedure: changeStep(workbook.procedure, step.id, fields) };
}

export function componentId(workbook: Workbook, name: string): string {
  const component = workbook.series.components.find((candidate) => candidate.name === name);
  if (!component) throw new Error(`no component ${name}`);
  return component.id;
}

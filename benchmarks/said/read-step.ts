import type { Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';

/** A procedure in which one step is in hand, so that what makes no step of its own has something to be said of. */
export function typedWorkbook(series: Series): { workbook: Workbook; after: number } {
  const step = {
    id: 'in-hand',
    stage: 'take-down' as const,
    verb: 'photo' as const,
    targets: [],
    about: 'the pump',
    positionIds: [],
    toolIds: [],
    applications: [],
    cautions: [],
  };
  return {
    workbook: { series, procedure: { id: 'procedure', seriesId: series.id, title: 'Said', steps: [step] } },
    after: 0,
  };
}

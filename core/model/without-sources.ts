import type { Procedure, Workbook } from './procedure';

/**
 * A workbook without the old instructions and narrations that it was written from: they stay with the draft, and no
 * tablet has to load them.
 */
export function withoutSources(workbook: Workbook): Workbook {
  const { before } = workbook;
  return {
    ...workbook,
    procedure: withoutItsSources(workbook.procedure),
    ...(before && { before: before.map(withoutItsSources) }),
  };
}

function withoutItsSources({ narrations: _told, ...procedure }: Procedure): Procedure {
  return { ...procedure, steps: procedure.steps.map(({ source: _source, ...step }) => step) };
}

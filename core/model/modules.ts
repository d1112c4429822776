import type { Procedure, Workbook } from './procedure';

/** The modules carried out before a procedure, the first one first. A ring of modules ends where it closes. */
export function modulesBefore(procedure: Procedure, all: readonly Procedure[]): Procedure[] {
  const before: Procedure[] = [];
  for (let id = procedure.takesOver; id && id !== procedure.id; ) {
    const module = all.find((candidate) => candidate.id === id && candidate.seriesId === procedure.seriesId);
    if (!module || before.includes(module)) break;
    before.unshift(module);
    id = module.takesOver;
  }
  return before;
}

/**
 * The modules before a procedure and the procedure itself as one, for those who carry it out. A step whose id another
 * module has used already gets one of its own, and what hangs on its answers follows it.
 */
export function wholeChain(workbook: Workbook): Workbook {
  const { series, procedure, before = [] } = workbook;
  if (before.length === 0) return workbook;
  const taken = new Set<string>();
  const steps = [...before, procedure].flatMap((module, m) => {
    const ids = new Map(module.steps.map(({ id }) => [id, taken.has(id) ? `m${m + 1}-${id}`.slice(0, 64) : id]));
    for (const id of ids.values()) taken.add(id);
    const idOf = (id: string) => ids.get(id) ?? id;
    return module.steps.map((step) => ({
      ...step,
      id: idOf(step.id),
      ...(step.when && { when: step.when.map((condition) => ({ ...condition, stepId: idOf(condition.stepId) })) }),
    }));
  });
  return { series, procedure: { ...procedure, steps } };
}

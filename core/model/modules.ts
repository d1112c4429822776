import type { Procedure } from './procedure';

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

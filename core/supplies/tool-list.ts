import type { Step, Workbook } from '../model/procedure';
import type { Tool, ToolAsset } from '../model/series';

/** A tool that a procedure asks for. */
export interface ListedTool {
  readonly tool: Tool;
  /** Numbers of the steps it is used in, from 1. */
  readonly steps: readonly number[];
  /** How often it is taken in hand: steps in a row with it count once. */
  readonly pickups: number;
  /** Used by another method than the preferred one only. */
  readonly otherMethod: boolean;
  /** How many of it a step needs at most. */
  readonly pieces: number;
  readonly substitutes: readonly Tool[];
}

/** The tools of a procedure, computed from its steps, in the order in which they are first used. */
export function toolList({ series, procedure }: Workbook): ListedTool[] {
  const listed = new Map<string, { steps: number[]; pickups: number; otherMethod: boolean; pieces: number }>();
  let inHand = new Set<string>();
  procedure.steps.forEach((step, index) => {
    const used = toolsOf(step);
    const note = (id: string, otherMethod: boolean) => {
      const known = listed.get(id) ?? { steps: [], pickups: 0, otherMethod: true, pieces: 1 };
      known.steps.push(index + 1);
      known.otherMethod &&= otherMethod;
      known.pieces = Math.max(known.pieces, step.toolCounts?.[id] ?? 1);
      if (!inHand.has(id)) known.pickups += 1;
      listed.set(id, known);
    };
    for (const id of used) note(id, false);
    for (const id of new Set((step.methods ?? []).flatMap(({ toolIds }) => toolIds))) if (!used.has(id)) note(id, true);
    if (used.size > 0) inHand = used;
  });
  return [...listed].flatMap(([id, { steps, pickups, otherMethod, pieces }]) => {
    const tool = series.tools.find((candidate) => candidate.id === id);
    if (!tool) return [];
    const substitutes = (tool.substituteIds ?? []).flatMap((other) => series.tools.find((t) => t.id === other) ?? []);
    return [{ tool, steps, pickups, otherMethod, pieces, substitutes }];
  });
}

/** The tools a step takes in hand the preferred way. */
function toolsOf(step: Step): Set<string> {
  return new Set([
    ...step.toolIds,
    ...(step.aidsIn ?? []),
    ...(step.aidsOut ?? []),
    ...(step.measurements ?? []).flatMap(({ toolId }) => toolId ?? []),
  ]);
}

/** Pieces of a tool whose calibration has run out on a day (ISO 8601 date). */
export function outOfCalibration(tool: Tool, today: string): ToolAsset[] {
  return (tool.assets ?? []).filter(({ calibratedUntil }) => calibratedUntil !== undefined && calibratedUntil < today);
}

import { type Dimension, unitOf } from '../quantity/units';
import type { FastenerGroup } from './fastener-group';
import type { Measurement, Procedure } from './procedure';
import type { Component, PositionSet, Series, Tool } from './series';

/* What is looked up in a document. Apart from what documents are made of, so that the bench needs no schemas. */

export function componentById(series: Series, id: string): Component | undefined {
  return series.components.find((component) => component.id === id);
}

export function positionSetById(series: Series, id: string | undefined): PositionSet | undefined {
  return id === undefined ? undefined : series.positionSets.find((set) => set.id === id);
}

/** The group of these fasteners; nothing where the series does not describe them. */
export function groupOf(series: Pick<Series, 'fastenerGroups'>, componentId: string): FastenerGroup | undefined {
  return series.fastenerGroups?.find((group) => group.componentId === componentId);
}

/** The name of a position, wherever in the series it is. */
export function placeNameOf(series: Series, positionId: string | null): string | undefined {
  return series.positionSets.flatMap((set) => set.positions).find((position) => position.id === positionId)?.name;
}

/** "hook tool, 50 mm" from a tool with its size. */
export function toolLabel(tool: Tool): string {
  return tool.size ? `${tool.name}, ${tool.size}` : tool.name;
}

/** In what a measurement is taken: a length, unless its sizes are forces. */
export function dimensionOf({ nominal, least, most }: Measurement): Dimension {
  const size = nominal ?? least ?? most;
  return size ? unitOf(size.unit).dimension : 'length';
}

/** Minutes that a step without a time of its own is taken to last, where a soak or a setting compound is timed. */
export const UNSAID_MINUTES = 2;

/** Whether a procedure means to leave a part out of the pump. */
export function isLeaving({ intends }: Procedure, componentId: string): boolean {
  return (intends ?? []).some((change) => change.kind === 'leaves' && change.componentId === componentId);
}

/** Sum of the minutes said, and how many steps say nothing. */
export function benchMinutes(procedure: Procedure): { minutes: number; unsaid: number } {
  let minutes = 0;
  let unsaid = 0;
  for (const step of procedure.steps) {
    if (step.minutes === undefined) unsaid += 1;
    else minutes += step.minutes;
  }
  return { minutes, unsaid };
}

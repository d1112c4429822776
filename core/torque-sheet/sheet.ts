import type { FastenerGroup } from '../model/fastener-group';
import { isFastener } from '../model/kinds';
import { componentById, positionSetById } from '../model/lookup';
import type { Component, Series, Tool } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { fasteningOf, figureOfGroup } from '../torque/fastening';
import { type FigureJudged, judgeFigure } from '../torque/preload';
import { classIn } from '../torque/strength';
import { type Thread, threadIn } from '../torque/threads';
import { type TighteningPlan, tighteningPlan } from '../torque/tightening-plan';
import { isTorque, liesIn, torqueRange, usableRange } from '../torque/wrench';

/** A group of fasteners with all that is computed of it. */
export interface SheetGroup {
  readonly group: FastenerGroup;
  readonly component: Component;
  /** At how many places of the pump the joint is. */
  readonly places: number;
  readonly thread: Thread | undefined;
  readonly figure: TorqueFigure | undefined;
  /** Undefined where thread or figure is missing. */
  readonly judged: FigureJudged | undefined;
  readonly wrenches: readonly { readonly tool: Tool; readonly fits: boolean }[];
  readonly joint: TighteningPlan;
}

/** Every group on the torque sheet of a series, in its order. */
export function torqueSheet(series: Series): SheetGroup[] {
  return (series.fastenerGroups ?? []).flatMap((group) => {
    const component = componentById(series, group.componentId);
    return component ? [sheetGroup(series, group, component)] : [];
  });
}

function sheetGroup(series: Series, group: FastenerGroup, component: Component): SheetGroup {
  const figure = figureOfGroup(group);
  const fastening = fasteningOf(series, component.id, figure);
  const wrenches = wrenchesFor(series, group, figure);
  const chosen = wrenches.find(({ tool, fits }) => fits && (group.wrenchIds ?? [tool.id]).includes(tool.id));
  return {
    group,
    component,
    places: positionSetById(series, component.positionSetId)?.positions.length ?? 1,
    thread: fastening?.thread,
    figure,
    judged: fastening && figure && judgeFigure(figure.figure, fastening),
    wrenches,
    joint: tighteningPlan(group, component.count, figure, fastening?.thread.diameter, chosen?.tool),
  };
}

/** The torque tools of the series, those of the group first, with whether they may be used for its figure. */
function wrenchesFor(series: Series, { wrenchIds = [] }: FastenerGroup, figure: TorqueFigure | undefined) {
  const isChosen = ({ id }: Tool) => wrenchIds.includes(id);
  return series.tools
    .filter((tool) => isTorque(tool) || isChosen(tool))
    .toSorted((a, b) => Number(isChosen(b)) - Number(isChosen(a)))
    .map((tool) => {
      const range = torqueRange(tool);
      return { tool, fits: figure !== undefined && range !== undefined && liesIn(figure.figure, usableRange(range)) };
    });
}

/** Fasteners of the series that are on its torque sheet not yet. */
export function fastenersWithoutGroup(series: Series): Component[] {
  const grouped = new Set((series.fastenerGroups ?? []).map(({ componentId }) => componentId));
  return series.components.filter(
    (component) => (isFastener(component.kind) || component.threaded) && !grouped.has(component.id),
  );
}

/** A group of these fasteners, with what their name tells. */
export function newGroup(id: string, component: Component, figure?: TorqueFigure): FastenerGroup {
  const thread = threadIn(component.name)?.name;
  const kind = classIn(component.name);
  return {
    id,
    componentId: component.id,
    ...(thread !== undefined && { thread }),
    ...(kind && { class: kind }),
    ...(component.count > 1 && { plan: { shape: 'circle' as const } }),
    figures: figure ? [{ use: 'reuse', torque: figure }] : [],
  };
}

/** A group said otherwise; what is set to undefined is left out. */
export function withGroup(series: Series, group: FastenerGroup): Series {
  const groups = series.fastenerGroups ?? [];
  const next = Object.fromEntries(Object.entries(group).filter(([, value]) => value !== undefined)) as FastenerGroup;
  const isNew = !groups.some(({ id }) => id === group.id);
  return {
    ...series,
    fastenerGroups: isNew ? [...groups, next] : groups.map((other) => (other.id === group.id ? next : other)),
  };
}

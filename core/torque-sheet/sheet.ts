import type { FastenerGroup, PassPlan, Pattern, Plan, Point } from '../model/fastener-group';
import { isFastener } from '../model/kinds';
import { type Component, componentById, positionSetById, type Series, type Tool } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { fasteningOf, figureOfGroup } from '../torque/fastening';
import { type PassFault, passesFor, passFaults, type TighteningPass, usualPasses } from '../torque/passes';
import { type Order, type OrderFault, orderFaults, orderOf, usualPattern } from '../torque/pattern';
import { slotsOf } from '../torque/plan';
import { type FigureJudged, judgeFigure } from '../torque/preload';
import { classIn } from '../torque/strength';
import { type Thread, threadIn } from '../torque/threads';
import { isTorque, liesIn, resolutionOfTool, torqueRange, usableRange } from '../torque/wrench';

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

/** How a joint is tightened. */
export interface TighteningPlan {
  readonly plan: Plan;
  readonly slots: readonly Point[];
  readonly pattern: Pattern;
  readonly order: Order;
  readonly orderFaults: readonly OrderFault[];
  readonly plans: readonly PassPlan[];
  readonly passes: readonly TighteningPass[];
  readonly passFaults: readonly PassFault[];
}

const ROUND: Plan = { shape: 'circle' };

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

/** The order and the passes of a joint: as its group says, else as is usual for its plan and number. */
export function tighteningPlan(
  group: FastenerGroup,
  count: number,
  figure: TorqueFigure | undefined,
  diameter: number | undefined,
  wrench: Tool | undefined,
): TighteningPlan {
  const plan = group.plan ?? ROUND;
  const slots = slotsOf(plan, count);
  const pattern = group.pattern ?? usualPattern(plan, slots.length);
  const order = group.order ?? orderOf(pattern, plan, slots);
  const plans = group.passes ?? usualPasses(count, diameter);
  return {
    plan,
    slots,
    pattern,
    order,
    orderFaults: orderFaults(order, pattern, plan, slots),
    plans,
    passes: passesFor(plans, figure?.figure, order, wrench && resolutionOfTool(wrench)),
    passFaults: passFaults(plans),
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

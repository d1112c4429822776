import type { Step } from '../model/procedure';
import type { Component, Series, Tool } from '../model/series';
import type { Verb } from '../model/verbs';
import { inSi } from '../quantity/quantity';
import type { Quantity } from '../quantity/schema';
import { pressedIn, pullsOut, pushesIn } from '../reading/en/seating-words';
import { isPowerTool } from '../reading/en/wording';
import { bears, isTorque, torqueRange } from '../torque/wrench';

/*
 * How what came off goes back: by which verb, and with which tools. Common practice throughout.
 */

/** The verb that puts a part back, as it came off and as what it is. */
export function verbBack(component: Component, taking: Step | undefined, isThreaded: boolean): Verb {
  const { kind, name } = component;
  if (taking?.verb === 'disconnect') return 'connect';
  if (kind === 'pin' && LOCKING_PIN.test(name)) return 'pin';
  if (isThreaded) return 'start-by-hand';
  if (kind === 'lip-seal' || kind === 'bearing' || kind === 'pin') return 'press';
  // What had to be pulled out goes in with force; what came out by hand goes in by hand.
  const isPulled = taking !== undefined && /^(?:draw|pry|press)$/.test(taking.verb) && taking.toolIds.length > 0;
  return isPulled && (kind === 'seal' || kind === 'valve-seat' || pressedIn(name)) ? 'press' : 'fit';
}

/** A pin that only keeps a nut or another pin where it is. */
const LOCKING_PIN = /\b(?:split|cotter|lock(?:ing)?|safety|spring|lynch|linch|r)[- ]?pins?\b|^pins?$/i;
/** The tools with which it came off that serve to put it back: keys and hoists, but no pullers; a thread starts by hand. */
export function toolsBack(verb: Verb, component: Component, taking: Step | undefined, { tools }: Series): string[] {
  if (verb === 'start-by-hand') return [];
  const along = (taking?.toolIds ?? []).filter((id) => {
    const tool = tools.find((one) => one.id === id);
    return tool && !pullsOut(tool.name) && !isTorque(tool) && !isPowerTool(tool.name);
  });
  if (verb !== 'press' || along.length > 0) return along;
  const words = new Set(component.name.toLowerCase().split(/[\s-]+/));
  const pushing = tools.filter(
    ({ name }) =>
      pushesIn(name) &&
      name
        .toLowerCase()
        .split(/[\s-]+/)
        .some((word) => words.has(word)),
  );
  return pushing.slice(0, 1).map(({ id }) => id);
}

/** The torque wrench of the series for a figure: one that bears it, or the only one there is while none is known. */
export function wrenchFor(figure: Quantity | undefined, { tools }: Series): string[] {
  const wrenches = tools.filter((tool) => (figure ? bears(tool, figure) : isTorque(tool)));
  // At the ends of its range a wrench is least sure.
  const [wrench] = figure ? wrenches.toSorted((a, b) => offMiddle(a, figure) - offMiddle(b, figure)) : wrenches;
  return wrench && (figure !== undefined || wrenches.length === 1) ? [wrench.id] : [];
}

/** How far from the middle of a wrench's range a figure lies; 0 is the middle, 0.5 either end. */
function offMiddle(tool: Tool, figure: Quantity): number {
  const range = torqueRange(tool);
  if (!range) return 1;
  const [from, to] = [inSi(range.from), inSi(range.to)];
  return Math.abs((inSi(figure) - from) / (to - from) - 0.5);
}

/** A change of a step, with the torque wrench that bears its figure where the step has none yet. */
export function withWrench(step: Step, change: Partial<Step>, series: Series): Partial<Step> {
  const figure = change.torque?.figure;
  const toolIds = change.toolIds ?? step.toolIds;
  if (!figure || toolIds.some((id) => series.tools.some((tool) => tool.id === id && isTorque(tool)))) return change;
  const wrench = wrenchFor(figure, series);
  return wrench.length > 0 ? { ...change, toolIds: [...toolIds, ...wrench] } : change;
}

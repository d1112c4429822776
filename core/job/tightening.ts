import type { FastenerGroup } from '../model/fastener-group';
import { componentById, groupOf } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import type { TorqueFigure } from '../model/torque-figure';
import { inSi, relativeGap } from '../quantity/quantity';
import { threadOfGroup } from '../torque/fastening';
import { passesRoundPins } from '../torque/passes';
import { type TighteningPlan, tighteningPlan } from '../torque/tightening-plan';
import { bears, isTorque } from '../torque/wrench';
import type { JudgedReading, StepRun } from './state';

/** One fastener in one pass, both counted from 0. */
export interface TighteningSpot {
  readonly pass: number;
  readonly slot: number;
}

/** From two on a joint has an order. */
const LEAST = 2;

const jointsOf = new WeakMap<Step, { readonly workbook: Workbook; readonly joint: TighteningPlan | undefined }>();

/**
 * The plan by which a step tightens a joint: where its fasteners are one group with a plan, and the step has a figure.
 * Where guide pins keep some holes, a step that names fewer tightens the others, and one that names as many as there are
 * pins tightens those.
 */
export function jointOfStep(step: Step, workbook: Workbook): TighteningPlan | undefined {
  const known = jointsOf.get(step);
  if (known?.workbook === workbook) return known.joint;
  const joint = readJoint(step, workbook);
  jointsOf.set(step, { workbook, joint });
  return joint;
}

/**
 * Where the passes are steps of their own, each is one pass to its own figure; the last keeps the check round of the group.
 */
function groupForStep(group: FastenerGroup, step: Step, { procedure }: Workbook): FastenerGroup {
  const own = step.torque?.figure;
  const others = procedure.steps.flatMap(({ id, verb, targets, torque }) => {
    const isSame = verb === 'torque' && id !== step.id && targets[0]?.componentId === group.componentId;
    return isSame && torque ? [torque.figure] : [];
  });
  const isOneOfSeveral = own !== undefined && others.some((figure) => relativeGap(own, figure) > ONE_FIGURE);
  if (!isOneOfSeveral) return group;
  const isLast = others.every((figure) => inSi(figure) <= inSi(own));
  const check = isLast ? (group.passes ?? []).filter(({ is }) => is !== 'rise') : [];
  return { ...group, passes: [{ is: 'rise', percent: 100 }, ...check] };
}

/** Figures nearer than this are one, rounded twice. */
const ONE_FIGURE = 0.02;

function readJoint(step: Step, workbook: Workbook): TighteningPlan | undefined {
  const { series } = workbook;
  const [target, other] = step.targets;
  const group = target && groupOf(series, target.componentId);
  const component = target && componentById(series, target.componentId);
  if (step.verb !== 'torque' || !step.torque || !target || other || !group?.plan || !component) return undefined;
  const { figure } = step.torque;
  const ids = [...(group.wrenchIds ?? []), ...step.toolIds];
  const wrenches = series.tools.filter((tool) => ids.includes(tool.id) && isTorque(tool));
  const wrench = wrenches.find((tool) => bears(tool, figure)) ?? wrenches[0];
  const joint = tighteningPlan(
    groupForStep(group, step, workbook),
    component.count,
    step.torque,
    threadOfGroup(group)?.diameter,
    wrench,
  );
  if (joint.slots.length < LEAST || joint.slots.length !== component.count) return undefined;
  const pins = (joint.plan.pinSlots ?? []).filter((slot) => slot < joint.slots.length);
  const count = target.count ?? component.count;
  if (count === component.count) return { ...joint, passes: passesRoundPins(joint.passes, pins) };
  if (count === component.count - pins.length) return only(joint, (slot) => !pins.includes(slot));
  return count === pins.length ? only(joint, (slot) => pins.includes(slot)) : undefined;
}

function only(joint: TighteningPlan, isMeant: (slot: number) => boolean): TighteningPlan {
  return {
    ...joint,
    order: joint.order.filter(isMeant),
    passes: joint.passes.map((pass) => ({ ...pass, order: pass.order.filter(isMeant) })),
  };
}

/** Every fastener in every pass, in the order in which they are tightened. */
export function spotsOf({ passes }: TighteningPlan): TighteningSpot[] {
  return passes.flatMap(({ order }, pass) => order.map((slot) => ({ pass, slot })));
}

const isSame = (one: TighteningSpot | undefined, two: TighteningSpot) =>
  one !== undefined && one.pass === two.pass && one.slot === two.slot;

/** The latest reading of a fastener in a pass. */
export function latestAt(
  { readings }: Pick<StepRun, 'readings'>,
  positionId: string | null,
  spot: TighteningSpot,
): JudgedReading | undefined {
  return readings.findLast((reading) => reading.positionId === positionId && isSame(reading.spot, spot));
}

/** Whether a fastener is done in a pass: read within its window, let stand, or turned on. */
export function isTightened(run: StepRun, positionId: string | null, spot: TighteningSpot): boolean {
  if (run.turnedOn.some((one) => one.positionId === positionId && isSame(one.spot, spot))) return true;
  const latest = latestAt(run, positionId, spot);
  return latest !== undefined && (latest.accepted !== undefined || latest.verdict === 'within');
}

/** What was read in one pass of a joint at one place. */
export interface PassRead {
  readonly positionId: string | null;
  readonly pass: number;
  readonly readings: readonly JudgedReading[];
}

/** The readings of a joint by place and pass; within a pass in the order in which they were read. */
export function passesRead({ readings }: Pick<StepRun, 'readings'>): PassRead[] {
  const passes: { positionId: string | null; pass: number; readings: JudgedReading[] }[] = [];
  for (const reading of readings) {
    if (!reading.spot) continue;
    const { positionId, spot } = reading;
    const known = passes.find((one) => one.positionId === positionId && one.pass === spot.pass);
    if (known) known.readings.push(reading);
    else passes.push({ positionId, pass: spot.pass, readings: [reading] });
  }
  const places = [...new Set(passes.map(({ positionId }) => positionId))];
  return places.flatMap((place) =>
    passes.filter(({ positionId }) => positionId === place).toSorted((a, b) => a.pass - b.pass),
  );
}

/** What is still to be tightened at a place, the next first. */
export function spotsLeft(joint: TighteningPlan, run: StepRun, positionId: string | null): TighteningSpot[] {
  return spotsOf(joint).filter((spot) => !isTightened(run, positionId, spot));
}

/** The torque of a pass: its share of the figure with the same tolerance, or the figure for checking with its own. */
export function torqueAt(step: Step, workbook: Workbook, { pass }: TighteningSpot): TorqueFigure | undefined {
  const { target, plan } = jointOfStep(step, workbook)?.passes[pass] ?? {};
  const group = groupOf(workbook.series, step.targets[0]?.componentId ?? '');
  const checked = plan?.is === 'check' ? group?.figures.find(({ use }) => use === 'check') : undefined;
  if (checked) return checked.torque;
  return step.torque && target ? { ...step.torque, figure: target } : step.torque;
}

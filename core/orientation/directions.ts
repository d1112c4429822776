import { type Component, componentById, type Series, type Stack, type StackEnd } from '../model/series';
import { bare, type Faces, type Pose } from './faces';

/** A place in a stack: which stack, and where in it, counted from the bottom. */
export interface StackPlace {
  readonly stack: Stack;
  readonly layer: number;
}

/** Where a part lies in the stacks of its series; the first place when it lies in several. */
export function placeInStack(series: Series, componentId: string): StackPlace | undefined {
  for (const stack of series.stacks ?? []) {
    const layer = stack.layers.findIndex((candidate) => candidate.componentId === componentId);
    if (layer >= 0) return { stack, layer };
  }
  return undefined;
}

const OPPOSITE: Readonly<Record<StackEnd, StackEnd>> = { mouth: 'bottom', bottom: 'mouth' };

/**
 * Which end of its bore a direction means for a part: "the pressure", "the drive", "out of the bore", a neighbour in the
 * stack, or up and down for a housing that lies face up or face down. Undefined when it means neither.
 */
export function endMeant(
  toward: string,
  { stack, layer }: StackPlace,
  series: Series,
  pose?: Pose | undefined,
): StackEnd | undefined {
  const said = bare(toward);
  const away = /^away from /.test(said);
  const end = endNamed(said.replace(/^(away from|toward|towards|to) /, ''), stack, layer, series, pose);
  return end && away ? OPPOSITE[end] : end;
}

function endNamed(
  said: string,
  stack: Stack,
  layer: number,
  series: Series,
  pose: Pose | undefined,
): StackEnd | undefined {
  if (/\bpressure\b|\bliquid\b|\bproduct\b/.test(said)) return stack.pressureAt;
  if (/\bdrive\b|\bcrankcase\b|\bmotor\b/.test(said)) return stack.driveAt;
  if (/\bout of\b|\boutwards?\b|\bmouth\b|^out$/.test(said)) return 'mouth';
  if (/\binto\b|\binwards?\b|\bbottom\b|^in$/.test(said)) return 'bottom';
  if (pose === 'face-up' || pose === 'face-down') {
    if (/\bup(wards?)?\b/.test(said)) return pose === 'face-up' ? 'mouth' : 'bottom';
    if (/\bdown(wards?)?\b/.test(said)) return pose === 'face-up' ? 'bottom' : 'mouth';
  }
  const neighbour = stack.layers.findIndex(({ componentId }, i) => i !== layer && isNamed(series, componentId, said));
  if (neighbour >= 0) return neighbour > layer ? 'mouth' : 'bottom';
  return stack.hostId && isNamed(series, stack.hostId, said) ? 'bottom' : undefined;
}

function isNamed(series: Series, componentId: string, said: string): boolean {
  const component = series.components.find(({ id }) => id === componentId);
  return component !== undefined && bare(component.name) === said;
}

/** Whether a facing agrees with another of the same end, for a part whose place in a stack is known or is not. */
export type Agreement = 'same' | 'contrary' | 'unknown';

export function compareFacings(
  a: Faces,
  b: Faces,
  component: Component,
  series: Series,
  pose?: Pose | undefined,
): Agreement {
  const place = placeInStack(series, component.id);
  if (!place) return 'unknown';
  const [one, other] = [endMeant(a.toward, place, series, pose), endMeant(b.toward, place, series, pose)];
  if (!one || !other) return 'unknown';
  const sameEnd = bare(a.end) === bare(b.end);
  // The other end of the part toward the other end of the bore is the same facing said from behind.
  if (!sameEnd && component.profiles === undefined) return 'unknown';
  return (one === other) === sameEnd ? 'same' : 'contrary';
}

/** A facing said both ways: in the pump, and on the bench for how the housing lies. */
export interface BothWays {
  readonly inPump: string;
  readonly onBench: 'up' | 'down' | undefined;
}

export function bothWays(faces: Faces, component: Component, series: Series, pose: Pose | undefined): BothWays {
  const place = placeInStack(series, component.id);
  const end = place && endMeant(faces.toward, place, series, pose);
  const pressed = place && end && place.stack.pressureAt === end ? 'the pressure' : undefined;
  const isBenchWord = /^(up|down)(wards?)?( on bench)?$/.test(bare(faces.toward));
  const inPump =
    isBenchWord && end
      ? (pressed ?? (end === 'mouth' ? 'the mouth of the bore' : 'the bottom of the bore'))
      : faces.toward;
  return { inPump, onBench: benchDirection(end, faces.toward, pose) };
}

function benchDirection(end: StackEnd | undefined, toward: string, pose: Pose | undefined): BothWays['onBench'] {
  if (pose !== 'face-up' && pose !== 'face-down') return undefined;
  if (end) return (end === 'mouth') === (pose === 'face-up') ? 'up' : 'down';
  if (/\bup(wards?)?\b/i.test(toward)) return 'up';
  if (/\bdown(wards?)?\b/i.test(toward)) return 'down';
  return undefined;
}

/** How the nearest housing around a part lies; undefined when nobody laid one of them down. */
export function poseAround(
  hostId: string | undefined,
  poses: ReadonlyMap<string, Pose>,
  series: Series,
): { readonly housingId: string; readonly pose: Pose } | undefined {
  // Hosts may be said in a circle while they are being written.
  for (let id = hostId, rest = 8; id && rest > 0; id = componentById(series, id)?.hostId, rest -= 1) {
    const pose = poses.get(id);
    if (pose) return { housingId: id, pose };
  }
  return undefined;
}

/** The way a facing is not said in already: on the bench as the housing lies, or in the pump. */
export type OtherWay =
  | { readonly is: 'on-bench'; readonly direction: 'up' | 'down' }
  | { readonly is: 'in-pump'; readonly toward: string };

export function otherWay(
  faces: Faces,
  component: Component,
  series: Series,
  poses: ReadonlyMap<string, Pose>,
): OtherWay | undefined {
  const pose = poseAround(component.hostId, poses, series)?.pose;
  const { inPump, onBench } = bothWays(faces, component, series, pose);
  if (onBench && !/\b(up|down)\b/i.test(faces.toward)) return { is: 'on-bench', direction: onBench };
  return inPump === faces.toward ? undefined : { is: 'in-pump', toward: inPump };
}

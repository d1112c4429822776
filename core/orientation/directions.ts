import type { Direction, Faces, Pose } from '../model/faces';
import { componentById } from '../model/lookup';
import type { Component, Series, Stack, StackEnd } from '../model/series';
import { bare, clockingsClash, sameDirection, sameEnd } from './faces';

/** A place in a stack: which stack, and where in it, counted from the bottom. */
export interface StackPlace {
  readonly stack: Stack;
  readonly layer: number;
}

/** What is known of where a part goes, to tell two stacks with the same part apart. */
export interface Where {
  readonly positionIds?: readonly string[] | undefined;
  /** The part it goes into. */
  readonly hostId?: string | undefined;
  /** Where to, in words. */
  readonly into?: string | undefined;
}

/**
 * Where a part lies in the stacks of its series. A part of two stacks lies in the one at its place, in its host, or the
 * one that is named; where nothing tells, in all of them.
 */
export function placesInStacks(series: Series, componentId: string, where: Where = {}): StackPlace[] {
  const all = (series.stacks ?? []).flatMap((stack): StackPlace[] => {
    const layer = stack.layers.findIndex((candidate) => candidate.componentId === componentId);
    return layer < 0 ? [] : [{ stack, layer }];
  });
  if (all.length < 2) return all;
  const meant = all.filter(({ stack }) => isMeant(stack, where, series));
  return meant.length > 0 ? meant : all;
}

function isMeant(stack: Stack, { positionIds = [], hostId, into }: Where, series: Series): boolean {
  if (hostId && stack.hostId === hostId) return true;
  if (positionIds.length > 0) {
    if (stack.positionIds) return stack.positionIds.some((id) => positionIds.includes(id));
    const names = series.positionSets.flatMap((set) => set.positions).filter(({ id }) => positionIds.includes(id));
    if (names.some(({ name }) => sharesWord(name, stack.name))) return true;
  }
  return into !== undefined && sharesWord(into, stack.name);
}

function sharesWord(a: string, b: string): boolean {
  const words = new Set(bare(a).split(' '));
  return bare(b)
    .split(' ')
    .some(
      (word) => word.length > 2 && !['stack', 'gland', 'box', 'seal', 'bore', 'end'].includes(word) && words.has(word),
    );
}

const OPPOSITE: Readonly<Record<StackEnd, StackEnd>> = { mouth: 'bottom', bottom: 'mouth' };

/**
 * Which end of its bore a direction means for a part; up and down need to know how the housing lies. Undefined when it
 * means neither.
 */
export function endMeant(direction: Direction, place: StackPlace, pose?: Pose | undefined): StackEnd | undefined {
  const end = endNamed(direction, place, pose);
  return end && direction.away ? OPPOSITE[end] : end;
}

function endNamed(direction: Direction, { stack, layer }: StackPlace, pose: Pose | undefined): StackEnd | undefined {
  switch (direction.is) {
    case 'pressure':
      return stack.pressureAt;
    case 'drive':
      return stack.driveAt;
    case 'mouth':
    case 'bottom':
      return direction.is;
    case 'up':
    case 'down':
      if (pose !== 'face-up' && pose !== 'face-down') return undefined;
      return (direction.is === 'up') === (pose === 'face-up') ? 'mouth' : 'bottom';
    case 'part': {
      const neighbour = stack.layers.findIndex(
        ({ componentId }, i) => i !== layer && componentId === direction.componentId,
      );
      if (neighbour >= 0) return neighbour > layer ? 'mouth' : 'bottom';
      return stack.hostId === direction.componentId ? 'bottom' : undefined;
    }
    default:
      return undefined;
  }
}

/** Whether a facing agrees with another of the same part. */
export type Agreement = 'same' | 'contrary' | 'unknown';

/**
 * Compares two sayings of how a part faces. In several stacks that are not told apart it agrees when it does in one of
 * them. Up and down against a direction in the pump stay unknown as long as nobody says how the housing lies.
 */
export function compareFacings(
  a: Faces,
  b: Faces,
  component: Component,
  places: readonly StackPlace[],
  pose?: Pose | undefined,
): Agreement {
  if (clockingsClash(a.clocking, b.clocking)) return 'contrary';
  if (a.toward.is === 'any' || b.toward.is === 'any') return a.toward.is === b.toward.is ? 'same' : 'unknown';
  const agreements = places.map((place) => compareIn(a, b, component, place, pose));
  if (agreements.includes('same')) return 'same';
  if (agreements.includes('contrary')) return 'contrary';
  return compareDirections(a, b, component, pose);
}

function compareIn(a: Faces, b: Faces, component: Component, place: StackPlace, pose: Pose | undefined): Agreement {
  const [one, other] = [endMeant(a.toward, place, pose), endMeant(b.toward, place, pose)];
  if (!one || !other) return 'unknown';
  return verdict(a, b, component, one === other);
}

/** The other end of a part toward the other end of the bore is the same facing said from behind. */
function verdict(a: Faces, b: Faces, component: Component, sameWay: boolean): Agreement {
  if (sameEnd(a, b)) return a.end === undefined || b.end === undefined ? 'same' : sameWay ? 'same' : 'contrary';
  if (component.profiles === undefined && !namesOpposite(a.end, b.end)) return 'unknown';
  return sameWay ? 'contrary' : 'same';
}

/** "lip" and "back", "groove" and "flat side": the two ends of one part. */
function namesOpposite(a: string | undefined, b: string | undefined): boolean {
  const BACK = /\b(back|heel|plain|flat|closed|other|blind|solid|smooth)\b/;
  return a !== undefined && b !== undefined && BACK.test(bare(a)) !== BACK.test(bare(b));
}

/** Without a stack only directions that are opposite by their meaning can contradict one another. */
function compareDirections(a: Faces, b: Faces, component: Component, pose: Pose | undefined): Agreement {
  const [one, other] = [plainWay(a.toward, pose), plainWay(b.toward, pose)];
  if (one && other && one.axis === other.axis) return verdict(a, b, component, one.sign === other.sign);
  if (sameDirection(a.toward, b.toward)) return verdict(a, b, component, true);
  const flipped = { ...b.toward, away: b.toward.away ? undefined : true } as Direction;
  return sameDirection(a.toward, flipped) ? verdict(a, b, component, false) : 'unknown';
}

/** Along the bore, or along the pump from its drive to its liquid end, or up and down where nobody said how it lies. */
function plainWay(
  direction: Direction,
  pose: Pose | undefined,
): { axis: 'bore' | 'pump' | 'bench'; sign: 1 | -1 } | undefined {
  const turn = (axis: 'bore' | 'pump' | 'bench', positive: boolean) => ({
    axis,
    sign: (positive !== (direction.away === true) ? 1 : -1) as 1 | -1,
  });
  switch (direction.is) {
    case 'mouth':
    case 'bottom':
      return turn('bore', direction.is === 'mouth');
    case 'pressure':
    case 'drive':
      return turn('pump', direction.is === 'pressure');
    case 'up':
    case 'down':
      if (pose === 'face-up' || pose === 'face-down')
        return turn('bore', (direction.is === 'up') === (pose === 'face-up'));
      return turn('bench', direction.is === 'up');
    default:
      return undefined;
  }
}

/** Said of the bench, not of the pump. */
export function isBenchDirection({ is }: Direction): boolean {
  return is === 'up' || is === 'down';
}

/** A facing said both ways: in the pump, and on the bench for how the housing lies. */
export interface BothWays {
  readonly inPump: Direction;
  readonly onBench: 'up' | 'down' | undefined;
}

export function bothWays(
  faces: Faces,
  component: Component,
  series: Series,
  pose: Pose | undefined,
  where: Where = {},
): BothWays {
  const [place] = placesInStacks(series, component.id, { hostId: component.hostId, ...where });
  const end = place && endMeant(faces.toward, place, pose);
  const pressed = place && end && place.stack.pressureAt === end;
  const inPump: Direction = isBenchDirection(faces.toward) && end ? { is: pressed ? 'pressure' : end } : faces.toward;
  return { inPump, onBench: benchDirection(end, faces.toward, pose) };
}

function benchDirection(end: StackEnd | undefined, toward: Direction, pose: Pose | undefined): BothWays['onBench'] {
  if (pose !== 'face-up' && pose !== 'face-down') return undefined;
  const along =
    end ??
    (toward.is === 'mouth' || toward.is === 'bottom' ? (toward.away ? OPPOSITE[toward.is] : toward.is) : undefined);
  if (along) return (along === 'mouth') === (pose === 'face-up') ? 'up' : 'down';
  if (toward.is === 'up' || toward.is === 'down') return toward.is;
  return undefined;
}

/** How the nearest housing around a part lies; undefined when nobody laid one of them down. */
export function poseAround(
  hostId: string | undefined,
  poses: { get(componentId: string): Pose | undefined },
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
  | { readonly is: 'in-pump'; readonly toward: Direction };

export function otherWay(
  faces: Faces,
  component: Component,
  series: Series,
  poses: ReadonlyMap<string, Pose>,
): OtherWay | undefined {
  const pose = poseAround(component.hostId, poses, series)?.pose;
  const { inPump, onBench } = bothWays(faces, component, series, pose);
  if (onBench && !isBenchDirection(faces.toward)) return { is: 'on-bench', direction: onBench };
  return inPump === faces.toward ? undefined : { is: 'in-pump', toward: inPump };
}

import { movesOf, type Timeline } from '../bench/replay';
import type { Piece } from '../bench/units';
import { closesOver, runsSideBySide } from '../model/kinds';
import type { Step } from '../model/procedure';
import type { Answered } from './finding';
import { type CheckContext, noticed } from './rule';

/**
 * Two parts whose order on the way down and on the way back contradict one another: the first came off before the
 * other, and goes back before it as well.
 */
export interface Disorder {
  /** Which of the two steps is presumably wrong: where the part is taken off, or where it is fitted. */
  readonly at: 'taking' | 'refitting';
  readonly step: Step;
  readonly on: readonly Answered[] | undefined;
  readonly componentId: string;
  readonly otherId: string;
  readonly otherPieceId: string;
  /** When the other part goes back. */
  readonly otherBackAt: number;
  /** The series says that one covers the other, or the other belongs inside. */
  readonly sure: boolean;
}

const known = new WeakMap<Timeline, Disorder[]>();

export function disorders(context: CheckContext): Disorder[] {
  const there = known.get(context.timeline) ?? findDisorders(context);
  known.set(context.timeline, there);
  return there;
}

function findDisorders(context: CheckContext): Disorder[] {
  const { timeline } = context;
  const closings = noticed(context, 'buried');
  if (closings.length === 0) return [];
  const { pieces, components, threaded } = timeline.structure;
  const log = movesLog(timeline, () => true);
  const always = movesLog(timeline, ({ when }) => when === undefined);
  return closings.flatMap(({ step, index, on, notice }): Disorder[] => {
    const under = pieces.get(notice.underPieceId);
    const otherBackAt = under ? (log.homes.get(under.id)?.find((at) => at > index) ?? -1) : -1;
    // What never goes back is left over, which another rule says.
    if (!under || otherBackAt < 0) return [];
    const [over, other] = [components.get(notice.componentId), components.get(under.componentId)];
    if (!over || !other) return [];
    // Some of its pieces go in below the other part, and some above it, as rings around a lantern ring.
    const { byComponent, places } = timeline.structure;
    const isLater = ({ id, positionId }: Piece) =>
      places.meet(positionId, under.positionId) && log.homes.get(id)?.some((home) => home > otherBackAt);
    if (!notice.sure && byComponent.get(over.id)?.some(isLater)) return [];
    const found = {
      step,
      on,
      componentId: over.id,
      otherId: other.id,
      otherPieceId: under.id,
      otherBackAt,
      sure: notice.sure,
    };
    if (notice.sure) return [{ at: 'refitting', ...found }];
    // What only some answers take off makes no assembly of what is taken off whatever the answer.
    const logs = always.takings.some(({ off }) => off === notice.takenAt) ? [log, always] : [log];
    const isBeside = (one: MovesLog) => isSideBySide(one, timeline.structure, notice.takenAt, under.id, index);
    if (!notice.segment && logs.every(isBeside)) return [];
    const closes = closesOver(over.kind) || threaded.has(over.id);
    const isClosed = closesOver(other.kind) || threaded.has(other.id);
    const taking = timeline.frames[notice.takenAt]?.step;
    // Something inside that came off before what closes over it was taken too early, and so was what is bolted on.
    const isBolted = threaded.has(other.id) && !threaded.has(over.id);
    if (isBolted && over.heldBy?.includes(other.id)) return [];
    if (over.kind === other.kind && runsSideBySide(over.kind)) return [];
    // Lines are connected beside one another.
    const otherTaking = timeline.frames[log.takings.findLast(isTakenBefore(under.id, index))?.off ?? -1]?.step;
    if (taking?.verb === 'disconnect' && otherTaking?.verb === 'disconnect') return [];
    if (((!closes && isClosed) || isBolted) && taking) return [{ at: 'taking', ...found, step: taking }];
    return [{ at: 'refitting', ...found }];
  });
}

function isTakenBefore(pieceId: string, index: number) {
  return (taking: MovesLog['takings'][number]) => taking.pieceId === pieceId && taking.off < index;
}

interface MovesLog {
  /** For each piece the steps that put it home. */
  readonly homes: ReadonlyMap<string, readonly number[]>;
  /** Each time a piece was taken off: when, in which layer of the pump, and when it went back. */
  readonly takings: readonly {
    readonly pieceId: string;
    readonly off: number;
    readonly layer: number;
    readonly back: number;
  }[];
}

function movesLog(timeline: Timeline, counts: (step: Step) => boolean): MovesLog {
  const { components, threaded } = timeline.structure;
  const homes = new Map<string, number[]>();
  const taken: { pieceId: string; off: number; layer: number }[] = [];
  let layer = 0;
  let lastWasFastener = false;
  timeline.frames.forEach((frame, index) => {
    if (!counts(frame.step)) return;
    let opened: string | undefined;
    for (const { act, unitId } of movesOf(frame)) {
      const unit = timeline.units.get(unitId);
      if (!unit || (act !== 'out' && act !== 'home')) continue;
      if (act === 'home') {
        homes.set(unit.pieceId, [...(homes.get(unit.pieceId) ?? []), index]);
        continue;
      }
      if (opened !== unit.componentId) {
        const isFastener = threaded.has(unit.componentId);
        const closes = closesOver(components.get(unit.componentId)?.kind ?? 'other');
        if ((isFastener || closes) && !lastWasFastener) layer += 1;
        lastWasFastener = isFastener;
        opened = unit.componentId;
      }
      taken.push({ pieceId: unit.pieceId, off: index, layer });
    }
  });
  const takings = taken.map(({ pieceId, off, layer: at }) => ({
    pieceId,
    off,
    layer: at,
    back: homes.get(pieceId)?.find((home) => home > off) ?? Number.POSITIVE_INFINITY,
  }));
  return { homes, takings };
}

/**
 * Two assemblies that lie beside one another may go back in any order, each as a whole. Where one lies over the other,
 * parts of both mix on the way back.
 */
function isSideBySide(
  { takings }: MovesLog,
  { pieces }: Timeline['structure'],
  takenAt: number,
  underId: string,
  homeAt: number,
): boolean {
  const upper = takings.find(({ off }) => off === takenAt)?.layer;
  const under = takings.findLast(isTakenBefore(underId, homeAt))?.layer;
  if (upper === undefined || under === undefined || upper === under) return false;
  // A part by itself is no assembly.
  const parts = new Set(
    takings.flatMap(({ pieceId, layer }) => (layer === upper ? [pieces.get(pieceId)?.componentId] : [])),
  );
  if (parts.size < 2) return false;
  const backs = (holds: (layer: number) => boolean) =>
    takings.filter(({ layer, back }) => holds(layer) && back < Number.POSITIVE_INFINITY).map(({ back }) => back);
  const first = backs((layer) => layer === upper);
  const second = backs((layer) => layer > upper && layer <= under);
  if (Math.max(...first) < Math.min(...second)) return true;
  return isOpeningOfItsOwn(
    takings.filter(({ layer }) => layer === under),
    Math.max(...first),
    pieces,
  );
}

/**
 * What closes an opening of its own, a cover with its gasket, goes back last of all, while what lay behind it is in
 * already: it came off first of its layer, and comes on after all of the other assembly.
 */
function isOpeningOfItsOwn(
  layer: MovesLog['takings'],
  otherBack: number,
  pieces: Timeline['structure']['pieces'],
): boolean {
  const late = layer.filter(({ back }) => back > otherBack && back < Number.POSITIVE_INFINITY);
  const early = layer.filter(({ back }) => back <= otherBack);
  const parts = new Set(late.map(({ pieceId }) => pieces.get(pieceId)?.componentId));
  if (parts.size < 2 || early.length === 0) return false;
  return Math.max(...late.map(({ off }) => off)) < Math.min(...early.map(({ off }) => off));
}

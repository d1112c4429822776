import { movesOf, type Timeline } from '../bench/replay';
import type { Step } from '../model/procedure';
import type { Component } from '../model/series';
import { verbOf } from '../model/verbs';

/** The last moment a fitted part can be seen: after `from` and before `coveredAt`, where something goes over it. */
export interface LastLook {
  readonly componentId: string;
  /** The step that fits it. */
  readonly from: number;
  /** The step that covers it, the number of steps when nothing does. */
  readonly coveredAt: number;
  readonly coveredById: string | undefined;
}

/** Parts of which it matters how they sit: those that go in one way round, and those whose facing somebody said. */
function sitsOneWay(component: Component, step: Step): boolean {
  return component.keyed === true || component.faces !== undefined || step.faces !== undefined;
}

interface Homing {
  readonly index: number;
  readonly step: Step;
  readonly componentId: string;
  readonly positionId: string | null;
  readonly offAt: number;
}

/** When each part whose facing matters can last be seen before it is covered. */
export function lastLooks(timeline: Timeline): LastLook[] {
  const { components } = timeline.structure;
  const offAt = new Map<string, number>();
  const homings: Homing[] = [];
  timeline.frames.forEach(({ step, moves }, index) => {
    for (const { unitId, act } of moves) {
      const unit = timeline.units.get(unitId);
      if (!unit) continue;
      if (act === 'out') offAt.set(unit.pieceId, index);
      if (act !== 'home') continue;
      const off = offAt.get(unit.pieceId) ?? -1;
      const last = homings.at(-1);
      if (last?.index === index && last.componentId === unit.componentId && last.positionId === unit.positionId)
        continue;
      homings.push({ index, step, componentId: unit.componentId, positionId: unit.positionId, offAt: off });
    }
  });
  const looks = new Map<string, LastLook>();
  homings.forEach((fitted, i) => {
    const component = components.get(fitted.componentId);
    if (!component || fitted.offAt < 0 || !sitsOneWay(component, fitted.step)) return;
    const cover = homings
      .slice(i + 1)
      .find((over) => over.index > fitted.index && closesOver(over, fitted, component, timeline));
    const known = looks.get(`${fitted.componentId} ${fitted.index}`);
    const coveredAt = cover?.index ?? timeline.frames.length;
    if (known && known.coveredAt <= coveredAt) return;
    looks.set(`${fitted.componentId} ${fitted.index}`, {
      componentId: fitted.componentId,
      from: fitted.index,
      coveredAt,
      coveredById: cover?.componentId,
    });
  });
  return [...looks.values()];
}

function closesOver(over: Homing, under: Homing, component: Component, { structure }: Timeline): boolean {
  if (over.componentId === under.componentId || over.offAt < 0 || over.offAt >= under.offAt) return false;
  if (!structure.places.meet(over.positionId, under.positionId)) return false;
  return component.coveredBy?.find((cover) => cover.componentId === over.componentId)?.said !== 'clear';
}

/** Whether a photo is demanded between the fitting and the covering. */
export function isPhotographed(timeline: Timeline, { from, coveredAt }: LastLook): boolean {
  return timeline.frames.slice(from, coveredAt).some(({ step }) => step.photo !== undefined || step.verb === 'photo');
}

/**
 * How the pump was found can be seen until this step cleans or renews something; -1 when none does. Flushing a pump
 * that is still closed takes no evidence away.
 */
export function asFoundEnds(steps: readonly Step[]): number {
  const opened = steps.findIndex(
    ({ verb }) => ['takes', 'opens'].includes(verbOf(verb).effect) && verb !== 'disconnect',
  );
  return steps.findIndex(
    ({ verb }, i) => (verb === 'clean' && opened >= 0 && i > opened) || verbOf(verb).effect === 'renews',
  );
}

/** The steps that disturb what was found: each opens something, and a photo before or at one of them is evidence. */
export function asFoundPoints(timeline: Timeline): Step[] {
  const { components } = timeline.structure;
  return timeline.frames
    .filter((frame) =>
      movesOf(frame).some(({ act, unitId }) => {
        const component = components.get(timeline.units.get(unitId)?.componentId ?? '');
        return act === 'out' && component !== undefined && (component.renewal !== 'keep' || component.matched);
      }),
    )
    .map(({ step }) => step);
}

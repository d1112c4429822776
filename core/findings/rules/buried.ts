import type { Timeline } from '../../cloth/replay';
import { componentPhrase, listing } from '../../narration/sentence';
import { pieceOf } from '../../procedure/way-back/takings';
import { componentById } from '../../pump/series';
import { nameStep, type Rule } from '../rule';

/**
 * What came off later is presumed to sit underneath, at the same position or for the whole pump. That is an inference
 * from the order of the take-down, so this is advice and stops nothing.
 */
export const buried: Rule = {
  id: 'buried',
  family: 'reach',
  severity: 'advise',
  looksFor: 'a part put back over one that came off after it and is still out',
  reason: 'The technician finds the part left over when everything above it is closed.',
  find: (context) => {
    const { timeline, workbook } = context;
    const pieces = lastJourneys(timeline);
    return timeline.frames.flatMap(({ step, moves }, index) => {
      const closing = moves.flatMap((move) =>
        move.to === 'pump' ? (pieces.get(pieceOf(timeline.units.get(move.unitId))) ?? []) : [],
      );
      if (closing.length === 0) return [];
      const under = [...pieces.values()].filter(
        (piece) =>
          piece.backAt > index &&
          closing.some(
            (above) =>
              above.backAt === index && piece.offAt > above.offAt && piece.offAt < index && inTheWay(above, piece),
          ),
      );
      const componentIds = [...new Set(under.map((piece) => piece.componentId))];
      if (componentIds.length === 0) return [];
      const names = componentIds.flatMap((id) => {
        const component = componentById(workbook.series, id);
        return component
          ? [componentPhrase(component, under.filter((piece) => piece.componentId === id).length, false)]
          : [];
      });
      const refits = [...new Set(under.map((piece) => piece.backAt))].sort((a, b) => a - b);
      return [
        {
          stepId: step.id,
          componentIds,
          sentence: `${nameStep(context, step)}, closes over the ${listing(names)} still out.`,
          fix: {
            label: 'Move it behind',
            edits: [{ kind: 'move', stepId: step.id, index: refits.at(-1) ?? index, stage: step.stage }],
          },
        },
      ];
    });
  },
};

/** When a piece came off last and when it, or its replacement, went back after that. */
interface Journey {
  readonly componentId: string;
  readonly positionId: string | null;
  readonly offAt: number;
  readonly backAt: number;
}

function lastJourneys(timeline: Timeline): Map<string, Journey> {
  const journeys = new Map<string, Journey>();
  timeline.frames.forEach(({ moves }, index) => {
    for (const move of moves) {
      const unit = timeline.units.get(move.unitId);
      if (!unit) continue;
      const key = pieceOf(unit);
      const { componentId, positionId } = unit;
      if (move.to === 'cloth') journeys.set(key, { componentId, positionId, offAt: index, backAt: -1 });
      const out = journeys.get(key);
      if (move.to === 'pump' && out) journeys.set(key, { ...out, backAt: index });
    }
  });
  return journeys;
}

function inTheWay(above: Journey, under: Journey): boolean {
  return above.positionId === null || under.positionId === null || above.positionId === under.positionId;
}

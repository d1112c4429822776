import type { Timeline } from '../../bench/replay';
import { componentPhrase, listing } from '../../language/en/sentence';
import { nameStep, noticed, type Rule } from '../rule';

/**
 * What came off later is presumed to sit underneath, at the same position or for the whole pump. Where that is only an
 * inference from the order of the take-down it is advice; where the series confirms it, it stops the release. What
 * never goes back is told as left over instead.
 */
export const buried: Rule = {
  id: 'buried',
  family: 'reach',
  severity: 'advise',
  looksFor:
    'a part put back over one that came off after it and is still out; a stop where the series says it covers it',
  reason: 'The technician finds the part left over when everything above it is closed.',
  find: (context) => {
    const { timeline } = context;
    const byStep = new Map<
      string,
      { closing: ReturnType<typeof noticed<'buried'>>[number]; under: Map<string, number> }
    >();
    const sure = new Set<string>();
    for (const closing of noticed(context, 'buried')) {
      const backAt = homeAfter(timeline, closing.notice.underPieceId, closing.index);
      if (backAt < 0) continue;
      const known = byStep.get(closing.step.id) ?? { closing, under: new Map() };
      known.under.set(closing.notice.underPieceId, backAt);
      if (closing.notice.sure) sure.add(closing.step.id);
      byStep.set(closing.step.id, known);
    }
    return [...byStep.values()].map(({ closing: { step, index, when }, under }) => {
      const pieces = [...under.keys()].flatMap(
        (pieceId) => timeline.structure.byPiece.get(pieceId)?.old ?? timeline.structure.byPiece.get(pieceId)?.new ?? [],
      );
      const componentIds = [...new Set(pieces.map((unit) => unit.componentId))];
      const names = componentIds.flatMap((id) => {
        const component = timeline.structure.components.get(id);
        return component
          ? [componentPhrase(component, pieces.filter((unit) => unit.componentId === id).length, false)]
          : [];
      });
      return {
        stepId: step.id,
        componentIds,
        unitIds: pieces.map((unit) => unit.id),
        ...(sure.has(step.id) && { severity: 'stop' as const }),
        sentence: `${nameStep(context, step)}, closes over the ${listing(names)} still out${when}.`,
        fix: {
          label: 'Move it behind',
          edits: [
            { kind: 'move' as const, stepId: step.id, index: Math.max(index, ...under.values()), stage: step.stage },
          ],
        },
      };
    });
  },
};

/** The step after `index` that puts a piece home; -1 when none does. */
function homeAfter(timeline: Timeline, pieceId: string, index: number): number {
  return timeline.frames.findIndex(
    ({ runs }, i) =>
      i > index &&
      runs.some(({ moves }) =>
        moves.some((move) => move.act === 'home' && timeline.units.get(move.unitId)?.pieceId === pieceId),
      ),
  );
}

import { movesOf, replay, type Timeline } from '../bench/replay';
import { cellOf } from '../bench/state';
import { check } from '../findings/check';
import { type Finding, findingKey } from '../findings/finding';
import { isLeftForReassembly } from '../findings/still-to-do';
import type { AppliedLine } from './apply-line';

/** What a line would do at the bench if it were added now. */
export interface LinePreview {
  /** Cells that parts would be laid in. */
  readonly lays: readonly number[];
  /** Cells that parts would be taken from. */
  readonly empties: readonly number[];
  /** Stops and warnings that are not there yet, the gravest first. */
  readonly finds: readonly Finding[];
}

/** Tries what a line would make without adding it. `findings` are those of the procedure as it stands. */
export function previewLine(applied: AppliedLine, timeline: Timeline, findings: readonly Finding[]): LinePreview {
  const { workbook, stepIds } = applied;
  const next = replay(workbook, timeline);
  const known = new Set(findings.map(findingKey));
  const moves = stepIds.flatMap((_, i) => {
    const frame = next.frames[applied.index + i];
    return frame ? movesOf(frame) : [];
  });
  const cells = (act: 'out' | 'home') => [
    ...new Set(moves.flatMap((move) => (move.act === act ? (cellOf(next, move.unitId)?.number ?? []) : []))),
  ];
  return {
    lays: cells('out'),
    empties: cells('home'),
    // A part that was just taken off has not been forgotten yet.
    finds: check(workbook, next).filter(
      (finding) =>
        finding.severity !== 'advise' &&
        finding.id !== 'no-figure' &&
        !isLeftForReassembly(finding) &&
        !known.has(findingKey(finding)),
    ),
  };
}

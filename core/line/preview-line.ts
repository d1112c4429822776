import { movesOf, replay, type Timeline } from '../bench/replay';
import { cellOf } from '../bench/state';
import { check } from '../findings/check';
import { type Finding, findingKey } from '../findings/finding';
import type { Workbook } from '../model/procedure';
import { applyLine } from './apply-line';
import { parseLine } from './parse-line';

/** What a line would do if it were added now. */
export interface LinePreview {
  /** Cells that parts would be laid in. */
  readonly lays: readonly number[];
  /** Cells that parts would be taken from. */
  readonly empties: readonly number[];
  /** Stops and warnings that are not there yet, the gravest first. */
  readonly finds: readonly Finding[];
  /** The procedure with the line in it, which the findings are about. */
  readonly workbook: Workbook;
}

/**
 * Tries a typed line without adding it, behind the step at `after`; undefined while the line has a fault. `findings`
 * are those of the procedure as it stands.
 */
export function previewLine(
  text: string,
  timeline: Timeline,
  findings: readonly Finding[],
  after: number,
): LinePreview | undefined {
  const { workbook } = timeline;
  let n = 0;
  const applied = applyLine(workbook, parseLine(text, workbook.series), after, () => {
    n += 1;
    return `preview-${n}`;
  });
  if (!applied) return undefined;
  const next = replay(applied.workbook, timeline);
  const known = new Set(findings.map(findingKey));
  const frame = next.frames[applied.index];
  const moves = frame ? movesOf(frame) : [];
  const cells = (act: 'out' | 'home') => [
    ...new Set(moves.flatMap((move) => (move.act === act ? (cellOf(next, move.unitId)?.number ?? []) : []))),
  ];
  return {
    workbook: applied.workbook,
    lays: cells('out'),
    empties: cells('home'),
    // A part that was just taken off has not been forgotten yet.
    finds: check(applied.workbook, next).filter(
      (finding) => finding.severity !== 'advise' && !PENDING.includes(finding.id) && !known.has(findingKey(finding)),
    ),
  };
}

/** What every step on the way down leaves undone until the way back is written. */
const PENDING: readonly Finding['id'][] = [
  'left-on-cloth',
  'left-in-tray',
  'loose-at-end',
  'not-restored',
  'not-refilled',
  'no-figure',
];

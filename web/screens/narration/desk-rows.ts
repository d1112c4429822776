import type { Narration } from '#core/model/narration';
import type { Step, Workbook } from '#core/model/procedure';
import type { ReadDesk, ReadProposal } from '#core/narration/desk';

/** One line of the right column: a proposal, or a step that some passages became. */
export interface DeskRow {
  readonly id: string;
  readonly passageIds: readonly string[];
  /** Where its first step stands, or would stand. */
  readonly number: number | undefined;
  readonly read?: ReadProposal;
  readonly step?: Step;
}

/** Steps and proposals in the order in which they were said. */
export function deskRows({ procedure }: Workbook, narration: Narration, desk: ReadDesk): readonly DeskRow[] {
  const order = new Map(narration.passages.map(({ id }, i) => [id, i]));
  const at = (passageIds: readonly string[]) => Math.min(...passageIds.map((id) => order.get(id) ?? 0));
  const ahead = new Map(desk.ahead.procedure.steps.map(({ id }, i) => [id, i + 1]));
  const rows: DeskRow[] = [
    ...procedure.steps.flatMap((step): DeskRow[] =>
      step.source?.narrationId === narration.id
        ? [{ id: step.id, passageIds: step.source.passageIds, number: ahead.get(step.id), step }]
        : [],
    ),
    ...desk.proposals.map(
      (read): DeskRow => ({
        id: read.proposal.id,
        passageIds: read.proposal.passageIds,
        number: ahead.get(read.steps[0]?.id ?? ''),
        read,
      }),
    ),
  ];
  return rows
    .map((row, i) => ({ row, i }))
    .sort((a, b) => at(a.row.passageIds) - at(b.row.passageIds) || a.i - b.i)
    .map(({ row }) => row);
}

import type { Edit } from '../edits/edit';
import { piecesOf } from '../language/en/grammar/read-said';
import type { NewId } from '../line/apply-line';
import { componentById } from '../model/lookup';
import type { Narration, Proposal } from '../model/narration';
import type { Step, Workbook } from '../model/procedure';
import type { PositionSet, Series } from '../model/series';
import { changingNarration } from './desk';
import { joined } from './propose';

/** Puts another line in the place of a proposal's own. */
export function rewriting(narration: Narration, proposalId: string, line: string): Narration {
  return withProposal(narration, proposalId, (proposal) => [{ ...proposal, line }]);
}

/** A frame of the video becomes a picture of the step. */
export function picturing(narration: Narration, proposalId: string, photo: string): Narration {
  return withProposal(narration, proposalId, (proposal) => [
    { ...proposal, photos: [...(proposal.photos ?? []), photo].slice(-8) },
  ]);
}

/** What is in no step on purpose. Its passages can be opened again. */
export function settingAside(narration: Narration, proposalId: string): Narration {
  const proposal = narration.proposals.find(({ id }) => id === proposalId);
  const asideIds = [...new Set([...narration.asideIds, ...(proposal?.passageIds ?? [])])];
  return { ...withProposal(narration, proposalId, () => []), asideIds };
}

/** A passage that was set aside, or belongs to nothing, becomes a proposal again, where it stands in the narration. */
export function proposing(narration: Narration, passageId: string, id: string): Narration {
  const passage = narration.passages.find((one) => one.id === passageId);
  if (!passage) return narration;
  const order = new Map(narration.passages.map((one, i) => [one.id, i]));
  const at = narration.proposals.findIndex(
    ({ passageIds: [first = ''] }) => (order.get(first) ?? 0) > (order.get(passageId) ?? 0),
  );
  const proposal: Proposal = { id, passageIds: [passageId], line: passage.text };
  return {
    ...narration,
    asideIds: narration.asideIds.filter((aside) => aside !== passageId),
    proposals: narration.proposals.toSpliced(at < 0 ? narration.proposals.length : at, 0, proposal),
  };
}

/** Makes one proposal of it and the next. */
export function merging(narration: Narration, proposalId: string): Narration {
  const at = narration.proposals.findIndex(({ id }) => id === proposalId);
  const [one, two] = narration.proposals.slice(at, at + 2);
  if (at < 0 || !one || !two) return narration;
  const photos = [...(one.photos ?? []), ...(two.photos ?? [])].slice(-8);
  const both: Proposal = {
    id: one.id,
    passageIds: [...new Set([...one.passageIds, ...two.passageIds])],
    line: joined(one.line, two.line),
    ...(photos.length > 0 && { photos }),
  };
  return { ...narration, proposals: narration.proposals.toSpliced(at, 2, both) };
}

/** Makes two proposals of one that says several things: the first of them, and the rest. */
export function splitting(narration: Narration, proposalId: string, series: Series, id: string): Narration {
  return withProposal(narration, proposalId, (proposal) => {
    const [first, second] = piecesOf(proposal.line, series);
    if (first === undefined || second === undefined) return [proposal];
    const rest = proposal.line.slice(proposal.line.indexOf(second, proposal.line.indexOf(first) + 1));
    const { photos: _shown, ...later } = proposal;
    return [
      { ...proposal, line: first },
      { ...later, id, line: rest },
    ];
  });
}

function withProposal(
  narration: Narration,
  proposalId: string,
  change: (proposal: Proposal) => readonly Proposal[],
): Narration {
  const proposals = narration.proposals.flatMap((one) => (one.id === proposalId ? change(one) : [one]));
  return { ...narration, proposals };
}

/** What is usually repeated of some steps: the pump is made safe once before it, and tested once behind it. */
export function usuallyRepeated<T extends Pick<Step, 'stage'>>(steps: readonly T[]): readonly T[] {
  const isOnce = ({ stage }: T) => stage === 'make-safe' || stage === 'prove';
  const from = steps.findIndex((step) => !isOnce(step));
  return from < 0 ? steps : steps.slice(from, steps.findLastIndex((step) => !isOnce(step)) + 1);
}

/** What "do the same on the other side" means: these steps, at these places. */
export interface Repeat {
  readonly fromStepId: string;
  readonly toStepId: string;
  readonly set: PositionSet;
  readonly mirrored: boolean;
}

/**
 * Makes a block of some steps, done together one place after the other, of a proposal that repeats them. A set of places
 * that the series lacks is added; parts that stand nowhere yet stand at each of them.
 */
export function repeating(
  workbook: Workbook,
  narration: Narration,
  proposalId: string,
  { fromStepId, toStepId, set, mirrored }: Repeat,
  newId: NewId,
): readonly Edit[] {
  const { series, procedure } = workbook;
  const proposal = narration.proposals.find(({ id }) => id === proposalId);
  const steps = stepsBetween(procedure.steps, fromStepId, toStepId);
  if (!proposal || steps.length === 0) return [];
  const blockId = newId();
  const isKnown = series.positionSets.some(({ id }) => id === set.id);
  const parts = new Set(steps.flatMap(({ targets }) => targets.map(({ componentId }) => componentId)));
  const unplaced = [...parts].filter((id) => componentById(series, id)?.positionSetId === undefined);
  const block = {
    id: blockId,
    positionIds: set.positions.map(({ id }) => id),
    ...(mirrored && { mirrored: true as const }),
  };
  const others = (procedure.blocks ?? []).filter(({ id }) => !steps.some((step) => step.blockId === id));
  const changed = changingNarration(
    workbook,
    withProposal(narration, proposalId, () => []),
  );
  return [
    ...(isKnown ? [] : [{ kind: 'add' as const, list: 'positionSets' as const, item: set }]),
    ...unplaced.map(
      (componentId): Edit => ({ kind: 'change-component', componentId, fields: { positionSetId: set.id } }),
    ),
    { kind: 'change-procedure', fields: { blocks: [...others, block] } },
    ...steps.map(
      (step): Edit => ({
        kind: 'change',
        stepId: step.id,
        fields: {
          blockId,
          positionIds: [],
          source: {
            narrationId: narration.id,
            passageIds: [
              ...new Set([
                ...(step.source?.narrationId === narration.id ? step.source.passageIds : []),
                ...proposal.passageIds,
              ]),
            ],
          },
        },
      }),
    ),
    changed,
  ];
}

function stepsBetween(steps: readonly Step[], fromId: string, toId: string): readonly Step[] {
  const from = steps.findIndex(({ id }) => id === fromId);
  const to = steps.findIndex(({ id }) => id === toId);
  return from < 0 || to < from ? [] : steps.slice(from, to + 1);
}

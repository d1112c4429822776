import { applyEdits, type Edit } from '../edits/edit';
import { check } from '../findings/check';
import type { Finding } from '../findings/finding';
import { type AppliedLine, applyLine, type NewId } from '../line/apply-line';
import type { ParsedLine } from '../line/parse-line';
import { saidBefore } from '../line/read-line';
import type { Narration, Passage, Proposal } from '../model/narration';
import type { Step, Workbook } from '../model/procedure';
import { readingOf } from './reading';

/** A proposal as it is understood after those before it. */
export interface ReadProposal {
  readonly proposal: Proposal;
  readonly parsed: ParsedLine;
  /** The steps it would make, as they would stand; empty where it is said of the step before it. */
  readonly steps: readonly Step[];
  /** It says something of the step before it. */
  readonly isNote: boolean;
  /** Parts and tools that it names for the first time. */
  readonly fresh: readonly string[];
  /** Whether nothing has to be asked before it is added. */
  readonly isWhole: boolean;
}

export interface ReadDesk {
  readonly proposals: readonly ReadProposal[];
  /** The workbook with all that can be added. */
  readonly ahead: Workbook;
}

/** Reads the proposals of a narration one after the other, each with the parts that those before it name. */
export function readDesk(workbook: Workbook, narration: Narration): ReadDesk {
  let ahead = workbook;
  let made = 0;
  const newId = () => {
    made += 1;
    return `ahead-${made}`;
  };
  const places = new Places(workbook, narration);
  const proposals = narration.proposals.map((proposal): ReadProposal => {
    const after = places.before(ahead, proposal);
    const parsed = readingOf(proposal.line, ahead.series, saidBefore(ahead, after).parts);
    const applied = applyLine(ahead, { ...parsed, doubts: [] }, after, newId);
    if (applied) {
      ahead = applyEdits(applied.workbook, sourceEdits(applied, narration, proposal));
      places.note(applied.stepId);
    }
    const steps = (applied?.stepIds ?? []).flatMap((id) => ahead.procedure.steps.find((step) => step.id === id) ?? []);
    return {
      proposal,
      parsed,
      steps,
      isNote: applied !== undefined && applied.stepIds.length === 0,
      fresh: freshNames(applied),
      isWhole: applied !== undefined && parsed.doubts.length === 0,
    };
  });
  return { proposals, ahead };
}

function freshNames(applied: AppliedLine | undefined): string[] {
  return (applied?.edits ?? []).flatMap((edit) => (edit.kind === 'add' && 'name' in edit.item ? [edit.item.name] : []));
}

/** What the steps made still lack, as the checks of the whole procedure see it. */
export function gapsIn({ ahead, proposals }: ReadDesk): ReadonlyMap<string, readonly Finding[]> {
  const gaps = new Map<string, Finding[]>();
  const owner = new Map(
    proposals.flatMap(({ proposal, steps }) => steps.map((step) => [step.id, proposal.id] as const)),
  );
  // What is asked about the line is not told twice.
  const isAsked = new Set(
    proposals.flatMap(({ proposal, parsed }) =>
      parsed.doubts.some(({ kind }) => kind === 'figure' || kind === 'unit' || kind === 'facing') ? [proposal.id] : [],
    ),
  );
  for (const finding of check(ahead)) {
    const id = finding.stepId === undefined ? undefined : owner.get(finding.stepId);
    if (id === undefined || !GAPS.has(finding.id) || isAsked.has(id)) continue;
    gaps.set(id, [...(gaps.get(id) ?? []), finding]);
  }
  return gaps;
}

/** What a step is not whole without. */
const GAPS: ReadonlySet<Finding['id']> = new Set(['no-figure', 'no-unit', 'faces-unsaid', 'no-wrench']);

/** Where the steps of a narration stand, so that a proposal comes behind what was said before it. */
class Places {
  private readonly order: ReadonlyMap<string, number>;
  private last: string | undefined;

  constructor(
    { procedure }: Workbook,
    private readonly narration: Narration,
  ) {
    this.order = new Map(narration.passages.map(({ id }, i) => [id, i]));
    this.last = procedure.steps.at(-1)?.id;
  }

  /** The index of the step behind which a proposal belongs; -1 at the start. */
  before({ procedure }: Workbook, { passageIds }: Proposal): number {
    const at = this.placeOf(passageIds);
    const mine = procedure.steps.map((step, i) => ({ i, at: this.placeOf(this.passagesOf(step)) }));
    const earlier = mine.findLast((one) => one.at >= 0 && one.at < at);
    if (earlier) return earlier.i;
    const later = mine.find((one) => one.at > at);
    if (later) return later.i - 1;
    return procedure.steps.findIndex(({ id }) => id === this.last);
  }

  note(stepId: string): void {
    this.last = stepId;
  }

  private passagesOf({ source }: Step): readonly string[] {
    return source?.narrationId === this.narration.id ? source.passageIds : [];
  }

  private placeOf(passageIds: readonly string[]): number {
    return passageIds.reduce((most, id) => Math.max(most, this.order.get(id) ?? -1), -1);
  }
}

/** The steps that a proposal made, or the one it says something of, know where they come from. */
function sourceEdits({ workbook, stepIds, stepId }: AppliedLine, narration: Narration, proposal: Proposal): Edit[] {
  const ids = stepIds.length > 0 ? stepIds : [stepId];
  return ids.map((id) => sourceEdit(workbook, id, narration, proposal));
}

function sourceEdit(
  { procedure }: Workbook,
  stepId: string,
  { id, video, passages }: Narration,
  proposal: Proposal,
): Edit {
  const step = procedure.steps.find((one) => one.id === stepId);
  const before = step?.source?.narrationId === id ? step.source.passageIds : [];
  const passageIds = [...new Set([...before, ...proposal.passageIds])];
  const clip = video && clipOf(passages, passageIds);
  const pictures = (proposal.photos ?? []).map((photo, i) => ({
    id: `${proposal.id}-${i + 1}`.slice(-64),
    photo,
    marks: [],
  }));
  return {
    kind: 'change',
    stepId,
    fields: {
      source: { narrationId: id, passageIds },
      ...(clip && {
        clips: [
          ...(step?.clips ?? []).filter((other) => other.id !== `clip-${id}`),
          { id: `clip-${id}`, video, ...clip },
        ],
      }),
      ...(pictures.length > 0 && { pictures: [...(step?.pictures ?? []), ...pictures] }),
    },
  };
}

/** The stretch of the video in which some passages are said. */
export function clipOf(
  passages: readonly Passage[],
  passageIds: readonly string[],
): { from: number; to: number } | undefined {
  const timed = passages.filter(
    ({ id, from, to }) => passageIds.includes(id) && from !== undefined && to !== undefined,
  );
  const from = Math.min(...timed.map((passage) => passage.from ?? 0));
  const to = Math.max(...timed.map((passage) => passage.to ?? 0));
  return timed.length > 0 && to > from && to <= 7200 ? { from, to } : undefined;
}

/** Where a passage has gone. */
export type PassageState =
  | { readonly is: 'in-step'; readonly stepId: string }
  | { readonly is: 'proposed'; readonly proposalId: string }
  | { readonly is: 'aside' }
  | { readonly is: 'open' };

/** Where every passage of a narration has gone; nothing is lost between. */
export function passageStates({ procedure }: Workbook, narration: Narration): ReadonlyMap<string, PassageState> {
  const states = new Map<string, PassageState>(narration.passages.map(({ id }) => [id, { is: 'open' }]));
  for (const id of narration.asideIds) states.set(id, { is: 'aside' });
  for (const { id, passageIds } of narration.proposals)
    for (const passage of passageIds) states.set(passage, { is: 'proposed', proposalId: id });
  for (const { id, source } of procedure.steps)
    if (source?.narrationId === narration.id)
      for (const passage of source.passageIds) states.set(passage, { is: 'in-step', stepId: id });
  return states;
}

/** A narration of the procedure with other fields. */
export function changingNarration({ procedure }: Workbook, narration: Narration): Edit {
  const narrations = (procedure.narrations ?? []).map((other) => (other.id === narration.id ? narration : other));
  return { kind: 'change-procedure', fields: { narrations } };
}

/**
 * Adds what some proposals say, in the order of the narration; what has to be asked about stays. Gives the edits, and the
 * ids of the proposals that were added.
 */
export function accepting(
  workbook: Workbook,
  narration: Narration,
  proposalIds: readonly string[],
  newId: NewId,
): { edits: readonly Edit[]; added: readonly string[] } {
  const edits: Edit[] = [];
  const added: string[] = [];
  let current = workbook;
  const places = new Places(workbook, narration);
  for (const proposal of narration.proposals) {
    if (!proposalIds.includes(proposal.id)) continue;
    const after = places.before(current, proposal);
    const parsed = readingOf(proposal.line, current.series, saidBefore(current, after).parts);
    const applied = applyLine(current, parsed, after, newId);
    if (!applied) continue;
    places.note(applied.stepId);
    const sources = sourceEdits(applied, narration, proposal);
    edits.push(...applied.edits, ...sources);
    current = applyEdits(applied.workbook, sources);
    added.push(proposal.id);
  }
  if (added.length > 0) {
    const proposals = narration.proposals.filter(({ id }) => !added.includes(id));
    edits.push(changingNarration(workbook, { ...narration, proposals }));
  }
  return { edits, added };
}

import { withWrench } from '#core/drafting/manner';
import { draftPutBack } from '#core/drafting/way-back';
import { longestRising } from '#core/edits/difference';
import { sayStep } from '#core/language/en/sentence';
import type { Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { verbOf } from '#core/model/verbs';
import { sameFacing } from '#core/orientation/faces';
import { sayQuantity } from '#core/quantity/quantity';
import { seriesTyped, type WrittenJob, workbookOf } from './jobs/written-job';
import { typedKeys } from './typed-keys';

/** What of a drafted step would have to be changed by hand. */
export type Change = 'not-wanted' | 'verb' | 'places' | 'tool' | 'facing' | 'order';

export interface DraftedStep {
  readonly step: Step;
  readonly changes: readonly Change[];
  /** What a trainer wrote for it. */
  readonly written?: Step;
}

export interface WayBack {
  readonly drafted: readonly DraftedStep[];
  /** Steps a trainer wrote that the draft has not. */
  readonly missing: readonly Step[];
  /** Those, and what no draft could know: looks, tests, greasing. */
  readonly others: readonly Step[];
  readonly workbook: Workbook;
}

/** Verbs between which a trainer would hardly choose. */
const ALIKE: readonly (readonly Step['verb'][])[] = [['fit', 'place', 'seat']];

/**
 * Takes the way back out of a whole job, has it drafted, and compares what is drafted with what was written by hand. The
 * figure of a torque, greases and words stand nowhere in the way down; they are filled in and count as no change.
 */
export function draftedAgain(workbook: Workbook): WayBack {
  const { steps } = workbook.procedure;
  const written = steps.filter(isBack);
  const down: Workbook = {
    ...workbook,
    procedure: { ...workbook.procedure, steps: steps.filter((step) => !isBack(step)) },
  };
  const draft = draftPutBack(down).workbook;
  const known = new Set(down.procedure.steps.map(({ id }) => id));
  const made = draft.procedure.steps.filter(({ id }) => !known.has(id));
  const left = [...written];
  const pairs = made.map((step) => {
    const at = left.findIndex((other) => isSameWork(step, other));
    const [match] = at < 0 ? [] : left.splice(at, 1);
    return { step, match };
  });
  // In which order new parts are unpacked is all the same; that they are before they are fitted is checked elsewhere.
  const matched = pairs.filter(({ step, match }) => match !== undefined && step.verb !== 'renew');
  const run = longestRising(matched.map(({ match }) => (match ? written.indexOf(match) : -1)));
  const inOrder = new Set(run.map((i) => matched[i]?.step.id));
  const drafted = pairs.map(({ step, match }): DraftedStep => {
    if (!match) return { step, changes: ['not-wanted'] };
    const changes: Change[] = [];
    if (step.verb !== match.verb && !ALIKE.some((verbs) => verbs.includes(step.verb) && verbs.includes(match.verb)))
      changes.push('verb');
    if (places(step) !== places(match)) changes.push('places');
    if (!hasTools(step, match, draft)) changes.push('tool');
    if (match.faces && isKnownFacing(step, down) && !(step.faces && sameFacing(step.faces, match.faces)))
      changes.push('facing');
    if (step.verb !== 'renew' && !inOrder.has(step.id)) changes.push('order');
    return { step, changes, written: match };
  });
  const renewed = new Set(
    made.flatMap((step) => (step.verb === 'renew' ? step.targets.map((t) => t.componentId) : [])),
  );
  const isCovered = ({ verb, targets }: Step) =>
    verb === 'renew' && targets.every(({ componentId }) => renewed.has(componentId));
  const others = left.filter((step) => !isCovered(step));
  return { drafted, missing: others.filter(isOfDraft), others, workbook: draft };
}

/**
 * The keys for a whole job against the letters of the same instruction as plain text: lines of the way down as they are
 * typed with what the line offers, `b`, a key to confirm each drafted step, the figures, greases and facings that are
 * filled in there, and a line for each step that has to be changed or that no draft has. Looks and sources, filled in by
 * field, are in neither.
 */
export function keystrokes(job: WrittenJob): { readonly keys: number; readonly letters: number } {
  const workbook = workbookOf(job);
  const { series, procedure } = workbook;
  const told = (step: Step) =>
    [sayStep(step, series), step.detail, step.why, ...step.cautions.map(({ text }) => text)].filter(Boolean).join(' ');
  const { drafted, others } = draftedAgain(workbook);
  const index = new Map(procedure.steps.map(({ id }, i) => [id, i]));
  /** Typed when the lines before it are: they have named what it offers. */
  const typed = ({ id }: Step) => {
    const i = index.get(id) ?? 0;
    return typedKeys(job.lines[i]?.line ?? '', seriesTyped(job, i));
  };
  const down = procedure.steps.filter((step) => !isBack(step)).map(typed);
  const figures = procedure.steps.flatMap(({ torque }) => (torque ? [sayQuantity(torque.figure).length + 1] : []));
  const changed = drafted.map(({ step, changes, written }) =>
    // One that nobody wants is deleted.
    changes.length === 0 ? 1 + filledIn(step, written, series) : written ? typed(written) : 1,
  );
  const added = others.map(typed);
  return {
    keys: [...down, ...figures, ...changed, ...added].reduce((sum, keys) => sum + keys, 1),
    letters: procedure.steps.reduce((sum, step) => sum + told(step).length + 1, 0),
  };
}

/** The letters of what is said of a drafted step that stands nowhere in the way down. */
function filledIn(step: Step, written: Step | undefined, series: Series): number {
  const applied = (written?.applications ?? []).filter(
    ({ consumableId }) => !step.applications.some((one) => one.consumableId === consumableId),
  );
  const named = applied.map(({ consumableId, where = '', amount = '' }) => {
    const name = series.consumables.find(({ id }) => id === consumableId)?.name ?? '';
    return name.length + where.length + amount.length + 3;
  });
  const faces = !step.faces && written?.faces ? sayStep(written, series).length - sayStep(step, series).length : 0;
  return named.reduce((sum, letters) => sum + letters, Math.max(0, faces)) + (written?.detail?.length ?? 0);
}

/** The way back, as far as it can be drafted. */
function isBack({ stage, verb }: Step): boolean {
  return stage === 'put-back' || stage === 'prove' || verb === 'renew' || verb === 'clean' || verb === 'soak';
}

/** What a draft can be expected to say at all: looks, remarks and settings are the trainer's. */
function isOfDraft({ verb }: Step): boolean {
  const { effect } = verbOf(verb);
  return effect !== 'stays' || /^(?:torque|fill|restore|open-valve)$/.test(verb);
}

function isSameWork(one: Step, two: Step): boolean {
  const [a, b] = [verbOf(one.verb), verbOf(two.verb)];
  if (a.effect !== b.effect || (a.effect === 'stays' && one.verb !== two.verb)) return false;
  // Starting a thread by hand is not fitting it.
  if ((one.verb === 'start-by-hand') !== (two.verb === 'start-by-hand')) return false;
  if (a.object === 'words') return true;
  const parts = ({ targets }: Step) => new Set(targets.map(({ componentId }) => componentId));
  const [mine, theirs] = [parts(one), parts(two)];
  return [...mine].every((id) => theirs.has(id)) || [...theirs].every((id) => mine.has(id));
}

function places({ positionIds }: Step): string {
  return [...positionIds].sort().join(' ');
}

/** Every tool that was written; a torque wrench comes by itself with the figure. */
function hasTools(step: Step, match: Step, { series }: Workbook): boolean {
  const filled = withWrench(step, { torque: match.torque }, series).toolIds ?? step.toolIds;
  return match.toolIds.every((id) => filled.includes(id));
}

/** Whether the way down or the series says which way round the parts of a step are. */
function isKnownFacing({ targets }: Step, { series, procedure }: Workbook): boolean {
  const ids = new Set(targets.map(({ componentId }) => componentId));
  return (
    series.components.some(({ id, faces }) => ids.has(id) && faces !== undefined) ||
    procedure.steps.some((step) => step.faces && step.targets.some(({ componentId }) => ids.has(componentId)))
  );
}

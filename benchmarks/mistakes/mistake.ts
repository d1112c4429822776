import { check } from '#core/findings/check';
import type { Finding, RuleId } from '#core/findings/finding';
import type { Step, Workbook } from '#core/model/procedure';
import { type Verb, verbOf } from '#core/model/verbs';
import { readingOf } from '#core/narration/reading';
import { type WrittenJob, type WrittenLine, workbookOf } from '../jobs/written-job';

/** One mistake made in a job, and what a finding has to name to be of use. */
export interface Planted {
  readonly workbook: Workbook;
  /** The parts it is about by name; where it is about none, the lines. */
  readonly parts: readonly string[];
  readonly keys: readonly string[];
  /** The rules that say it, where it is about the whole pump. */
  readonly rules?: readonly RuleId[];
  /** For the table of what is missed. */
  readonly what: string;
}

/** A kind of mistake that a tired trainer makes, and every place in a job where it can be made. */
export interface Mistake {
  readonly kind: string;
  plant(job: TypedJob): readonly Planted[];
}

/** A job with what each line of it is understood as. */
export interface TypedJob {
  readonly job: WrittenJob;
  readonly workbook: Workbook;
  readonly typed: readonly TypedLine[];
}

export interface TypedLine extends WrittenLine {
  readonly index: number;
  readonly step: Step;
  readonly verb: Verb;
  /** Names of the parts it is about. */
  readonly parts: readonly string[];
}

export function readJob(job: WrittenJob): TypedJob {
  const workbook = workbookOf(job);
  const nameOf = (id: string) => workbook.series.components.find((part) => part.id === id)?.name ?? id;
  const typed = workbook.procedure.steps.map((step, index): TypedLine => {
    const written = job.lines[index] as WrittenLine;
    const parts = step.targets.map(({ componentId }) => nameOf(componentId));
    return { ...written, index, step, verb: step.verb, parts };
  });
  return { job, workbook, typed };
}

/** A part of the job by its name. */
export function partNamed({ workbook }: TypedJob, name: string) {
  return workbook.series.components.find((part) => part.name === name);
}

export const takes = ({ verb }: TypedLine) => verbOf(verb).effect === 'takes';
export const refits = ({ verb }: TypedLine) => verbOf(verb).effect === 'refits';
export const does =
  (...verbs: readonly Verb[]) =>
  ({ verb }: TypedLine) =>
    verbs.includes(verb);

/** The job with other lines, as it would have come out; nothing where it would not be understood. */
export function rewritten(
  { job, workbook: right }: TypedJob,
  lines: readonly WrittenLine[],
  about: Pick<TypedLine, 'parts' | 'key' | 'line'>,
): Planted[] {
  const workbook = workbookOf({ ...job, lines }, right.series);
  return [{ workbook, parts: about.parts, keys: [about.key], what: about.line }];
}

/** One job for each line that holds, with that line left out. */
export const leftOut =
  (holds: (line: TypedLine, job: TypedJob) => boolean, ...rules: readonly RuleId[]) =>
  (typed: TypedJob): Planted[] =>
    typed.typed
      .filter((line) => holds(line, typed))
      .flatMap((line) => rewritten(typed, typed.job.lines.toSpliced(line.index, 1), line))
      .map((planted) => ({ ...planted, rules }));

/** One job for each line that is typed in another way. */
export const retyped =
  (change: (line: TypedLine, job: TypedJob) => string | undefined) =>
  (typed: TypedJob): Planted[] =>
    typed.typed.flatMap((line) => {
      const changed = change(line, typed);
      if (changed === undefined || changed === line.line) return [];
      const parsed = readingOf(changed, typed.workbook.series, []);
      if (parsed.faults.length > 0) return [];
      return rewritten(typed, typed.job.lines.with(line.index, { ...line, line: changed }), line);
    });

/** One job for each line that stands elsewhere; `to` gives its index among the others. */
export const moved =
  (to: (line: TypedLine, job: TypedJob) => number | undefined, ...rules: readonly RuleId[]) =>
  (typed: TypedJob): Planted[] =>
    typed.typed.flatMap((line) => {
      const index = to(line, typed);
      if (index === undefined || index === line.index) return [];
      const others = typed.job.lines.toSpliced(line.index, 1);
      const lines = others.toSpliced(index, 0, typed.job.lines[line.index] as WrittenLine);
      return rewritten(typed, lines, line).map((planted) => ({ ...planted, rules }));
    });

/** One job for each step whose fields are filled in otherwise. */
export const refilled =
  (change: (line: TypedLine, job: TypedJob) => Partial<Step> | undefined, ...rules: readonly RuleId[]) =>
  (typed: TypedJob): Planted[] =>
    typed.typed.flatMap((line) => {
      const fields = change(line, typed);
      if (!fields) return [];
      const { workbook } = typed;
      const step = Object.fromEntries(
        Object.entries({ ...line.step, ...fields }).filter(([, value]) => value !== undefined),
      ) as Step;
      const procedure = { ...workbook.procedure, steps: workbook.procedure.steps.with(line.index, step) };
      return [{ workbook: { ...workbook, procedure }, parts: line.parts, keys: [line.key], rules, what: line.line }];
    });

/** What is found about a job as it was, which is compared with each mistake made in it. */
const noticesBefore = new WeakMap<Workbook, Map<string, Finding>>();

function noticedBefore(workbook: Workbook): Map<string, Finding> {
  const known = noticesBefore.get(workbook) ?? noticesOf(workbook);
  noticesBefore.set(workbook, known);
  return known;
}

/** What is found about a workbook by rule, step and parts, so that findings of two versions can be compared. */
function noticesOf(workbook: Workbook): Map<string, Finding> {
  const nameOf = (id: string) => workbook.series.components.find((part) => part.id === id)?.name ?? id;
  return new Map(
    check(workbook)
      .filter(({ severity }) => severity !== 'advise')
      .map((finding) => [
        [finding.id, finding.severity, finding.stepId ?? '', ...finding.componentIds.map(nameOf)].join('|'),
        finding,
      ]),
  );
}

export interface Verdict {
  /** A stop or a warning is there that was not there before. */
  readonly noticed: boolean;
  /** One of them names the part, or the step where no part is meant. */
  readonly named: boolean;
}

export function judge(before: Workbook, { workbook, parts, keys, rules = [] }: Planted): Verdict {
  const known = noticedBefore(before);
  const fresh = [...noticesOf(workbook)].filter(([key]) => !known.has(key)).map(([, finding]) => finding);
  const nameOf = (id: string) => workbook.series.components.find((part) => part.id === id)?.name ?? id;
  const isNamed = ({ id: rule, componentIds, stepId }: Finding) =>
    rules.includes(rule) ||
    componentIds.some((id) => parts.includes(nameOf(id))) ||
    keys.some((key) => stepId === `step-${key}`);
  return { noticed: fresh.length > 0, named: fresh.some(isNamed) };
}

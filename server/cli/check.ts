import { check } from '#core/findings/check';
import type { Finding } from '#core/findings/finding';
import { sayFinding, sayReason } from '#core/language/en/findings';
import { sayProblem } from '#core/language/en/problems';
import type { DocumentFault } from '#core/model/faults';
import type { Workbook } from '#core/model/procedure';

/** A finding as the command line tells it. */
interface ToldFinding {
  /** The id of the rule, or `reference` for something in the document that points at nothing. */
  readonly rule: Finding['id'] | 'reference';
  readonly id: string;
  readonly severity: Finding['severity'];
  /** Number of the step, from 1; null when the whole procedure is meant. */
  readonly step: number | null;
  readonly stepId: string | null;
  readonly componentIds: readonly string[];
  /** Names of the parts meant. */
  readonly parts: readonly string[];
  readonly sentence: string;
  readonly reason: string;
  readonly facts: object;
  readonly accepted?: string;
}

export interface Checked {
  readonly file: string;
  readonly procedure: string;
  readonly findings: readonly ToldFinding[];
}

/** Checks one procedure; `faults` are what the whole file has wrong, told with the procedure they are in. */
export function checkProcedure(file: string, workbook: Workbook, faults: readonly DocumentFault[]): Checked {
  const { series, procedure } = workbook;
  const nameOf = (id: string) => series.components.find((component) => component.id === id)?.name ?? id;
  const today = new Date().toISOString().slice(0, 10);
  const told = check(workbook, undefined, today).map((finding): ToldFinding => {
    const { id, severity, stepId, componentIds, facts, accepted } = finding;
    const index = procedure.steps.findIndex((step) => step.id === stepId);
    return {
      rule: id,
      id,
      severity,
      step: index >= 0 ? index + 1 : null,
      stepId: stepId ?? null,
      componentIds,
      parts: componentIds.map(nameOf),
      sentence: sayFinding(finding, workbook),
      reason: sayReason(finding),
      facts,
      ...(accepted !== undefined && { accepted }),
    };
  });
  return {
    file,
    procedure: procedure.title,
    findings: [...faults.map((fault) => faultTold(fault, workbook)), ...told],
  };
}

function faultTold({ path, problem }: DocumentFault, { procedure }: Workbook): ToldFinding {
  const index = Number(/steps\[(\d+)\]/.exec(path)?.[1] ?? -1);
  const step = procedure.steps[index];
  return {
    rule: 'reference',
    id: 'reference',
    severity: 'stop',
    step: step ? index + 1 : null,
    stepId: step?.id ?? null,
    componentIds: [],
    parts: [],
    sentence: `${path}: ${sayProblem(problem)}.`,
    reason: 'The document refers to something that does not exist, so it was rejected.',
    facts: { path },
  };
}

/** The findings of a procedure as text, a line each. */
export function tellChecked({ file, procedure, findings }: Checked): string {
  const open = findings.filter((finding) => finding.accepted === undefined);
  const lines = findings.map(
    ({ severity, rule, sentence, accepted }) =>
      `  ${(accepted ? 'stands' : severity).padEnd(6)} ${rule.padEnd(18)} ${sentence}${accepted ? ` ${accepted}` : ''}`,
  );
  return [`${file}: ${procedure}: ${open.length === 0 ? 'nothing found' : `${open.length} found`}`, ...lines].join(
    '\n',
  );
}

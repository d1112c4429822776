import { newStep } from '../edits/steps';
import { DRAFTED_FIELDS, type Procedure, type Step, type Workbook } from '../model/procedure';
import type { Verb } from '../model/verbs';

/** A step proposed by the program: every field it says carries the mark until a person has looked at it. */
export function draftStep(workbook: Workbook, verb: Verb, what: string, fields: Partial<Step>): Step {
  const step: Step = { ...newStep(draftId(workbook, verb, what), verb), ...fields };
  const said = DRAFTED_FIELDS.filter((field) => {
    const value = step[field];
    return Array.isArray(value) ? value.length > 0 : value !== undefined;
  });
  return { ...step, drafted: said };
}

const ids = new WeakMap<Procedure, ReadonlySet<string>>();

function idsOf(procedure: Procedure): ReadonlySet<string> {
  const known = ids.get(procedure) ?? new Set(procedure.steps.map((step) => step.id));
  ids.set(procedure, known);
  return known;
}

/** Core has no randomness: the id tells what it is for, and a number keeps it apart from earlier drafts. */
function draftId({ procedure }: Workbook, verb: Verb, what: string): string {
  const base = `${verb}-${what}`.slice(0, 56);
  const taken = idsOf(procedure);
  let n = 1;
  while (taken.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}

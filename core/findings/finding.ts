import type { Edit } from '../edits/edit';

/** What the checker says about a procedure: what would go wrong at the bench, and why it matters. */
export type Severity = 'stop' | 'warn' | 'advise';

export const FAMILIES = [
  'reach',
  'completeness',
  'faces',
  'matching',
  'tightening',
  'renewal',
  'compounds',
  'safety',
  'evidence',
  'words',
  'paths',
  'drafting',
] as const;
export type Family = (typeof FAMILIES)[number];

/** Edits that would put it right, to be applied as one. */
export interface Fix {
  /** What it does, in the imperative: "Add the refitting". */
  readonly label: string;
  readonly edits: readonly Edit[];
}

export interface Finding {
  readonly id: string;
  readonly severity: Severity;
  /** The step to go to; absent when the whole procedure is meant. */
  readonly stepId?: string;
  readonly componentIds: readonly string[];
  /** The pieces meant, where not every piece of the components is. */
  readonly unitIds?: readonly string[];
  /** One plain sentence. */
  readonly sentence: string;
  readonly reason: string;
  readonly fix?: Fix;
  /** Why the trainer lets a warning stand. */
  readonly accepted?: string;
}

/** Tells one finding from another by what it is about, not by its words: a step moved renumbers those of others. */
export function findingKey({ id, stepId, componentIds }: Finding): string {
  return [id, stepId ?? '', ...componentIds].join(' ');
}

/** What the checker says about a procedure: what would go wrong at the bench, and why it matters. */
export type Severity = 'stop' | 'warn' | 'advise';

export type FindingId = 'empty' | 'left-on-cloth' | 'left-in-tray' | 'not-there' | 'no-figure';

export interface Finding {
  readonly id: FindingId;
  readonly severity: Severity;
  /** The step to go to; absent when the whole procedure is meant. */
  readonly stepId?: string;
  readonly componentIds: readonly string[];
  /** One plain sentence. */
  readonly sentence: string;
  readonly reason: string;
}

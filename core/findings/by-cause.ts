import type { Finding } from './finding';

/** Findings that have one cause, each at another place, in the order in which they are met. */
export interface Cause {
  readonly reason: string;
  readonly findings: readonly Finding[];
}

/** Brings together what the same rule found for the same reason, so that the reason is told once. */
export function byCause(findings: readonly Finding[], reasonOf: (finding: Finding) => string): Cause[] {
  const causes = new Map<string, { readonly reason: string; readonly findings: Finding[] }>();
  for (const finding of findings) {
    const reason = reasonOf(finding);
    const key = `${finding.id} ${reason}`;
    const cause = causes.get(key);
    if (cause) cause.findings.push(finding);
    else causes.set(key, { reason, findings: [finding] });
  }
  return [...causes.values()];
}

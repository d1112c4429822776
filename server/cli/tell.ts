import { Fault } from '../ground/fault';

/** What went wrong, for somebody at a terminal. */
export function tell(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  if (!(error instanceof Fault)) return error.message;
  const where = (error.more.where ?? []).map((fault) => `\n  ${fault.path}: ${fault.reason}`);
  return `${error.message}${where.join('')}\n${error.todo}`;
}

import { Fault } from '../ground/fault';
import { type TaskName, tasks } from './tasks';

export interface Asked {
  readonly name: TaskName;
  readonly given: readonly unknown[];
}

/** How a task ended. A refusal crosses to the server as what it says. */
export type Ended = { ok: true; result: unknown } | { ok: false; fault: ConstructorParameters<typeof Fault> };

/** The entry of a worker thread. */
export default async function work({ name, given }: Asked): Promise<Ended> {
  try {
    const task = tasks[name] as (...given: readonly unknown[]) => Promise<unknown>;
    return { ok: true, result: await task(...given) };
  } catch (error) {
    if (!(error instanceof Fault)) throw error;
    const { status, code, what, todo, more } = error;
    return { ok: false, fault: [status, code, what, todo, more] };
  }
}

import type { Procedure } from '../model/procedure';
import { verbOf } from '../model/verbs';
import type { Finding } from './finding';

/** What a teardown leaves undone until its reassembly is written. */
const LEFT_FOR_REASSEMBLY: readonly Finding['id'][] = [
  'left-on-cloth',
  'left-in-tray',
  'loose-at-end',
  'not-restored',
  'not-refilled',
];

export function isLeftForReassembly({ id }: Finding): boolean {
  return LEFT_FOR_REASSEMBLY.includes(id);
}

/** Whether the writer has begun to put the pump together again. */
export function isReassemblyBegun({ steps }: Procedure): boolean {
  return steps.some(({ verb }) => verbOf(verb).effect === 'refits');
}

import type { ProofName } from '../proving/proofs';
import type { Proved } from './state';

/** What came out last of one kind. */
export function latestProof(proved: readonly Proved[], name: ProofName): Proved | undefined {
  return proved.findLast(({ proof }) => proof.what === name);
}

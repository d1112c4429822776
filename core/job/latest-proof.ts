import type { Proof, ProofName } from '../proving/proofs';
import type { Proved } from './state';

/** What was proved by hand, of one kind. */
export type ProvedAs<Name extends ProofName> = Proved & { readonly proof: Extract<Proof, { what: Name }> };

/** What came out last of one kind. */
export function latestProof<Name extends ProofName>(proved: readonly Proved[], name: Name): ProvedAs<Name> | undefined {
  return proved.findLast((one): one is ProvedAs<Name> => one.proof.what === name);
}

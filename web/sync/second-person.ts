import { scryptAsync } from '@noble/hashes/scrypt.js';
import { approvalText } from '#core/job/text-to-sign';
import { ApiFault, answer, api, isUnreachable } from '../ground/api';
import { type Cosigner, device, deviceId } from '../ground/device';
import { newKeyPair, publicKeyOf, sign } from './signing';

/** What it costs to try one password: about a third of a second on a tablet. */
const SCRYPT = { N: 2 ** 14, r: 8, p: 1, dkLen: 32 };

interface Signed {
  readonly approver: string;
  readonly approval: { readonly text: string; readonly keyId: string; readonly signature: string };
}

/**
 * Signs a hold point as somebody who is not signed in here. The server checks the password the first time; from then on
 * this device keeps a key of that person, hidden by the password, so that it works without the network too.
 */
export async function signAsSecond(username: string, password: string, jobId: string, stepId: string): Promise<Signed> {
  const name = username.toLowerCase();
  const kept = await device.cosigners.get(name);
  const known = kept && (await secretOf(kept, password));
  const { secret, cosigner } = await proved(name, password, kept, known);
  const text = approvalText({ jobId, stepId, by: cosigner.personId, at: new Date().toISOString() });
  const signature = sign(text, secret);
  await device.jobs
    .where({ id: jobId })
    .modify((job) => void Object.assign(job, { people: { ...job.people, [cosigner.personId]: cosigner.name } }));
  return { approver: cosigner.personId, approval: { text, keyId: cosigner.keyId, signature } };
}

/** Whoever has the server asks it, since the password or the person may have changed; else what is kept here decides. */
async function proved(
  username: string,
  password: string,
  kept: Cosigner | undefined,
  known: Uint8Array | undefined,
): Promise<{ secret: Uint8Array; cosigner: Cosigner }> {
  const { secret, publicKey } = known ? { secret: known, publicKey: publicKeyOf(known) } : newKeyPair();
  try {
    const json = { username, password, deviceId: await deviceId(), publicKey };
    const told = await answer(api.auth['second-person'].$post({ json }));
    const salt = known && kept ? kept.salt : crypto.getRandomValues(new Uint8Array(16));
    const hidden = known && kept ? kept.hidden : xor(secret, await scryptAsync(password, salt, SCRYPT));
    const cosigner = { username, publicKey, salt, hidden, ...told };
    await device.cosigners.put(cosigner);
    return { secret, cosigner };
  } catch (error) {
    if (!isUnreachable(error)) throw error;
    if (kept && known) return { secret, cosigner: kept };
    throw kept ? wrongPassword() : neverHere();
  }
}

/** The key of somebody, where this is the password that hides it. */
async function secretOf({ salt, hidden, publicKey }: Cosigner, password: string): Promise<Uint8Array | undefined> {
  const secret = xor(hidden, await scryptAsync(password, salt, SCRYPT));
  return publicKeyOf(secret) === publicKey ? secret : undefined;
}

/** A key of 32 random bytes is hidden by 32 bytes made of the password, which are used for nothing else. */
function xor(a: Uint8Array, b: Uint8Array): Uint8Array {
  return a.map((byte, i) => byte ^ (b[i] ?? 0));
}

function wrongPassword(): ApiFault {
  return new ApiFault(
    { code: 'wrong-password', what: 'User name or password is wrong.', todo: 'Check both and try again.' },
    401,
  );
}

function neverHere(): ApiFault {
  return new ApiFault(
    {
      code: 'never-signed-here',
      what: 'This person has not signed on this tablet before.',
      todo: 'The first time needs the network.',
    },
    401,
  );
}

import type { SignedEntry } from '#core/job/signed-entry';
import { type MadeEntry, textToSign } from '#core/job/text-to-sign';
import { answer, api } from '../ground/api';
import { device, deviceId } from '../ground/device';

/**
 * What a person signs entries with on this device: made when they sign in, gone when they sign out. Done in plain code,
 * since a workshop's own network has no certificates, and browsers keep their own signing for https.
 */
export async function ensureKey(personId: string): Promise<void> {
  if (await device.keys.get(personId)) return;
  const { secret, publicKey } = (await signing()).newKeyPair();
  const { id } = await answer(api.auth.keys.$post({ json: { deviceId: await deviceId(), publicKey } }));
  await device.keys.put({ personId, keyId: id, secret });
}

/** What signs, loaded when it is first needed or a little after the first screen. */
export const signing = () => import('./signing');

export async function forgetKey(personId: string): Promise<void> {
  await device.keys.delete(personId);
}

/** The entry with the proof of its maker; undefined where the maker has no key here. */
export async function signedEntry(entry: MadeEntry): Promise<SignedEntry | undefined> {
  const key = await device.keys.get(entry.by);
  if (!key) return undefined;
  // Not there yet, and no network: without its proof the entry goes while its maker is signed in.
  const signer = await signing().catch(() => undefined);
  if (!signer) return undefined;
  const text = textToSign(entry);
  return { text, keyId: key.keyId, signature: signer.sign(text, key.secret) };
}

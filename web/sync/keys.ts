import { ed25519 } from '@noble/curves/ed25519.js';
import { type MadeEntry, type SignedEntry, textToSign } from '#core/job/signed-entry';
import { answer, api } from '../ground/api';
import { device, deviceId } from '../ground/device';

/**
 * What a person signs entries with on this device: made when they sign in, gone when they sign out. Done in plain code,
 * since a workshop's own network has no certificates, and browsers keep their own signing for https.
 */
export async function ensureKey(personId: string): Promise<void> {
  if (await device.keys.get(personId)) return;
  const secret = ed25519.utils.randomSecretKey();
  const publicKey = base64url(ed25519.getPublicKey(secret));
  const { id } = await answer(api.auth.keys.$post({ json: { deviceId: await deviceId(), publicKey } }));
  await device.keys.put({ personId, keyId: id, secret });
}

export async function forgetKey(personId: string): Promise<void> {
  await device.keys.delete(personId);
}

/** The entry with the proof of its maker; undefined where the maker has no key here. */
export async function signedEntry(entry: MadeEntry): Promise<SignedEntry | undefined> {
  const key = await device.keys.get(entry.by);
  if (!key) return undefined;
  const text = textToSign(entry);
  const signature = base64url(ed25519.sign(new TextEncoder().encode(text), key.secret));
  return { text, keyId: key.keyId, signature };
}

export function base64url(bytes: Uint8Array): string {
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
}

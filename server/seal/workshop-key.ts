import { createHash } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { ed25519 } from '@noble/curves/ed25519.js';
import { BrokenFolder } from '../database/open';

/** The key of a workshop: it signs the records of finished jobs. */
export interface WorkshopKey {
  /** Ed25519, as base64url; printed on every record. */
  readonly publicKey: string;
  sign(text: string): string;
}

const BYTES = 32;

/** Made at the first start; only the account that runs the server may read it. */
export async function workshopKeyOf(path: string): Promise<WorkshopKey> {
  const kept = await readFile(path, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return undefined;
    throw error;
  });
  const secret = kept === undefined ? ed25519.utils.randomSecretKey() : Buffer.from(kept.trim(), 'hex');
  if (secret.length !== BYTES) {
    throw new BrokenFolder(
      `The key in ${path} is damaged. Restore that file from a copy; without it a new key is made when you delete it, ` +
        'and records signed by the old one are checked against the old public key printed on them.',
    );
  }
  if (kept === undefined)
    await writeFile(path, Buffer.from(secret).toString('hex'), { mode: 0o600, flag: 'wx', flush: true });
  return {
    publicKey: Buffer.from(ed25519.getPublicKey(secret)).toString('base64url'),
    sign: (text) => Buffer.from(ed25519.sign(Buffer.from(text, 'utf8'), secret)).toString('base64url'),
  };
}

export function sha256(text: string): string {
  return createHash('sha256').update(text, 'utf8').digest('hex');
}

/** Whether a signature holds; what is no key or no signature does not. */
export function holds(signature: string, text: string, publicKey: string): boolean {
  try {
    return ed25519.verify(
      Buffer.from(signature, 'base64url'),
      Buffer.from(text, 'utf8'),
      Buffer.from(publicKey, 'base64url'),
    );
  } catch {
    return false;
  }
}

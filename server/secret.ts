import { createHmac, randomBytes } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { BrokenFolder } from './database/open';

const BYTES = 32;

/** Signs the session cookies; made once and kept with the data. Refuses one that is no secret. */
export async function secretOf(path: string): Promise<string> {
  const kept = await readFile(path, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return undefined;
    throw error;
  });
  if (kept === undefined) {
    const secret = randomBytes(BYTES).toString('hex');
    await writeFile(path, secret, { mode: 0o600, flag: 'wx', flush: true });
    return secret;
  }
  if (kept.trim().length < BYTES) {
    throw new BrokenFolder(
      `The secret in ${path} is empty or too short: anybody could sign in as anybody. ` +
        'Delete that file. A new one is created, and everybody signs in again.',
    );
  }
  return kept.trim();
}

/** Without letters and digits that are taken for one another. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/** What whoever makes the first account has to know: the same for every process on this data folder. */
export function setupCodeOf(secret: string): string {
  const bytes = createHmac('sha256', secret).update('setup code').digest();
  return [...bytes.subarray(0, 8)].map((byte) => SIGNS[byte % SIGNS.length]).join('');
}

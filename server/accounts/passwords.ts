import { badInput } from '../ground/fault';

export const MIN_PASSWORD_LENGTH = 8;

/** A password of fewer different signs is no better than a short one. */
const FEWEST_SIGNS = 4;

let common: ReadonlySet<string> | undefined;

/** The passwords people choose most often, which are the first to be tried by others. */
async function commonPasswords(): Promise<ReadonlySet<string>> {
  if (!common) {
    const { dictionary } = await import('@zxcvbn-ts/language-common');
    common = new Set(dictionary['passwords-common']);
  }
  return common;
}

/**
 * Refuses a password that others would try first: a common one, or the name of the person it is for (after NIST SP
 * 800-63B, 3.1.1.2, memorised: length and a list of known ones instead of rules for signs).
 */
export async function refuseWeakPassword(
  password: string,
  of: { username: string; name: string },
  path = 'password',
): Promise<void> {
  const reason = await weakness(password, of);
  if (reason) throw badInput([{ path, reason }]);
}

async function weakness(password: string, { username, name }: { username: string; name: string }) {
  if (password.length < MIN_PASSWORD_LENGTH) return `needs at least ${MIN_PASSWORD_LENGTH} characters`;
  const plain = password.toLowerCase();
  // What is put behind a common one to make it longer is tried as well.
  const bare = plain.replace(/[^\p{L}]+$/u, '');
  const known = await commonPasswords();
  if (known.has(plain) || known.has(bare)) return 'is a very common password; choose another';
  if (new Set(plain).size < FEWEST_SIGNS) return 'repeats the same few characters; choose another';
  const names = [username, ...name.split(/\s+/)].map((part) => part.toLowerCase()).filter((part) => part.length > 2);
  const rest = names.reduce((left, part) => left.replaceAll(part, ''), plain);
  return rest.length < FEWEST_SIGNS ? 'is too similar to the name; choose another' : undefined;
}

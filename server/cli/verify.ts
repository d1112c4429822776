import { readFile } from 'node:fs/promises';
import { sayGap, sayRecordFault } from '#core/language/en/record-faults';
import { verifyRecord } from '#core/seal/verify';
import { holds, sha256 } from '../seal/workshop-key';

/** Checks an exported record without a server; whether it is as it was signed. */
export async function verifyFile(
  path: string,
  publicKey: string | undefined,
  tell: (line: string) => void,
): Promise<boolean> {
  const text = await readFile(path, 'utf8');
  const { faults, gaps, file } = verifyRecord(readJson(text), { hash: sha256, holds });
  const other = publicKey !== undefined && file !== undefined && file.seal.publicKey !== publicKey;
  for (const fault of faults) tell(sayRecordFault(fault));
  for (const gap of gaps) tell(sayGap(gap));
  if (other) tell(`It was signed by another key: ${file.seal.publicKey}`);
  if (!file || faults.length > 0 || other) return false;
  const { job, entries } = file.record;
  tell(
    `Record of job ${job.number}, serial ${job.pumpSerial}: ${entries.length} entries, as signed ${file.seal.sealedAt}.`,
  );
  tell(`Compare the key with the one printed on records of that workshop:  ${file.seal.publicKey}`);
  return true;
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

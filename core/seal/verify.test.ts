import { createHash } from 'node:crypto';
import { ed25519 } from '@noble/curves/ed25519.js';
import { textToSign } from '../job/text-to-sign';
import { typed } from '../testing/workbook';
import {
  canonical,
  RECORD_FORMAT,
  type RecordContent,
  type RecordedEntry,
  type SealedRecord,
  textOfHead,
  unsignedSeal,
} from './record';
import { verifyRecord } from './verify';

const hash = (text: string) => createHash('sha256').update(text, 'utf8').digest('hex');
const base64url = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64url');
const holds = (signature: string, text: string, publicKey: string) => {
  try {
    return ed25519.verify(Buffer.from(signature, 'base64url'), Buffer.from(text), Buffer.from(publicKey, 'base64url'));
  } catch {
    return false;
  }
};
const secretOf = (seed: number) => new Uint8Array(32).fill(seed);
const workshop = secretOf(1);
const mara = secretOf(2);
const sign = (text: string, secret: Uint8Array) => base64url(ed25519.sign(Buffer.from(text), secret));

/** A job of two devices, one of them without a key, with a reading, a photo and a problem. */
function content(): RecordContent {
  const contents = [
    { kind: 'torque-read', stepId: 's1', positionId: null, reading: { value: 45, unit: 'N·m' } },
    { kind: 'photo-taken', stepId: 's2', photo: 'a'.repeat(64) },
    { kind: 'problem', stepId: 's2', note: 'Nut rounded' },
    { kind: 'finished' },
  ];
  let before: string | undefined;
  const entries = contents.map((made, i): RecordedEntry => {
    const isSigned = i !== 2;
    const at = `2026-01-05T08:0${i}:00.000Z`;
    const text = textToSign({ id: `e${i}`, jobId: 'job', at, by: 'mara', content: made as never, before });
    if (isSigned) before = hash(text);
    return {
      ...{ id: `e${i}`, sequence: i + 1, at, acceptedAt: `2026-01-05T09:0${i}:00.000Z`, by: 'mara', sentBy: null },
      ...{ deviceId: isSigned ? 'tablet' : null, clockBehindMs: i === 3 ? 1000 : null, content: made },
      ...{
        keyId: isSigned ? 'k1' : null,
        signed: isSigned ? text : null,
        signature: isSigned ? sign(text, mara) : null,
      },
    };
  });
  const job = {
    ...{ id: 'job', number: 1001, workOrder: 'WO-1', pumpSerial: 'S-1', customer: 'Test Creamery' },
    ...{ startedAt: '2026-01-05T08:00:00.000Z', startedBy: 'mara', finishedAt: '2026-01-05T08:03:00.000Z' },
  };
  return JSON.parse(
    JSON.stringify({
      job,
      release: { id: 'r', number: 1, workbook: typed(['take off 8 cover nuts', 'fit cover nuts']) },
      people: { mara: 'Mara Oduya' },
      keys: { k1: { personId: 'mara', publicKey: base64url(ed25519.getPublicKey(mara)) } },
      entries,
    }),
  ) as RecordContent;
}

function sealed(record: RecordContent, secret = workshop): SealedRecord {
  const seal = unsignedSeal(record, '2026-01-05T10:00:00.000Z', hash);
  const publicKey = base64url(ed25519.getPublicKey(secret));
  const signature = sign(textOfHead(seal.head, seal.sealedAt), secret);
  return { format: RECORD_FORMAT, record, seal: { ...seal, publicKey, signature } };
}
const faultsOf = (json: unknown) => verifyRecord(json, { hash, holds }).faults;
const copy = (file: SealedRecord): SealedRecord => JSON.parse(JSON.stringify(file)) as SealedRecord;

/** Every value at the end of a path of a document. */
function leaves(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path];
  return Object.entries(value).flatMap(([key, inside]) =>
    leaves(inside, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

function altered(file: SealedRecord, path: readonly (string | number)[]): SealedRecord {
  const changed = copy(file);
  let at = changed as unknown as Record<string | number, never>;
  for (const key of path.slice(0, -1)) at = at[key] as never;
  const last = path.at(-1) as string;
  const value: unknown = at[last];
  const other =
    typeof value === 'number'
      ? value + 1
      : typeof value === 'boolean'
        ? !value
        : value === null
          ? 'x'
          : `${String(value)}x`;
  at[last] = other as never;
  return changed;
}

const file = sealed(content());

test('a record as it was signed has no fault, in whatever order its fields stand', () => {
  expect(faultsOf(copy(file))).toEqual([]);
  expect(faultsOf(JSON.parse(canonical(file)))).toEqual([]);
});

test('every field altered once is found', () => {
  const paths = leaves(file);
  expect(paths.length).toBeGreaterThan(80);
  const missed = paths.filter((path) => faultsOf(altered(file, path)).length === 0);
  expect(missed).toEqual([]);
});

test('it is said what was changed', () => {
  const changed = copy(file);
  changed.record.job.customer = 'Other';
  expect(faultsOf(changed)).toEqual([{ is: 'part', part: 'job.customer' }]);
  const read = copy(file);
  (read.record.entries[0]?.content.reading as { value: number }).value = 40;
  expect(faultsOf(read)).toEqual([{ is: 'entry', id: 'e0', kind: 'torque-read', at: '2026-01-05T08:00:00.000Z' }]);
  const renamed = copy(file);
  renamed.record.people.mara = 'Somebody Else';
  expect(faultsOf(renamed)).toEqual([{ is: 'part', part: 'people.mara' }]);
});

test('entries that are left out, added, or in another order are found', () => {
  const less = copy(file);
  less.record.entries.splice(1, 1);
  expect(faultsOf(less)).toEqual([{ is: 'entries-missing', device: 'tablet', count: 1 }]);
  const more = copy(file);
  more.record.entries.push({ ...(more.record.entries[2] as RecordedEntry), id: 'e9', sequence: 9 });
  expect(faultsOf(more)).toEqual([{ is: 'entries-added', device: '-', count: 1 }]);
  const turned = copy(file);
  const [first, second] = turned.record.entries;
  if (first && second) [first.sequence, second.sequence] = [2, 1];
  expect(faultsOf(turned).map(({ is }) => is)).toContain('entry');
});

test('an entry that the workshop left out before it sealed leaves a gap in the chain that the device made', () => {
  expect(verifyRecord(copy(file), { hash, holds }).gaps).toEqual([]);
  const whole = content();
  const less = sealed({ ...whole, entries: whole.entries.filter(({ id }) => id !== 'e1') });
  const { faults, gaps } = verifyRecord(less, { hash, holds });
  expect(faults).toEqual([]);
  expect(gaps).toEqual([{ device: 'tablet', id: 'e3', kind: 'finished', at: '2026-01-05T08:03:00.000Z' }]);
});

test('whoever seals a forged record anew has another key, and cannot sign for the maker', () => {
  const forged = content();
  (forged.entries[0]?.content.reading as { value: number }).value = 40;
  const again = sealed(forged, secretOf(9));
  expect(again.seal.publicKey).not.toBe(file.seal.publicKey);
  expect(faultsOf(again)).toEqual([{ is: 'maker', id: 'e0', kind: 'torque-read', at: '2026-01-05T08:00:00.000Z' }]);
  // Sealed anew under the old key, the signature does not hold.
  const claimed = { ...again, seal: { ...again.seal, publicKey: file.seal.publicKey } };
  expect(faultsOf(claimed)).toContainEqual({ is: 'signature' });
});

test('what is no record, or one of another time, is called so', () => {
  for (const json of [undefined, null, 3, {}, []]) expect(faultsOf(json)).toMatchObject([{ is: 'unreadable' }]);
  expect(faultsOf({ ...file, format: 'fukusa-record/9' })).toEqual([{ is: 'other-format', format: 'fukusa-record/9' }]);
  const { record: _gone, ...rest } = file;
  expect(faultsOf(rest)).toEqual([{ is: 'unreadable', path: 'record' }]);
});

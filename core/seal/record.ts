import { z } from 'zod';
import { Id } from '../model/ids';

/** The exported record of a finished job, with what proves that nothing of it was changed. */
export const RECORD_FORMAT = 'fukusa-record/1';

const Hash = z.string().regex(/^[0-9a-f]{64}$/);
const Text = z.string();

/** An entry as it was taken in. */
export const RecordedEntry = z.strictObject({
  id: Id,
  sequence: z.int().min(1),
  /** By the clock of the device, and when the server took it in. */
  at: Text,
  acceptedAt: Text,
  by: Text,
  sentBy: Text.nullable(),
  deviceId: Text.nullable(),
  clockBehindMs: z.number().nullable(),
  content: z.record(z.string(), z.unknown()),
  /** What its maker signed, with which key. */
  keyId: Text.nullable(),
  signed: Text.nullable(),
  signature: Text.nullable(),
});
export type RecordedEntry = z.infer<typeof RecordedEntry>;

/** Everything that a record says. */
export const RecordContent = z.strictObject({
  job: z.strictObject({
    id: Id,
    number: z.int(),
    workOrder: Text,
    pumpSerial: Text,
    customer: Text,
    hours: z.number().optional(),
    startedAt: Text,
    startedBy: Text,
    finishedAt: Text,
  }),
  release: z.strictObject({ id: Id, number: z.int(), workbook: z.record(z.string(), z.unknown()) }),
  /** Names of everybody who appears in it. */
  people: z.record(z.string(), Text),
  /** The keys that makers signed with. */
  keys: z.record(z.string(), z.strictObject({ personId: Text, publicKey: Text })),
  entries: z.array(RecordedEntry),
});
export type RecordContent = z.infer<typeof RecordContent>;

/** What was computed when the job was finished, and signed. */
export const Seal = z.strictObject({
  sealedAt: Text,
  /** SHA-256 of each part but the entries. */
  digests: z.record(z.string(), Hash),
  /** For each device the chain of its entries: every link holds the one before it. */
  chains: z.record(z.string(), z.array(Hash)),
  head: Hash,
  /** Ed25519, as base64url. */
  publicKey: Text,
  signature: Text,
});
export type Seal = z.infer<typeof Seal>;

export const SealedRecord = z.strictObject({
  format: z.literal(RECORD_FORMAT),
  record: RecordContent,
  seal: Seal,
});
export type SealedRecord = z.infer<typeof SealedRecord>;

/** SHA-256 of a text in UTF-8, in hexadecimal. */
export type HashText = (text: string) => string;

/** JSON with sorted keys: two ways to write the same have one text. */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, item: unknown) =>
    typeof item === 'object' && item !== null && !Array.isArray(item)
      ? Object.fromEntries(Object.entries(item).sort(([a], [b]) => (a < b ? -1 : 1)))
      : item,
  );
}

/** The parts of a record apart from its entries, by name: what is changed can be called by it. */
export function partsOf({ job, release, people, keys }: RecordContent): Record<string, unknown> {
  const named = (of: string, fields: object) =>
    Object.entries(fields).map(([field, value]) => [`${of}.${field}`, value] as const);
  return Object.fromEntries([
    ...named('job', job),
    ...named('release', release),
    ...named('people', people),
    ...named('keys', keys),
  ]);
}

/** Entries without a device are those of a browser without a key; they have a chain of their own. */
const NO_DEVICE = '-';

/** The entries of each device, in the order in which they were taken in. */
export function entriesByDevice({ entries }: Pick<RecordContent, 'entries'>): Map<string, RecordedEntry[]> {
  const by = new Map<string, RecordedEntry[]>();
  for (const entry of entries.toSorted((a, b) => a.sequence - b.sequence)) {
    const device = entry.deviceId ?? NO_DEVICE;
    by.set(device, [...(by.get(device) ?? []), entry]);
  }
  return by;
}

/** The link of an entry: it holds the link before it, and for the first one the job and the device. */
export function linkOf(entry: RecordedEntry, before: string, hash: HashText): string {
  return hash(canonical({ before, entry }));
}

export function firstLink(jobId: string, device: string, hash: HashText): string {
  return hash(canonical({ format: RECORD_FORMAT, jobId, device }));
}

/** All chains and parts joined. */
export function headOf({ digests, chains }: Pick<Seal, 'digests' | 'chains'>, hash: HashText): string {
  return hash(canonical({ format: RECORD_FORMAT, digests, chains }));
}

/** The text that the workshop signs. */
export function textOfHead(head: string, sealedAt: string): string {
  return `${RECORD_FORMAT}\n${head}\n${sealedAt}`;
}

/** What is sealed of a record, to be signed. */
export function unsignedSeal(
  record: RecordContent,
  sealedAt: string,
  hash: HashText,
): Omit<Seal, 'publicKey' | 'signature'> {
  const digests = Object.fromEntries(
    Object.entries(partsOf(record)).map(([part, value]) => [part, digestOf(part, value, hash)]),
  );
  const chains = Object.fromEntries(
    [...entriesByDevice(record)].map(([device, entries]) => {
      let before = firstLink(record.job.id, device, hash);
      return [
        device,
        entries.map((entry) => {
          before = linkOf(entry, before, hash);
          return before;
        }),
      ];
    }),
  );
  return { sealedAt, digests, chains, head: headOf({ digests, chains }, hash) };
}

export function digestOf(part: string, value: unknown, hash: HashText): string {
  return hash(canonical({ part, value }));
}

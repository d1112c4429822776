import {
  canonical,
  digestOf,
  entriesByDevice,
  firstLink,
  type HashText,
  headOf,
  linkOf,
  partsOf,
  RECORD_FORMAT,
  type RecordedEntry,
  SealedRecord,
  textOfHead,
} from './record';

export type RecordFault =
  /** No record, or one of another format; with the first place that does not fit. */
  | { readonly is: 'unreadable'; readonly path: string }
  | { readonly is: 'other-format'; readonly format: string }
  /** A part that is not as it was sealed, or was added or left out. */
  | { readonly is: 'part'; readonly part: string }
  | { readonly is: 'entry'; readonly id: string; readonly kind: string; readonly at: string }
  | { readonly is: 'entries-missing'; readonly device: string; readonly count: number }
  | { readonly is: 'entries-added'; readonly device: string; readonly count: number }
  /** The signature of whoever made an entry does not hold, or says something else. */
  | { readonly is: 'maker'; readonly id: string; readonly kind: string; readonly at: string }
  | { readonly is: 'head' }
  | { readonly is: 'signature' };

export interface Means {
  readonly hash: HashText;
  /** Ed25519: whether a signature of a text holds for a public key, both as base64url. Never throws. */
  readonly holds: (signature: string, text: string, publicKey: string) => boolean;
}

/** A device made something before an entry that is not in the record: the server refused it, or it was left out. */
export interface Gap {
  readonly device: string;
  readonly id: string;
  readonly kind: string;
  readonly at: string;
}

export interface Verified {
  readonly faults: readonly RecordFault[];
  /** Where the chain that devices make as they work leads to something that is not here. */
  readonly gaps: readonly Gap[];
  /** The record, where it could be read. */
  readonly file?: SealedRecord;
}

/** Checks an exported record against its seal, and says what was changed; without the server that made it. */
export function verifyRecord(json: unknown, means: Means): Verified {
  const format = (json as { format?: unknown } | null)?.format;
  if (format !== RECORD_FORMAT) {
    if (typeof format === 'string') return { faults: [{ is: 'other-format', format }], gaps: [] };
    return { faults: [{ is: 'unreadable', path: 'format' }], gaps: [] };
  }
  const read = SealedRecord.safeParse(json);
  if (!read.success)
    return { faults: [{ is: 'unreadable', path: (read.error.issues[0]?.path ?? []).join('.') }], gaps: [] };
  const file = read.data;
  const faults = [...partFaults(file, means), ...entryFaults(file, means), ...sealFaults(file, means)];
  return { faults, gaps: gapsIn(file, means), file };
}

/** Each signed entry names what its device signed before; all of it should be here. */
function gapsIn({ record }: SealedRecord, { hash }: Means): Gap[] {
  const there = new Set(record.entries.flatMap(({ signed }) => (signed === null ? [] : [hash(signed)])));
  return record.entries.flatMap((entry): Gap[] => {
    const before = entry.signed === null ? undefined : readJson(entry.signed)?.before;
    return typeof before === 'string' && !there.has(before) ? [{ device: entry.deviceId ?? '', ...about(entry) }] : [];
  });
}

function partFaults({ record, seal }: SealedRecord, { hash }: Means): RecordFault[] {
  const parts = partsOf(record);
  const names = new Set([...Object.keys(parts), ...Object.keys(seal.digests)]);
  return [...names].flatMap((part): RecordFault[] => {
    const isSame = part in parts && digestOf(part, parts[part], hash) === seal.digests[part];
    return isSame ? [] : [{ is: 'part', part }];
  });
}

const about = ({ id, content, at }: RecordedEntry) => ({ id, kind: String(content.kind), at });

function entryFaults({ record, seal }: SealedRecord, means: Means): RecordFault[] {
  const by = entriesByDevice(record);
  const devices = new Set([...by.keys(), ...Object.keys(seal.chains)]);
  return [...devices].flatMap((device): RecordFault[] => {
    const entries = by.get(device) ?? [];
    const links = seal.chains[device] ?? [];
    if (links.length > entries.length) return [{ is: 'entries-missing', device, count: links.length - entries.length }];
    if (links.length < entries.length) return [{ is: 'entries-added', device, count: entries.length - links.length }];
    return entries.flatMap((entry, i): RecordFault[] => {
      // From the link that was sealed before it, so that only the entry that was changed is named.
      const before = i === 0 ? firstLink(record.job.id, device, means.hash) : (links[i - 1] ?? '');
      if (linkOf(entry, before, means.hash) !== links[i]) return [{ is: 'entry', ...about(entry) }];
      return isByItsMaker(entry, record, means) ? [] : [{ is: 'maker', ...about(entry) }];
    });
  });
}

/** An entry without a signature was taken in from the session of its maker; one with a signature says what was signed. */
function isByItsMaker(entry: RecordedEntry, { job, keys }: SealedRecord['record'], { holds }: Means): boolean {
  const { keyId, signed, signature } = entry;
  if (signed === null && signature === null && keyId === null) return true;
  const key = keyId === null ? undefined : keys[keyId];
  if (!key || signed === null || signature === null || key.personId !== entry.by) return false;
  if (!holds(signature, signed, key.publicKey)) return false;
  const said = readJson(signed);
  if (said === undefined) return false;
  // The server names a photo by what it keeps; the device named it by what it sent.
  const { photo: _said, ...saidContent } = (said.content ?? {}) as Record<string, unknown>;
  const { photo: _kept, ...keptContent } = entry.content;
  return (
    said.id === entry.id &&
    said.jobId === job.id &&
    said.by === entry.by &&
    Date.parse(String(said.at)) === Date.parse(entry.at) &&
    canonical(saidContent) === canonical(keptContent)
  );
}

function readJson(text: string): Record<string, unknown> | undefined {
  try {
    const read: unknown = JSON.parse(text);
    return typeof read === 'object' && read !== null ? (read as Record<string, unknown>) : undefined;
  } catch {
    return undefined;
  }
}

function sealFaults({ seal }: SealedRecord, { hash, holds }: Means): RecordFault[] {
  const { head, sealedAt, signature, publicKey } = seal;
  const faults: RecordFault[] = [];
  if (headOf(seal, hash) !== head) faults.push({ is: 'head' });
  if (!holds(signature, textOfHead(head, sealedAt), publicKey)) faults.push({ is: 'signature' });
  return faults;
}

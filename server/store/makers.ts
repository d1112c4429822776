import { and, eq, inArray, isNull } from 'drizzle-orm';
import { EntryContent, type NewEntry } from '#core/job/entry';
import { SignedEntry, SignedText, UnsignedEntry } from '#core/job/signed-entry';
import { sayProblem } from '#core/language/en/problems';
import { faultsOf } from '#core/model/faults';
import { DOCUMENT_FORMAT, migrateEntry } from '#core/model/migrations/migrate';
import { impurities } from '#core/model/plain';
import { type DeviceKey, isSignedBy } from '../accounts/keys';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { BENCH } from '../ground/roles';

/** It is not proved who made this entry: it waits until its maker signs in on that device. */
const NOT_PROVED = 'not-proved';

/** An entry that was not taken in, and why. */
export interface RefusedEntry {
  readonly id: string;
  readonly code: string;
  readonly what: string;
}

/** How an entry is known to be its maker's. */
interface Proof {
  readonly deviceId?: string;
  readonly keyId?: string;
  readonly signed?: string;
  readonly signature?: string;
}

/** An entry that can be read, and who made it. */
export interface Made extends Proof {
  readonly entry: NewEntry;
  readonly by: string;
}

/** The keys that some of what was sent is signed with, in one query. */
export async function keysIn(db: Database, sent: readonly unknown[]): Promise<ReadonlyMap<string, DeviceKey>> {
  const ids = sent.flatMap((one) => {
    const signed = SignedEntry.safeParse(one);
    return signed.success ? [signed.data.keyId] : [];
  });
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ key: table.deviceKey })
    .from(table.deviceKey)
    .innerJoin(table.user, eq(table.user.id, table.deviceKey.personId))
    .where(
      and(
        inArray(table.deviceKey.id, [...new Set(ids)]),
        isNull(table.deviceKey.revokedAt),
        // Nobody gets to the bench by a key who would not by signing in.
        inArray(table.user.role, [...BENCH]),
      ),
    );
  return new Map(rows.map(({ key }) => [key.id, key]));
}

/** Who made an entry, as far as it is proved. */
export function madeBy(
  sent: unknown,
  jobId: string,
  sender: string,
  keys: ReadonlyMap<string, DeviceKey>,
): Made | RefusedEntry {
  const signed = SignedEntry.safeParse(sent);
  const plain = signed.success ? parsedJson(signed.data.text) : sent;
  const id = idOf(plain);
  const [impure] = impurities(plain);
  if (impure) return { id, code: 'bad-entry', what: `${impure.path}: ${sayProblem(impure.problem)}` };
  const parsed = (signed.success ? SignedText : UnsignedEntry).safeParse(plain);
  if (!parsed.success) return bad(id, parsed.error);
  const { at, by = sender } = parsed.data;
  const format = 'format' in parsed.data ? Number(parsed.data.format) : DOCUMENT_FORMAT;
  if (format > DOCUMENT_FORMAT) return { id, code: 'newer', what: 'This entry was made by a newer version.' };
  if ('jobId' in parsed.data && parsed.data.jobId !== jobId) return otherJob(id);
  const content = EntryContent.safeParse(migrateEntry(parsed.data.content, format));
  if (!content.success) return bad(id, content.error);
  const entry: NewEntry = { id, at: new Date(at).toISOString(), content: content.data };
  if (signed.success) {
    const { text, keyId, signature } = signed.data;
    const key = keys.get(keyId);
    if (key && key.personId === by && isSignedBy(key, text, signature)) {
      return { entry, by, deviceId: key.deviceId, keyId, signed: text, signature };
    }
  }
  // The session of its maker is proof enough; anybody else's is none.
  if (by === sender) return { entry, by };
  return {
    id,
    code: NOT_PROVED,
    what: 'It is not certain who made this entry. It waits until that person signs in on this device.',
  };
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

function bad(id: string, error: Parameters<typeof faultsOf>[0]): RefusedEntry {
  const [fault] = faultsOf(error);
  return { id, code: 'bad-entry', what: fault ? `${fault.path}: ${sayProblem(fault.problem)}` : '' };
}

export function otherJob(id: string): RefusedEntry {
  return { id, code: 'other-job', what: 'This entry belongs to another job.' };
}

/** The id a broken entry claims, so that the device knows which of its entries is meant. */
function idOf(sent: unknown): string {
  return typeof sent === 'object' && sent !== null && 'id' in sent && typeof sent.id === 'string'
    ? sent.id.slice(0, 64)
    : '';
}

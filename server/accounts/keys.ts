import { createPublicKey, randomUUID, verify } from 'node:crypto';
import { and, eq, isNull } from 'drizzle-orm';
import type { Database } from '../database/open';
import * as table from '../database/schema';

/** Whose key it is, and on which device it was made. */
export interface DeviceKey {
  readonly id: string;
  readonly personId: string;
  readonly deviceId: string;
  readonly publicKey: string;
}

/** The keys with which people sign what they enter, one for each person on each device. */
export function createKeys(db: Database) {
  return {
    /** The id under which what this key signs is believed to be the person's. The same key is kept once. */
    async register(personId: string, { deviceId, publicKey }: { deviceId: string; publicKey: string }) {
      const mine = and(
        eq(table.deviceKey.personId, personId),
        eq(table.deviceKey.publicKey, publicKey),
        isNull(table.deviceKey.revokedAt),
      );
      const [there] = await db.select().from(table.deviceKey).where(mine);
      if (there) return there.id;
      const id = randomUUID();
      await db.insert(table.deviceKey).values({ id, personId, deviceId, publicKey });
      return id;
    },
  };
}

/** Whether a text was signed with the private half of a key (Ed25519, RFC 8032; both as base64url). */
export function isSignedBy({ publicKey }: Pick<DeviceKey, 'publicKey'>, text: string, signature: string): boolean {
  try {
    const key = createPublicKey({ key: { kty: 'OKP', crv: 'Ed25519', x: publicKey }, format: 'jwk' });
    return verify(null, Buffer.from(text), key, Buffer.from(signature, 'base64url'));
  } catch {
    return false;
  }
}

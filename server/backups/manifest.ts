import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { migrationsFolder } from '../database/open';
import { PROGRAM_VERSION } from '../ground/version';

export const ENDING = '.fukusa-backup';
/** First in a backup: what it is and what can read it. */
export const ABOUT = 'about.json';
/** Last in a backup: every file with its checksum. */
export const MANIFEST = 'manifest.json';

export const About = z.strictObject({
  kind: z.literal('fukusa-backup'),
  /** Of this layout of files. */
  layout: z.literal(1),
  madeAt: z.iso.datetime(),
  /** How many steps the tables have come, and the format of the documents in them. */
  tables: z.int(),
  documents: z.int(),
  program: z.string(),
});
export type About = z.infer<typeof About>;

export const Manifest = z.strictObject({
  files: z.array(z.strictObject({ name: z.string(), bytes: z.int(), sha256: z.string() })),
});
export type Manifest = z.infer<typeof Manifest>;

export function aboutNow(): About {
  return {
    kind: 'fukusa-backup',
    layout: 1,
    madeAt: new Date().toISOString(),
    tables: tableSteps(),
    documents: DOCUMENT_FORMAT,
    program: PROGRAM_VERSION,
  };
}

export function tableSteps(): number {
  const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as {
    entries: unknown[];
  };
  return journal.entries.length;
}

export function digestOf(): { add(chunk: Uint8Array): void; hex(): string } {
  const hash = createHash('sha256');
  return { add: (chunk) => void hash.update(chunk), hex: () => hash.digest('hex') };
}

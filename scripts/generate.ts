import { writeFileSync } from 'node:fs';
import { findingsCatalogue } from '#core/findings/catalogue';
import { packageJsonSchema } from '#core/package/package';

/** Writes what is generated into `docs/`; tests keep the files and the code in step. */
writeFileSync('docs/fukusa-1.schema.json', `${JSON.stringify(packageJsonSchema(), null, 2)}\n`);
writeFileSync('docs/findings.md', findingsCatalogue());

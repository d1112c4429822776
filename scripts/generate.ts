import { writeFileSync } from 'node:fs';
import { RULES } from '#core/findings/check';
import { findingsCatalogue } from '#core/language/en/findings';
import { packageJsonSchema } from '#core/package/package';

/** Writes what is generated into `docs/`; tests keep the files and the code in step. */
writeFileSync('docs/fukusa-2.schema.json', `${JSON.stringify(packageJsonSchema(), null, 2)}\n`);
writeFileSync('docs/findings.md', findingsCatalogue(RULES));

import { writeFileSync } from 'node:fs';
import { packageJsonSchema } from '#core/package/package';

/** Publishes the JSON Schema of the open format; a test keeps the file and the code in step. */
writeFileSync('docs/fukusa-1.schema.json', `${JSON.stringify(packageJsonSchema(), null, 2)}\n`);

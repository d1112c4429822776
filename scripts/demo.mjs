import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, root, runFukusa } from './prepare.mjs';

/** Starts with the demo dealer; what is changed stays until `--reset`. */
const args = process.argv.slice(2);
const folder = join(root, 'data', 'demo');
ensureInstalled();
ensureBuilt();
if (args.includes('--reset')) rmSync(folder, { recursive: true, force: true });
runFukusa(['serve', '--demo', '--data', folder, ...args.filter((arg) => arg !== '--reset')]);

import { ensureBuilt, ensureInstalled, runFukusa } from './prepare.mjs';

/** The workshop's own server; the first page creates the first lead account. */
ensureInstalled();
ensureBuilt();
runFukusa(['serve', ...process.argv.slice(2)]);

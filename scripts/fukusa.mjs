import { ensureBuilt, ensureInstalled, runFukusa } from './prepare.mjs';

/** The command line: check, import, export, serve. */
ensureInstalled();
ensureBuilt();
runFukusa(process.argv.slice(2));

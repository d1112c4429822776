import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The servers of the browser tests listen here and on the ports after it, one a worker. */
export const PORT = 4399;
export const WORKSHOPS = 2;
/** Where the data folders of the workshops are, by their numbers. */
export const HOME = join(tmpdir(), `fukusa-e2e-${PORT}`);
/** A data folder of the demo as it is set up, for servers of a test's own: setting one up takes longer than most tests. */
export const SET_UP = join(HOME, 'set-up');

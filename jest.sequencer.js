import { relative } from 'node:path';
import TestSequencer from '@jest/test-sequencer';

/** What takes long begins first, also where no earlier run tells how long it took: no processor ends up waiting for it. */
const LONGEST_FIRST = ['benchmarks', 'server/main', 'server', 'core', 'web'];

export default class LongestFirst extends TestSequencer {
  sort(tests) {
    const rank = ({ path, context }) => {
      const at = relative(context.config.rootDir, path);
      return LONGEST_FIRST.findIndex((start) => at.startsWith(start));
    };
    return tests.toSorted((a, b) => rank(a) - rank(b));
  }
}

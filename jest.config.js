import { randomUUID } from 'node:crypto';

// What is set up once for all suites of a run is called after it.
process.env.FUKUSA_TEST_RUN = randomUUID();

/** Tests sit beside what they test. Native ES modules, types stripped by swc; the compiler checks types on its own. */
export default {
  // Not scripts/: what is called test.mjs there starts this runner, and must not be run by it.
  roots: ['<rootDir>/core', '<rootDir>/server', '<rootDir>/web', '<rootDir>/benchmarks'],
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: false }, target: 'es2022' }, module: { type: 'es6' } },
    ],
    '^.+\\.tsx$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  // Dialogs and notices bring their styles along.
  moduleNameMapper: {
    '\\.css$': '<rootDir>/web/testing/no-styles.ts',
    // The same in one file: most suites load it, and two hundred modules take longer.
    '^compromise$': '<rootDir>/node_modules/compromise/builds/three/compromise-three.mjs',
  },
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
  testTimeout: 60_000,
  // Most suites wait for a server of their own; every processor takes one.
  maxWorkers: '100%',
  testSequencer: '<rootDir>/jest.sequencer.js',
};

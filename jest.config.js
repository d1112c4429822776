import { randomUUID } from 'node:crypto';

// What is set up once for all suites of a run is called after it.
process.env.FUKUSA_TEST_RUN = randomUUID();

/**
 * Tests sit beside what they test. Core and server hold nothing of a suite beyond it: their suites share what they
 * load, for loading it anew takes most of them longer than their tests do. The state of the web app is its modules',
 * so that each of its suites is loaded on its own. Types are stripped; the compiler checks them on its own.
 */
export default {
  maxWorkers: '100%',
  testTimeout: 60_000,
  testSequencer: '<rootDir>/jest.sequencer.js',
  projects: [
    sharing('core'),
    sharing('benchmarks'),
    sharing('server'),
    {
      displayName: 'web',
      roots: ['<rootDir>/web'],
      testEnvironment: 'node',
      extensionsToTreatAsEsm: ['.ts', '.tsx'],
      transform: { '^.+\\.ts$': stripped(false), '^.+\\.tsx$': stripped(true) },
      moduleNameMapper: {
        // Dialogs and notices bring their styles along.
        '\\.css$': '<rootDir>/web/testing/no-styles.ts',
        // The same in one file: two hundred modules take longer.
        '^compromise$': '<rootDir>/node_modules/compromise/builds/three/compromise-three.mjs',
      },
      moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
    },
  ],
};

/** A room whose suites share what they load. */
function sharing(room) {
  return {
    displayName: room,
    roots: [`<rootDir>/${room}`],
    runner: 'jest-light-runner',
    setupFiles: ['<rootDir>/jest.setup.js'],
    setupFilesAfterEnv: ['<rootDir>/jest.limits.js'],
    transform: {},
  };
}

function stripped(tsx) {
  const transform = tsx ? { transform: { react: { runtime: 'automatic' } } } : {};
  const jsc = { parser: { syntax: 'typescript', tsx }, target: 'es2022', ...transform };
  return ['@swc/jest', { jsc, module: { type: 'es6' } }];
}

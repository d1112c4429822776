import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { join, relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { bin, ensureBuilt, ensureChromium, ensureInstalled, root } from './prepare.mjs';

/**
 * Types, lint, unused code, dependency direction, unit, server and browser tests; one plain line counts them all. The
 * browser tests wait more than they compute, so what only computes runs beside them and gives way. Servers are waited
 * for as well: their tests come after. With --quick only types, lint and the unit tests are run: no
 * server, and none of the thousands of mistakes planted in whole jobs.
 */
const quick = process.argv.includes('--quick');
ensureInstalled();
if (!quick) ensureChromium();
ensureBuilt();

const reports = join(root, '.cache', 'tests');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
let passed = 0;
let failed = 0;
/** What failed and why, told once more at the end: what ran beside it may have printed much since. */
const failures = [];

/** What has not ended by then hangs. */
const HANGS_MS = 40 * 60_000;

/** Runs to its end and gives the exit code; what it prints is shown as one piece when it is done. */
function run(name, args, { env = {}, gives = false } = {}) {
  const started = performance.now();
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd: root, env: { ...process.env, ...env }, timeout: HANGS_MS });
    // Computes when the browsers wait: they are what a slow machine makes late.
    if (gives && child.pid) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL);
    let out = '';
    const take = (chunk) => {
      out += chunk;
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('close', (status) => {
      const seconds = Math.round((performance.now() - started) / 1000);
      console.log(`${status === 0 ? 'ok    ' : 'FAILED'} ${name} (${seconds} s)${status === 0 ? '' : `\n${out}`}`);
      resolve(status);
    });
  });
}

/** One check that holds or does not. */
async function check(name, args) {
  if ((await run(name, args, { gives: !quick })) === 0) passed += 1;
  else failed += 1;
}

/** A suite that counts for itself; one that dies without a report, or runs nothing, counts as one failure. */
async function suite(name, args, how, read) {
  const status = await run(name, args, how);
  let counted = { passed: 0, failed: 0 };
  try {
    counted = read();
  } catch (error) {
    console.log(`${name}: no report: ${error.message}`);
  }
  if (counted.passed + counted.failed === 0 || (status !== 0 && counted.failed === 0)) counted.failed += 1;
  passed += counted.passed;
  failed += counted.failed;
}

async function checks() {
  // The tests of a room are checked with it; those of the core with the server, which takes in all of it.
  for (const room of ['core', 'server', 'web', 'e2e'])
    await check(`types: ${room}`, [bin('typescript-7', 'bin/tsc'), '-p', room]);
  await check('lint and format', [bin('@biomejs/biome', 'bin/biome'), 'check', '--error-on-warnings', '.']);
  if (quick) return;
  await check('unused code', [bin('knip', 'bin/knip.js')]);
  for (const [name, config] of [
    ['one-way doors', '.dependency-cruiser.cjs'],
    ['no circles of folders', '.dependency-cruiser-folders.cjs'],
  ]) {
    const rooms = ['core', 'server', 'web', 'demo'];
    await check(name, [bin('dependency-cruiser', 'bin/dependency-cruise.mjs'), '--config', config, ...rooms]);
  }
}

const beginningOf = (message) => stripVTControlCharacters(message).split('\n').slice(0, 12).join('\n');

/** The suites of some rooms. */
const suitesOf = (name, rooms, how) => {
  const report = join(reports, `${rooms.join('-')}.json`);
  return suite(
    name,
    [
      // A suite lives for seconds: the code of its database is compiled once and quickly, not again to run faster later.
      ...['--experimental-vm-modules', '--no-warnings', '--liftoff-only'],
      ...[bin('jest', 'bin/jest.js'), '--json', `--outputFile=${report}`, '--selectProjects', ...rooms],
    ],
    how,
    () => {
      const counted = JSON.parse(readFileSync(report, 'utf8'));
      const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults } = counted;
      for (const { name, message } of testResults.filter(({ status }) => status === 'failed'))
        failures.push(`${relative(root, name)}\n${beginningOf(message)}`);
      return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites };
    },
  );
};

/** The failed tests of a suite of browser tests and of those within it. */
const failedIn = ({ specs, suites = [] }) => [
  ...specs
    .filter(({ ok }) => !ok)
    .map(({ file, title, tests }) => {
      const errors = tests.flatMap(({ results }) => results.flatMap((result) => result.errors));
      const said = errors.map(({ message, location }) => `line ${location?.line}: ${beginningOf(message)}`);
      return `${file}: ${title}\n${said.join('\n')}`;
    }),
  ...suites.flatMap(failedIn),
];

const browser = join(reports, 'browser.json');
const browserTests = () =>
  suite(
    'browser tests',
    [bin('@playwright/test', 'cli.js'), 'test', '--config', 'e2e/playwright.config.ts'],
    { env: { PLAYWRIGHT_JSON_OUTPUT_FILE: browser } },
    () => {
      const { stats, suites } = JSON.parse(readFileSync(browser, 'utf8'));
      const { expected, unexpected, flaky } = stats;
      failures.push(...suites.flatMap(failedIn));
      return { passed: expected + flaky, failed: unexpected };
    },
  );

if (quick) await Promise.all([checks(), suitesOf('unit tests', ['core', 'web'])]);
else {
  const waits = browserTests().then(() => suitesOf('server tests', ['server']));
  const computes = suitesOf('unit tests', ['core', 'benchmarks', 'web'], { gives: true }).then(() => checks());
  await Promise.all([waits, computes]);
}

for (const failure of failures) console.log(`FAILED ${failure}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

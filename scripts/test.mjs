import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bin, ensureBuilt, ensureChromium, ensureInstalled, root } from './prepare.mjs';

/** Types, lint, unused code, dependency direction, unit and browser tests; one plain line counts them all. */
ensureInstalled();
ensureChromium();
ensureBuilt();

const reports = join(root, '.cache', 'tests');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
let passed = 0;
let failed = 0;

/** One check that holds or does not. */
function check(name, args) {
  const { status } = spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' });
  console.log(`${status === 0 ? 'ok    ' : 'FAILED'} ${name}`);
  if (status === 0) passed += 1;
  else failed += 1;
}

/** A suite that counts for itself; one that dies without a report, or runs nothing, counts as one failure. */
function suite(name, args, env, read) {
  const { status } = spawnSync(process.execPath, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
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

for (const room of ['core', 'server', 'web', 'e2e'])
  check(`types: ${room}`, [bin('typescript', 'bin/tsc'), '-p', room]);
check('types: tests', [bin('typescript', 'bin/tsc'), '-p', 'tsconfig.tests.json']);
check('lint and format', [bin('@biomejs/biome', 'bin/biome'), 'check', '--error-on-warnings', '.']);
check('unused code', [bin('knip', 'bin/knip.js')]);
for (const [name, config] of [
  ['one-way doors', '.dependency-cruiser.cjs'],
  ['no circles of folders', '.dependency-cruiser-folders.cjs'],
])
  check(name, [
    bin('dependency-cruiser', 'bin/dependency-cruise.mjs'),
    '--config',
    config,
    ...['core', 'server', 'web', 'demo'],
  ]);

const unit = join(reports, 'unit.json');
suite(
  'unit tests',
  ['--experimental-vm-modules', '--no-warnings', bin('jest', 'bin/jest.js'), '--json', `--outputFile=${unit}`],
  {},
  () => {
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(unit, 'utf8'));
    return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites };
  },
);

const browser = join(reports, 'browser.json');
suite(
  'browser tests',
  [bin('@playwright/test', 'cli.js'), 'test', '--config', 'e2e/playwright.config.ts'],
  { PLAYWRIGHT_JSON_OUTPUT_FILE: browser },
  () => {
    const { expected, unexpected, flaky } = JSON.parse(readFileSync(browser, 'utf8')).stats;
    return { passed: expected + flaky, failed: unexpected };
  },
);

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

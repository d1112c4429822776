import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** What every command needs before it can start. Plain Node: none of this may rest on an installed package. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/**
 * Installs packages when they are missing or older than the lock file. `npm install` and not `npm ci`, which refuses a
 * lock file that leaves out optional packages for other platforms, as some registries make it.
 */
export function ensureInstalled() {
  const marker = join(root, 'node_modules', '.fukusa-lock');
  if (existsSync(marker) && readFileSync(marker, 'utf8') === lockHash()) return;
  console.log('Installing packages (once; about a minute)');
  mustRun(npm, ['install', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(marker, lockHash());
}

function lockHash() {
  return createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
}

/** Builds server and web app when a source is newer than the last build. */
export function ensureBuilt() {
  const marker = join(root, 'dist', '.built');
  const sources = ['core', 'server', 'web', 'demo', 'vite.config.ts', 'vite.server.config.ts', 'package-lock.json'];
  const newest = Math.max(...sources.map((path) => newestIn(join(root, path))));
  if (existsSync(marker) && statSync(marker).mtimeMs >= newest) return;
  console.log('Building');
  for (const config of ['vite.config.ts', 'vite.server.config.ts']) {
    mustRun(process.execPath, [bin('vite', 'bin/vite.js'), 'build', '--config', config, '--logLevel', 'warn']);
  }
  writeFileSync(marker, '');
}

/** Debian's Chromium, through apt-get when it is missing. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log('Installing Chromium for the browser tests');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  for (const args of [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', 'chromium'],
  ]) {
    const [command, ...rest] = [...sudo, ...args];
    mustRun(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
}

/** The script behind a package's command, to be run by this same Node. */
export function bin(name, path) {
  return join(root, 'node_modules', name, path);
}

/** Runs to its end; the whole command fails when it does. */
export function mustRun(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  if (status !== 0) process.exit(status ?? 1);
}

/** Runs the built command line in this terminal, signals and exit code passed through. */
export function runFukusa(args) {
  const child = spawn(process.execPath, [join(root, 'dist', 'server', 'main.js'), ...args], { stdio: 'inherit' });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
}

function newestIn(path) {
  const stats = statSync(path);
  if (!stats.isDirectory()) return stats.mtimeMs;
  return readdirSync(path).reduce((newest, name) => Math.max(newest, newestIn(join(path, name))), stats.mtimeMs);
}

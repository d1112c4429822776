import { spawn } from 'node:child_process';
import { bin, ensureBuilt, ensureInstalled, root } from './prepare.mjs';

/** For developers: the server restarts and the page reloads on every change. */
ensureInstalled();
ensureBuilt();
const server = ['watch', 'server/main.ts', 'serve', '--demo', '--data', 'data/dev', '--port', '4270'];
const running = [
  spawn(process.execPath, [bin('tsx', 'dist/cli.mjs'), ...server], { cwd: root, stdio: 'inherit' }),
  spawn(process.execPath, [bin('vite', 'bin/vite.js')], { cwd: root, stdio: 'inherit' }),
];
for (const child of running) {
  child.on('exit', () => {
    for (const other of running) other.kill();
  });
}

import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * The workshops of the browser tests, one a worker: `node workshops.mjs FIRST_PORT COUNT`. The demo is set up once and
 * copied, for setting it up takes longer than most tests. Serves until it is stopped.
 */
const [first, count] = process.argv.slice(2).map(Number);
const main = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist', 'server', 'main.js');
const home = mkdtempSync(join(tmpdir(), 'fukusa-e2e-'));
const folderOf = (number) => join(home, String(number));
let servers = [];

async function serve(number) {
  const args = ['serve', '--demo', '--port', String(first + number), '--data', folderOf(number)];
  const server = spawn(process.execPath, [main, ...args], { stdio: ['ignore', 'pipe', 'inherit'] });
  servers.push(server);
  const died = once(server, 'exit').then(([code]) => Promise.reject(new Error(`the server ended with ${code}`)));
  died.catch(() => undefined);
  await Promise.race([once(server.stdout, 'data'), died]);
}

async function stop() {
  const ended = servers.map((server) => once(server, 'exit'));
  for (const server of servers) server.kill();
  await Promise.all(ended);
  servers = [];
}

for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, async () => {
    await stop();
    rmSync(home, { recursive: true, force: true });
    process.exit(0);
  });

await serve(0);
await stop();
for (let number = 1; number < count; number += 1) cpSync(folderOf(0), folderOf(number), { recursive: true });
// The last one is what the tests wait for.
for (let number = 0; number < count; number += 1) await serve(number);

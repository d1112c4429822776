import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * The workshops of the browser tests, one a worker: `node workshops.mjs FIRST_PORT COUNT HOME`. The demo is set up once and
 * copied, for setting it up takes longer than most tests. Serves until it is stopped.
 */
const [first, count] = process.argv.slice(2, 4).map(Number);
const home = process.argv[4];
const main = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist', 'server', 'main.js');
const setUp = join(home, 'set-up');
const folderOf = (number) => join(home, String(number));
let servers = [];

async function serve(number, folder) {
  const args = ['serve', '--demo', '--port', String(first + number), '--data', folder];
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

rmSync(home, { recursive: true, force: true });
mkdirSync(home);
await serve(0, setUp);
await stop();
for (let number = 0; number < count; number += 1) cpSync(setUp, folderOf(number), { recursive: true });
// The last one is what the tests wait for.
for (let number = 0; number < count; number += 1) await serve(number, folderOf(number));

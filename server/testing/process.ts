import { type ChildProcess, spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** These live for seconds: the database's code is compiled once and quickly, not again to run faster later. */
const MAIN = ['--liftoff-only', fileURLToPath(new URL('../../dist/server/main.js', import.meta.url))];

export interface Finished {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Runs the built command line to its end. */
export function runMain(args: readonly string[]): Promise<Finished> {
  const child = spawn(process.execPath, [...MAIN, ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
  let out = '';
  let err = '';
  child.stdout.on('data', (chunk) => {
    out += chunk;
  });
  child.stderr.on('data', (chunk) => {
    err += chunk;
  });
  return new Promise((resolve) => child.on('close', (code) => resolve({ code, out, err })));
}

/** Starts the built server, where wanted under a program that watches it, and waits for its address. */
export async function startMain(
  args: readonly string[],
  watchedBy: readonly string[] = [],
): Promise<{ child: ChildProcess; url: string; out: () => string }> {
  const [program = '', ...rest] = [...watchedBy, process.execPath, ...MAIN, 'serve', ...args];
  const child = spawn(program, rest, { stdio: ['ignore', 'pipe', 'pipe'] });
  let out = '';
  const url = await new Promise<string>((resolve, reject) => {
    const read = (chunk: Buffer) => {
      out += chunk;
      const found = /http:\/\/\S+/.exec(out)?.[0];
      if (found) resolve(found);
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.on('close', (code) => reject(new Error(`the server ended with ${code}: ${out}`)));
  });
  return { child, url, out: () => out };
}

export function ended(child: ChildProcess): Promise<number | null> {
  return new Promise((resolve) =>
    child.exitCode !== null || child.signalCode ? resolve(child.exitCode) : child.on('exit', resolve),
  );
}

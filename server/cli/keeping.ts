import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { type Restored, restoreBackup } from '../backups/restore';
import { atDoor } from './door';

/** Writes a backup of a data folder to a file, whether or not a server is using the folder, and reads it back. */
export async function backUp(file: string, folder: string): Promise<void> {
  const draft = `${file}.making`;
  try {
    await atDoor(folder, async (ask) => {
      const { body } = await ask('GET', '/backup');
      await pipeline(body, createWriteStream(draft, { flush: true, mode: 0o600 }));
    });
    const found = await readBack(draft);
    await rename(draft, file);
    console.log(`Written to ${file} and read back: ${counted(found)}.`);
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}

/** Lays a backup into an empty data folder. */
export async function restore(file: string, folder: string): Promise<void> {
  await mkdir(folder, { recursive: true });
  const found = await restoreBackup(file, folder);
  console.log(`Restored into ${folder}, as of ${found.madeAt}: ${counted(found)}. Everybody signs in again.`);
}

/** Says whether a backup is whole, by restoring it where it is in nobody's way. */
export async function checkBackup(file: string): Promise<void> {
  const found = await readBack(file);
  console.log(`The backup is intact, as of ${found.madeAt}: ${counted(found)}.`);
}

async function readBack(file: string): Promise<Restored> {
  const folder = await mkdtemp(join(tmpdir(), 'fukusa-check-'));
  try {
    return await restoreBackup(file, folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

function counted({ people, series, procedures, releases, jobs, entries, photos }: Restored): string {
  return `${people} people, ${series} series, ${procedures} procedures, ${releases} releases, ${jobs} jobs with ${entries} entries, ${photos} photos`;
}

export async function listUsers(folder: string): Promise<void> {
  await atDoor(folder, async (ask) => {
    const { people } = await (await ask('GET', '/users')).json<{ people: Person[] }>();
    for (const { username, name, role, active } of people) {
      console.log(`${username.padEnd(20)} ${role.padEnd(11)} ${active ? '' : '(deactivated) '}${name}`);
    }
  });
}

interface Person {
  readonly username: string;
  readonly name: string;
  readonly role: string;
  readonly active: boolean;
}

export async function addUser(username: string, name: string, role: string, folder: string): Promise<void> {
  await atDoor(folder, async (ask) => {
    const { password } = await (await ask('POST', '/users', { username, name, role })).json<{ password: string }>();
    console.log(`Added. ${username} signs in with the password  ${password}  and chooses another.`);
  });
}

export async function resetUser(username: string, folder: string): Promise<void> {
  await atDoor(folder, async (ask) => {
    const path = `/users/${encodeURIComponent(username)}/reset`;
    const { password } = await (await ask('POST', path)).json<{ password: string }>();
    console.log(`${username} is signed out everywhere and signs in with the password  ${password}`);
  });
}

export async function deactivateUser(username: string, folder: string): Promise<void> {
  await atDoor(folder, async (ask) => {
    await ask('POST', `/users/${encodeURIComponent(username)}/deactivate`);
    console.log(`${username} is deactivated and signed out everywhere.`);
  });
}

import { open } from 'node:fs/promises';

/** Brings onto the disk itself that files were named in a folder. */
export async function syncFolder(path: string): Promise<void> {
  const folder = await open(path, 'r');
  try {
    await folder.sync();
  } finally {
    await folder.close();
  }
}

import { open } from 'node:fs/promises';

/** What was written to a file is on the disk once this is done. */
export async function syncFile(file: string): Promise<void> {
  const written = await open(file, 'r+');
  try {
    await written.sync();
  } finally {
    await written.close();
  }
}

/** A rename is safe against a power cut once its folder is written; some systems cannot be asked to. */
export async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r').catch(() => undefined);
  await handle?.sync().catch(() => undefined);
  await handle?.close();
}

import { open } from 'node:fs/promises';
import { withSqliteFile, type SqliteFile } from './sqlite-file.js';

const MAGIC = Buffer.from('SQLite format 3\0', 'latin1');

/** What the first bytes of a file say it is. */
type FirstLook = 'missing' | 'empty' | 'database' | 'something-else';

/** Looks at a file's first bytes; SQLite itself takes a file of no bytes or one for a new database. */
export async function firstLook(file: string): Promise<FirstLook> {
  const handle = await open(file, 'r').catch((reason: unknown) => {
    if ((reason as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw reason;
  });
  if (!handle) return 'missing';
  try {
    const { bytesRead, buffer } = await handle.read(Buffer.alloc(MAGIC.length), 0, MAGIC.length, 0);
    if (bytesRead === 0) return 'empty';
    return buffer.equals(MAGIC) ? 'database' : 'something-else';
  } finally {
    await handle.close();
  }
}

/**
 * What SQLite's own checks find wrong with an open database.
 * @returns a sentence, or undefined when it is sound
 */
export async function faultIn(opened: Pick<SqliteFile, 'all'>): Promise<string | undefined> {
  try {
    const [found] = await opened.all<{ integrity_check: string }>('PRAGMA integrity_check(1)');
    const said = found?.integrity_check ?? 'nothing can be read of it';
    if (said !== 'ok') return `SQLite finds it damaged (${said.replace(/\s+/g, ' ').slice(0, 160)}).`;
    const loose = await opened.all('PRAGMA foreign_key_check');
    return loose.length > 0 ? 'Entries in it point at nothing.' : undefined;
  } catch (reason) {
    if (!isDamage(reason)) throw reason;
    return `SQLite cannot read it (${(reason as Error).message}).`;
  }
}

/** {@link faultIn} for a file that nothing has open. */
export async function faultOf(file: string): Promise<string | undefined> {
  const look = await firstLook(file);
  if (look === 'missing') return 'It is not there.';
  if (look === 'empty') return 'It is empty.';
  if (look === 'something-else') return 'It is no database.';
  return withSqliteFile(file, {}, faultIn);
}

/** Whether a check failed for what the file holds, rather than because it could not be reached. */
function isDamage(reason: unknown): boolean {
  const { code, parent } = (reason ?? {}) as { code?: unknown; parent?: { code?: unknown } };
  return ['SQLITE_CORRUPT', 'SQLITE_NOTADB', 'SQLITE_FORMAT', 'SQLITE_ERROR'].includes(
    String(parent?.code ?? code),
  );
}

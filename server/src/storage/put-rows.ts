import { SESSION_COUNT } from './migrations.js';
import { withSqliteFile } from './sqlite-file.js';

/**
 * Replaces every row of the live database by the copy's in one transaction, over a connection of
 * its own, so that a fault at any moment leaves the live data as it was.
 * @param writes how many writes the database counts afterwards
 */
export function putRowsInPlace(live: string, copy: string, writes: number): Promise<void> {
  return withSqliteFile(live, { patienceMs: 10_000 }, async (opened) => {
    const names = async (sql: string): Promise<string[]> =>
      (await opened.all<{ name: string }>(sql)).map(({ name }) => name);
    await opened.run('PRAGMA wal_autocheckpoint = 0');
    await opened.run('ATTACH DATABASE ? AS kept', [copy]);
    // The number that triggers keep comes last: it changes with the rows put in before it.
    const tables = await names(
      `SELECT name FROM kept.sqlite_master WHERE type = 'table' AND (name NOT LIKE 'sqlite!_%' ESCAPE '!' OR name = 'sqlite_sequence')
       ORDER BY name = '${SESSION_COUNT}'`,
    );
    await opened.run('BEGIN IMMEDIATE');
    try {
      for (const table of tables) {
        // Columns by name: a database that was migrated lays them out in another order than a new one.
        const columns = (await names(`SELECT name FROM pragma_table_info('${table}', 'kept')`))
          .map((column) => `"${column}"`)
          .join(', ');
        await opened.run(`DELETE FROM main."${table}"`);
        await opened.run(`INSERT INTO main."${table}" (${columns}) SELECT ${columns} FROM kept."${table}"`);
      }
      await opened.run(`PRAGMA main.user_version = ${writes}`);
      await opened.run('COMMIT');
    } catch (reason) {
      await opened.run('ROLLBACK');
      throw reason;
    }
  });
}

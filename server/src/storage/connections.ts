import type { Sequelize } from 'sequelize';
import type sqlite3 from 'sqlite3';

/** The part of Sequelize that opens SQLite's connections, which its types leave out. */
interface ConnectionManager {
  readonly connections: Record<string, sqlite3.Database>;
  getConnection(options: object): Promise<sqlite3.Database>;
}

export interface Connections {
  /** Closes them all; the next question opens one anew. */
  drop(): Promise<void>;
}

/**
 * Has every connection Sequelize opens wait at a gate, and leave it to this program when the log is
 * written into the database file: SQLite would do it unasked, and break the seal.
 * @param pass resolves when questions may be asked, rejects with why they may not
 */
export function guardConnections(sequelize: Sequelize, pass: () => Promise<void>): Connections {
  const { connectionManager: manager } = sequelize as unknown as { connectionManager: ConnectionManager };
  const connect = manager.getConnection.bind(manager);
  const told = new WeakSet<sqlite3.Database>();
  manager.getConnection = async (options) => {
    await pass();
    const connection = await connect(options);
    if (!told.has(connection)) {
      told.add(connection);
      await new Promise<void>((resolve, reject) => {
        connection.run('PRAGMA wal_autocheckpoint = 0', (reason) => (reason ? reject(reason) : resolve()));
      });
    }
    return connection;
  };
  return {
    drop: async () => {
      const open = Object.entries(manager.connections);
      for (const [name] of open) Reflect.deleteProperty(manager.connections, name);
      await Promise.all(
        open.map(([, connection]) => new Promise<void>((resolve) => connection.close(() => resolve()))),
      );
    },
  };
}

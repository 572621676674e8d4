import type { Sequelize, Transaction } from 'sequelize';
import type sqlite3 from 'sqlite3';
import { statementsOn, type Statements } from './sqlite-file.js';

type Connection = sqlite3.Database & { uuid?: string };

/** The part of Sequelize that opens SQLite's connections, which its types leave out. */
interface ConnectionManager {
  readonly connections: Record<string, Connection>;
  getConnection(options: { uuid?: string }): Promise<Connection>;
  releaseConnection(connection: Connection, force?: boolean): void;
  destroyConnection(connection: Connection): Promise<void>;
}

export interface Connections {
  /** The connection of a transaction, straight to the driver. */
  statementsIn(transaction: Transaction): Statements;
  /** Closes them all; the next question opens one anew. */
  drop(): Promise<void>;
}

/**
 * Has every connection Sequelize opens wait at a gate, and leave it to this program when the log is
 * written into the database file: SQLite would do it unasked, and break the seal. The connection of a
 * transaction is kept for the next one, where Sequelize would open the file anew for each.
 * @param pass resolves when questions may be asked, rejects with why they may not
 */
export function guardConnections(sequelize: Sequelize, pass: () => Promise<void>): Connections {
  const { connectionManager: manager } = sequelize as unknown as { connectionManager: ConnectionManager };
  beginStraight(sequelize);
  const connect = manager.getConnection.bind(manager);
  const release = manager.releaseConnection.bind(manager);
  const told = new WeakSet<Connection>();
  let spare: Connection | undefined;

  manager.getConnection = async (options) => {
    await pass();
    const { uuid } = options;
    if (uuid !== undefined && !(uuid in manager.connections) && spare) {
      manager.connections[uuid] = spare;
      spare = undefined;
    }
    const connection = await connect(options);
    if (!told.has(connection)) {
      told.add(connection);
      await new Promise<void>((resolve, reject) => {
        connection.run('PRAGMA wal_autocheckpoint = 0', (reason) => (reason ? reject(reason) : resolve()));
      });
    }
    return connection;
  };
  manager.releaseConnection = (connection, force) => {
    if (connection.uuid === undefined || spare) return release(connection, force);
    Reflect.deleteProperty(manager.connections, connection.uuid);
    spare = connection;
  };

  // One whose transaction could not be ended is not used again.
  manager.destroyConnection = async (connection) => {
    Reflect.deleteProperty(manager.connections, connection.uuid ?? '');
    await closed(connection);
  };

  return {
    statementsIn: (transaction) =>
      statementsOn((transaction as unknown as { connection: Connection }).connection),
    drop: async () => {
      const open = [...Object.values(manager.connections), ...(spare ? [spare] : [])];
      for (const name of Object.keys(manager.connections)) Reflect.deleteProperty(manager.connections, name);
      spare = undefined;
      await Promise.all(open.map(closed));
    },
  };
}

/** A transaction as Sequelize hands it to what speaks to the database. */
interface Begun {
  readonly connection: Connection;
  readonly options: { readonly type?: string };
}

/** The part of Sequelize that begins and ends transactions. */
interface Transactions {
  startTransaction(transaction: Begun): Promise<void>;
  commitTransaction(transaction: Begun): Promise<void>;
  rollbackTransaction(transaction: Begun): Promise<void>;
}

/**
 * Begins and ends transactions by the driver itself: by way of Sequelize’s queries an empty one takes nearly three
 * times as long, and every stroke at the bench waits for one.
 */
function beginStraight(sequelize: Sequelize): void {
  const say =
    (words: (transaction: Begun) => string) =>
    (transaction: Begun): Promise<void> =>
      statementsOn(transaction.connection).run(words(transaction));
  Object.assign(sequelize.getQueryInterface(), {
    startTransaction: say(({ options: { type = 'DEFERRED' } }) => `BEGIN ${type}`),
    commitTransaction: say(() => 'COMMIT'),
    rollbackTransaction: say(() => 'ROLLBACK'),
  } satisfies Transactions);
}

const closed = (connection: Connection): Promise<void> =>
  new Promise((resolve) => connection.close(() => resolve()));

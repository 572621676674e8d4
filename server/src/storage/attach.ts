import { Sequelize, Transaction } from 'sequelize';
import { guardConnections } from './connections.js';
import type { Connection } from './database.js';

/** A database that the program has open, and that nobody else writes to meanwhile. */
export interface Attached {
  readonly database: string;
  /** How many writes it counts before this one. */
  readonly writes: number;
}

/**
 * Opens, for another thread, a database that the main thread has open. Whoever writes has been let in by
 * the main thread first, which counts the write.
 * @param writes how many writes it counts so far
 */
export function attachDatabase(file: string, writes: number): Connection & { close(): Promise<void> } {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  const connections = guardConnections(sequelize, () => Promise.resolve());
  return {
    sequelize,
    write: (work) =>
      sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
        const statements = connections.statementsIn(transaction);
        const done = await work(transaction, statements);
        await statements.run(`PRAGMA user_version = ${writes + 1}`);
        return done;
      }),
    close: async () => {
      await connections.drop();
      await sequelize.close();
    },
  };
}

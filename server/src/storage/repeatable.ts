import type { QueryInterface } from 'sequelize';

/** What a step of the database's shape may do with it. */
export type Schema = Pick<QueryInterface, 'createTable' | 'addColumn' | 'addIndex' | 'sequelize'>;

/**
 * A schema on which a step can be taken again after it was broken off half-way: what is there already
 * is passed over. Releases up to 0.7.0 took their steps on the database itself, in pieces, and one that
 * was killed left some of them done.
 */
export function repeatable(schema: QueryInterface): Schema {
  return {
    sequelize: schema.sequelize,
    // Sequelize makes a table only where there is none.
    createTable: schema.createTable.bind(schema),
    addColumn: async (table, column, type) => {
      const there = await schema.describeTable(table as string);
      if (!(column in there)) await schema.addColumn(table, column, type);
    },
    addIndex: (async (...wanted: Parameters<QueryInterface['addIndex']>) => {
      try {
        await schema.addIndex(...wanted);
      } catch (reason) {
        if (!/index \S+ already exists/.test((reason as Error).message)) throw reason;
      }
    }) as QueryInterface['addIndex'],
  };
}

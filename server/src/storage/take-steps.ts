import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migrations.js';
import { repeatable } from './repeatable.js';

/** Takes the steps a database has not had yet; loaded only where there are any. */
export async function takeSteps(copy: string, migrations: readonly Migration[]): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: copy, logging: false });
  try {
    const schema = repeatable(sequelize.getQueryInterface());
    await new Umzug({
      migrations: migrations.map(({ name, up }) => ({ name, up: () => up(schema) })),
      storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
      logger: undefined,
    }).up();
    await sequelize.query('PRAGMA journal_mode = WAL');
  } finally {
    await sequelize.close();
  }
}

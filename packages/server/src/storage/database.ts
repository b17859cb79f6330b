import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { BaseError, QueryTypes, Sequelize, Transaction } from 'sequelize';
import type sqlite3 from 'sqlite3';
import { Umzug } from 'umzug';
import { durableDriver, NotDurable, usualDurability, type Durability } from './connection';
import { migrations as allMigrations, type Migration } from './migrations';
import { defineModels, type Models } from './models';

/** What the file with all data is called. */
export const DATABASE_FILE = 'fixatum.sqlite';

export interface Database {
  sequelize: Sequelize;
  models: Models;
  /** Folds the log of writes into the file, so that the file by itself holds everything. Returns whether it could; a reader may be in the way. */
  fold(): Promise<boolean>;
  close(): Promise<void>;
}

export interface OpenOptions extends Partial<Durability> {
  /** In place of all there are; for tests of upgrades. */
  migrations?: readonly Migration[];
  /** Done before tables that hold something are changed. */
  beforeUpgrade?: () => Promise<unknown>;
  /** In place of the driver that ships; for tests of what happens when the program is ended at any moment. */
  driver?: typeof sqlite3;
}

/**
 * Opens the SQLite file in a data folder, creating both when missing, and brings its tables up to date. Writes are
 * on disk before a transaction returns: write-ahead log with full synchronisation, which is checked.
 * @throws NotDurable when the file can't be set up so
 */
export async function openDatabase(dataFolder: string, options: OpenOptions = {}): Promise<Database> {
  const { migrations = allMigrations, busyTimeoutMs = usualDurability.busyTimeoutMs } = options;
  await mkdir(dataFolder, { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: options.driver ?? durableDriver({ busyTimeoutMs }),
    storage: join(dataFolder, DATABASE_FILE),
    logging: false,
  });
  letGoOfBrokenConnections(sequelize);
  try {
    await migrate(sequelize, migrations, options.beforeUpgrade);
  } catch (error) {
    await sequelize.close().catch(() => undefined);
    const cause = error instanceof BaseError && 'parent' in error ? error.parent : undefined;
    throw cause instanceof NotDurable ? cause : error;
  }
  const fold = async () => {
    const [answer] = await sequelize.query<{ busy: number }>('PRAGMA wal_checkpoint(TRUNCATE)', {
      type: QueryTypes.SELECT,
    });
    return answer?.busy === 0;
  };
  // What was made just now is in the file, too, before anybody copies it.
  await fold();
  return { sequelize, models: defineModels(sequelize), fold, close: () => sequelize.close() };
}

interface OpenConnection extends sqlite3.Database {
  uuid?: string;
}

/**
 * A transaction that could be neither committed nor rolled back gives its connection up, and with it its hold on the file. The
 * dialect keeps connections by transaction and not in a pool, so the pool it would ask has never heard of them.
 */
function letGoOfBrokenConnections(sequelize: Sequelize): void {
  const manager = (
    sequelize as unknown as {
      connectionManager: {
        connections: Record<string, OpenConnection>;
        destroyConnection(connection: OpenConnection): Promise<void>;
      };
    }
  ).connectionManager;
  manager.destroyConnection = (connection) =>
    new Promise((done) => {
      if (connection.uuid !== undefined) delete manager.connections[connection.uuid];
      connection.close(() => done());
    });
}

/** Where the changes of the tables that were made are written down. */
export const MARKS = 'SequelizeMeta';

/** Brings the tables up to date: each step and its mark in one transaction, so that being ended between them is no harm. */
async function migrate(
  sequelize: Sequelize,
  migrations: readonly Migration[],
  beforeUpgrade: OpenOptions['beforeUpgrade'],
): Promise<void> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS \`${MARKS}\` (\`name\` VARCHAR(255) PRIMARY KEY)`);
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () =>
        sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
          await up(sequelize.getQueryInterface(), transaction);
          await sequelize.query(`INSERT INTO \`${MARKS}\` (\`name\`) VALUES (?)`, {
            replacements: [name],
            transaction,
          });
        }),
    })),
    storage: {
      // The mark is set within the migration's own transaction.
      logMigration: () => Promise.resolve(),
      unlogMigration: () => Promise.reject(new Error('The tables never go back.')),
      executed: async () => {
        const rows = await sequelize.query<{ name: string }>(`SELECT \`name\` FROM \`${MARKS}\``, {
          type: QueryTypes.SELECT,
        });
        return rows.map(({ name }) => name);
      },
    },
    logger: undefined,
  });
  const [done, open] = [await umzug.executed(), await umzug.pending()];
  if (done.length > 0 && open.length > 0) await beforeUpgrade?.();
  await umzug.up();
}

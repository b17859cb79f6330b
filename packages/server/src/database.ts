import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';
import { defineModels, type Models } from './models';

export interface Database {
  sequelize: Sequelize;
  models: Models;
  close(): Promise<void>;
}

/**
 * Opens the SQLite file in a data folder, creating both when missing, and brings its tables up to date. Writes are
 * on disk before a transaction returns: write-ahead log with full synchronisation.
 */
export async function openDatabase(dataFolder: string): Promise<Database> {
  await mkdir(dataFolder, { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: join(dataFolder, 'fixatum.sqlite'),
    logging: false,
  });
  // Every transaction has a connection of its own, so each one is set up as it opens.
  sequelize.addHook('afterConnect', (connection) => {
    const sqlite = connection as sqlite3.Database;
    return new Promise<void>((resolve, reject) =>
      sqlite.exec(
        'PRAGMA busy_timeout = 5000; PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;',
        (error) => (error ? reject(error) : resolve()),
      ),
    );
  });
  const umzug = new Umzug({
    migrations,
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
  return { sequelize, models: defineModels(sequelize), close: () => sequelize.close() };
}

import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

const key = { type: DataTypes.STRING, allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };
const json = { type: DataTypes.TEXT, allowNull: false };
const ofBuild = { ...key, primaryKey: true, references: { model: 'builds', key: 'id' }, onDelete: 'CASCADE' };

/** Builds with their pieces, steps, log, passes under way, and the changes that can be undone. */
export const initial = {
  name: '001-initial',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'builds',
      {
        id: { ...key, primaryKey: true },
        position: whole,
        version: whole,
        body: json,
        deletedAt: { type: DataTypes.STRING, allowNull: true },
      },
      { transaction },
    );
    await context.createTable(
      'pieces',
      {
        buildId: ofBuild,
        id: { ...key, primaryKey: true },
        position: whole,
        version: whole,
        body: json,
      },
      { transaction },
    );
    await context.createTable(
      'steps',
      {
        buildId: ofBuild,
        pieceId: { ...key, primaryKey: true },
        id: { ...key, primaryKey: true },
        position: whole,
        body: json,
      },
      { transaction },
    );
    for (const table of ['log_entries', 'underway']) {
      await context.createTable(
        table,
        {
          buildId: ofBuild,
          id: { ...key, primaryKey: true },
          position: whole,
          body: json,
        },
        { transaction },
      );
    }
    await context.createTable(
      'changes',
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        buildId: { ...key, references: { model: 'builds', key: 'id' }, onDelete: 'CASCADE' },
        at: key,
        label: key,
        back: json,
      },
      { transaction },
    );
  },
};

import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

/** Everything in builds that people look for later, for full-text search, and the version of each build that it is of. */
export const records = {
  name: '009-records',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.sequelize.query(
      `CREATE VIRTUAL TABLE records USING fts5(
         buildId UNINDEXED, kind UNINDEXED, ref UNINDEXED, pieceId UNINDEXED, at UNINDEXED, title UNINDEXED, text,
         tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3'
       )`,
      { transaction },
    );
    await context.createTable(
      'records_of_builds',
      {
        buildId: {
          type: DataTypes.STRING,
          allowNull: false,
          primaryKey: true,
          references: { model: 'builds', key: 'id' },
          onDelete: 'CASCADE',
        },
        version: { type: DataTypes.INTEGER, allowNull: false },
      },
      { transaction },
    );
  },
};

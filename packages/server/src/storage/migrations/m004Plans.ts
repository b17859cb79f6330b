import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

/** The plan each build had last, so that every screen goes on from the same. */
export const plans = {
  name: '004-plans',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'plans',
      {
        buildId: {
          type: DataTypes.STRING,
          allowNull: false,
          primaryKey: true,
          references: { model: 'builds', key: 'id' },
          onDelete: 'CASCADE',
        },
        body: { type: DataTypes.TEXT, allowNull: false },
      },
      { transaction },
    );
  },
};

import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

/** Looks that users saved, shared by all builds. */
export const looks = {
  name: '002-looks',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'looks',
      {
        id: { type: DataTypes.STRING, allowNull: false, primaryKey: true },
        body: { type: DataTypes.TEXT, allowNull: false },
      },
      { transaction },
    );
  },
};

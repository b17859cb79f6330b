import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

const key = { type: DataTypes.STRING, allowNull: false };

/** What was taken back, with what does it again, for as long as nothing else changes the build. */
export const undoneChanges = {
  name: '010-undone',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'undone',
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        buildId: key,
        label: key,
        /** JSON patch from the build without the change to the build with it. */
        again: { type: DataTypes.TEXT, allowNull: false },
        /** The version of the build it can be done again on. */
        etag: key,
        device: { type: DataTypes.STRING, allowNull: true },
      },
      { transaction },
    );
    await context.addIndex('undone', ['buildId'], { transaction });
  },
};

import { DataTypes, type QueryInterface } from 'sequelize';

/** The plan each build had last, so that every screen goes on from the same. */
export const plans = {
  name: '004-plans',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.createTable('plans', {
      buildId: {
        type: DataTypes.STRING,
        allowNull: false,
        primaryKey: true,
        references: { model: 'builds', key: 'id' },
        onDelete: 'CASCADE',
      },
      body: { type: DataTypes.TEXT, allowNull: false },
    });
  },
  async down({ context }: { context: QueryInterface }): Promise<void> {
    await context.dropTable('plans');
  },
};

import { DataTypes, type QueryInterface } from 'sequelize';

/** Looks that users saved, shared by all builds. */
export const looks = {
  name: '002-looks',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.createTable('looks', {
      id: { type: DataTypes.STRING, allowNull: false, primaryKey: true },
      body: { type: DataTypes.TEXT, allowNull: false },
    });
  },
  async down({ context }: { context: QueryInterface }): Promise<void> {
    await context.dropTable('looks');
  },
};

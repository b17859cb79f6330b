import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

/** On which device a change was made; nothing for this machine itself, and for what is older. */
export const changeAuthors = {
  name: '007-change-authors',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    const maybe = { type: DataTypes.STRING, allowNull: true };
    await context.addColumn('changes', 'device', maybe, { transaction });
    await context.addColumn('changes', 'by', maybe, { transaction });
  },
};

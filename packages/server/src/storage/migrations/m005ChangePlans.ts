import { DataTypes, QueryTypes, type QueryInterface, type Transaction } from 'sequelize';

/** The plan there was before a change, so that taking it back brings that plan back too. */
export const changePlans = {
  name: '005-change-plans',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    // Earlier versions set the mark after the column was there, so an end between the two left one without the other.
    const columns = await context.sequelize.query<{ name: string }>("PRAGMA table_info('changes')", {
      type: QueryTypes.SELECT,
      transaction,
    });
    if (columns.some(({ name }) => name === 'plan')) return;
    await context.addColumn('changes', 'plan', { type: DataTypes.TEXT, allowNull: true }, { transaction });
  },
};

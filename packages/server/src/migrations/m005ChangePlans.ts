import { DataTypes, type QueryInterface } from 'sequelize';

/** The plan there was before a change, so that taking it back brings that plan back too. */
export const changePlans = {
  name: '005-change-plans',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.addColumn('changes', 'plan', { type: DataTypes.TEXT, allowNull: true });
  },
  async down({ context }: { context: QueryInterface }): Promise<void> {
    await context.removeColumn('changes', 'plan');
  },
};

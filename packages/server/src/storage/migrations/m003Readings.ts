import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

const key = { type: DataTypes.STRING, allowNull: false, primaryKey: true };
const real = { type: DataTypes.DOUBLE, allowNull: true };

/** What hygrometers said, one a minute and place; `fault` says why one was thrown out. */
export const readings = {
  name: '003-readings',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'readings',
      {
        buildId: { ...key, references: { model: 'builds', key: 'id' }, onDelete: 'CASCADE' },
        placeId: key,
        at: { type: DataTypes.INTEGER, allowNull: false, primaryKey: true },
        temperatureC: real,
        humidityPct: real,
        fault: { type: DataTypes.STRING, allowNull: true },
      },
      { transaction },
    );
  },
};

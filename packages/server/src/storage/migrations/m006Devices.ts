import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';

const text = { type: DataTypes.STRING, allowNull: false };

/** Phones and other devices that were paired, known by a hash of what they carry. */
export const devices = {
  name: '006-devices',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    await context.createTable(
      'devices',
      {
        id: { ...text, primaryKey: true },
        name: text,
        role: text,
        tokenHash: { ...text, unique: true },
        pairedAt: text,
        lastSeenAt: text,
      },
      { transaction },
    );
  },
};

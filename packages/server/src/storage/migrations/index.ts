import type { QueryInterface, Transaction } from 'sequelize';
import { initial } from './m001Initial';
import { looks } from './m002Looks';
import { readings } from './m003Readings';
import { plans } from './m004Plans';
import { changePlans } from './m005ChangePlans';
import { devices } from './m006Devices';
import { changeAuthors } from './m007ChangeAuthors';
import { workshops } from './m008Workshops';
import { records } from './m009Records';
import { undoneChanges } from './m010Undone';

/** One change to the tables. Everything it does is done in the transaction that also marks it as done. */
export interface Migration {
  name: string;
  up(context: QueryInterface, transaction: Transaction): Promise<void>;
}

/** All changes to the tables, oldest first. What a migration that has landed does is never changed. */
export const migrations: readonly Migration[] = [
  initial,
  looks,
  readings,
  plans,
  changePlans,
  devices,
  changeAuthors,
  workshops,
  records,
  undoneChanges,
];

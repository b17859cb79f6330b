import type { QueryInterface } from 'sequelize';
import type { InputMigrations } from 'umzug';
import { initial } from './m001Initial';
import { looks } from './m002Looks';
import { readings } from './m003Readings';
import { plans } from './m004Plans';
import { changePlans } from './m005ChangePlans';

/** All changes to the tables, oldest first. A migration that has landed is never edited. */
export const migrations: InputMigrations<QueryInterface> = [initial, looks, readings, plans, changePlans];

import {
  MINUTES_PER_DAY,
  readingFault,
  type EpochMinute,
  type Reading,
  type ReadingFault,
} from '@fixatum/core';
import { Op, Transaction } from 'sequelize';
import type { Models, ReadingRow } from '../storage/models';

/** A reading with what was wrong with it, if anything. */
export interface StoredReading extends Reading {
  placeId: string;
  fault: ReadingFault | undefined;
}

/** Every reading is kept for so long, */
const RAW_DAYS = 14;
/** and one for each quarter of an hour after that. */
export const SLOT_MINUTES = 15;

/** How far back good readings are looked at to tell whether a new one can be true. */
const LOOK_BACK_MINUTES = 4 * 60;

/** Keeps what hygrometers say. What can't be true is kept too, with why, and counts for nothing. */
export class ReadingStore {
  constructor(private readonly models: Pick<Models, 'readings'>) {}

  /** Judges a reading against those before it, and keeps it. */
  async add(workshopId: string, placeId: string, reading: Reading): Promise<StoredReading> {
    const before = await this.between(workshopId, reading.at - LOOK_BACK_MINUTES, reading.at - 1, placeId);
    const fault = readingFault(
      reading,
      before.filter((one) => one.fault === undefined),
    );
    const { at, temperatureC, humidityPct } = reading;
    await this.models.readings.upsert({
      workshopId,
      placeId,
      at,
      temperatureC: Number.isFinite(temperatureC) ? temperatureC : null,
      humidityPct: Number.isFinite(humidityPct) ? humidityPct : null,
      fault: fault ?? null,
    });
    return { placeId, ...reading, fault };
  }

  /**
   * Thins what is older than two weeks to quarter-hours, each the mean of what was measured in it, and lets go of what could not
   * be true then. Doing it again changes nothing.
   */
  async thin(now: EpochMinute): Promise<void> {
    const cutoff = Math.floor((now - RAW_DAYS * MINUTES_PER_DAY) / SLOT_MINUTES) * SLOT_MINUTES;
    const sequelize = this.models.readings.sequelize!;
    await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
      const replacements = { cutoff, slot: SLOT_MINUTES };
      await sequelize.query(
        `INSERT OR REPLACE INTO readings (workshopId, placeId, at, temperatureC, humidityPct, fault)
         SELECT workshopId, placeId, (at / :slot) * :slot, avg(temperatureC), avg(humidityPct), NULL
         FROM readings WHERE at < :cutoff AND fault IS NULL
         GROUP BY workshopId, placeId, at / :slot
         HAVING count(*) > 1 OR min(at % :slot) > 0`,
        { replacements, transaction },
      );
      await sequelize.query(
        'DELETE FROM readings WHERE at < :cutoff AND (at % :slot > 0 OR fault IS NOT NULL)',
        { replacements, transaction },
      );
    });
  }

  /** All readings of a workshop, or of one of its places, between two moments, oldest first. */
  async between(
    workshopId: string,
    from: EpochMinute,
    to: EpochMinute,
    placeId?: string,
  ): Promise<StoredReading[]> {
    const rows = await this.models.readings.findAll({
      where: { workshopId, at: { [Op.between]: [from, to] }, ...(placeId === undefined ? {} : { placeId }) },
      order: ['placeId', 'at'],
    });
    return rows.map(({ placeId: place, at, temperatureC, humidityPct, fault }: ReadingRow) => ({
      placeId: place,
      at,
      temperatureC: temperatureC ?? Number.NaN,
      humidityPct: humidityPct ?? Number.NaN,
      fault: (fault as ReadingFault | null) ?? undefined,
    }));
  }
}

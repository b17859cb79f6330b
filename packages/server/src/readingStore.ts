import { readingFault, type EpochMinute, type Reading, type ReadingFault } from '@fixatum/core';
import { Op } from 'sequelize';
import type { Models, ReadingRow } from './models';

/** A reading with what was wrong with it, if anything. */
export interface StoredReading extends Reading {
  placeId: string;
  fault: ReadingFault | undefined;
}

/** How far back good readings are looked at to tell whether a new one can be true. */
const LOOK_BACK_MINUTES = 4 * 60;

/** Keeps what hygrometers say. What can't be true is kept too, with why, and counts for nothing. */
export class ReadingStore {
  constructor(private readonly models: Pick<Models, 'readings'>) {}

  /** Judges a reading against those before it, and keeps it. */
  async add(buildId: string, placeId: string, reading: Reading): Promise<StoredReading> {
    const before = await this.between(buildId, reading.at - LOOK_BACK_MINUTES, reading.at - 1, placeId);
    const fault = readingFault(
      reading,
      before.filter((one) => one.fault === undefined),
    );
    const { at, temperatureC, humidityPct } = reading;
    await this.models.readings.upsert({
      buildId,
      placeId,
      at,
      temperatureC: Number.isFinite(temperatureC) ? temperatureC : null,
      humidityPct: Number.isFinite(humidityPct) ? humidityPct : null,
      fault: fault ?? null,
    });
    return { placeId, ...reading, fault };
  }

  /** All readings of a build, or of one of its places, between two moments, oldest first. */
  async between(
    buildId: string,
    from: EpochMinute,
    to: EpochMinute,
    placeId?: string,
  ): Promise<StoredReading[]> {
    const rows = await this.models.readings.findAll({
      where: { buildId, at: { [Op.between]: [from, to] }, ...(placeId === undefined ? {} : { placeId }) },
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

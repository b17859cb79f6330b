import { thingsToFind, type FoundThing } from '@fixatum/core';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../storage/database';
import { cleanText } from '../http/cleanText';
import type { BuildStore } from './buildStore';

/** One thing that was found, and the build it is in. */
export interface Found extends Omit<FoundThing, 'text'> {
  build: { id: string; name: string; finishedAt: string | null };
}

const MOST_FOUND = 200;
/** SQLite takes so many values in one statement. */
const ROWS_AT_ONCE = 400;

/**
 * What people typed as a full-text query: every word has to be there, the last of each may go on.
 * @example queryOf('shoulder "spring') // '"shoulder"* "spring"*'
 */
export const queryOf = (words: string): string =>
  words
    .split(/[\s"*^():{}+\-–]+/u)
    .filter(Boolean)
    .map((word) => `"${word}"*`)
    .join(' ');

/** Finds things in all builds that are here, done with or not. What changed since it was asked last is read in first. */
export class Records {
  constructor(
    private readonly database: Database,
    private readonly store: BuildStore,
  ) {}

  /** What holds all of some words, what fits best and is newest first. Nothing for no words. */
  async search(words: string): Promise<Found[]> {
    const query = queryOf(words);
    if (query === '') return [];
    const builds = await this.store.list();
    await this.bringUpToDate(builds);
    const rows = await this.database.sequelize.query<
      Record<'buildId' | 'kind' | 'ref' | 'title', string> & { pieceId: string | null; at: string | null }
    >(
      `SELECT buildId, kind, ref, pieceId, at, title FROM records WHERE text MATCH ?
       ORDER BY round(rank, 1), at DESC LIMIT ${MOST_FOUND}`,
      { replacements: [query], type: QueryTypes.SELECT },
    );
    const known = new Map(builds.map(({ id, name, finishedAt }) => [id, { id, name, finishedAt }]));
    return rows.flatMap(({ buildId, kind, ref, pieceId, at, title }): Found[] => {
      const build = known.get(buildId);
      return build
        ? [
            {
              build,
              kind: kind as Found['kind'],
              id: ref,
              title,
              ...(pieceId === null ? {} : { pieceId }),
              ...(at === null ? {} : { at }),
            },
          ]
        : [];
    });
  }

  private async bringUpToDate(builds: readonly { id: string; version: number }[]): Promise<void> {
    const { sequelize } = this.database;
    const rows = await sequelize.query<{ buildId: string; version: number }>(
      'SELECT buildId, version FROM records_of_builds',
      { type: QueryTypes.SELECT },
    );
    const known = new Map(rows.map(({ buildId, version }) => [buildId, version]));
    for (const { id, version } of builds)
      if (known.get(id) !== version) {
        const stored = await this.store.load(id);
        await this.store.queue.alone((transaction) =>
          this.readIn(id, stored.version, thingsToFind(stored.build), transaction),
        );
      }
  }

  private async readIn(
    buildId: string,
    version: number,
    things: readonly FoundThing[],
    transaction: Transaction,
  ): Promise<void> {
    const { sequelize } = this.database;
    const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements, transaction });
    await run('DELETE FROM records WHERE buildId = ?', [buildId]);
    for (let at = 0; at < things.length; at += ROWS_AT_ONCE) {
      const some = things.slice(at, at + ROWS_AT_ONCE);
      await run(
        `INSERT INTO records (buildId, kind, ref, pieceId, at, title, text) VALUES ${some.map(() => '(?, ?, ?, ?, ?, ?, ?)').join(', ')}`,
        some.flatMap((one) => [
          buildId,
          one.kind,
          one.id,
          one.pieceId ?? null,
          one.at ?? null,
          // Texts of before may hold what no statement can.
          cleanText(one.title),
          cleanText(one.text),
        ]),
      );
    }
    await run('INSERT OR REPLACE INTO records_of_builds (buildId, version) VALUES (?, ?)', [
      buildId,
      version,
    ]);
  }
}

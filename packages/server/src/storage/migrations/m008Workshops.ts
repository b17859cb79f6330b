import { DataTypes, QueryTypes, type QueryInterface, type Transaction } from 'sequelize';

const key = { type: DataTypes.STRING, allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };
const maybe = { type: DataTypes.STRING, allowNull: true };
const real = { type: DataTypes.DOUBLE, allowNull: true };

/** What went from the builds into their workshops. */
const SHARED = [
  'timeZone',
  'people',
  'places',
  'materials',
  'stock',
  'amounts',
  'prices',
  'deliveryDays',
  'quiet',
  'swatches',
];

type Body = Record<string, unknown>;

/**
 * Workshops, apart from builds: each build gives what outlasts it to one. Builds in which all of that is the same share a workshop from now
 * on; where anything differs each gets its own, as nobody but the user can say what is the same. Measured air goes to the workshop too,
 * and a change says which things of the workshop it changed.
 */
export const workshops = {
  name: '008-workshops',
  async up(context: QueryInterface, transaction: Transaction): Promise<void> {
    const { sequelize } = context;
    const run = (sql: string, replacements: unknown[] = []) =>
      sequelize.query(sql, { replacements, transaction });
    await context.createTable(
      'workshops',
      {
        id: { ...key, primaryKey: true },
        position: whole,
        version: whole,
        body: { type: DataTypes.TEXT, allowNull: false },
      },
      { transaction },
    );
    await context.addColumn('builds', 'workshopId', maybe, { transaction });
    await context.addColumn('builds', 'finishedAt', maybe, { transaction });
    await context.addColumn('changes', 'shared', { type: DataTypes.TEXT, allowNull: true }, { transaction });

    const rows = await sequelize.query<{ id: string; body: string }>(
      'SELECT id, body FROM builds ORDER BY position',
      { type: QueryTypes.SELECT, transaction },
    );
    const known = new Map<string, string>();
    for (const { id, body } of rows) {
      const build = JSON.parse(body) as Body;
      const shared: Body = {};
      for (const name of SHARED) if (build[name] !== undefined) shared[name] = build[name];
      shared['stock'] = withIds(shared['stock']);
      if (shared['stock'] === undefined) delete shared['stock'];
      const text = JSON.stringify(shared);
      let workshopId = known.get(text);
      if (workshopId === undefined) {
        const position = known.size + 1;
        workshopId = `workshop-${position}`;
        known.set(text, workshopId);
        const name = `Workshop of ${typeof build['name'] === 'string' ? build['name'] : 'a build'}`.slice(
          0,
          120,
        );
        await run('INSERT INTO workshops (id, position, version, body) VALUES (?, ?, 1, ?)', [
          workshopId,
          position,
          JSON.stringify({ format: 'fixatum-workshop/1', name, ...shared }),
        ]);
      }
      const own = Object.fromEntries(Object.entries(build).filter(([name]) => !SHARED.includes(name)));
      await run('UPDATE builds SET workshopId = ?, body = ? WHERE id = ?', [
        workshopId,
        JSON.stringify(own),
        id,
      ]);
    }

    await context.createTable(
      'readings_of_workshops',
      {
        workshopId: {
          ...key,
          primaryKey: true,
          references: { model: 'workshops', key: 'id' },
          onDelete: 'CASCADE',
        },
        placeId: { ...key, primaryKey: true },
        at: { ...whole, primaryKey: true },
        temperatureC: real,
        humidityPct: real,
        fault: maybe,
      },
      { transaction },
    );
    // Two builds that share a workshop now asked the same hygrometer: one reading a minute is enough.
    await run(
      `INSERT OR IGNORE INTO readings_of_workshops (workshopId, placeId, at, temperatureC, humidityPct, fault)
       SELECT builds.workshopId, placeId, at, temperatureC, humidityPct, fault
       FROM readings JOIN builds ON builds.id = readings.buildId ORDER BY builds.position`,
    );
    await context.dropTable('readings', { transaction });
    await run('ALTER TABLE readings_of_workshops RENAME TO readings');
  },
};

/** Tins with an id each, so that the log can say which one a coat came out of. */
function withIds(stock: unknown): unknown {
  if (!Array.isArray(stock)) return undefined;
  const tins = stock as Body[];
  const used = new Set(tins.map((tin) => tin['id']));
  let n = 0;
  const fresh = () => {
    do n += 1;
    while (used.has(`tin-${n}`));
    return `tin-${n}`;
  };
  return tins.map((tin) => (tin['id'] === undefined ? { id: fresh(), ...tin } : tin));
}

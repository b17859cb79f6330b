import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** The head of a build: all of its file but pieces, log, passes under way and what its workshop has, as JSON text. */
export interface BuildRow extends Model<InferAttributes<BuildRow>, InferCreationAttributes<BuildRow>> {
  id: string;
  position: number;
  /** Counts every change to anything in the build. */
  version: number;
  body: string;
  deletedAt: string | null;
  workshopId: string;
  /** When it was put by as done, as wall time; null while it is in hand. */
  finishedAt: string | null;
}

/** A workshop, as JSON text. Its version counts its changes. */
export interface WorkshopRow extends Model<
  InferAttributes<WorkshopRow>,
  InferCreationAttributes<WorkshopRow>
> {
  id: string;
  position: number;
  version: number;
  body: string;
}

/** A piece without its steps. Its version counts changes to it or its steps. */
export interface PieceRow extends Model<InferAttributes<PieceRow>, InferCreationAttributes<PieceRow>> {
  buildId: string;
  id: string;
  position: number;
  version: number;
  body: string;
}

export interface StepRow extends Model<InferAttributes<StepRow>, InferCreationAttributes<StepRow>> {
  buildId: string;
  pieceId: string;
  id: string;
  position: number;
  body: string;
}

/** A log entry, or a pass under way. */
export interface EntryRow extends Model<InferAttributes<EntryRow>, InferCreationAttributes<EntryRow>> {
  buildId: string;
  id: string;
  position: number;
  body: string;
}

/** A change that was taken back, with the JSON Patch that does it again on the version of the build it stands on. */
export interface UndoneRow extends Model<InferAttributes<UndoneRow>, InferCreationAttributes<UndoneRow>> {
  id: CreationOptional<number>;
  buildId: string;
  label: string;
  again: string;
  etag: string;
  /** The device the change was made on; null for this machine itself. */
  device: string | null;
}

/** One change, with the JSON Patch that takes it back. */
export interface ChangeRow extends Model<InferAttributes<ChangeRow>, InferCreationAttributes<ChangeRow>> {
  id: CreationOptional<number>;
  buildId: string;
  at: string;
  label: string;
  back: string;
  /** What it changed of the workshop, thing by thing, as JSON text; null where it changed none, and of earlier versions. */
  shared: string | null;
  /** The plan there was before, as JSON text; null where there was none, or it is long ago. */
  plan: string | null;
  /** The device it was made on, and its name then; null for this machine itself. */
  device: string | null;
  by: string | null;
}

/** A saved look, as JSON text. */
export interface LookRow extends Model<InferAttributes<LookRow>, InferCreationAttributes<LookRow>> {
  id: string;
  body: string;
}

/** The plan a build had last, as JSON text. */
export interface PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  buildId: string;
  body: string;
}

/** What a hygrometer said; figures are null where it said no number. */
export interface ReadingRow extends Model<InferAttributes<ReadingRow>, InferCreationAttributes<ReadingRow>> {
  workshopId: string;
  placeId: string;
  at: number;
  temperatureC: number | null;
  humidityPct: number | null;
  fault: string | null;
}

/** A paired device; what it carries is kept as a hash only. */
export interface DeviceRow extends Model<InferAttributes<DeviceRow>, InferCreationAttributes<DeviceRow>> {
  id: string;
  name: string;
  role: string;
  tokenHash: string;
  pairedAt: string;
  lastSeenAt: string;
}

export interface Models {
  devices: ModelStatic<DeviceRow>;
  readings: ModelStatic<ReadingRow>;
  plans: ModelStatic<PlanRow>;
  looks: ModelStatic<LookRow>;
  builds: ModelStatic<BuildRow>;
  workshops: ModelStatic<WorkshopRow>;
  pieces: ModelStatic<PieceRow>;
  steps: ModelStatic<StepRow>;
  log: ModelStatic<EntryRow>;
  underway: ModelStatic<EntryRow>;
  changes: ModelStatic<ChangeRow>;
  undone: ModelStatic<UndoneRow>;
}

// Sequelize writes into what it is given, so every column gets a definition of its own.
const key = () => ({ type: DataTypes.STRING, primaryKey: true, allowNull: false });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const line = () => ({ type: DataTypes.STRING, allowNull: false });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const quiet = { timestamps: false };

export function defineModels(sequelize: Sequelize): Models {
  const entries = (table: string) =>
    sequelize.define<EntryRow>(
      table,
      { buildId: key(), id: key(), position: whole(), body: text() },
      { ...quiet, tableName: table },
    );
  return {
    devices: sequelize.define<DeviceRow>(
      'devices',
      { id: key(), name: line(), role: line(), tokenHash: line(), pairedAt: line(), lastSeenAt: line() },
      { ...quiet, tableName: 'devices' },
    ),
    readings: sequelize.define<ReadingRow>(
      'readings',
      {
        workshopId: key(),
        placeId: key(),
        at: { ...whole(), primaryKey: true },
        temperatureC: { type: DataTypes.DOUBLE, allowNull: true },
        humidityPct: { type: DataTypes.DOUBLE, allowNull: true },
        fault: { type: DataTypes.STRING, allowNull: true },
      },
      { ...quiet, tableName: 'readings' },
    ),
    plans: sequelize.define<PlanRow>(
      'plans',
      { buildId: key(), body: text() },
      { ...quiet, tableName: 'plans' },
    ),
    looks: sequelize.define<LookRow>('looks', { id: key(), body: text() }, { ...quiet, tableName: 'looks' }),
    builds: sequelize.define<BuildRow>(
      'builds',
      {
        id: key(),
        position: whole(),
        version: whole(),
        body: text(),
        deletedAt: { type: DataTypes.STRING, allowNull: true },
        workshopId: line(),
        finishedAt: { type: DataTypes.STRING, allowNull: true },
      },
      { ...quiet, tableName: 'builds' },
    ),
    workshops: sequelize.define<WorkshopRow>(
      'workshops',
      { id: key(), position: whole(), version: whole(), body: text() },
      { ...quiet, tableName: 'workshops' },
    ),
    pieces: sequelize.define<PieceRow>(
      'pieces',
      { buildId: key(), id: key(), position: whole(), version: whole(), body: text() },
      { ...quiet, tableName: 'pieces' },
    ),
    steps: sequelize.define<StepRow>(
      'steps',
      { buildId: key(), pieceId: key(), id: key(), position: whole(), body: text() },
      { ...quiet, tableName: 'steps' },
    ),
    log: entries('log_entries'),
    underway: entries('underway'),
    changes: sequelize.define<ChangeRow>(
      'changes',
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        buildId: { type: DataTypes.STRING, allowNull: false },
        at: { type: DataTypes.STRING, allowNull: false },
        label: { type: DataTypes.STRING, allowNull: false },
        back: text(),
        shared: { type: DataTypes.TEXT, allowNull: true },
        plan: { type: DataTypes.TEXT, allowNull: true },
        device: { type: DataTypes.STRING, allowNull: true },
        by: { type: DataTypes.STRING, allowNull: true },
      },
      { ...quiet, tableName: 'changes' },
    ),
    undone: sequelize.define<UndoneRow>(
      'undone',
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        buildId: line(),
        label: line(),
        again: text(),
        etag: line(),
        device: { type: DataTypes.STRING, allowNull: true },
      },
      { ...quiet, tableName: 'undone' },
    ),
  };
}

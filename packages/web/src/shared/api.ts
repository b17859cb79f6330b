import {
  isRecord,
  messageOf,
  type Build,
  type ChangeKind,
  type Drawn,
  type Fault,
  type Joined,
  type JournalEdit,
  type StoredPlan,
  type LogEdit,
  type Look,
  type PatchStep,
  type Piece,
  type Reading,
  type ReadingGap,
  type Step,
  type Workshop,
  type Worn,
} from '@fixatum/core';
import { problemIn } from './problem';
import { KnownBuild, type BuildAnswer, type SaidOfBuild } from './knownBuild';

/** What the server says when it can't do something. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    readonly title: string,
    detail: string,
    readonly faults: Fault[],
    /** For a change made elsewhere: what it is now, and its version. */
    readonly current?: unknown,
    readonly etag?: string,
  ) {
    super(detail);
  }
}

/** What is wrong, from whatever a call rejected with: the faults the server names, or its sentence as one. */
export const faultsOf = (error: unknown): Fault[] =>
  error instanceof ApiProblem && error.faults.length > 0
    ? error.faults
    : [{ code: 'other', path: [], message: messageOf(error) }];

/** What the hygrometer of a place said, thinned, with the time it was silent and what was thrown out. */
export interface PlaceReadings {
  place: string;
  readings: Reading[];
  last?: Reading;
  gaps: ReadingGap[];
  thrownOut: { at: string; fault: string; why: string }[];
}

/** What was measured between two moments. */
export interface ReadingsAnswer {
  from: number;
  until: number;
  places: PlaceReadings[];
}

/** What time it is at the server, and how far that is behind what was saved there already. */
export interface Health {
  ok: true;
  now: string;
  fixedAt: string | null;
  behind: { savedAt: string; now: string } | null;
  /** What the app on the server begins with; another for every version. */
  app: string | null;
}

/** Who this browser is to the server: the computer itself, or a paired device. */
export interface Me {
  role: 'finisher' | 'helper';
  device: { id: string; name: string } | null;
}

/** What is paired, whether the network can reach the server, and the code that pairs one more. */
export interface DevicesAnswer {
  sharing: { on: boolean; urls: string[] };
  offer: { code: string; role: Me['role']; until: string } | null;
  /** Those that have said the code, and wait to be let in. */
  asking: { id: string; name: string; role: Me['role'] }[];
  devices: { id: string; name: string; role: Me['role']; pairedAt: string; lastSeenAt: string }[];
}

/** The copies of everything there are, and where they lie. */
export interface BackupsAnswer {
  /** Where they lie; told at the computer itself only. */
  folder: string | null;
  /** A second folder that copies go to; null without one. Where it is is told at the computer itself only. */
  second: { folder: string | null; lastAt: string | null; trouble: string | null; isOld: boolean } | null;
  backups: {
    id: string;
    madeAt: string;
    reason: 'start' | 'daily' | 'by-hand' | 'before-upgrade' | 'before-restore';
    builds: { name: string; pieces: number; logged: number }[];
    photos: number;
    megabytes: number;
  }[];
}

/** What is in an archive that was sent: one build, or a whole workshop. */
export type ArchiveAnswer = { id: string; photos: number; leftOut: string[] } & (
  | { kind: 'build'; name: string; pieces: number; logged: number; readings: number; looks: number }
  | { kind: 'workshop'; builds: BackupsAnswer['backups'][number]['builds'] }
);

export interface BuildSummary {
  id: string;
  name: string;
  pieces: number;
  /** The workshop it is in. */
  workshop: string;
  /** When it was put by as done, as wall time. */
  finishedAt: string | null;
}

/** A build that was put aside. */
export interface AsideBuild {
  id: string;
  name: string;
  pieces: number;
  putAsideAt: string;
}

/** A workshop, with the builds in it in the order in which they have its hands, racks and tins. */
export interface WorkshopSummary {
  id: string;
  name: string;
  timeZone: string;
  version: number;
  people: string[];
  places: string[];
  builds: string[];
  ownOrder: boolean;
}

/** A workshop whole. */
export interface WorkshopAnswer {
  id: string;
  version: number;
  workshop: Workshop;
}

/** Something found by its words, and the build it is in. */
export interface Found {
  build: { id: string; name: string; finishedAt: string | null };
  kind: 'build' | 'piece' | 'step' | 'done' | 'tin';
  id: string;
  pieceId?: string;
  at?: string;
  title: string;
}

/** Another build of the same workshop: in hand with its plan, its file unless it is known; else what it took out of the tins. */
export interface BesideAnswer {
  id: string;
  version: number;
  name: string;
  /** Whether it has hands, racks and tins before the open one. */
  isAhead: boolean;
  plan?: StoredPlan | null;
  build?: Build;
  drawn?: Drawn[];
  worn?: Worn[];
}

const OWN_PROBLEMS = 'urn:fixatum:problem:';
/** The code of a problem of our own server; whatever else may answer on its port is foreign. */
const typeOf = (type: unknown): string =>
  typeof type === 'string' && type.startsWith(OWN_PROBLEMS) ? type.slice(OWN_PROBLEMS.length) : 'foreign';

const isAsItIs = (body: unknown): body is FormData | Blob => body instanceof FormData || body instanceof Blob;

async function call<T>(
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      // A form or a file says itself what it is.
      headers: {
        ...(body === undefined || isAsItIs(body) ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : { body: typeof body === 'string' || isAsItIs(body) ? body : JSON.stringify(body) }),
    });
  } catch {
    throw new ApiProblem(
      0,
      'away',
      'No answer',
      'The server does not answer. Check that it is running; nothing was changed.',
      [],
    );
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => undefined);
  const data = isRecord(answer) ? answer : {};
  if (!response.ok) {
    const problem = problemIn(data);
    // A device that was taken back is shown where it can be paired again.
    if (typeOf(problem.type) === 'not-paired') location.assign('/pair');
    throw new ApiProblem(
      response.status,
      typeOf(problem.type),
      problem.title,
      problem.detail,
      problem.faults,
      data.current,
      problem.etag,
    );
  }
  const undone = response.headers.get('x-undone');
  const taken = response.headers.get('x-fixatum-taken');
  return {
    ...data,
    ...(undone === null ? {} : { undone: decodeURIComponent(undone) }),
    ...(taken === null ? {} : { taken: Number(taken) }),
  } as T;
}

const known = new KnownBuild();
/** A call that is answered with a build, or with what is new of it. */
const onBuild = <T extends SaidOfBuild = SaidOfBuild>(
  method: string,
  id: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<BuildAnswer & T> =>
  known.ask(id, (have) => call<T>(method, `/builds/${id}${path}`, body, { ...headers, ...have }));

const match = (etag: string | undefined): Record<string, string> =>
  etag === undefined ? {} : { 'if-match': etag };

/** Every call the web app makes. All reject with an ApiProblem. */
export const api = {
  health: () => call<Health>('GET', '/health'),
  me: () => call<Me>('GET', '/me'),
  devices: () => call<DevicesAnswer>('GET', '/devices'),
  setSharing: (on: boolean) => call<DevicesAnswer>('PUT', '/sharing', { on }),
  offerPairing: (role: Me['role']) => call<DevicesAnswer>('POST', '/devices/offer', { role }),
  /** Lets a device in that asks, or turns it away. */
  answerAsking: (id: string, letIn: boolean) =>
    call<DevicesAnswer>('POST', `/devices/asking/${encodeURIComponent(id)}`, { letIn }),
  takeBackDevice: (id: string) => call<DevicesAnswer>('DELETE', `/devices/${encodeURIComponent(id)}`),
  backups: () => call<BackupsAnswer>('GET', '/backups'),
  /** Chooses a second folder for copies, or none. */
  chooseSecondPlace: (folder: string | null) => call<BackupsAnswer>('PUT', '/backups/second', { folder }),
  /** Makes the data file whole by itself, for who copies it; answers with where it is. */
  foldData: () => call<{ file: string }>('POST', '/backups/fold', {}),
  makeBackup: () => call<BackupsAnswer>('POST', '/backups', {}),
  restoreBackup: (id: string) =>
    call<BackupsAnswer>('POST', `/backups/${encodeURIComponent(id)}/restore`, {}),
  /** Sends a zip to be looked into; nothing is done with it until it is taken. */
  sendArchive: (file: Blob) =>
    call<ArchiveAnswer>('POST', '/archives', new Blob([file], { type: 'application/zip' })),
  /** The build in an archive that was sent. */
  archiveBuild: (id: string) => call<Build>('GET', `/archives/${encodeURIComponent(id)}/build`),
  /** @param joined for a build that is for a workshop: that, as it was seen, and the build as it is there */
  takeArchive: (id: string, joined?: { into: { id: string; version: number }; joined: Joined }) =>
    call<BuildAnswer | { restored: true }>(
      'POST',
      `/archives/${encodeURIComponent(id)}/take`,
      joined ? { workshop: joined.into.id, workshopEtag: `"${joined.into.version}"`, ...joined.joined } : {},
    ),
  letArchiveGo: (id: string) => call<void>('DELETE', `/archives/${encodeURIComponent(id)}`),
  archiveUrl: (id: string) => `/api/builds/${id}/archive`,
  backupUrl: (id: string) => `/api/backups/${encodeURIComponent(id)}/file`,
  builds: () => call<{ builds: BuildSummary[] }>('GET', '/builds'),
  build: (id: string) => onBuild('GET', id, ''),
  /** @param into a workshop, and the version of it that was seen; without it the build gets one of its own */
  createBuild: (text: string, into?: { id: string; version: number }) =>
    into
      ? call<BuildAnswer>(
          'POST',
          `/builds?workshop=${encodeURIComponent(into.id)}`,
          text,
          match(`"${into.version}"`),
        )
      : call<BuildAnswer>('POST', '/builds', text),
  /** What holds all of some words, in all builds. */
  records: (words: string) => call<{ found: Found[] }>('GET', `/records?q=${encodeURIComponent(words)}`),
  workshops: () => call<{ workshops: WorkshopSummary[] }>('GET', '/workshops'),
  workshop: (id: string) => call<WorkshopAnswer>('GET', `/workshops/${encodeURIComponent(id)}`),
  createWorkshop: (text: string) => call<WorkshopAnswer>('POST', '/workshops', text),
  renameWorkshop: (id: string, name: string) =>
    call<WorkshopAnswer>('PATCH', `/workshops/${encodeURIComponent(id)}`, { name }),
  deleteWorkshop: (id: string) => call<void>('DELETE', `/workshops/${encodeURIComponent(id)}`),
  orderBuilds: (id: string, builds: string[]) =>
    call<void>('PUT', `/workshops/${encodeURIComponent(id)}/order`, { builds }),
  orderBuildsByDate: (id: string) =>
    call<void>('PUT', `/workshops/${encodeURIComponent(id)}/order`, { by: 'date' }),
  workshopUrl: (id: string) => `/api/workshops/${encodeURIComponent(id)}/file`,
  /** @param have versions of builds that are known, as `id:version` */
  beside: (id: string, have: readonly string[]) =>
    call<{ builds: BesideAnswer[] }>(
      'GET',
      `/builds/${id}/beside${have.length > 0 ? `?have=${encodeURIComponent(have.join(','))}` : ''}`,
    ),
  /** Moves a build, as it is there, to another workshop whose version was seen. */
  moveBuild: (id: string, into: { id: string; version: number }, joined: Joined, etag?: string) =>
    onBuild(
      'POST',
      id,
      '/move',
      { workshop: into.id, workshopEtag: `"${into.version}"`, ...joined },
      match(etag),
    ),
  finishBuild: (id: string, finished: boolean) => onBuild('POST', id, '/finish', { finished }),
  loadSamples: () => call<{ builds: BuildSummary[] }>('POST', '/samples'),
  /** Changes the head of a build; null takes a field away. */
  patchBuild: (id: string, head: { [K in keyof Build]?: Build[K] | null }, etag?: string) =>
    onBuild('PATCH', id, '', head, match(etag)),
  /** Applies a JSON Patch to a whole build, as one change with a name. */
  applyPatch: (id: string, label: string, change: PatchStep[], etag?: string) =>
    onBuild('POST', id, '/patch', { label, change }, match(etag)),
  deleteBuild: (id: string) => call<void>('DELETE', `/builds/${id}`),
  buildsAside: () => call<{ builds: AsideBuild[] }>('GET', '/builds/aside'),
  deleteBuildForGood: (id: string) => call<void>('DELETE', `/builds/aside/${id}`),
  restoreBuild: (id: string) => onBuild('POST', id, '/restore'),
  addPiece: (id: string, piece: Piece, at?: number) => onBuild('POST', id, '/pieces', { piece, at }),
  putPiece: (id: string, piece: Piece, etag?: string) =>
    onBuild('PUT', id, `/pieces/${encodeURIComponent(piece.id)}`, piece, match(etag)),
  deletePiece: (id: string, pieceId: string) =>
    onBuild('DELETE', id, `/pieces/${encodeURIComponent(pieceId)}`),
  putStep: (id: string, pieceId: string, step: Step, etag?: string) =>
    onBuild(
      'PUT',
      id,
      `/pieces/${encodeURIComponent(pieceId)}/steps/${encodeURIComponent(step.id)}`,
      step,
      match(etag),
    ),
  /** Sends what was pressed at the bench; the same ids twice count once. */
  sendEdit: (id: string, edit: LogEdit) => {
    switch (edit.kind) {
      case 'log':
        return onBuild('POST', id, '/log', edit.entries);
      case 'start':
        return onBuild('POST', id, '/underway', edit.passes);
      case 'pause':
        return onBuild('POST', id, '/underway/pause', {
          ids: edit.ids,
          at: edit.at,
          resume: edit.resume,
        });
      case 'stop':
        return onBuild('POST', id, '/underway/stop', { ids: edit.ids });
      case 'touch':
        return onBuild('POST', id, '/touch-tests', edit.tests);
      case 'timer':
        return onBuild('POST', id, '/timers', edit.timers);
      case 'stopTimer':
        return onBuild('POST', id, '/timers/stop', { ids: edit.ids });
    }
  },
  /** Sends many presses that had to wait, in order. `taken` says how many were, until one was refused. */
  sendEdits: (id: string, edits: LogEdit[]) =>
    onBuild<SaidOfBuild & { taken: number }>('POST', id, '/edits', { edits }),
  plan: (id: string) => call<{ plan: StoredPlan | null }>('GET', `/builds/${id}/plan`),
  keepPlan: (id: string, plan: StoredPlan) => call<void>('PUT', `/builds/${id}/plan`, plan),
  /** The air measured from a moment on; `until` is where the next answer goes on. */
  readings: (id: string, since?: number) =>
    call<ReadingsAnswer>('GET', `/builds/${id}/readings${since === undefined ? '' : `?since=${since}`}`),
  readPlace: (id: string, placeId: string) =>
    call<{ at: string; temperatureC: number; humidityPct: number; why?: string }>(
      'POST',
      `/builds/${id}/places/${encodeURIComponent(placeId)}/read`,
    ),
  /** What was changed, and on which device; on the computer itself without one. */
  changes: (id: string) =>
    call<{ changes: { at: string; label: string; by: string | null; kind: ChangeKind }[] }>(
      'GET',
      `/builds/${id}/changes`,
    ),
  /** Puts entries of the journal right, or takes them out. */
  editJournal: (id: string, edit: JournalEdit, etag?: string) =>
    onBuild('PATCH', id, '/journal', edit, match(etag)),
  looks: () => call<{ looks: Look[] }>('GET', '/looks'),
  saveLook: (look: Look) => call<Look>('POST', '/looks', look),
  deleteLook: (lookId: string) => call<void>('DELETE', `/looks/${encodeURIComponent(lookId)}`),
  /** @param name what it is called here already, so that it counts once */
  addPhoto: (file: Blob, name?: string) => {
    const form = new FormData();
    if (name !== undefined) form.append('name', name);
    form.append('photo', file);
    return call<{ photo: string }>('POST', '/photos', form);
  },
  photoUrl: (name: string) => `/api/photos/${encodeURIComponent(name)}`,
  undo: (id: string, etag?: string) =>
    onBuild<SaidOfBuild & { undone: string }>('POST', id, '/undo', {}, match(etag)),
  redo: (id: string, etag?: string) =>
    onBuild<SaidOfBuild & { undone: string }>('POST', id, '/redo', {}, match(etag)),
  /** What would be taken back next, and what would be done again. */
  undoLabel: (id: string) =>
    call<{ label: string | null; again: string | null }>('GET', `/builds/${id}/undo`),
  eventsUrl: (id: string) => `/api/builds/${id}/events`,
  fileUrl: (id: string) => `/api/builds/${id}/file`,
};

import type { Build } from '@fixatum/core';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { DATABASE_FILE } from '../storage/database';
import { unpack } from './archive';
import { BadBackup } from './badBackup';
import { lookInside, type AboutBackup } from './backups';
import { prepare, type Prepared } from './putBack';
import { readUnpacked, type UnpackedBuild } from './buildArchive';
import { photosIn } from './photos';
import type { Origin } from './rebuild';

/** What is in an archive that came in, for whoever is to say what becomes of it. */
export type Inside =
  | {
      kind: 'build';
      name: string;
      pieces: number;
      logged: number;
      photos: number;
      readings: number;
      looks: number;
      /** Whose photos can't be read and are left out. */
      leftOut: string[];
    }
  | { kind: 'workshop'; builds: AboutBackup['builds']; photos: number; leftOut: string[] };

/** What was found in an archive, and what is needed to take it in. */
export interface LookedInto {
  inside: Inside;
  held: { unpacked: UnpackedBuild } | { prepared: Prepared };
}

/** The work on files that would keep a server from answering; it can be done on another thread. */
export interface FileWork {
  /**
   * Unpacks an archive and opens everything in it.
   * @param folder where it is unpacked
   * @throws Problem or BadBackup for what is no whole archive of ours
   */
  lookInto(zip: string, folder: string): Promise<LookedInto>;
  /** As `prepare` of the backups. */
  prepare(from: string, into: string, origin: Origin): Promise<Prepared>;
}

/** How long reading a file may take, ms: a minute, and as long as an old disk needs for it. */
export const patienceFor = (bytes: number): number => 60_000 + Math.ceil(bytes / 10_000);

/** What a photo was of, as far as the build says; else what its file is called. */
function whosePhoto({ log = [], pieces }: Build, name: string): string {
  const entry = log.find(({ photo }) => photo === name);
  return pieces.find(({ id }) => id === entry?.piece)?.name ?? name;
}

async function lookInto(zip: string, folder: string): Promise<LookedInto> {
  await unpack(zip, folder);
  const unpacked = await readUnpacked(folder);
  if (unpacked) {
    const { build, beside, photos, leftOut } = unpacked;
    const inside: Inside = {
      kind: 'build',
      name: build.name,
      pieces: build.pieces.length,
      logged: build.log?.length ?? 0,
      photos: photos.length,
      readings: beside.readings.length,
      looks: beside.looks.length,
      leftOut: leftOut.map((name) => whosePhoto(build, name)),
    };
    return { inside, held: { unpacked } };
  }
  const isThere = await stat(join(folder, DATABASE_FILE)).then(
    () => true,
    () => false,
  );
  if (!isThere) throw new BadBackup('There is neither a build nor a backup of a workshop in that file.');
  const prepared = await prepare(folder, join(folder, 'fresh'), 'outside');
  const builds = await lookInside(join(prepared.folder, DATABASE_FILE));
  return {
    inside: {
      kind: 'workshop',
      builds,
      photos: (await photosIn(prepared.photos)).length,
      leftOut: prepared.leftOut,
    },
    held: { prepared },
  };
}

/** The work done right here. */
export const fileWork: FileWork = { lookInto, prepare };

import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { BadBackup } from './badBackup';

export const MANIFEST = 'manifest.json';

/** The SHA-256 of every file in a folder, by its name there. */
const manifestSchema = z.object({
  format: z.literal('fixatum-manifest/1'),
  files: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});

async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** The files in a folder and in those within, by their names with `/`, but for the manifest. */
async function filesIn(folder: string): Promise<string[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  return entries
    .filter((entry) => entry.isFile())
    .map((entry) =>
      join(entry.parentPath, entry.name)
        .slice(folder.length + 1)
        .replaceAll('\\', '/'),
    )
    .filter((name) => name !== MANIFEST)
    .sort();
}

/** Writes down what is in a folder, so that it can be told later whether it still is. */
export async function writeManifest(folder: string): Promise<void> {
  const files: Record<string, string> = {};
  for (const name of await filesIn(folder)) files[name] = await hashOf(join(folder, name));
  const text = JSON.stringify({ format: 'fixatum-manifest/1', files }, null, 1);
  await writeFile(join(folder, MANIFEST), `${text}\n`, { flush: true });
}

/**
 * Looks whether everything in a folder is as it was written down. A folder without a manifest, as earlier versions made them, is taken as it is.
 * @throws BadBackup naming what is missing, changed, or was added
 */
export async function checkManifest(folder: string): Promise<void> {
  const text = await readFile(join(folder, MANIFEST), 'utf8').catch(() => undefined);
  if (text === undefined) return;
  let manifest: z.infer<typeof manifestSchema>;
  try {
    manifest = manifestSchema.parse(JSON.parse(text));
  } catch {
    throw new BadBackup(
      'The list of what belongs in it can’t be read, so nobody can say whether it is whole.',
    );
  }
  const there = await filesIn(folder);
  const missing = Object.keys(manifest.files).filter((name) => !there.includes(name));
  if (missing.length > 0) throw new BadBackup(`It is not whole: ${missing[0]} is missing.`);
  for (const name of there) {
    const said = manifest.files[name];
    if (said === undefined) throw new BadBackup(`It is not as it was made: ${name} was added to it.`);
    if (said !== (await hashOf(join(folder, name))))
      throw new BadBackup(`It is not as it was made: ${name} has changed since.`);
  }
}

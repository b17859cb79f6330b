import type { Fault, Result } from '../model/fault';
import { BUILD_FORMAT } from '../model/schema';
import { isRecord, messageOf } from '../model/unknowns';
import { inWorkshop, WORKSHOP_FORMAT, withShared, workshopSchema, type Workshop } from '../model/workshop';
import { faultsOfZod, parseBuild } from './parseBuild';

const NOBODYS = { format: BUILD_FORMAT, name: 'Nobody’s', start: '2000-01-01T00:00', events: [], pieces: [] };

/** Checks a workshop that is already plain data: its shape, then all that is checked of it in a build. */
export function parseWorkshop(data: unknown): Result<Workshop> {
  const bad = (code: string, message: string): Result<Workshop> => ({
    ok: false,
    faults: [{ code, path: [], message }] satisfies Fault[],
  });
  if (!isRecord(data) || data['format'] !== WORKSHOP_FORMAT)
    return bad(
      'not-a-workshop',
      `This is not a workshop file: "format": "${WORKSHOP_FORMAT}" belongs at its top.`,
    );
  const parsed = workshopSchema.safeParse(data);
  if (!parsed.success) return { ok: false, faults: faultsOfZod(parsed.error) };
  // A build without a piece in it is right exactly where the workshop is.
  const within = parseBuild(inWorkshop(NOBODYS, parsed.data));
  return within.ok ? { ok: true, value: withShared(parsed.data, within.value) } : within;
}

/** As `parseWorkshop`, from the text of a file. */
export function parseWorkshopText(text: string): Result<Workshop> {
  try {
    return parseWorkshop(JSON.parse(text));
  } catch (error) {
    const message = `The file is not whole JSON: ${messageOf(error)}.`;
    return { ok: false, faults: [{ code: 'broken-json', path: [], message }] };
  }
}

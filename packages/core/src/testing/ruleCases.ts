import { judgeBuild } from '../advice/judgeBuild';
import type { RuleFinding } from '../advice/finding';
import { planBuild } from '../schedule/answers/planBuild';
import type { Build, LogEntry, Piece, Step } from '../model/schema';
import { sampleBuild, samplePiece } from './sampleBuild';

/** A plate of heat-sealed 6 mm foam in a room with extraction, people free all day, and dates far enough for any cure. */
export function plate(steps: Step[], piece: Partial<Piece> = {}, build: Partial<Build> = {}): Build {
  const made = sampleBuild({
    pieces: [
      samplePiece({ substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true }, ...piece }, steps),
    ],
  });
  made.places[0]!.ventilation = 'extraction';
  made.events[0] = { id: 'day', name: 'The day', wearAt: '2027-12-06T09:00' };
  return { ...made, ...build };
}

/** One step that lays something. */
export const lay = (id: string, kind: Step['kind'], material: string, more: Partial<Step> = {}): Step => ({
  id,
  kind,
  material,
  ...more,
});

/** One pass of the plate in the log, at a wall time of 15 February 2027 or of another day. */
export const logged = (step: string, doneAt: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `${step} ${doneAt}`,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  face: 'outer',
  doneAt: doneAt.includes('T') ? doneAt : `2027-02-15T${doneAt}`,
  ...more,
});

/** What one rule says of a build. */
export const sayings = (build: Build, rule: string): RuleFinding[] =>
  judgeBuild(build, planBuild(build, { latestStarts: false })).filter((finding) => finding.rule === rule);

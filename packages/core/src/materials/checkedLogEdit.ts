import { applyLogEdit, type LogEdit, type LogEdited } from '../model/logEdits';
import type { Fault } from '../model/fault';
import { findReferenceFaults } from '../model/referenceFaults';
import type { Build } from '../model/schema';
import { materialsOf } from './ownMaterials';

/** As `LogEdited`, or what the edit names that is not in the build; paths are as in the build it would make. */
export type CheckedLogEdit = LogEdited | { ok: false; why: 'faults'; faults: Fault[] };

/** The lists a log edit can add to, with what in them names something that stands elsewhere in the build. */
const lists = ['log', 'underway', 'touchTests'] as const;

/**
 * Applies what the bench says to a build that is whole, and checks no more than what is new, so that one coat in a log of many
 * thousands costs what one coat costs.
 * Invariant: it takes and refuses the same, with the same faults, as `applyLogEdit` and then `parseBuild` of all of it.
 * @param edit its entries have the shape of their schemas
 */
export function checkedLogEdit(build: Build, edit: LogEdit): CheckedLogEdit {
  const edited = applyLogEdit(build, edit);
  if (!edited.ok || edited.build === build) return edited;
  const fresh = lists.map((key) => {
    const known = new Set<unknown>(build[key]);
    return { key, entries: (edited.build[key] ?? []).filter((entry) => !known.has(entry)) };
  });
  const named = new Set(fresh.flatMap(({ entries }) => entries.map(({ piece }) => piece)));
  const only: Build = {
    ...edited.build,
    pieces: build.pieces.filter(({ id }) => named.has(id)),
    pins: [],
    stock: [],
    swatches: [],
    ...Object.fromEntries(fresh.map(({ key, entries }) => [key, entries])),
  };
  const faults = findReferenceFaults(only, materialsOf).flatMap((fault): Fault[] => {
    const [list, at, ...rest] = fault.path;
    const of = fresh.find(({ key }) => key === list);
    if (!of) return [];
    const entry = of.entries[Number(at)];
    return [{ ...fault, path: [of.key, edited.build[of.key]!.findIndex((one) => one === entry), ...rest] }];
  });
  return faults.length > 0 ? { ok: false, why: 'faults', faults } : edited;
}

import type { Step } from '../model/schema';
import type { Method } from '../model/methods';
import { nth } from '../model/sure';
import type { Clear } from './look';
import { isPowder, zonesOf, type Writing } from './writing';
import { byCommon, type ZoneGroup } from './zoneGroups';

const brushed: Record<Exclude<Clear, 'none'>, string> = {
  matte: 'matte-varnish',
  satin: 'satin-varnish',
  gloss: 'gloss-varnish',
};
/** What comes in a can. */
const sprayed: Partial<Record<Clear, string>> = {
  matte: 'matte-clear-spray',
  gloss: 'gloss-clear-spray',
};

/**
 * The clear of each zone: one for all where they agree, each on its own zones where they do not. Over powder it is dusted on, first of all, so
 * that no brush drags it along; no tape is laid on weathering for it, and what drifts beside is brushed over with the neighbour's own.
 */
export function clearsFor(writing: Writing, below: readonly Step[]): Step[] {
  const { groups, choices, main, tell } = writing;
  const wantedBy = ({ look }: ZoneGroup): Clear => choices.clear ?? look?.clear ?? main?.clear ?? 'none';
  const isOn = (step: Step, { zones }: ZoneGroup) =>
    step.zones === undefined || zones.some(({ id }) => step.zones?.includes(id));
  const hasPowder = (group: ZoneGroup) => below.some((step) => isPowder(step) && isOn(step, group));
  const cleared = groups.filter((group) => wantedBy(group) !== 'none');
  let classes = byCommon(cleared, wantedBy);
  if (classes.size > 1 && !keepsToTheEdge(writing)) {
    // A mist of the one would lie on the other, and no tape goes on weathering.
    const wanted = cleared.some(hasPowder) ? 'matte' : wantedBy(nth(cleared, 0));
    tell(`With spray alone there is one clear for all that takes one: ${wanted}.`);
    classes = new Map([[wanted, cleared]]);
  }
  const steps = [...classes].flatMap(([clear, on]): { step: Step; drifts: boolean }[] => {
    if (clear === 'none') return [];
    // One coat for all of them, as careful as the most delicate wants.
    return [clearFor(writing, clear, on, on.some(hasPowder))];
  });
  return [...steps.filter(({ drifts }) => drifts), ...steps.filter(({ drifts }) => !drifts)].map(
    ({ step }) => step,
  );
}

const keepsToTheEdge = ({ owned }: Writing): boolean => owned.has('brush') || owned.has('foam-brush');

function clearFor(
  writing: Writing,
  clear: Exclude<Clear, 'none'>,
  on: readonly ZoneGroup[],
  overPowder: boolean,
): { step: Step; drifts: boolean } {
  const { owned, step, tell } = writing;
  const can = sprayed[clear];
  const isBrushed = keepsToTheEdge(writing);
  const how: { method: Method; material: string } =
    overPowder && owned.has('airbrush')
      ? { method: 'airbrush', material: brushed[clear] }
      : can !== undefined && owned.has('aerosol') && (overPowder || !isBrushed)
        ? { method: 'aerosol', material: can }
        : !isBrushed && owned.has('airbrush')
          ? { method: 'airbrush', material: brushed[clear] }
          : !isBrushed && owned.has('aerosol')
            ? { method: 'aerosol', material: 'matte-clear-spray' }
            : { method: owned.has('brush') ? 'brush' : 'foam-brush', material: brushed[clear] };
  if (how.method === 'aerosol' && how.material !== can)
    tell(`There is no ${clear} clear in a can: matte is written in its place.`);
  return {
    step: step('topcoat', how.method, {
      material: how.material,
      film: overPowder ? 'dust' : 'light',
      coats: overPowder ? 2 : 1,
      note: overPowder ? 'Barely mist the powder with the first coat.' : 'Stir; thin and even.',
      ...zonesOf(writing, on),
    }),
    drifts: how.method === 'aerosol' || how.method === 'airbrush',
  };
}

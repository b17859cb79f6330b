import { dewPointC, type Air } from '../../drying/air';
import { DEW_MARGIN_C, faultOfAir, warmedAir } from '../../drying/goodAir';
import { lookAhead, warmestC } from '../../drying/warmestAir';
import { stepAsLogged } from '../../facts/laid';
import type { Material } from '../../model/materialSchema';
import { placesOf } from '../../model/places';
import { sayC, sayWarmerC } from '../../model/sayMeasure';
import type { Build, LogEntry, Place } from '../../model/schema';
import { nth } from '../../model/sure';
import { epochMinute } from '../../model/wallTime';
import type { Plan } from '../../schedule/answers/plan';
import { about } from '../about';
import type { Idea, RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

const round = (value: number) => Math.round(value * 10) / 10;

/** What is wrong with this air for this material, in words; undefined when it is inside the label's limits. */
function complaint(material: Material, air: Air): string | undefined {
  const { temperatureC, humidityPct } = air;
  switch (faultOfAir(material, air)) {
    case 'too-cold':
      return `${sayC(temperatureC)} is colder than the ${sayC(material.minC)} it needs`;
    case 'too-hot':
      return `${sayC(temperatureC)} is hotter than the ${sayC(material.maxC)} it stands`;
    case 'too-damp':
      return `${round(humidityPct)} % humidity is above the ${material.maxRhPct} % it stands`;
    case 'near-dew':
      return `${sayC(temperatureC)} is within ${sayWarmerC(DEW_MARGIN_C)} of the dew point, ${sayC(dewPointC(air))}, so surfaces get wet`;
    case undefined:
      return undefined;
  }
}

/** What a heater would make of the air of a room that is always the same; undefined where it would not help. */
const warmedIn = (material: Material, { climate, ventilation }: Place): Air | undefined =>
  climate.kind === 'constant' && ventilation !== 'outdoor' ? warmedAir(material, climate) : undefined;

/** The same as a sentence; nothing where it would not help. */
function heated(material: Material, place: Place): string {
  const warm = warmedIn(material, place);
  return warm
    ? ` Heated to ${sayC(warm.temperatureC)} the same air would do: ${Math.round(warm.humidityPct)} %.`
    : '';
}

/** Heating the room, for as long as the coat is laid and dries there: the cure for cold and for most damp. */
function heating(material: Material, place: Place, { places }: Build): Idea[] {
  const at = places.findIndex(({ id }) => id === place.id);
  const warm = warmedIn(material, place);
  if (at < 0 || !warm) return [];
  return [
    {
      label: `Heat ${place.name} to ${sayC(warm.temperatureC)} until it is dry`,
      change: [
        { op: 'add', path: `/places/${at}/climate/temperatureC`, value: warm.temperatureC },
        { op: 'add', path: `/places/${at}/climate/humidityPct`, value: Math.round(warm.humidityPct) },
      ],
    },
  ];
}

/** Air in which nothing minds what was not noted. */
const mildAir = ({ minC, maxC }: Material): Air => ({ temperatureC: (minC + maxC) / 2, humidityPct: 30 });

/** The air a pass was laid in, and whether anybody measured it: as noted with it, or else as its place is known to have been. */
function airThen(
  entry: LogEntry,
  material: Material,
  placeId: string,
  { workload }: Plan,
): { air: Air; isMeasured: boolean } | undefined {
  const { temperatureC, humidityPct } = entry;
  const mild = mildAir(material);
  if (temperatureC !== undefined || humidityPct !== undefined)
    return {
      isMeasured: true,
      air: { temperatureC: temperatureC ?? mild.temperatureC, humidityPct: humidityPct ?? mild.humidityPct },
    };
  const doneAt = epochMinute(entry.doneAt, workload.build.timeZone);
  const place = workload.airs.get(placeId);
  return place && { air: place.series.airAt(doneAt), isMeasured: place.measuredAt(doneAt) };
}

/** Why a place has no air for a material in the coming weeks: it never gets warm enough, or not for long enough. */
function neverFit(material: Material, place: Place, { now, timeZone }: Plan): string {
  const warmest = warmestC(place, timeZone, now, lookAhead(now));
  const otherwise =
    material.carrier === 'solvent'
      ? ' Indoors with extraction, or a sealer or paint by brush, does not wait for it.'
      : '';
  return warmest < material.minC
    ? `${material.name} needs ${sayC(material.minC)}, and ${place.name} gets no warmer than ${sayC(Math.round(warmest))} in the coming weeks.${otherwise}`
    : `${place.name} has no air fit for ${material.name} for long enough in the coming weeks.${otherwise}`;
}

const reason =
  'Too cold and no sound film forms; too damp and solvent coats turn milky while water-borne ones stay wet and weak; too hot and they skin over or turn to dust in the air.';

/** R34: air outside the material's limits of temperature and humidity. */
export const r34BadAir: Rule = {
  id: 'R34',
  severity: 'stop',
  title: "Air outside the material's limits",
  look(piece, context) {
    const { build, materials, plan } = context;
    const places = placesOf(build);
    const findings: RuleFinding[] = [];
    piece.steps.forEach((step, at) => {
      const operations = plan.operations.filter(
        (operation) => operation.pieceId === piece.id && operation.stepId === step.id,
      );
      const place = places.find((candidate) => candidate.id === operations[0]?.placeId) ?? nth(places, 0);

      for (const entry of build.log ?? []) {
        if (entry.piece !== piece.id || entry.step !== step.id) continue;
        const done = stepAsLogged(step, entry, materials);
        const tin = done.material === undefined ? undefined : materials.get(done.material);
        const then = tin && airThen(entry, tin, done.place ?? place.id, plan);
        const wrong = tin && then && complaint(tin, then.air);
        if (!wrong) continue;
        findings.push(
          about(this, piece, step, {
            // What was only reckoned may have been otherwise in that corner of the room.
            severity: then.isMeasured ? 'stop' : 'risk',
            message: then.isMeasured
              ? `${tin.name} was laid in bad air: ${wrong}. Check it for bloom and softness before going on.`
              : `${tin.name} was laid when the air there was reckoned bad, and nobody measured: ${wrong}. Check it for bloom and softness.`,
            reason,
          }),
        );
      }
      const open = operations.filter(({ status }) => status !== 'done' && status !== 'skipped');
      const material = step.material === undefined ? undefined : materials.get(step.material);
      if (open.length === 0 || !material) return;
      const always = place.climate.kind === 'constant' ? complaint(material, place.climate) : undefined;
      const never = open.some((operation) => operation.status === 'unplaced' && operation.boundBy === 'air');
      if (!always && !never) return;
      const elsewhere = places
        .filter(
          (other) =>
            other.id !== place.id &&
            (other.climate.kind !== 'constant' || !complaint(material, other.climate)) &&
            (material.carrier !== 'solvent' ||
              other.ventilation === 'extraction' ||
              other.ventilation === 'outdoor'),
        )
        .map((other) => ways.set(`Move it to ${other.name}`, piece, context, at, { place: other.id }));
      findings.push(
        about(this, piece, step, {
          message: always
            ? `${material.name} can't be laid in “${place.name}”. ${always}.${heated(material, place)}`
            : neverFit(material, place, plan),
          reason,
          ideas: [...heating(material, place, build), ...elsewhere],
        }),
      );
    });
    return oncePerStep(findings);
  },
};

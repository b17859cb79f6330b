import { dewPointC, type Air } from '../../drying/air';
import { DEW_MARGIN_C } from '../../drying/goodAir';
import type { RuleFinding, Idea } from '../finding';
import { oncePerStep, stepPointer, type Rule } from '../rule';
import type { Material } from '../../model/materialSchema';
import { placesOf } from '../../model/places';
import type { LogEntry } from '../../model/schema';
import type { Plan } from '../../schedule/answers/plan';
import { epochMinute } from '../../model/wallTime';
import { stepAsLogged } from '../../facts/laid';
import { nth } from '../../model/sure';

/** What is wrong with this air for this material, in words; undefined when it is inside the label's limits. */
function complaint(material: Material, air: Partial<Air>): string | undefined {
  const { temperatureC, humidityPct } = air;
  if (temperatureC !== undefined && temperatureC < material.minC)
    return `${round(temperatureC)} °C is colder than the ${material.minC} °C it needs`;
  if (temperatureC !== undefined && temperatureC > material.maxC)
    return `${round(temperatureC)} °C is hotter than the ${material.maxC} °C it stands`;
  if (humidityPct !== undefined && humidityPct > material.maxRhPct)
    return `${round(humidityPct)} % humidity is above the ${material.maxRhPct} % it stands`;
  if (temperatureC === undefined || humidityPct === undefined || material.carrier === 'none')
    return undefined;
  const dewPoint = dewPointC({ temperatureC, humidityPct });
  if (temperatureC - dewPoint < DEW_MARGIN_C)
    return `${round(temperatureC)} °C is within ${DEW_MARGIN_C} °C of the dew point, ${round(dewPoint)} °C, so surfaces get wet`;
  return undefined;
}

const round = (value: number) => Math.round(value * 10) / 10;

/** The air a pass was laid in: what was noted with it, or else what its place measured then; empty where neither is. */
function airThen(entry: LogEntry, placeId: string, { workload }: Plan): Partial<Air> {
  const { temperatureC, humidityPct } = entry;
  if (temperatureC !== undefined || humidityPct !== undefined)
    return {
      ...(temperatureC === undefined ? {} : { temperatureC }),
      ...(humidityPct === undefined ? {} : { humidityPct }),
    };
  const doneAt = epochMinute(entry.doneAt, workload.build.timeZone);
  const place = workload.airs.get(placeId);
  return place?.measuredAt(doneAt) ? place.series.airAt(doneAt) : {};
}

const reason =
  'Too cold and no sound film forms; too damp and solvent coats turn milky while water-borne ones stay wet and weak; too hot and they skin over or turn to dust in the air.';

/** R34: air outside the material's limits of temperature and humidity. */
export const r34BadAir: Rule = {
  id: 'R34',
  severity: 'stop',
  title: "Air outside the material's limits",
  look(piece, { build, materials, plan }) {
    const places = placesOf(build);
    const findings: RuleFinding[] = [];
    piece.steps.forEach((step, at) => {
      const operations = plan.operations.filter(
        (operation) => operation.pieceId === piece.id && operation.stepId === step.id,
      );
      const open = operations.filter(
        (operation) => operation.status !== 'done' && operation.status !== 'skipped',
      );
      const place = places.find((candidate) => candidate.id === operations[0]?.placeId) ?? nth(places, 0);

      for (const entry of build.log ?? []) {
        if (entry.piece !== piece.id || entry.step !== step.id) continue;
        const done = stepAsLogged(step, entry, materials);
        const tin = done.material === undefined ? undefined : materials.get(done.material);
        const wrong = tin && complaint(tin, airThen(entry, done.place ?? place.id, plan));
        if (tin && wrong)
          findings.push({
            rule: 'R34',
            severity: 'stop',
            piece: piece.id,
            step: step.id,
            message: `${tin.name} was laid in bad air: ${wrong}. Check it for bloom and softness before going on.`,
            reason,
            ideas: [],
          });
      }
      const material = step.material === undefined ? undefined : materials.get(step.material);
      if (open.length === 0 || !material) return;
      const always = place.climate.kind === 'constant' ? complaint(material, place.climate) : undefined;
      const never = open.some((operation) => operation.status === 'unplaced' && operation.boundBy === 'air');
      if (!always && !never) return;
      const ideas = places
        .filter(
          (other) =>
            other.id !== place.id && other.climate.kind === 'constant' && !complaint(material, other.climate),
        )
        .filter(
          (other) =>
            material.carrier !== 'solvent' ||
            other.ventilation === 'extraction' ||
            other.ventilation === 'outdoor',
        )
        .map((other): Idea => ({
          label: `Do it in: ${other.name}`,
          change: [{ op: 'add', path: `${stepPointer(build, piece, at)}/place`, value: other.id }],
        }));
      findings.push({
        rule: 'R34',
        severity: 'stop',
        piece: piece.id,
        step: step.id,
        message: always
          ? `${material.name} can't be laid in: ${place.name}. ${always}.`
          : `${place.name} has no air fit for ${material.name} for long enough in the coming weeks.`,
        reason,
        ideas,
      });
    });
    return oncePerStep(findings);
  },
};

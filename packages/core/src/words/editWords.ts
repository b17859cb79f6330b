import { filmGrades, filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { sayC } from '../model/sayMeasure';
import { sayMoment } from '../model/sayMoment';
import type { Build, LogEntry } from '../model/schema';
import { epochMinute } from '../model/wallTime';

type Edit = NonNullable<LogEntry['edits']>[number];

/**
 * What a log entry said before it was put right, in words: "done Mon 1 Mar, 20:10, light coat".
 * @param known the build and its materials, for their names
 */
export function editWords(
  { was }: Pick<Edit, 'was'>,
  known: {
    build: Pick<Build, 'places' | 'timeZone'>;
    materials: ReadonlyMap<string, Pick<Material, 'name'>>;
  },
): string {
  const { timeZone } = known.build;
  const moment = (wall: string): string => sayMoment(epochMinute(wall, timeZone), timeZone);
  const said = Object.entries(was).flatMap(([key, value]): string[] => {
    const text = value === null ? undefined : String(value);
    switch (key) {
      case 'doneAt':
        return [`done ${text ? moment(text) : 'at no time'}`];
      case 'startedAt':
        return [text ? `begun ${moment(text)}` : 'no start'];
      case 'film':
        return [
          text ? filmWords[filmGrades.find((grade) => grade === text) ?? 'normal'] : 'as thick as planned',
        ];
      case 'material':
        return [text ? (known.materials.get(text)?.name ?? text) : 'the tin that was planned'];
      case 'place':
        return [
          text
            ? (known.build.places.find(({ id }) => id === text)?.name ?? text)
            : 'the place that was planned',
        ];
      case 'temperatureC':
        return [typeof value === 'number' ? sayC(value) : 'no temperature'];
      case 'humidityPct':
        return [typeof value === 'number' ? `${value} % humidity` : 'no humidity'];
      case 'outcome':
        return [text === 'failed' ? 'failed' : 'done well'];
      case 'unit':
        return [`number ${text}`];
      case 'photo':
        return [text ? 'another photo' : 'no photo'];
      case 'note':
        return [text ? `“${text}”` : 'no note'];
      default:
        return [];
    }
  });
  return said.join(', ');
}

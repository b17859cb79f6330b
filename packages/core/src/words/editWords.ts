import { filmGrades, filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { sayC } from '../model/sayMeasure';
import { sayWallTime } from '../model/sayMoment';
import type { Build, LogEntry } from '../model/schema';

type Edit = NonNullable<LogEntry['edits']>[number];

/** A moment of the log with its day, in short: "1 Mar, 20:10". */
const moment = (wall: string): string => `${wall.slice(0, 10)} ${sayWallTime(wall.slice(11, 16))}`;

/**
 * What a log entry said before it was put right, in words: "it said done 2027-03-01 20:10, film light".
 * @param known the build and its materials, for their names
 */
export function editWords(
  { was }: Pick<Edit, 'was'>,
  known: { build: Pick<Build, 'places'>; materials: ReadonlyMap<string, Pick<Material, 'name'>> },
): string {
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

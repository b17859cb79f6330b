/** What the stand-in hygrometer is asked to play. */
export const scenes = [
  'calm-room',
  'heating-off-at-night',
  'damp-porch',
  'window-left-open',
  'dropouts',
  'stuck-sensor',
  'absurd-values',
] as const;
export type Scene = (typeof scenes)[number];

/** What a sensor would say at a moment; undefined when it does not answer. */
export type SceneReading = { temperatureC: number; humidityPct: number } | undefined;

/** A repeatable flutter between −1 and 1, as every sensor has in its last digit. */
const flutter = (minute: number, salt: number) =>
  Math.sin(minute * 12.9898 + salt * 78.233) * 0.5 + Math.sin(minute * 0.37 + salt) * 0.5;
const round = (value: number) => Math.round(value * 100) / 100;
/** 1 at three in the afternoon, −1 at three at night. */
const daily = (minuteOfDay: number) => Math.cos((2 * Math.PI * (minuteOfDay - 900)) / 1440);

/**
 * The air a scene has at a minute since 1970, taken as local time: the same minute always gives the same.
 * - `calm-room`: 19 °C, 54 %, hardly moving;
 * - `heating-off-at-night`: the room, but from 22:00 to 06:00 it cools by up to 6 °C and gets damper;
 * - `damp-porch`: 11 °C with a daily swing, 70 to 90 %;
 * - `window-left-open`: the room, but every day from 18:00 to 20:00 it drops towards 10 °C;
 * - `dropouts`: the room, silent for two of every five readings;
 * - `stuck-sensor`: 19.00 °C, 54.00 % for ever;
 * - `absurd-values`: the room, with every fourth reading impossible.
 */
export function sceneReading(scene: Scene, minute: number): SceneReading {
  const ofDay = ((minute % 1440) + 1440) % 1440;
  const room = {
    temperatureC: round(19 + 0.15 * flutter(minute, 1)),
    humidityPct: round(54 + 0.8 * flutter(minute, 2)),
  };
  switch (scene) {
    case 'calm-room':
      return room;
    case 'heating-off-at-night': {
      const sinceOff = (ofDay - 1320 + 1440) % 1440;
      const cooled = sinceOff < 480 ? 6 * (1 - Math.exp(-sinceOff / 150)) : 0;
      return {
        temperatureC: round(room.temperatureC - cooled),
        humidityPct: round(room.humidityPct + 3 * cooled),
      };
    }
    case 'damp-porch':
      return {
        temperatureC: round(11 + 3.5 * daily(ofDay) + 0.2 * flutter(minute, 3)),
        humidityPct: round(80 - 9 * daily(ofDay) + flutter(minute, 4)),
      };
    case 'window-left-open': {
      const open = ofDay >= 1080 && ofDay < 1200 ? 9 * (1 - Math.exp(-(ofDay - 1080) / 40)) : 0;
      return {
        temperatureC: round(room.temperatureC - open),
        humidityPct: round(room.humidityPct + 2 * open),
      };
    }
    case 'dropouts':
      return minute % 5 < 2 ? undefined : room;
    case 'stuck-sensor':
      return { temperatureC: 19, humidityPct: 54 };
    case 'absurd-values':
      return minute % 4 === 0 ? { temperatureC: 850, humidityPct: -3 } : room;
  }
}

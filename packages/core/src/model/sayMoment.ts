import { DateTime } from 'luxon';
import { atZone, type EpochMinute } from './wallTime';

/** How moments are said: the day or the month first, by a clock of 24 or of 12 hours. */
export interface MomentStyle {
  monthFirst: boolean;
  hours: 12 | 24;
}

let style: MomentStyle = { monthFirst: false, hours: 24 };

/** Says moments in another way from now on, everywhere this copy of the core speaks: a worker has to be told by itself. */
export function speakMomentsAs(next: MomentStyle): void {
  style = next;
  said.clear();
}

/** How moments are said now, to tell another copy of the core. */
export const momentStyle = (): MomentStyle => style;

// The same few moments are said over and over on a long plan, and a zone's rules are slow to look up.
const said = new Map<string, string>();
const MOST_SAID = 20_000;

function say(minute: EpochMinute, timeZone: string, format: string): string {
  const key = `${minute} ${timeZone} ${format}`;
  const known = said.get(key);
  if (known !== undefined) return known;
  if (said.size >= MOST_SAID) said.clear();
  const words = sayAs(atZone(minute, timeZone), format);
  said.set(key, words);
  return words;
}

const sayAs = (moment: DateTime, format: string): string =>
  moment
    .setLocale('en-GB')
    .toFormat(format)
    // Small letters, as in running text.
    .replace(/ ([AP])M\b/gi, (_, half: string) => ` ${half.toLowerCase()}m`);

const dayFormat = () => (style.monthFirst ? 'LLL d' : 'd LLL');
const timeFormat = () => (style.hours === 12 ? 'h:mm a' : 'HH:mm');

/** A moment as people read it: `Thu 4 Mar, 21:40`, or `Thu Mar 4, 9:40 pm`. */
export const sayMoment = (minute: EpochMinute, timeZone: string): string =>
  say(minute, timeZone, `ccc ${dayFormat()}, ${timeFormat()}`);

/** A moment as `sayMoment` says it, with its year where that is another than that of the moment it is held against. */
export const sayMomentFrom = (minute: EpochMinute, from: EpochMinute, timeZone: string): string =>
  atZone(minute, timeZone).year === atZone(from, timeZone).year
    ? sayMoment(minute, timeZone)
    : say(
        minute,
        timeZone,
        style.monthFirst ? `ccc LLL d, yyyy, ${timeFormat()}` : `ccc d LLL yyyy, ${timeFormat()}`,
      );

/** What is said where a coat gets no further in the air it lies in. Its piece is called stuck. */
export const NOT_IN_THIS_AIR = 'not in this air';

/** When a coat gets there, as people read it. */
export const sayReached = (minute: EpochMinute | undefined, timeZone: string): string =>
  minute === undefined || !Number.isFinite(minute) ? NOT_IN_THIS_AIR : sayMoment(minute, timeZone);

/** A time of day in a zone: `21:40`, or `9:40 pm`. */
export const sayTimeOfDay = (minute: EpochMinute, timeZone: string): string =>
  say(minute, timeZone, timeFormat());

/** A day in a zone: `Thu 4 Mar`, or `Thu Mar 4`. */
export const sayDayOf = (minute: EpochMinute, timeZone: string): string =>
  say(minute, timeZone, `ccc ${dayFormat()}`);

/** A date, `yyyy-MM-dd`, as people read it: `4 Mar 2027`, or `Mar 4, 2027`. */
export const sayDate = (date: string): string =>
  sayAs(DateTime.fromISO(date), style.monthFirst ? 'LLL d, yyyy' : 'd LLL yyyy');

/** A date with its weekday, and its year if asked: `Sat 6 Mar 2027`, or `Sat Mar 6, 2027`. */
export const sayWeekdayDate = (date: string, withYear: boolean): string => {
  const day = DateTime.fromISO(date);
  if (!withYear) return sayAs(day, `ccc ${dayFormat()}`);
  return sayAs(day, style.monthFirst ? 'ccc LLL d, yyyy' : 'ccc d LLL yyyy');
};

/** A time of day, `HH:mm`, as people read it: `21:40`, or `9:40 pm`; what is none as it is, and 24:00 as it is. */
export function sayWallTime(time: string): string {
  const moment = DateTime.fromFormat(time, 'HH:mm');
  return style.hours === 12 && moment.isValid && time !== '24:00' ? sayAs(moment, 'h:mm a') : time;
}

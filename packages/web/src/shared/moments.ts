import { DateTime } from 'luxon';

/** Locale of all dates: day before month, 24 hours. */
const locale = 'en-GB';

/**
 * A time of day as people write it, as `HH:mm`; undefined for what is none.
 * @example readTime('9') // '09:00'
 * @example readTime('7.30 pm') // '19:30'
 */
export function readTime(text: string): string | undefined {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ').replace('.', ':');
  // Hours may end with the day.
  if (plain === '24:00' || plain === '24') return '24:00';
  for (const format of ['H:mm', 'H', 'Hmm', 'h:mm a', 'h:mma', 'h a', 'ha']) {
    const time = DateTime.fromFormat(plain, format, { locale });
    if (time.isValid) return time.toFormat('HH:mm');
  }
  return undefined;
}

/**
 * A date as people write it, as `yyyy-MM-dd`; undefined for what is none. Without a year it is the first such day from two
 * months ago on.
 * @param today `yyyy-MM-dd`
 * @example readDate('6 Mar', '2026-11-25') // '2027-03-06'
 */
export function readDate(text: string, today: string): string | undefined {
  const plain = text
    .trim()
    .replace(/^[a-z]+\.?,? +/i, '')
    .replace(/\s+/g, ' ');
  for (const format of ['yyyy-MM-dd', 'd LLL yyyy', 'd LLLL yyyy', 'd/M/yyyy', 'd.M.yyyy']) {
    const date = DateTime.fromFormat(plain, format, { locale });
    if (date.isValid) return date.toISODate();
  }
  const soonest = DateTime.fromISO(today).minus({ months: 2 });
  for (const year of [0, 1, 2, 3, 4].map((more) => soonest.year + more))
    for (const format of ['d LLL yyyy', 'd LLLL yyyy', 'd/M yyyy', 'd.M. yyyy']) {
      const date = DateTime.fromFormat(`${plain} ${year}`, format, { locale });
      if (date.isValid && date >= soonest) return date.toISODate();
    }
  return undefined;
}

/** A date as it is shown in a field, with its year where that is not plain; what is no date as it is. */
export function sayDay(date: string, today: string): string {
  const day = DateTime.fromISO(date, { locale });
  if (!day.isValid) return date;
  const short = day.toFormat('ccc d LLL');
  return readDate(short, today) === date ? short : day.toFormat('ccc d LLL yyyy');
}

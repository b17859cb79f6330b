import { sayWeekdayDate, type MomentStyle } from '@fixatum/core';
import { GB, casual } from 'chrono-node/en';
import { DateTime } from 'luxon';

/** The language the app speaks; names of months are read in that of the device as well. */
const locale = 'en-GB';

/** How dates are written where somebody is: which number of "6/3" is the month, and what months are called. */
export interface Writing extends Pick<MomentStyle, 'monthFirst'> {
  language: string;
}
const usual: Writing = { monthFirst: false, language: locale };

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
 * A date as people write it, as `yyyy-MM-dd`; undefined for what is none: "6 Mar", "March 6", "6.3.", "Sat 6/3/2027", "tomorrow", "next friday".
 * Without a year it is the first such day from two months ago on.
 * @param today `yyyy-MM-dd`
 * @example readDate('6 Mar', '2026-11-25') // '2027-03-06'
 */
export function readDate(text: string, today: string, writing: Writing = usual): string | undefined {
  const plain = text.trim().replace(/\s+/g, ' ');
  if (plain === '') return undefined;
  // A weekday before a date only says it again.
  return (
    readNumbers(plain.replace(/^\p{L}+\.?,? +(?=\p{L}|\d)/u, ''), today, writing) ??
    readNumbers(plain, today, writing) ??
    readWords(plain, today, writing)
  );
}

const isoDate = 'yyyy-MM-dd';

/** Dates of a day, a month and maybe a year. */
function readNumbers(text: string, today: string, { monthFirst, language }: Writing): string | undefined {
  const plain = text.replace(/(\d)(st|nd|rd|th)\b/i, '$1').replace(/,/g, '');
  const read = (written: string, formats: readonly string[]) => {
    for (const one of new Set([locale, language]))
      for (const format of formats) {
        const date = DateTime.fromFormat(written, format, { locale: one });
        if (date.isValid) return date;
      }
    return undefined;
  };
  const slashes = monthFirst ? 'M/d' : 'd/M';
  const named = ['d LLL', 'd LLLL', 'LLL d', 'LLLL d', 'd. LLL', 'd. LLLL'];
  const whole = read(plain, [
    'yyyy-MM-dd',
    'yyyy/M/d',
    'yyyy.M.d',
    `${slashes}/yyyy`,
    `${slashes}/yy`,
    'd.M.yyyy',
    'd.M.yy',
    `${slashes.replace('/', '-')}-yyyy`,
    ...named.map((format) => `${format} yyyy`),
  ]);
  if (whole) return whole.toFormat(isoDate);
  const soonest = DateTime.fromISO(today).minus({ months: 2 });
  for (const year of [0, 1, 2, 3, 4].map((more) => soonest.year + more)) {
    const date = read(
      `${plain} ${year}`,
      [...named, slashes, 'd.M.', 'd.M', slashes.replace('/', '-')].map((format) => `${format} yyyy`),
    );
    if (date && date >= soonest) return date.toFormat(isoDate);
  }
  return undefined;
}

/** Dates told by where they lie from today: "tomorrow", "friday", "in two weeks". Words with anything else in them are none. */
function readWords(text: string, today: string, { monthFirst }: Writing): string | undefined {
  const from = DateTime.fromISO(`${today}T12:00`).toJSDate();
  const [found, ...more] = (monthFirst ? casual : GB).parse(text, from, { forwardDate: true });
  if (!found || more.length > 0 || found.text.length !== text.length) return undefined;
  // A time of day alone is no date.
  const { start } = found;
  const isDay = ['day', 'weekday'].some((part) => start.isCertain(part as 'day' | 'weekday'));
  return isDay ? DateTime.fromJSDate(start.date()).toFormat(isoDate) : undefined;
}

/** A date as it is shown in a field, with its year where that is not plain; what is no date as it is. */
export function sayDay(date: string, today: string, writing: Writing = usual): string {
  const day = DateTime.fromISO(date);
  if (!day.isValid) return date;
  const short = sayWeekdayDate(date, false);
  return readDate(short, today, writing) === date ? short : sayWeekdayDate(date, true);
}

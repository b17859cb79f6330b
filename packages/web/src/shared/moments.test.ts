import { readDate, readTime, sayDay } from './moments';

it.each([
  ['19:30', '19:30'],
  ['9', '09:00'],
  ['930', '09:30'],
  ['21.05', '21:05'],
  [' 7:30 PM ', '19:30'],
  ['12 am', '00:00'],
  ['9pm', '21:00'],
  ['24', '24:00'],
  ['25:00', undefined],
  ['soon', undefined],
  ['', undefined],
])('reads the time "%s" as %s', (text, time) => {
  expect(readTime(text)).toBe(time);
});

it.each([
  ['2027-03-06', '2027-03-06'],
  ['Sat 6 Mar 2027', '2027-03-06'],
  ['6 march 2027', '2027-03-06'],
  // Day before month, as everywhere here.
  ['6/3/2027', '2027-03-06'],
  // The first from 25 September 2026 on; from the 24th it would be a year and more ahead.
  ['6 Mar', '2027-03-06'],
  ['Sunday 6 December', '2026-12-06'],
  ['25/9', '2026-09-25'],
  ['24.9.', '2027-09-24'],
  ['29 Feb', '2028-02-29'],
  ['March 6', '2027-03-06'],
  ['Sat, March 6th, 2027', '2027-03-06'],
  ['6.3.', '2027-03-06'],
  ['6.3.27', '2027-03-06'],
  ['2027/3/6', '2027-03-06'],
  ['6-3-2027', '2027-03-06'],
  // 25 November 2026 is a Wednesday.
  ['today', '2026-11-25'],
  ['tomorrow', '2026-11-26'],
  ['friday', '2026-11-27'],
  ['in 2 weeks', '2026-12-09'],
  ['31 Feb 2027', undefined],
  ['at 7 pm', undefined],
  ['tomorrow at the fair', undefined],
  ['the fair', undefined],
  ['', undefined],
])('reads the date "%s" as %s', (text, date) => {
  expect(readDate(text, '2026-11-25')).toBe(date);
});

it('shows a date with its weekday, its year only when that is not plain, and what is none as it was written', () => {
  const say = (date: string) => sayDay(date, '2026-11-25');
  expect(['2027-03-06', '2026-09-25', '2026-09-24', '2027-11-26', 'some day', ''].map(say)).toEqual([
    'Sat 6 Mar',
    'Fri 25 Sept',
    'Thu 24 Sept 2026',
    'Fri 26 Nov 2027',
    'some day',
    '',
  ]);
});

it('reads numbers with the month first, and months by their own names, where people write them so', () => {
  const us = { monthFirst: true, language: 'en-US' };
  expect(readDate('3/6', '2026-11-25', us)).toBe('2027-03-06');
  expect(readDate('3/6/2027', '2026-11-25', us)).toBe('2027-03-06');
  // A point is written after the day, wherever.
  expect(readDate('6.3.', '2026-11-25', us)).toBe('2027-03-06');
  const german = { monthFirst: false, language: 'de-DE' };
  expect(readDate('6. März', '2026-11-25', german)).toBe('2027-03-06');
  expect(readDate('Samstag, 6. März 2027', '2026-11-25', german)).toBe('2027-03-06');
});

import { epochMinute, sayDayOf, sayTimeOfDay } from '@fixatum/core';
import { daysBetween, percent } from './timeAxis';

const at = (wall: string) => epochMinute(wall, 'Europe/Lisbon');

describe('the time axis', () => {
  it('counts calendar days, the one of 23 hours too', () => {
    const days = daysBetween(at('2027-03-27T15:00'), at('2027-03-29T01:00'), 'Europe/Lisbon');
    expect(days.map((day) => [day.label, (day.to - day.from) / 60, day.weekend])).toEqual([
      ['Sat 27', 24, true],
      ['Sun 28', 23, true],
      ['Mon 29', 24, false],
    ]);
  });

  it('names the month first and when it changes', () => {
    const days = daysBetween(at('2027-02-27T00:00'), at('2027-03-02T12:00'), 'Europe/Lisbon');
    expect(days.map((day) => day.month)).toEqual(['Feb', '', 'Mar', '']);
  });

  it('places moments in per cent and keeps them on the axis', () => {
    expect(percent(50, 0, 200)).toBe('25%');
    expect(percent(-9, 0, 200)).toBe('0%');
    expect(percent(900, 0, 200)).toBe('100%');
  });

  it('reads as people do', () => {
    expect(sayTimeOfDay(at('2027-03-04T21:40'), 'Europe/Lisbon')).toBe('21:40');
    expect(sayDayOf(at('2027-03-04T21:40'), 'Europe/Lisbon')).toBe('Thu 4 Mar');
  });
});

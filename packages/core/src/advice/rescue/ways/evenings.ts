import { type Build, type Piece, type Weekday, weekdays } from '../../../model/schema';
import { sayMoment } from '../../../model/sayMoment';
import { atZone, epochMinute, toWallTime } from '../../../model/wallTime';
import type { Plan } from '../../../schedule/answers/plan';
import type { Way } from '../rescueCost';
import { nth } from '../../../model/sure';

const EVENINGS_AHEAD = 10;

/** An hour more, and a helper, on each of the coming evenings before the date. */
export function eveningWays(build: Build, plan: Plan, troubled: readonly Piece[]): Way[] {
  const { timeZone } = build;
  const due = Math.max(
    ...troubled.flatMap((piece) => {
      const event = build.events.find((one) => one.id === piece.event);
      return event ? [epochMinute(event.wearAt, timeZone)] : [];
    }),
  );
  const me = build.people[0];
  if (!me || !Number.isFinite(due)) return [];
  const ways: Way[] = [];
  for (let day = 0; day < EVENINGS_AHEAD; day += 1) {
    const moment = plan.now + day * 1440;
    if (moment >= due) break;
    const date = toWallTime(moment, timeZone).slice(0, 10);
    const weekday: Weekday = nth(weekdays, atZone(moment, timeZone).weekday - 1);
    const said = nth(sayMoment(moment, timeZone).split(','), 0);
    const own = me.exceptions?.find((one) => one.date === date);
    const usual = own?.windows ?? me.availability.filter((rule) => rule.days.includes(weekday));
    const windows = usual.map(({ from, to }) => ({ from, to }));
    const last = windows.sort((a, b) => (a.to < b.to ? -1 : 1)).at(-1);
    const later = last ? oneHourLater(last.to) : undefined;
    const longer =
      last && later
        ? [...windows.slice(0, -1), { from: last.from, to: later }]
        : last
          ? undefined
          : [{ from: '19:00', to: '21:00' }];
    const exceptions = (me.exceptions ?? []).filter((one) => one.date !== date);
    if (longer)
      ways.push({
        label: last ? `An hour longer on ${said}` : `Two hours on ${said}`,
        change: [
          { op: 'add', path: '/people/0/exceptions', value: [...exceptions, { date, windows: longer }] },
        ],
        cost: { favourMinutes: last ? 60 : 120 },
      });
    ways.push({
      label: `A helper on ${said}, 18:00 to 22:00`,
      change: [
        {
          op: 'add',
          path: `/people/${build.people.length}`,
          value: {
            id: `helper-${date}`,
            name: 'Helper',
            availability: [],
            exceptions: [{ date, windows: [{ from: '18:00', to: '22:00' }] }],
          },
        },
      ],
      cost: { favourMinutes: 240 },
    });
  }
  return ways;
}

function oneHourLater(clock: string): string | undefined {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour + 1 > 23
    ? undefined
    : `${String(hour + 1).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}

import { createEvents, type Alarm, type EventAttributes } from 'ics';
import Papa from 'papaparse';
import type { Build } from '../model/schema';
import { atZone, toEpochMinute, toWallTime, type EpochMinute } from '../model/wallTime';
import type { PlannedOperation, Session } from '../schedule/plan/plan';
import { workWord } from '../words/workWord';
import type { Plan } from '../schedule/answers/plan';
import { deadlineWords } from '../words/deadlineWords';
import { entryOf } from '../model/sure';

type Exported = Pick<Plan, 'operations' | 'sessions' | 'now'>;

/** What a batch is called: "Seal, Flexible PVA foam primer: Comet tasset ×4". */
function batchWords(build: Build, operations: readonly PlannedOperation[]): string {
  const [first] = operations;
  if (!first) return '';
  const units = new Map<string, number>();
  for (const one of operations) units.set(one.pieceId, (units.get(one.pieceId) ?? 0) + 1);
  const pieces = [...units].map(([id, count]) => {
    const name = build.pieces.find((piece) => piece.id === id)?.name ?? id;
    return count > 1 ? `${name} ×${count}` : name;
  });
  return `${workWord(first)}${first.material ? `, ${first.material.name}` : ''}: ${pieces.join(', ')}`;
}

const batchesOf = (plan: Exported, session: Session) => {
  const byId = new Map(plan.operations.map((operation) => [operation.id, operation]));
  return session.batches.map((batch) => ({
    ...batch,
    operations: batch.operationIds.map((id) => entryOf(byId, id)),
  }));
};

/** What is done in a session, in its order and each thing once: "Seal, Prime and 2 more". */
const MOST_NAMED = 3;
function sessionWords(operations: readonly PlannedOperation[]): string {
  const work = [...new Set(operations.map((one) => workWord(one)))];
  const more = work.length - MOST_NAMED;
  return more > 1 ? `${work.slice(0, MOST_NAMED).join(', ')} and ${more} more` : work.join(', ');
}

/**
 * The number of each session among the days a person works on the build, those that were worked before it counted. It moves to another day
 * with its session, so that a calendar moves its event and keeps none of before.
 */
function sessionNumbers(build: Build, plan: Exported): Map<Session, number> {
  const dayOf = (minute: EpochMinute) => toWallTime(Math.floor(minute), build.timeZone).slice(0, 10);
  const numbers = new Map<Session, number>();
  for (const { id } of build.people) {
    const own = plan.sessions.filter(({ personId }) => personId === id).sort((a, b) => a.from - b.from);
    const coming = new Set(own.map(({ from }) => dayOf(from)));
    const worked = new Set(
      plan.operations.flatMap(({ status, personId, laidAt }) =>
        status === 'done' && personId === id && laidAt !== undefined && !coming.has(dayOf(laidAt))
          ? [dayOf(laidAt)]
          : [],
      ),
    );
    own.forEach((session, at) => numbers.set(session, worked.size + at + 1));
  }
  return numbers;
}

/** So long before a session and a date a calendar rings, minutes. */
const ALARM_MINUTES = { session: 30, pack: 1440, wear: 720 };
const alarmOf = (minutes: number, description: string): Alarm => ({
  action: 'display',
  description,
  trigger: { minutes, before: true },
});

/**
 * The sessions of a plan as a calendar (iCalendar, RFC 5545), an event each with its run sheet, and the moments a costume is packed and worn. A
 * second export updates the first, also where a session has moved to another day.
 * @param buildId what the build is stored as; it keeps apart what several builds put into one calendar
 * @throws RangeError when the plan can't be written, which would be a fault of this program
 */
export function planIcs(build: Build, plan: Exported, buildId: string): string {
  const utc = (minute: EpochMinute): [number, number, number, number, number] => {
    const moment = atZone(minute, 'UTC');
    return [moment.year, moment.month, moment.day, moment.hour, moment.minute];
  };
  const eventOf = (
    key: string,
    title: string,
    [from, to]: readonly [EpochMinute, EpochMinute],
    alarmMinutes: number,
    more: Partial<EventAttributes> = {},
  ): EventAttributes => ({
    uid: `${buildId}-${key.replace(/[^\w-]+/g, '-')}@fixatum`,
    // Later exports count higher, so that a calendar takes them as the news.
    sequence: Math.max(0, plan.now - 28_000_000),
    title,
    start: utc(from),
    startInputType: 'utc',
    startOutputType: 'utc',
    end: utc(Math.ceil(to)),
    endInputType: 'utc',
    endOutputType: 'utc',
    productId: 'fixatum/plan',
    alarms: [alarmOf(alarmMinutes, title)],
    ...more,
  });
  const numbers = sessionNumbers(build, plan);
  const sessions = plan.sessions.map((session): EventAttributes => {
    const person = build.people.find((one) => one.id === session.personId)?.name ?? session.personId;
    const batches = batchesOf(plan, session);
    const all = batches.flatMap(({ operations }) => operations);
    const places = [...new Set(all.map(({ placeId }) => placeId))].flatMap(
      (id) => build.places.find((place) => place.id === id)?.name ?? [],
    );
    const work = `${sessionWords(all)} · ${build.name}`;
    return eventOf(
      `${session.personId}-${numbers.get(session) ?? session.id}`,
      build.people.length > 1 ? `${person}: ${work}` : work,
      [session.from, session.to],
      ALARM_MINUTES.session,
      {
        ...(places.length > 0 ? { location: places.join(', ') } : {}),
        description: [
          ...batches.map(
            (batch) =>
              `${toWallTime(batch.start, build.timeZone).slice(11)} ${batchWords(build, batch.operations)}`,
          ),
          ...(session.beginBy ? [deadlineWords(build, session.beginBy)] : []),
        ].join('\n'),
      },
    );
  });
  const dates = build.events.flatMap(({ id, name, packAt, wearAt }) =>
    [
      { key: `pack-${id}`, title: `Pack for ${name} · ${build.name}`, at: packAt, alarm: ALARM_MINUTES.pack },
      { key: `wear-${id}`, title: `${name} · ${build.name}`, at: wearAt, alarm: ALARM_MINUTES.wear },
    ].flatMap(({ key, title, at, alarm }) => {
      const moment = at === undefined ? undefined : toEpochMinute(at, build.timeZone);
      return moment === undefined ? [] : [eventOf(key, title, [moment, moment + 60], alarm)];
    }),
  );
  const events = [...sessions, ...dates];
  if (events.length === 0)
    return 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nCALSCALE:GREGORIAN\r\nPRODID:fixatum/plan\r\nEND:VCALENDAR\r\n';
  const { value, error } = createEvents(events);
  if (error || !value) throw new RangeError(`The calendar can't be written: ${error?.message ?? ''}`);
  return value;
}

/** The sessions of a plan as CSV, a line a batch, with a line of headings. */
export function planCsv(build: Build, plan: Exported): string {
  return Papa.unparse(
    {
      fields: ['session', 'person', 'from', 'to', 'what', 'place', 'minutes'],
      data: plan.sessions.flatMap((session) =>
        batchesOf(plan, session).map((batch) => [
          session.id,
          build.people.find((one) => one.id === session.personId)?.name ?? session.personId,
          toWallTime(batch.start, build.timeZone).replace('T', ' '),
          toWallTime(Math.ceil(batch.end), build.timeZone).replace('T', ' '),
          batchWords(build, batch.operations),
          build.places.find((place) => place.id === batch.operations[0]?.placeId)?.name ?? '',
          Math.round(batch.end - batch.start),
        ]),
      ),
    },
    { escapeFormulae: true },
  );
}

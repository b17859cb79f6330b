import { createEvents, type EventAttributes } from 'ics';
import Papa from 'papaparse';
import type { Build } from '../model/schema';
import { atZone, toWallTime, type EpochMinute } from '../model/wallTime';
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

/**
 * The sessions of a plan as a calendar (iCalendar, RFC 5545), an event each with its run sheet. A session keeps its id as
 * long as it is in the same free window of the same person, so that a second export updates the first.
 * @param buildId what the build is stored as; it keeps apart what several builds put into one calendar
 * @throws RangeError when the plan can't be written, which would be a fault of this program
 */
export function planIcs(build: Build, plan: Exported, buildId: string): string {
  const utc = (minute: EpochMinute): [number, number, number, number, number] => {
    const moment = atZone(minute, 'UTC');
    return [moment.year, moment.month, moment.day, moment.hour, moment.minute];
  };
  const events = plan.sessions.map((session): EventAttributes => {
    const person = build.people.find((one) => one.id === session.personId)?.name ?? session.personId;
    return {
      uid: `${buildId}-${session.id.replace(/[^\w-]+/g, '-')}@fixatum`,
      // Later exports count higher, so that a calendar takes them as the news.
      sequence: Math.max(0, plan.now - 28_000_000),
      title: build.people.length > 1 ? `${build.name}: ${person}` : build.name,
      description: [
        ...batchesOf(plan, session).map(
          (batch) =>
            `${toWallTime(batch.start, build.timeZone).slice(11)} ${batchWords(build, batch.operations)}`,
        ),
        ...(session.beginBy ? [deadlineWords(build, session.beginBy)] : []),
      ].join('\n'),
      start: utc(session.from),
      startInputType: 'utc',
      startOutputType: 'utc',
      end: utc(Math.ceil(session.to)),
      endInputType: 'utc',
      endOutputType: 'utc',
      productId: 'fixatum/plan',
    };
  });
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

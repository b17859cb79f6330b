import { sampleBuild } from '../testing/sampleBuild';
import { epochMinute } from '../model/wallTime';
import { planCsv, planIcs } from './planExport';
import { planBuild } from '../schedule/answers/planBuild';

const build = sampleBuild({ name: 'Kelp, warden' });
const plan = planBuild(build, { latestStarts: false });
const field = (ics: string, name: string) =>
  ics
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .find((line) => line.startsWith(name))!;

describe('planIcs', () => {
  const ics = planIcs(build, plan, 'b1');

  it('has an event a session, in UTC, with its run sheet, and one for packing and wearing each', () => {
    expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(3);
    // From the first set-up at 08:00 to the last clean-up: base laid 09:39 and five minutes.
    expect(field(ics, 'DTSTART')).toBe('DTSTART:20270215T080000Z');
    expect(field(ics, 'DTEND')).toBe('DTEND:20270215T094400Z');
    expect(field(ics, 'SUMMARY')).toBe('SUMMARY:Seal\\, Base colour · Kelp\\, warden');
    expect(field(ics, 'LOCATION')).toBe('LOCATION:Room');
    expect(field(ics, 'DESCRIPTION')).toContain('08:00 Seal\\, Flexible PVA foam primer: Plate');
  });

  it('keeps the ids of sessions, and counts up, so that the next export updates this one', () => {
    const later = planBuild(build, { now: epochMinute('2027-02-15T09:00', 'UTC'), latestStarts: false });
    const again = planIcs(build, later, 'b1');
    expect(field(again, 'UID')).toBe(field(ics, 'UID'));
    expect(Number(field(again, 'SEQUENCE').slice(9))).toBeGreaterThan(
      Number(field(ics, 'SEQUENCE').slice(9)),
    );
    expect(field(planIcs(build, plan, 'b2'), 'UID')).not.toBe(field(ics, 'UID'));
  });

  it('rings half an hour before a session, a day before packing and half a day before the costume is worn', () => {
    const lines = ics.replace(/\r\n[ \t]/g, '').split('\r\n');
    const all = (name: string) =>
      lines.flatMap((line) => (line.startsWith(name) ? [line.slice(name.length)] : []));
    expect(all('SUMMARY:').slice(1)).toEqual([
      'Pack for The day · Kelp\\, warden',
      'The day · Kelp\\, warden',
    ]);
    expect(all('DTSTART:').slice(1)).toEqual(['20270305T180000Z', '20270306T090000Z']);
    expect(all('TRIGGER:')).toEqual(['-PT30M', '-PT1440M', '-PT720M']);
  });

  it('moves the event of a session that moves to another day, and counts the days worked before it', () => {
    const [session] = plan.sessions;
    const uid = (of: Parameters<typeof planIcs>[1]) => field(planIcs(build, of, 'b1'), 'UID');
    const moved = { ...session!, id: 'elsewhere', from: session!.from + 1440, to: session!.to + 1440 };
    expect(uid({ ...plan, sessions: [moved] })).toBe('UID:b1-me-1@fixatum');
    // A coat that was logged the day before makes it the second day of work.
    const [first, ...rest] = plan.operations;
    const done = { ...first!, status: 'done' as const };
    expect(uid({ ...plan, operations: [done, ...rest], sessions: [moved] })).toBe('UID:b1-me-2@fixatum');
    // On the same day it is the same session, of which a part is done.
    expect(uid({ ...plan, operations: [done, ...rest] })).toBe('UID:b1-me-1@fixatum');
  });

  it('says by when a session has to begin, where that is known', () => {
    const [session] = plan.sessions;
    const beginBy = { at: epochMinute('2027-03-03T17:45', 'UTC'), pieceId: 'plate' };
    const told = planIcs(build, { ...plan, sessions: [{ ...session!, beginBy }] }, 'b1');
    expect(field(told, 'DESCRIPTION')).toMatch(/\\nBegin by Wed 3 Mar\\, 17:45 or lose The day \(Plate\)$/);
    expect(field(ics, 'DESCRIPTION')).not.toContain('Begin by');
  });

  it('is a calendar even when nothing is planned', () => {
    expect(planIcs(build, { ...plan, sessions: [] }, 'b1')).toMatch(
      /^BEGIN:VCALENDAR\r\n[^]*END:VCALENDAR\r\n$/,
    );
  });
});

describe('planCsv', () => {
  it('has a line a batch', () => {
    const rows = planCsv(build, plan).split('\r\n');
    expect(rows).toHaveLength(4);
    expect(rows[1]).toBe(
      `${plan.sessions[0]!.id},Me,2027-02-15 08:00,2027-02-15 08:10,"Seal, Flexible PVA foam primer: Plate",Room,10`,
    );
  });
});

import ICAL from 'ical.js';
import { actsOf } from './acts';
import { say, type Said } from '../say';
import type { Timetable } from './day';

const utc = (ms: number) => ICAL.Time.fromJSDate(new Date(ms), true);
const uid = (day: string, of: string) => `${day}-${of.replaceAll(/[^a-z0-9-]/gi, '-')}@ovalis`;

/**
 * The day as an iCalendar text (RFC 5545): an event for each act of the hands and the hob, with a call at its start,
 * and one for each meal. What only waits is no event.
 * @param day names the events, so that a later export replaces them
 * @param stampMs when it is written
 * @param tell sentences, with hours as the cook reads them, in the cook's own zone
 */
export function calendarOf(t: Timetable, day: string, stampMs: number, tell: (said: Said) => string): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.addPropertyWithValue('prodid', '-//ovalis//day//EN');
  calendar.addPropertyWithValue('version', '2.0');
  const put = (id: string, summary: string, startMs: number, endMs: number, busy: boolean) => {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', uid(day, id));
    event.addPropertyWithValue('dtstamp', utc(stampMs));
    event.addPropertyWithValue('dtstart', utc(startMs));
    event.addPropertyWithValue('dtend', utc(endMs));
    event.addPropertyWithValue('summary', summary);
    event.addPropertyWithValue('transp', busy ? 'OPAQUE' : 'TRANSPARENT');
    calendar.addSubcomponent(event);
    return event;
  };
  for (const a of actsOf(t)) {
    if (a.state === 'done' || a.lane === 'fridge') continue;
    const title = tell(say('day.act', { dish: a.dish, verb: a.verb }));
    const event = put(a.id, title, a.startMs, Math.max(a.endMs, a.startMs + 60_000), a.hands);
    event.addPropertyWithValue('description', tell(say('day.byLatest', { says: a.says, latestMs: a.latestMs })));
    const alarm = new ICAL.Component('valarm');
    alarm.addPropertyWithValue('action', 'DISPLAY');
    alarm.addPropertyWithValue('description', title);
    alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(0));
    event.addSubcomponent(alarm);
  }
  for (const s of t.serves)
    put(`${s.planId}-served`, tell(say('day.isServed', { name: s.name })), s.atMs, s.atMs + 30 * 60_000, false);
  return `${calendar.toString()}\r\n`;
}

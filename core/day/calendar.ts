import ICAL from 'ical.js';
import { actsOf } from './acts';
import { say, type Said } from '../say';
import type { Timetable } from './day';

/** A cook's own clock: its zone's name, and the minutes that it is ahead of UTC at a moment. */
export type Zone = { id: string; aheadMin: (ms: number) => number };

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** Changes of the clock are told from so many days before the first act to so many after the last. */
const AROUND_DAYS = 200;

const utc = (ms: number) => ICAL.Time.fromJSDate(new Date(ms), true);
/** The moment as a clock shows it that is so many minutes ahead. */
const shown = (ms: number, aheadMin: number) => {
  const time = utc(ms + aheadMin * MINUTE_MS);
  time.zone = ICAL.Timezone.localTimezone;
  return time;
};

/** Moments at which the clock changes, to the minute: each day is looked at, and halved where it does. */
function changesOf(zone: Zone, fromMs: number, toMs: number): number[] {
  const out: number[] = [];
  for (let day = fromMs; day < toMs; day += DAY_MS) {
    if (zone.aheadMin(day) === zone.aheadMin(day + DAY_MS)) continue;
    let [same, changed] = [0, DAY_MS / MINUTE_MS];
    while (changed - same > 1) {
      const mid = Math.floor((same + changed) / 2);
      if (zone.aheadMin(day + mid * MINUTE_MS) === zone.aheadMin(day)) same = mid;
      else changed = mid;
    }
    out.push(day + changed * MINUTE_MS);
  }
  return out;
}

/** VTIMEZONE: what the zone's clock is at first, and each change of it, as the calendar needs them written out. */
function zoneOf(zone: Zone, fromMs: number, toMs: number): ICAL.Component {
  const start = Math.floor(fromMs / DAY_MS) * DAY_MS - AROUND_DAYS * DAY_MS;
  const end = toMs + AROUND_DAYS * DAY_MS;
  const component = new ICAL.Component('vtimezone');
  component.addPropertyWithValue('tzid', zone.id);
  const offset = (min: number) => ICAL.UtcOffset.fromSeconds(min * 60);
  const observe = (atMs: number, beforeMin: number, afterMin: number) => {
    const part = new ICAL.Component(afterMin > beforeMin ? 'daylight' : 'standard');
    part.addPropertyWithValue('dtstart', shown(atMs, beforeMin));
    part.addPropertyWithValue('tzoffsetfrom', offset(beforeMin));
    part.addPropertyWithValue('tzoffsetto', offset(afterMin));
    component.addSubcomponent(part);
  };
  observe(start, zone.aheadMin(start), zone.aheadMin(start));
  for (const atMs of changesOf(zone, start, end)) observe(atMs, zone.aheadMin(atMs - MINUTE_MS), zone.aheadMin(atMs));
  return component;
}
const uid = (day: string, of: string) => `${day}-${of.replaceAll(/[^a-z0-9-]/gi, '-')}@ovalis`;

/**
 * The day as an iCalendar text (RFC 5545), its times in the cook's own zone: an event for each act of the hands and the hob, with a call at its start,
 * and one for each meal. What only waits is no event.
 * @param day names the events, so that a later export replaces them
 * @param stampMs when it is written
 * @param tell sentences, with hours as the cook reads them, in the cook's own zone
 */
export function calendarOf(
  t: Timetable,
  day: string,
  stampMs: number,
  tell: (said: Said) => string,
  zone: Zone,
): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.addPropertyWithValue('prodid', '-//ovalis//day//EN');
  calendar.addPropertyWithValue('version', '2.0');
  const acts = actsOf(t).filter((a) => a.state !== 'done' && a.lane !== 'fridge');
  const times = [...acts.flatMap((a) => [a.startMs, a.endMs]), ...t.serves.map((s) => s.atMs), stampMs];
  calendar.addSubcomponent(zoneOf(zone, Math.min(...times), Math.max(...times)));
  const inZone = (event: ICAL.Component, name: string, ms: number) =>
    event.addPropertyWithValue(name, shown(ms, zone.aheadMin(ms))).setParameter('tzid', zone.id);
  const put = (id: string, summary: string, startMs: number, endMs: number, busy: boolean) => {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', uid(day, id));
    event.addPropertyWithValue('dtstamp', utc(stampMs));
    inZone(event, 'dtstart', startMs);
    inZone(event, 'dtend', endMs);
    event.addPropertyWithValue('summary', summary);
    event.addPropertyWithValue('transp', busy ? 'OPAQUE' : 'TRANSPARENT');
    calendar.addSubcomponent(event);
    return event;
  };
  for (const a of acts) {
    const title = tell(say('day.act', { dish: a.dish, verb: a.verb }));
    const event = put(a.id, title, a.startMs, Math.max(a.endMs, a.startMs + MINUTE_MS), a.hands);
    event.addPropertyWithValue('description', tell(say('day.byLatest', { says: a.says, latestMs: a.latestMs })));
    const alarm = new ICAL.Component('valarm');
    alarm.addPropertyWithValue('action', 'DISPLAY');
    alarm.addPropertyWithValue('description', title);
    alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(0));
    event.addSubcomponent(alarm);
  }
  for (const s of t.serves)
    put(`${s.planId}-served`, tell(say('day.isServed', { name: s.name })), s.atMs, s.atMs + 30 * MINUTE_MS, false);
  return `${calendar.toString()}\r\n`;
}

import ICAL from 'ical.js';
import { isReadRule } from '@/core/formats/repeats';
import type { LocalDay } from '@/core/formats/time';
import { clockChanges, utcOf, zoneOf, type ClockChange } from './zone';

/** Something that stands in a calendar. */
export interface Entry {
  /** The same again wherever it is saved anew, so that a calendar changes it and doubles nothing. */
  readonly id: string;
  readonly words: string;
  readonly on: LocalDay;
  /** The hour of the place, `18:15`; all day without one. */
  readonly time?: string | undefined;
  /** A rule of RFC 5545; one that is not read here is left out, as in the week. */
  readonly repeats?: string | undefined;
  readonly except?: readonly string[] | undefined;
  /** What else is to be known. */
  readonly more?: string | undefined;
}

const HOUR_SECONDS = 3600;
/** Clocks are told for so many years ahead. */
const YEARS_AHEAD = 10;
const YEAR_MS = 365.25 * 24 * HOUR_SECONDS * 1000;

/** A moment of the clock on the wall. */
const wall = (day: string, time: string) => ICAL.Time.fromDateTimeString(`${day}T${time}:00`);

/** When the clock is put on or back, as calendars want it told. */
function observance({ utcMs, fromMinutes, toMinutes }: ClockChange, isSummer: boolean) {
  const part = new ICAL.Component(isSummer ? 'daylight' : 'standard');
  const local = new Date(utcMs + fromMinutes * 60_000).toISOString().slice(0, 19);
  part.addPropertyWithValue('dtstart', ICAL.Time.fromDateTimeString(local));
  part.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromSeconds(fromMinutes * 60));
  part.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromSeconds(toMinutes * 60));
  return part;
}

/** A zone with the changes of its clock from the first day on, one by one: no rule is guessed. */
function zoneComponent(name: string, firstDay: LocalDay, nowMs: number) {
  const zone = zoneOf(name);
  const fromMs = Date.parse(`${firstDay}T00:00:00Z`) - YEAR_MS;
  const changes = clockChanges(zone, fromMs, Math.max(fromMs, nowMs) + YEARS_AHEAD * YEAR_MS);
  const whole = new ICAL.Component('vtimezone');
  whole.addPropertyWithValue('tzid', name);
  const first = zone(fromMs);
  whole.addSubcomponent(observance({ utcMs: fromMs, fromMinutes: first, toMinutes: first }, false));
  for (const change of changes)
    whole.addSubcomponent(observance(change, change.toMinutes > change.fromMinutes));
  return whole;
}

/** A rule whose last day is told in UTC, where its days have hours, as calendars want it. */
function ruleOf(repeats: string, zone: string, hasHour: boolean) {
  const rule = ICAL.Recur.fromString(repeats);
  if (rule.until && hasHour) {
    const last = utcOf(zoneOf(zone), rule.until.toString().slice(0, 10), '23:59');
    rule.until = ICAL.Time.fromJSDate(new Date(last), true);
  }
  return rule;
}

function eventOf(
  { id, words, on, time, repeats, except = [], more }: Entry,
  zone: string,
  at: string,
) {
  const event = new ICAL.Component('vevent');
  const moment = (field: string, day: string) => {
    if (!time) return void event.addPropertyWithValue(field, ICAL.Time.fromDateString(day));
    const property = new ICAL.Property(field, event);
    property.setParameter('tzid', zone);
    property.setValue(wall(day, time));
    event.addProperty(property);
  };
  event.addPropertyWithValue('uid', `${id}@ojas`);
  event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(new Date(at), true));
  event.addPropertyWithValue('summary', words);
  if (more) event.addPropertyWithValue('description', more);
  moment('dtstart', on);
  if (time) event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(HOUR_SECONDS));
  // A whole day takes nobody's hours.
  else event.addPropertyWithValue('transp', 'TRANSPARENT');
  if (repeats && isReadRule(repeats))
    event.addPropertyWithValue('rrule', ruleOf(repeats, zone, time !== undefined));
  for (const day of except) moment('exdate', day);
  return event;
}

/**
 * Entries as a calendar of RFC 5545, in the hours of a zone: what is at a quarter past six stays there when the clocks
 * change.
 *
 * @param zone its name, `Europe/Oslo`.
 * @param at now, with its offset.
 */
export function calendarOf(entries: readonly Entry[], zone: string, at: string): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Ojas//EN');
  const timed = entries.filter(({ time }) => time !== undefined).map(({ on }) => on);
  const [firstDay] = timed.sort();
  if (firstDay) calendar.addSubcomponent(zoneComponent(zone, firstDay, Date.parse(at)));
  for (const entry of entries) calendar.addSubcomponent(eventOf(entry, zone, at));
  return `${calendar.toString()}\r\n`;
}

import { differenceInSeconds } from 'date-fns/differenceInSeconds';
import { formatDistanceStrict } from 'date-fns/formatDistanceStrict';
import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';
import { isAfter } from 'date-fns/isAfter';
import { isEqual } from 'date-fns/isEqual';
import { parseISO } from 'date-fns/parseISO';
import { startOfDay } from 'date-fns/startOfDay';
import { subDays } from 'date-fns/subDays';
import { dayOf } from '@/core/formats/time';

export type Units = 'cm' | 'in';
const CM_PER_INCH = 2.54;

/** A height in the teacher's units; half centimetres and quarter inches are as fine as a fold can be told. */
export function length(cm: number, units: Units): string {
  if (units === 'in') return `${(Math.round((cm / CM_PER_INCH) * 4) / 4).toString()} in`;
  const half = Math.round(cm * 2) / 2;
  return `${Number.isInteger(half) ? half : half.toFixed(1)} cm`;
}

export const toCm = (value: number, units: Units) => (units === 'in' ? value * CM_PER_INCH : value);
export const fromCm = (cm: number, units: Units) =>
  units === 'in' ? Math.round((cm / CM_PER_INCH) * 100) / 100 : Math.round(cm * 10) / 10;

/** A value of a way of reading as it is shown and typed: degrees as they are, a length in the teacher's units. */
export const shownIn = (unit: 'deg' | 'cm', value: number, units: Units) =>
  unit === 'cm' ? fromCm(value, units) : value;
/** The value that something so shown or typed stands for. */
export const readIn = (unit: 'deg' | 'cm', shown: number, units: Units) =>
  unit === 'cm' ? toCm(shown, units) : shown;

export const degrees = (deg: number) => `${Math.round(deg)}°`;
/** "128° ± 4": the half width of the band within which four in five lie. */
export const withDoubt = (mean: number, sd: number) =>
  `${Math.round(mean)}° ± ${Math.max(1, Math.round(1.2816 * sd))}`;
/** The day of a fact is the one that it was noted on, wherever it is read. */
const noted = (at: string) => parseISO(dayOf(at));
/** Made when first asked for: it takes a browser longer than all else that a first screen loads. */
const inWords = (options: Intl.DateTimeFormatOptions) => {
  let made: Intl.DateTimeFormat | undefined;
  return (at: string) => (made ??= new Intl.DateTimeFormat('en-GB', options)).format(noted(at));
};
export const month = inWords({ month: 'short', year: 'numeric' });
export const date = inWords({ day: 'numeric', month: 'short', year: 'numeric' });
/** "3 days ago", in calendar days; what is dated ahead of today is said to be. */
export function ago(at: string): string {
  const [day, today] = [noted(at), startOfDay(new Date())];
  if (isAfter(day, today)) return `dated ahead, ${date(at)}`;
  return isEqual(day, today)
    ? 'today'
    : isEqual(day, subDays(today, 1))
      ? 'yesterday'
      : `${formatDistanceStrict(day, today, { roundingMethod: 'floor' })} ago`;
}
/** The hour at which something was noted, where it was noted: `18:05`. */
export const hour = (at: string) => at.slice(11, 16);
let clockMade: Intl.DateTimeFormat | undefined;
/** An hour such as `18:15` as it is written where the teacher lives: 18:15, 18.15, 6:15 pm. */
export function clock(time: string): string {
  const [hours = 0, mins = 0] = time.split(':').map(Number);
  clockMade ??= new Intl.DateTimeFormat(undefined, { hour: 'numeric', minute: '2-digit' });
  return clockMade.format(new Date(2000, 0, 1, hours, mins));
}
/** How long since a moment: "just now", "5 minutes ago". */
export function since(at: string): string {
  const then = parseISO(at);
  return Math.abs(differenceInSeconds(new Date(), then)) < 60
    ? 'just now'
    : `${formatDistanceToNowStrict(then)} ago`;
}
export const minutes = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** Words as they begin a sentence. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words as they go on in a sentence. */
export const inSentence = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

const numberWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
/** A small count as a sentence says it; a larger one in figures. */
export const countWord = (count: number): string => numberWords[count] ?? String(count);

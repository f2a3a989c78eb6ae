import { differenceInSeconds, format, formatDistanceToNowStrict, isAfter, parseISO } from 'date-fns';

export type Units = 'cm' | 'in';
const CM_PER_INCH = 2.54;

/** A height in the teacher's units; half centimetres and quarter inches are as fine as a fold can be told. */
export function length(cm: number, units: Units): string {
  if (units === 'in') return `${(Math.round((cm / CM_PER_INCH) * 4) / 4).toString()} in`;
  const half = Math.round(cm * 2) / 2;
  return `${Number.isInteger(half) ? half : half.toFixed(1)} cm`;
}

export const toCm = (value: number, units: Units) => (units === 'in' ? value * CM_PER_INCH : value);
export const fromCm = (cm: number, units: Units) => (units === 'in' ? Math.round((cm / CM_PER_INCH) * 100) / 100 : Math.round(cm * 10) / 10);

export const degrees = (deg: number) => `${Math.round(deg)}°`;
/** "128° ± 4": the half width of the band within which four in five lie. */
export const withDoubt = (mean: number, sd: number) => `${Math.round(mean)}° ± ${Math.max(1, Math.round(1.2816 * sd))}`;
export const month = (at: string) => format(parseISO(at), 'MMM yyyy');
export const date = (at: string) => format(parseISO(at), 'd MMM yyyy');
/** "3 days ago"; what is dated ahead of the clock is said to be. */
export function ago(at: string): string {
  const then = parseISO(at);
  const seconds = differenceInSeconds(new Date(), then);
  if (Math.abs(seconds) < 60) return 'just now';
  return isAfter(then, new Date()) ? `dated ahead, ${date(at)}` : `${formatDistanceToNowStrict(then)} ago`;
}
export const minutes = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

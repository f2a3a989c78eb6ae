/** The calendar day, in UTC, of an ISO date or date-time. */
export const dayOf = (at: string) => at.slice(0, 10);

const DAY_MS = 86_400_000;
/** Days from one calendar day to another; minus when the second is earlier. */
export const daysBetween = (from: string, to: string) => Math.round((Date.parse(dayOf(to)) - Date.parse(dayOf(from))) / DAY_MS);

/** An ISO date or date-time moved by whole days. */
export function shiftDays(at: string, days: number): string {
  const moved = new Date(Date.parse(at) + days * DAY_MS).toISOString();
  return at.length === 10 ? moved.slice(0, 10) : moved;
}

/** Whether a text is a day of the calendar: 2026-02-30 looks like one and is none. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text;
}

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

/** How a zone's clock stands to UTC, in minutes; east is +. */
export type Zone = (utcMs: number) => number;

/** The clock of a zone by its name (`Europe/Oslo`), as the browser knows it. */
export function zoneOf(name: string): Zone {
  const told = new Intl.DateTimeFormat('en-US', {
    timeZone: name,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  });
  return (utcMs) => {
    const at = Object.fromEntries(
      told.formatToParts(utcMs).map(({ type, value }) => [type, Number(value)]),
    );
    const local = Date.UTC(at.year!, at.month! - 1, at.day, at.hour, at.minute, at.second);
    return Math.round((local - utcMs) / MINUTE_MS);
  };
}

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;

/** A moment at which a clock is put on or back. */
export interface ClockChange {
  readonly utcMs: number;
  readonly fromMinutes: number;
  readonly toMinutes: number;
}

/** Every change of a clock from one moment to another, in their order. */
export function clockChanges(zone: Zone, fromMs: number, toMs: number): ClockChange[] {
  const changes: ClockChange[] = [];
  for (let day = fromMs; day < toMs; day += DAY_MS) {
    const [fromMinutes, toMinutes] = [zone(day), zone(day + DAY_MS)];
    if (fromMinutes === toMinutes) continue;
    let [before, after] = [day, day + DAY_MS];
    while (after - before > MINUTE_MS) {
      const half = before + Math.floor((after - before) / 2 / MINUTE_MS) * MINUTE_MS;
      if (zone(half) === fromMinutes) before = half;
      else after = half;
    }
    changes.push({ utcMs: after, fromMinutes, toMinutes });
  }
  return changes;
}

/** When it is so late on a day in a zone, by UTC. */
export function utcOf(zone: Zone, day: string, time: string): number {
  const asUtc = Date.parse(`${day}T${time}:00Z`);
  // The clock of that moment is known only once the moment is: two looks are enough.
  const guess = asUtc - zone(asUtc) * MINUTE_MS;
  return asUtc - zone(guess) * MINUTE_MS;
}

import { isDay } from './time';

const WEEKDAYS = 'MO|TU|WE|TH|FR|SA|SU';
const upTo = (most: number) => (value: string) =>
  /^[1-9]\d{0,3}$/.test(value) && Number(value) <= most;
const matching = (pattern: string) => {
  const whole = new RegExp(`^(?:${pattern})$`);
  return (value: string) => whole.test(value);
};
const weekdays = matching(`(?:${WEEKDAYS})(?:,(?:${WEEKDAYS}))*`);
const until = (value: string) => {
  const day = /^(\d{4})(\d{2})(\d{2})(?:T\d{6}Z?)?$/.exec(value);
  return day !== null && isDay(`${day[1]}-${day[2]}-${day[3]}`);
};

type Parts = Readonly<Record<string, (value: string) => boolean>>;
const always: Parts = { COUNT: upTo(1000), UNTIL: until, WKST: matching(WEEKDAYS) };
/**
 * By how often it repeats, the parts of a rule that are read, each with what it may say. All of them fall on days
 * without end or count, and never search for one.
 */
const read: Readonly<Record<string, Parts>> = {
  DAILY: { ...always, INTERVAL: upTo(366) },
  WEEKLY: { ...always, INTERVAL: upTo(52), BYDAY: weekdays },
  MONTHLY: { ...always, INTERVAL: upTo(12), BYDAY: matching(`(?:[1-4]|-1)(?:${WEEKDAYS})`) },
};

/** The parts of a repetition rule by name; null where they are not pairs, or one is said twice. */
function partsOf(rule: string): Map<string, string> | null {
  const pairs = rule.split(';').map((part) => part.split('='));
  const parts = new Map(pairs.map(([name = '', value = '']) => [name, value]));
  return pairs.every((pair) => pair.length === 2) && parts.size === pairs.length ? parts : null;
}

/**
 * Whether a rule of RFC 5545 is one that is reckoned here: every so many days, weeks or months, on days of the week, so
 * often or until a day. Any other may ask for a day in every second, or for one that never comes: it is kept, and its
 * days are not looked for.
 *
 * @example isReadRule('FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,TH') // true
 * @example isReadRule('FREQ=SECONDLY') // false
 */
export function isReadRule(rule: string): boolean {
  const parts = partsOf(rule);
  const freq = parts?.get('FREQ') ?? '';
  if (!parts || !Object.hasOwn(read, freq)) return false;
  const known = read[freq] as Parts;
  return [...parts].every(
    ([name, value]) =>
      name === 'FREQ' || (Object.hasOwn(known, name) && known[name]?.(value) === true),
  );
}

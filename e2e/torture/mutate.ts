import type { Chance } from '@/core/sim/chance';

type Json = unknown;
type Holder = Record<string, Json> | Json[];

const pick = <T>({ uniform }: Chance, of: readonly T[]): T =>
  of[Math.floor(uniform() * of.length)] as T;

const deep = (levels: number): Json =>
  JSON.parse(`${'{"a":['.repeat(levels)}1${']}'.repeat(levels)}`) as Json;

/** Values that a field least expects. */
const odd: readonly ((chance: Chance) => Json)[] = [
  () => null,
  () => -1,
  () => 0,
  () => 1e308,
  () => -0.5,
  () => 1.5,
  () => '',
  () => ' ',
  () => true,
  () => [],
  () => ({}),
  () => 'toString',
  () => 'constructor',
  () => 'hasOwnProperty',
  () => '__proto__',
  () => '2026-02-30',
  () => '2026-02-29T25:61:00Z',
  () => '0000-01-01',
  () => '9999-12-31',
  () => '2199-12-31',
  () => '2026-01-08T10:00:00+14:00',
  () => 'x'.repeat(5000),
  () => '\ud800',
  () => '\u0000',
  () => '<img src=x>',
  () => '=1+1',
  () => deep(20),
  () => deep(400),
  () => Array.from({ length: 600 }, (_, i) => i),
  ({ uniform }) => Math.floor(uniform() * 400) - 50,
  ({ uniform }) => uniform() * 200,
];

/** Every place in a value where something stands. */
function places(
  json: Json,
  found: { holder: Holder; key: string | number }[] = [],
): { holder: Holder; key: string | number }[] {
  if (typeof json !== 'object' || json === null) return found;
  for (const key of Array.isArray(json) ? json.keys() : Object.keys(json)) {
    found.push({ holder: json as Holder, key });
    places((json as Record<string | number, Json>)[key], found);
  }
  return found;
}

/** Rules of repetition that never end, never come, or are none. */
const oddRules = [
  'FREQ=SECONDLY',
  'FREQ=DAILY;INTERVAL=-1',
  'FREQ=WEEKLY;INTERVAL=0',
  'FREQ=MINUTELY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=YEARLY;BYYEARDAY=400',
  'FREQ=WEEKLY;COUNT=1000000',
  'FREQ=WEEKLY;UNTIL=99999999',
];

/** Something of the same kind: such a change is often taken in, and must then be worked with. */
function near(value: Json, chance: Chance): Json {
  if (typeof value === 'number')
    return pick(chance, [
      value + 1,
      value - 1,
      value * 1.7,
      value / 3,
      0,
      Math.round(value),
      -value,
    ]);
  if (typeof value === 'string')
    return pick(chance, [
      'toString',
      'constructor',
      'valueOf',
      value.toUpperCase(),
      `${value}x`,
      'left',
      'both',
      'unknown',
      '2027-12-31',
      '1900-01-01T00:00:00Z',
      '2199-06-01',
      ...(value.startsWith('FREQ=') ? oddRules : []),
    ]);
  if (typeof value === 'boolean') return !value;
  return Array.isArray(value)
    ? [...value, ...value]
    : { ...(value as object), toString: 1, constructor: { prototype: 1 }, extra: [deep(3)] };
}

/** Changes one place of a value, which is changed where it stands. */
export function mutate(json: Json, chance: Chance): void {
  const all = places(json);
  const { holder, key } = pick(chance, all);
  const record = holder as Record<string | number, Json>;
  const kind = Math.floor(chance.uniform() * 9);
  if (kind === 0) {
    if (Array.isArray(holder)) holder.splice(key as number, 1);
    else delete record[key];
  } else if (kind === 1 && Array.isArray(holder)) holder.push(structuredClone(record[key]));
  else if (kind === 2) {
    const other = pick(chance, all);
    record[key] = structuredClone((other.holder as Record<string | number, Json>)[other.key]);
  } else if (kind === 3 && !Array.isArray(holder))
    Object.defineProperty(
      holder,
      pick(chance, ['toString', 'constructor', '__proto__', 'x', 'id', '']),
      { value: record[key], enumerable: true, configurable: true, writable: true },
    );
  else if (kind > 5) record[key] = near(record[key], chance);
  else record[key] = pick(chance, odd)(chance);
}

/** Breaks a text: cut off, with bytes changed, or with a part twice. */
export function breakBytes(bytes: Uint8Array, chance: Chance): Uint8Array {
  const at = Math.floor(chance.uniform() * bytes.length);
  const kind = Math.floor(chance.uniform() * 3);
  if (kind === 0) return bytes.slice(0, at);
  if (kind === 1) {
    const changed = bytes.slice();
    for (let i = 0; i < 4; i++)
      changed[Math.floor(chance.uniform() * changed.length)] = Math.floor(chance.uniform() * 256);
    return changed;
  }
  return Uint8Array.from([...bytes.slice(0, at), ...bytes.slice(Math.max(0, at - 40))]);
}

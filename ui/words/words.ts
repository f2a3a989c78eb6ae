import type { DialId } from '@/core/dials';
import { liesIn } from '@/core/lies';
import type { Fault, FileFault } from '@/core/formats/faults';
import type { PlanSlot } from '@/core/formats/plan';
import type { HeightReason, Reason, Reasons, SlotReason } from '@/core/reasons';
import type { RangeId, ReadingSide } from '@/core/ranges/ranges';
import { cautionById } from '@/core/safety/cautions';
import type { CautionId, RuleId } from '@/core/safety/ids';
import type { SlotRef } from '@/core/slots';
import { capital, fromCm, length, toCm, type Units } from '../format';
import { en } from './en';
import type { Language, Telling, Worded } from './language';

const trimmed = (x: number) =>
  Math.abs(x - Math.round(x)) < 0.05 ? Math.round(x).toString() : x.toFixed(1);

function telling(units: Units, language: Language): Telling {
  const number = (cm: number) => trimmed(fromCm(cm, units));
  const days = new Intl.DateTimeFormat(language.tag, {
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });
  return {
    length: (cm) => length(cm, units),
    number,
    unit: language.unitNames[units],
    short: language.units[units],
    unitCm: toCm(1, units),
    exact: (cm) => `${number(cm)} ${language.units[units]}`,
    day: (on) => days.format(Date.parse(on)),
  };
}

/** A slot with what lies there, which its reasons are true of. */
type BuiltSlot = Pick<PlanSlot, 'reasons' | 'stack' | 'stackCm'> & {
  readonly isLength?: boolean | undefined;
};

/** What is wrong in a file, told: where it is, and what it is. */
export interface ToldFault {
  readonly path: string;
  readonly words: string;
}

/** What the core says, in words and in the teacher's units. */
export interface Words {
  readonly reason: (reason: Reason) => string;
  /** The same as a student is told it, who has nobody beside them. */
  readonly reasonAtHome: (reason: Reason) => string;
  /** Several, one after the other. */
  readonly reasons: (reasons: readonly Reason[]) => string;
  /** What is said of a slot as it is built. */
  readonly reasonsOn: (slot: BuiltSlot) => string;
  /** One reason of a slot, as it is built. */
  readonly reasonOn: (one: SlotReason, slot: BuiltSlot) => string;
  readonly slot: (slot: SlotRef) => string;
  readonly range: (id: RangeId) => string;
  readonly dial: (dial: DialId) => string;
  /** What a dial is set to: degrees by eye, or a length. */
  readonly dialValue: (dial: DialId, value: number) => string;
  readonly side: (side: ReadingSide) => string;
  /** A spot on the body as it was kept. */
  readonly spot: (kept: string) => string;
  /** What is wrong in a file, and where. */
  readonly fault: (fault: Fault) => ToldFault;
  /** Several in one line, one after the other. */
  readonly faults: (faults: readonly Fault[]) => string;
  readonly length: (cm: number) => string;
  /** A measured length, to the millimetre. */
  readonly exact: (cm: number) => string;
  /** A caution's words; those of a newer book go by their id. */
  readonly caution: (id: string) => Language['cautions'][CautionId];
  /** What the rules of a caution say, each once. */
  readonly rules: (id: CautionId, spots?: readonly string[]) => readonly string[];
}

function wording(units: Units, language: Language): Words {
  const tell = telling(units, language);
  const reason = (one: Reason): string => {
    const say = (language.reasons as Worded<Reasons>)[one.code] as (
      numbers: Reason,
      tell: Telling,
    ) => string;
    return capital(say(one, tell));
  };
  const reasonOn = (one: SlotReason, slot: BuiltSlot): string => {
    if (!Object.hasOwn(language.heights, one.code)) return reason(one as Reason);
    const say = language.heights[one.code as HeightReason['code']] as (
      numbers: SlotReason,
      tell: Telling,
      lies: boolean,
    ) => string;
    return capital(say(one, tell, liesIn(slot)));
  };
  const fault = (one: Fault): ToldFault => ({
    path: language.faultPlace(one),
    words: (language.faults[one.says.code] as (about: FileFault) => string)(one.says),
  });
  const caution = (id: string) =>
    Object.hasOwn(language.cautions, id)
      ? language.cautions[id as CautionId]
      : { name: id, question: id, short: id, refer: '' };
  return {
    reason,
    reasonAtHome: (one) => {
      const said = one.code === 'caution' && language.rulesAtHome[one.rule as RuleId];
      return said ? `${caution(one.caution).short}: ${said}` : reason(one);
    },
    reasons: (all) => all.map(reason).filter(Boolean).join(' '),
    reasonOn,
    reasonsOn: (slot) =>
      slot.reasons
        .map((one) => reasonOn(one, slot))
        .filter(Boolean)
        .join(' '),
    slot: ({ slot, part, side }) => {
      const name = slot === 'back' ? language.rampEnds[part ?? 'high'] : language.slots[slot];
      return side === 'left' || side === 'right' ? `${name}, ${language.sides[side]}` : name;
    },
    range: (id) => language.ranges[id],
    dial: (dial) => language.dials[dial],
    dialValue: (dial, value) => language.dialValue(dial, value, tell),
    side: (side) => language.sides[side],
    spot: language.spot,
    fault,
    faults: (all) =>
      all
        .map(fault)
        .map((one) => `${one.path}: ${one.words}`)
        .join(' '),
    length: tell.length,
    exact: tell.exact,
    caution,
    rules: (id, spots = []) => {
      const inForce = (cautionById(id)?.rules ?? []).filter(
        ({ where }) => !where || where.some((spot) => spots.includes(spot)),
      );
      const closer = new Set(inForce.flatMap(({ saysFor }) => saysFor ?? []));
      const told = inForce
        .filter(({ says }) => !closer.has(says))
        .map(({ says }) => reason({ code: 'caution', caution: id, rule: says, goAheadOn: null }));
      return [...new Set(told)];
    },
  };
}

const known = new Map<string, Words>();
/** The language that is spoken: the one place that names it. */
const chosen: Language = en;
/** The words of a language in some units; the same object each time. */
export function wordsIn(units: Units, language: Language = chosen): Words {
  const key = `${language.tag}/${units}`;
  const before = known.get(key);
  if (before) return before;
  const words = wording(units, language);
  known.set(key, words);
  return words;
}

/** A slot's name; a ramp has two ends, a pair two sides. */
export const slotName = (slot: SlotRef) => wordsIn('cm').slot(slot);
export const dialName = (dial: DialId) => wordsIn('cm').dial(dial);
export const rangeName = (id: RangeId) => wordsIn('cm').range(id);

/** A value of a way of reading: degrees, or a length in the teacher's units. */
export const valueIn = (unit: 'deg' | 'cm', value: number, units: Units): string =>
  unit === 'deg' ? `${value.toFixed(0)}°` : wordsIn(units).exact(value);

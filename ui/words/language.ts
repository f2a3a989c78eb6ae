import type { DialId } from '@/core/dials';
import type { Fault, FileFaults } from '@/core/formats/faults';
import type { PoseId } from '@/core/poses/poses';
import type { HeightReasons, Reasons } from '@/core/reasons';
import type { RangeId } from '@/core/ranges/ranges';
import type { CautionId, ReadingRuleId, RuleId } from '@/core/safety/ids';
import type { SlotId } from '@/core/slots';

/** How numbers are told: in the teacher's units, and by the language's own habits. */
export interface Telling {
  /** A height or length, in half centimetres or quarter inches. */
  readonly length: (cm: number) => string;
  /** A measured length inside a reckoning, to the millimetre. */
  readonly exact: (cm: number) => string;
  /** The same without its unit, for a formula. */
  readonly number: (cm: number) => string;
  /** The unit of lengths by its whole name, and how long it is. */
  readonly unit: string;
  readonly short: string;
  readonly unitCm: number;
  readonly day: (on: string) => string;
}

/** One sentence or part of it for each code, from its numbers. */
export type Worded<T> = {
  readonly [K in keyof T]: (numbers: Readonly<T[K]>, tell: Telling) => string;
};

/** Why a slot stands so high, from its numbers and whether anything lies there: nobody can leave that out. */
export type HeightWords = {
  readonly [K in keyof HeightReasons]: (
    numbers: Readonly<HeightReasons[K]>,
    tell: Telling,
    lies: boolean,
  ) => string;
};

/** What is wrong in a file, by code, in the file's own names. */
export type FaultWords = {
  readonly [K in keyof FileFaults]: (about: Readonly<FileFaults[K]>) => string;
};

interface CautionWords {
  readonly name: string;
  readonly question: string;
  /** Before what a rule says: "Sore knee". */
  readonly short: string;
  readonly refer: string;
}

/** Everything that one language has to say: a second one is a second object of this shape. */
export interface Language {
  readonly tag: string;
  readonly units: Readonly<Record<'cm' | 'in', string>>;
  readonly unitNames: Readonly<Record<'cm' | 'in', string>>;
  readonly slots: Readonly<Record<SlotId, string>>;
  readonly dials: Readonly<Record<DialId, string>>;
  /** What a dial is set to: degrees by eye, or a length. */
  readonly dialValue: (dial: DialId, value: number, tell: Pick<Telling, 'length'>) => string;
  readonly rampEnds: Readonly<Record<'low' | 'high', string>>;
  readonly ranges: Readonly<Record<RangeId, string>>;
  /** A spot on the body as it was kept, with its side. */
  readonly spot: (kept: string) => string;
  readonly sides: Readonly<Record<'left' | 'right' | 'both', string>>;
  readonly heights: HeightWords;
  readonly reasons: Worded<Reasons>;
  readonly cautions: Readonly<Record<CautionId, CautionWords>>;
  readonly rules: Readonly<Record<RuleId | ReadingRuleId, string>>;
  /** What a student is told at home of a rule that speaks to a teacher. */
  readonly rulesAtHome: Readonly<Partial<Record<RuleId, string>>>;
  readonly faults: FaultWords;
  /** Where in a file something is wrong: its line, its field, or all of it. */
  readonly faultPlace: (fault: Fault) => string;
  /** Why another pose serves better, for each pose that says so. */
  readonly tooHigh: Readonly<Partial<Record<PoseId, (height: string) => string>>>;
}

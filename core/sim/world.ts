import { reading, trial } from '../parameters';
import type { SessionPose } from '../formats/book';
import type { Chance } from './chance';

/** Worlds in which simulated students live: the planner's own, and one that is not. */
export const worldIds = ['own', 'other'] as const;
export type WorldId = (typeof worldIds)[number];

/** What one student's weeks are made of, drawn once. */
export interface Life {
  /** How far the ranges of the next day lie off their level, in degrees. */
  readonly swing: (chance: Chance) => number;
  /** What the reader adds to every reading, in degrees. */
  readonly readerBiasDeg: number;
  /** Whether this student comes in a week. */
  readonly comes: (week: number, chance: Chance) => boolean;
  /** Weeks of growth after one more week. */
  readonly grown: (weeks: number, practised: boolean) => number;
  /** Degrees lost in a week by a fall or a setback, got back little by little. */
  readonly setback: (chance: Chance) => number;
  /** Whether a step that is tried for two breaths speaks: too low it may be missed, high enough it may be invented. */
  readonly speaks: (tooLow: boolean, chance: Chance) => boolean;
  /** What was felt, as it is told: a signal may be missed, or raised where there was none. */
  readonly told: (outcome: SessionPose, chance: Chance) => SessionPose;
}

export interface World {
  /** Spread of a body's lengths about the usual share of stature, which the planner does not know. */
  readonly lengthSpread: number;
  /** Spread, in cm, of what no range and no parameter explains. */
  readonly quirkSdCm: number;
  /** What the teacher's eye misses of one student's pelvis. */
  readonly eye: (chance: Chance) => { readonly unseenTiltCm?: number };
  readonly life: (chance: Chance) => Life;
}

/** Of all evenings: some come always, some every other time. */
const [COMES_LEAST, COMES_MOST] = [0.5, 1];
/** Weeks of growth lost in a week without practice; what was there at the start is never lost. */
const WANES_BY = 0.7;
const grown = (weeks: number, practised: boolean) =>
  Math.max(0, practised ? weeks + 1 : weeks - WANES_BY);
const attending = (chance: Chance) => COMES_LEAST + chance.uniform() * (COMES_MOST - COMES_LEAST);

/** The planner's own assumptions: its swing, its readings, growth without end, feelings that never lie. */
const own: World = {
  lengthSpread: 0,
  quirkSdCm: 2,
  eye: () => ({}),
  life: (birth) => {
    const attends = attending(birth);
    return {
      swing: (chance) => chance.normal(0, reading.daySwing.value),
      readerBiasDeg: 0,
      comes: (week, chance) => week === 0 || chance.uniform() < attends,
      grown,
      setback: () => 0,
      speaks: (tooLow, chance) =>
        chance.uniform() < (tooLow ? 1 - trial.missed.value : trial.falseWord.value),
      told: (outcome) => outcome,
    };
  },
};

/** What the planner does not assume; figures of the kind that is seen, none of them tuned. */
const elsewhere = {
  lengthSpread: 0.035,
  quirkSdCm: 3,
  /** A student's own swing, from day to day and lingering. */
  swingDeg: [2, 6],
  lingers: 0.5,
  readerSdDeg: 4,
  /** Growth ends after so many weeks. */
  plateauWeeks: [8, 40],
  holiday: { chance: 0.03, weeks: 4 },
  fall: { chance: 0.01, deg: [5, 12], backPerWeek: 0.15 },
  /** What one body calls 4 another calls 3 or 5, and some feel every centimetre where others hardly notice three. */
  toneSd: 1,
  toneScale: [0.5, 1.5],
  unseenTiltCm: [1, 5],
  missed: 0.2,
  falseAlarm: 0.03,
  /** Of two breaths on a step: some say nothing of what is too low, some speak of what is not. */
  missedTrying: [0.2, 0.5],
  inventedTrying: [0.02, 0.1],
} as const;

const between = ([least, most]: readonly [number, number], chance: Chance) =>
  least + chance.uniform() * (most - least);

/** A muscle's feeling at the edge, about which each student's own measure turns. */
const TONE_ABOUT = 3.5;
const inItsTone = (outcome: SessionPose, tone: number, scale: number): SessionPose => {
  const felt = outcome.feeling.strength ?? TONE_ABOUT;
  const strength = Math.round(TONE_ABOUT + tone + scale * (felt - TONE_ABOUT));
  return {
    ...outcome,
    feeling: { ...outcome.feeling, strength: Math.max(1, Math.min(9, strength)) },
  };
};

const other: World = {
  lengthSpread: elsewhere.lengthSpread,
  quirkSdCm: elsewhere.quirkSdCm,
  eye: (chance) => ({ unseenTiltCm: between(elsewhere.unseenTiltCm, chance) }),
  life: (birth) => {
    const attends = attending(birth);
    const swingSd = between(elsewhere.swingDeg, birth);
    const plateau = between(elsewhere.plateauWeeks, birth);
    const readerBiasDeg = birth.normal(0, elsewhere.readerSdDeg);
    const { lingers, holiday, fall, missed, falseAlarm } = elsewhere;
    const tone = birth.normal(0, elsewhere.toneSd);
    const scale = between(elsewhere.toneScale, birth);
    let swing = birth.normal(0, swingSd);
    const [missedTrying, inventedTrying] = [
      between(elsewhere.missedTrying, birth),
      between(elsewhere.inventedTrying, birth),
    ];
    let away = 0;
    let lostDeg = 0;
    return {
      swing: (chance) => {
        swing = lingers * swing + Math.sqrt(1 - lingers ** 2) * chance.normal(0, swingSd);
        return swing;
      },
      readerBiasDeg,
      comes: (week, chance) => {
        const [leaves, comes] = [chance.uniform() < holiday.chance, chance.uniform() < attends];
        if (leaves && week > 0) away = holiday.weeks;
        away = Math.max(0, away - 1);
        return week === 0 || (away === 0 && comes);
      },
      grown: (weeks, practised) => Math.min(plateau, grown(weeks, practised)),
      setback: (chance) => {
        const [falls, deg] = [chance.uniform() < fall.chance, between(fall.deg, chance)];
        lostDeg = (falls ? lostDeg + deg : lostDeg) * (1 - fall.backPerWeek);
        return lostDeg;
      },
      speaks: (tooLow, chance) => chance.uniform() < (tooLow ? 1 - missedTrying : inventedTrying),
      told: (felt, chance) => {
        const outcome = inItsTone(felt, tone, scale);
        const [misses, invents] = [chance.uniform() < missed, chance.uniform() < falseAlarm];
        const speaks = outcome.feeling.place === 'joint' || outcome.pelvis === 'rolled';
        if (speaks && misses)
          return {
            ...outcome,
            feeling: { strength: 4, place: 'muscle' },
            pelvis: 'upright',
            breath: 'easy',
            heldSeconds: outcome.plannedSeconds ?? outcome.heldSeconds,
          };
        return !speaks && invents
          ? { ...outcome, feeling: { strength: 4, place: 'joint' } }
          : outcome;
      },
    };
  },
};

export const worlds: Readonly<Record<WorldId, World>> = { own, other };

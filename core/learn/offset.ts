import { normalCdf } from '../normal';
import { offset as parameter, trial } from '../parameters';

/**
 * What one session says of a height: `enough` (it went well), `tooLow` (the body asked for more), `settled` (the
 * teacher chose it against the advice), or `nothing` but what was tried.
 */
export interface HeightEvidence {
  readonly says: 'enough' | 'tooLow' | 'settled' | 'nothing';
  /** Height that lay there less the height reckoned for that day. */
  readonly overReckonedCm: number;
  /** How strongly what was enough was felt, 0 to 10; none where nothing is said. */
  readonly strength?: number;
  /** What the swing of the day does to the height: what was enough that day may not be the next. */
  readonly swingCm?: number;
  /** Days since it was said; none where nothing is said. */
  readonly daysAgo?: number;
  /** Steps that were tried that day, which share its swing. */
  readonly trials?: readonly Tried[];
}

/** A step that was tried for a few breaths: its height less the height reckoned for that day, and whether it spoke. */
export interface Tried {
  readonly overReckonedCm: number;
  readonly word: boolean;
}

/** How likely a step says what it said, when it stands so much over the edge of its day. */
export function heardLikelihood(word: boolean, overEdgeCm: number): number {
  const high = normalCdf(overEdgeCm / trial.feltSd.value);
  const quiet = high * (1 - trial.falseWord.value) + (1 - high) * trial.missed.value;
  return word ? 1 - quiet : quiet;
}

/** The swing of a day in its spreads, evenly from one end to the other, with what each weighs. */
export const swingNodes: readonly { readonly at: number; readonly weight: number }[] = (() => {
  const at = Array.from({ length: 25 }, (_, i) => -3 + i * 0.25);
  const weights = at.map((one) => Math.exp(-0.5 * one * one));
  const total = weights.reduce((sum, one) => sum + one, 0);
  return at.map((one, i) => ({ at: one, weight: (weights[i] as number) / total }));
})();

/** What the model does not know about one body in one slot: reckoned height + offset is the height needed. */
export interface Offset {
  readonly meanCm: number;
  readonly sdCm: number;
  /** Sessions that spoke. */
  readonly looks: number;
  /** Chances over a grid of offsets, for what a mean and a spread cannot say. */
  readonly grid: Grid;
}

/** Chances of evenly spaced offsets, from the lowest up. */
interface Grid {
  readonly fromCm: number;
  readonly chances: Float64Array;
}

const STEP_CM = 0.25;
const HALF_WIDTH_SD = 4;
/** No single word rules an offset out. */
const LEAST_LOG = Math.log(1e-9);

/** How strongly a support so much over the edge is usually felt; over more than a hand's breadth hardly at all. */
const usuallyFelt = (overCm: number) =>
  Math.max(
    parameter.feltLeast.value,
    parameter.feltAtEdge.value - parameter.feltFades.value * overCm,
  );

/** What was felt once, weighed by how surely it speaks: by its age, and by the swing of its day. */
interface Felt {
  readonly strength: number;
  readonly overReckonedCm: number;
  readonly weight: number;
}
const feltIn = (one: HeightEvidence): Felt[] => {
  const { strength, overReckonedCm, swingCm = 0 } = one;
  if (strength === undefined) return [];
  const sd = Math.hypot(parameter.feltSd.value, parameter.feltFades.value * swingCm);
  return [{ strength, overReckonedCm, weight: weightOf(one) / (sd * sd) }];
};

/**
 * What was felt, as the logarithm of its likelihood for an offset. Each student has a measure of their own, which is
 * not known and the same in all sessions: what is felt alike at every height says little, what fades with height much.
 */
function logFelt(felt: readonly Felt[], offsetCm: number): number {
  let [precision, sum, squares] = [0, 0, 0];
  for (const { strength, overReckonedCm, weight } of felt) {
    const off = strength - usuallyFelt(overReckonedCm - offsetCm);
    precision += weight;
    sum += weight * off;
    squares += weight * off * off;
  }
  return -0.5 * (squares - (sum * sum) / (precision + 1 / parameter.measureSd.value ** 2));
}

/** How likely a hold says what it said, when its support stands so much over the edge, as surely as `sdCm`. */
function holdLikelihood(says: HeightEvidence['says'], overEdgeCm: number, sdCm: number): number {
  if (says === 'nothing') return 1;
  const held = normalCdf(overEdgeCm / sdCm);
  // What is told is now and then not so: no single word decides for months.
  const enough = held * (1 - parameter.falseAlarm.value) + (1 - held) * parameter.missed.value;
  return says === 'enough' ? enough : 1 - enough;
}

/** A day on which steps were tried: hold and steps share its swing, which is summed over. */
function logOfDay({ says, overReckonedCm, swingCm = 0, trials = [] }: HeightEvidence) {
  const sessionSd = parameter.sessionSd.value;
  return (offsetCm: number): number => {
    let sum = 0;
    for (const { at, weight } of swingNodes) {
      const edgeCm = offsetCm + at * swingCm;
      let likely = weight * holdLikelihood(says, overReckonedCm - edgeCm, sessionSd);
      for (const one of trials) likely *= heardLikelihood(one.word, one.overReckonedCm - edgeCm);
      sum += likely;
    }
    return Math.max(LEAST_LOG, Math.log(sum));
  };
}

/** What one session says, as the logarithm of its likelihood for an offset in cm. */
function logLikelihood(one: HeightEvidence): (offsetCm: number) => number {
  const { says, overReckonedCm, swingCm = 0, trials = [] } = one;
  if (trials.length > 0 && says !== 'settled') return logOfDay(one);
  const settledSd = parameter.readingSd.value;
  if (says === 'settled')
    return (cm) => Math.max(LEAST_LOG, -0.5 * ((overReckonedCm - cm) / settledSd) ** 2);
  const sd = Math.hypot(parameter.sessionSd.value, swingCm);
  return (cm) => Math.max(LEAST_LOG, Math.log(holdLikelihood(says, overReckonedCm - cm, sd)));
}

/** What was said long ago counts for less: a doubt that only ever shrank would hold a body to what it was. */
const weightOf = ({ daysAgo = 0 }: HeightEvidence) => 0.5 ** (daysAgo / parameter.halfLife.value);

/**
 * The offset after all sessions, by Bayes' rule on a grid.
 *
 * A height that went well only says "no more than this is needed"; taking it as the height needed would let a support
 * that is kept for caution's sake look like one that the body asks for, and it would never come down.
 *
 * @param priorSdCm spread before any session: what the model leaves out, and its own uncertain parameters.
 */
export function offsetFrom(evidence: readonly HeightEvidence[], priorSdCm: number): Offset {
  if (priorSdCm === 0)
    return { meanCm: 0, sdCm: 0, looks: 0, grid: { fromCm: 0, chances: Float64Array.of(1) } };
  if (evidence.length > 0) return weighed(evidence, priorSdCm);
  return new Unseen(priorSdCm);
}

/** Before any session, as in most slots of most plans: the grid is made only if a chance is asked of it. */
class Unseen implements Offset {
  readonly meanCm = 0;
  readonly looks = 0;
  private made: Grid | undefined;

  constructor(readonly sdCm: number) {}

  get grid(): Grid {
    return (this.made ??= weighed([], this.sdCm).grid);
  }
}

function weighed(evidence: readonly HeightEvidence[], priorSdCm: number): Offset {
  const steps = Math.ceil((HALF_WIDTH_SD * priorSdCm) / STEP_CM);
  const fromCm = -steps * STEP_CM;
  const chances = new Float64Array(2 * steps + 1);
  const spoken = evidence.map((one) => ({ log: logLikelihood(one), weight: weightOf(one) }));
  const felt = evidence.flatMap(feltIn);
  let top = -Infinity;
  for (let i = 0; i < chances.length; i++) {
    const cm = fromCm + i * STEP_CM;
    let log = -0.5 * (cm / priorSdCm) ** 2;
    for (const one of spoken) log += one.weight * one.log(cm);
    log += logFelt(felt, cm);
    chances[i] = log;
    if (log > top) top = log;
  }
  let total = 0;
  for (let i = 0; i < chances.length; i++)
    total += chances[i] = Math.exp((chances[i] as number) - top);
  let mean = 0;
  for (let i = 0; i < chances.length; i++) {
    const cm = fromCm + i * STEP_CM;
    const chance = (chances[i] as number) / total;
    chances[i] = chance;
    mean += chance * cm;
  }
  // Squares about the mean: a difference of two large sums may come out under 0.
  let variance = 0;
  for (let i = 0; i < chances.length; i++)
    variance += (chances[i] as number) * (fromCm + i * STEP_CM - mean) ** 2;
  return {
    meanCm: evidence.length === 0 ? 0 : mean,
    sdCm: Math.sqrt(variance),
    looks: evidence.length,
    grid: { fromCm, chances },
  };
}

/** Standard deviations of a height, downward and upward: the stiffer of two knees makes them differ. */
export interface Spread {
  readonly downCm: number;
  readonly upCm: number;
}

/** The chance that `cm` is high enough, given the reckoned height, the spread that the ranges leave, and the offset. */
export function chanceEnough(
  cm: number,
  reckonedCm: number,
  range: Spread,
  { grid }: Pick<Offset, 'grid'>,
): number {
  let enough = 0;
  for (let i = 0; i < grid.chances.length; i++) {
    const room = cm - reckonedCm - grid.fromCm - i * STEP_CM;
    const sd = room >= 0 ? range.upCm : range.downCm;
    enough += (grid.chances[i] as number) * (sd > 0 ? normalCdf(room / sd) : room >= 0 ? 1 : 0);
  }
  return enough;
}

/**
 * Today's chance that a height is enough, with what was tried today: the swing of the day is one for all of it.
 *
 * @param reckonedCm height under which the body says so, before what was learned.
 */
export function chanceToday(
  cm: number,
  reckonedCm: number,
  range: Spread,
  { grid }: Pick<Offset, 'grid'>,
  trials: readonly { readonly heightCm: number; readonly word: boolean }[],
): number {
  let [enough, all] = [0, 0];
  for (let i = 0; i < grid.chances.length; i++) {
    const chance = grid.chances[i] as number;
    if (chance < LEAST_CHANCE) continue;
    const levelCm = reckonedCm + grid.fromCm + i * STEP_CM;
    for (const { at, weight } of swingNodes) {
      const edgeCm = levelCm + at * (at >= 0 ? range.upCm : range.downCm);
      let likely = chance * weight;
      for (const one of trials) likely *= heardLikelihood(one.word, one.heightCm - edgeCm);
      all += likely;
      if (cm >= edgeCm) enough += likely;
    }
  }
  return all > 0 ? enough / all : 0;
}
/** What is less likely is left out. */
const LEAST_CHANCE = 1e-6;

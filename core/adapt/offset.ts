import { normalCdf } from '../normal';
import { offset as parameter } from '../parameters';

/**
 * What one session says of a height: `enough` (it went well), `tooLow` (the body asked for more), or `settled` (the
 * teacher found this height by trying, or chose it against the advice).
 */
export interface HeightEvidence {
  readonly says: 'enough' | 'tooLow' | 'settled';
  /** Height that lay there less the height reckoned for that day. */
  readonly overReckonedCm: number;
}

/** What the model does not know about one body in one slot: reckoned height + offset is the height needed. */
export interface Offset {
  readonly meanCm: number;
  readonly sdCm: number;
  /** Sessions that spoke. */
  readonly looks: number;
  /** Chances over a grid of offsets, for what a mean and a spread cannot say. */
  readonly grid: Grid;
}

type Grid = readonly { readonly cm: number; readonly chance: number }[];

const STEP_CM = 0.25;
const HALF_WIDTH_SD = 4;

function likelihood({ says, overReckonedCm }: HeightEvidence, offsetCm: number): number {
  if (says === 'settled') return Math.exp(-0.5 * ((overReckonedCm - offsetCm) / parameter.readingSd.value) ** 2);
  const enough = normalCdf((overReckonedCm - offsetCm) / parameter.sessionSd.value);
  return says === 'enough' ? enough : 1 - enough;
}

/**
 * The offset after all sessions, by Bayes' rule on a grid.
 *
 * A height that went well only says "no more than this is needed"; taking it as the height needed would let a support
 * that is kept for caution's sake look like one that the body asks for, and it would never come down.
 *
 * @param priorSdCm spread before any session: what the model leaves out, and its own uncertain parameters.
 */
export function offsetFrom(evidence: readonly HeightEvidence[], priorSdCm: number): Offset {
  if (priorSdCm === 0) return { meanCm: 0, sdCm: 0, looks: 0, grid: [{ cm: 0, chance: 1 }] };
  if (evidence.length > 0) return weighed(evidence, priorSdCm);
  // Most slots of most plans: the grid is made only if a chance is asked of it.
  let grid: Grid | undefined;
  return {
    meanCm: 0, sdCm: priorSdCm, looks: 0,
    get grid() {
      return (grid ??= weighed([], priorSdCm).grid);
    },
  };
}

function weighed(evidence: readonly HeightEvidence[], priorSdCm: number): Offset {
  const steps = Math.ceil((HALF_WIDTH_SD * priorSdCm) / STEP_CM);
  const weights = Array.from({ length: 2 * steps + 1 }, (_, i) => {
    const cm = (i - steps) * STEP_CM;
    // Logs, since fifty sessions multiply to numbers too small to hold.
    const log = evidence.reduce((sum, one) => sum + Math.log(Math.max(1e-9, likelihood(one, cm))), -0.5 * (cm / priorSdCm) ** 2);
    return { cm, log };
  });
  const top = Math.max(...weights.map(({ log }) => log));
  const raw = weights.map(({ cm, log }) => ({ cm, chance: Math.exp(log - top) }));
  const total = raw.reduce((sum, { chance }) => sum + chance, 0);
  const grid = raw.map(({ cm, chance }) => ({ cm, chance: chance / total }));
  const meanCm = evidence.length === 0 ? 0 : grid.reduce((sum, { cm, chance }) => sum + cm * chance, 0);
  const variance = grid.reduce((sum, { cm, chance }) => sum + chance * (cm - meanCm) ** 2, 0);
  return { meanCm, sdCm: Math.sqrt(variance), looks: evidence.length, grid };
}

/** Standard deviations of a height, downward and upward: the stiffer of two knees makes them differ. */
export interface Spread {
  readonly downCm: number;
  readonly upCm: number;
}

/** The chance that `cm` is high enough, given the reckoned height, the spread that the ranges leave, and the offset. */
export function chanceEnough(cm: number, reckonedCm: number, range: Spread, { grid }: Pick<Offset, 'grid'>): number {
  return grid.reduce((sum, { cm: offsetCm, chance }) => {
    const room = cm - reckonedCm - offsetCm;
    const sd = room >= 0 ? range.upCm : range.downCm;
    return sum + chance * (sd > 0 ? normalCdf(room / sd) : room >= 0 ? 1 : 0);
  }, 0);
}

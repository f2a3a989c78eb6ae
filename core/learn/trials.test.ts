import fc from 'fast-check';
import { normalCdf } from '../normal';
import { offset as parameter, trial } from '../parameters';
import { chanceEnough, chanceToday, offsetFrom, type HeightEvidence } from './offset';
import { trialLadder, type TriedToday } from './trialLadder';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const tried = fc.array(fc.record({ overReckonedCm: between(-8, 8), word: fc.boolean() }), {
  minLength: 1,
  maxLength: 4,
});
const session = fc.record({
  says: fc.constantFrom<'enough' | 'tooLow' | 'nothing'>('enough', 'tooLow', 'nothing'),
  overReckonedCm: between(-6, 8),
  swingCm: between(0.2, 4),
  trials: tried,
});
const PRIOR_CM = 4;

/** The mean offset after some days, by sums over a fine grid of offsets and of each day's swing. */
function bruteMean(days: readonly HeightEvidence[]): number {
  let [total, mean] = [0, 0];
  for (let cm = -4 * PRIOR_CM; cm <= 4 * PRIOR_CM; cm += 0.1) {
    let likely = Math.exp(-0.5 * (cm / PRIOR_CM) ** 2);
    for (const { says, overReckonedCm, swingCm = 0, trials = [] } of days) {
      let day = 0;
      let weights = 0;
      for (let z = -5; z <= 5; z += 0.05) {
        const weight = Math.exp(-0.5 * z * z);
        const edge = cm + z * swingCm;
        const held = normalCdf((overReckonedCm - edge) / parameter.sessionSd.value);
        const enough =
          held * (1 - parameter.falseAlarm.value) + (1 - held) * parameter.missed.value;
        let all = says === 'nothing' ? 1 : says === 'enough' ? enough : 1 - enough;
        for (const one of trials) {
          const high = normalCdf((one.overReckonedCm - edge) / trial.feltSd.value);
          const quiet = high * (1 - trial.falseWord.value) + (1 - high) * trial.missed.value;
          all *= one.word ? 1 - quiet : quiet;
        }
        day += weight * all;
        weights += weight;
      }
      likely *= day / weights;
    }
    total += likely;
    mean += likely * cm;
  }
  return mean / total;
}

test('what was tried in a day is weighed as the whole sum over its swing would', () =>
  fc.assert(
    fc.property(fc.array(session, { minLength: 1, maxLength: 3 }), (days) => {
      expect(offsetFrom(days, PRIOR_CM).meanCm).toBeCloseTo(bruteMean(days), 1);
    }),
    { numRuns: 40 },
  ));

test('in whichever order steps were tried in a day, it comes to the same', () =>
  fc.assert(
    fc.property(session, (day) => {
      const turned = { ...day, trials: [...day.trials].reverse() };
      expect(offsetFrom([turned], PRIOR_CM).meanCm).toBeCloseTo(
        offsetFrom([day], PRIOR_CM).meanCm,
        9,
      );
    }),
  ));

test('quiet steps never make more of a height seem needed, and a word never less', () =>
  fc.assert(
    fc.property(session, between(-6, 8), (day, overReckonedCm) => {
      const bare: HeightEvidence = { ...day, trials: [] };
      const mean = (word: boolean) =>
        offsetFrom([{ ...bare, trials: [{ overReckonedCm, word }] }], PRIOR_CM).meanCm;
      const without = offsetFrom([bare], PRIOR_CM).meanCm;
      expect(mean(false)).toBeLessThanOrEqual(without + 0.03);
      expect(mean(true)).toBeGreaterThanOrEqual(without - 0.03);
    }),
  ));

test('with nothing tried, today is a day like any other', () =>
  fc.assert(
    fc.property(between(-5, 10), between(0.3, 3), between(0.3, 3), (cm, downCm, upCm) => {
      const offset = offsetFrom([{ says: 'enough', overReckonedCm: 3 }], PRIOR_CM);
      const range = { downCm, upCm };
      expect(
        Math.abs(chanceToday(cm, 0, range, offset, []) - chanceEnough(cm, 0, range, offset)),
      ).toBeLessThan(0.03);
    }),
  ));

describe('a ladder of steps', () => {
  const steps = [12, 10, 8, 6].map((heightCm) => ({ pieces: [], heightCm }));
  const up = { pieces: [], heightCm: 14 };
  /** An edge that is not known, and what was tried, as an offset gives it. */
  const around = (edgeCm: number, swingCm: number) => {
    const offset = offsetFrom([{ says: 'nothing', overReckonedCm: 0 }], PRIOR_CM);
    const range = { downCm: swingCm, upCm: swingCm };
    return (cm: number, those: readonly TriedToday[]) =>
      chanceToday(cm, edgeCm, range, offset, those);
  };

  test('goes down only as long as the next step is likely enough, and holds no less than was quiet', () =>
    fc.assert(
      fc.property(between(-4, 14), between(0.5, 3), between(0.3, 0.9), (edge, swing, asked) => {
        const chance = around(edge, swing);
        const ladder = trialLadder({ steps, up, chance, asked, looks: 4, held: 0.93 });
        if (!ladder) return;
        const { tries, afterWord, afterQuiet } = ladder;
        tries.slice(1).forEach(({ heightCm }, at) => {
          const before = tries.slice(0, at + 1).map((one) => ({ ...one, word: false }));
          expect(chance(heightCm, before)).toBeGreaterThanOrEqual(asked);
        });
        afterWord.forEach((held, at) => {
          expect(held.heightCm).toBeGreaterThan(tries[at]!.heightCm);
          if (at > 0) expect(held.heightCm).toBeLessThanOrEqual(steps[0]!.heightCm);
        });
        expect(tries).toContain(afterQuiet);
      }),
    ));

  test('is none where the first step down is not likely, or nothing lies under the start', () => {
    const common = { up, looks: 4, held: null, asked: 0.7 };
    expect(trialLadder({ ...common, steps, chance: () => 0.69 })).toBeNull();
    expect(trialLadder({ ...common, steps: steps.slice(0, 1), chance: () => 1 })).toBeNull();
    expect(trialLadder({ ...common, steps, chance: () => 1 })?.tries).toEqual(steps);
  });

  test('at the start a word is answered by one step up, or by the start where there is none', () => {
    const common = { steps, looks: 2, held: null, asked: 0.5, chance: () => 1 };
    expect(trialLadder({ ...common, up })?.afterWord).toEqual([up, steps[0]]);
    expect(trialLadder({ ...common, up: null })?.afterWord).toEqual([steps[0], steps[0]]);
  });
});

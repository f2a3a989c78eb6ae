import { gateKey } from '../approaches/approaches';
import { poses } from '../poses/poses';
import type { LocalDay } from '../formats/time';
import type { Person, Reading } from '../formats/book';
import { protocolOf } from '../protocols/protocols';
import { keysOf, splitKey, type RangeId } from '../ranges/ranges';
import { shownFor } from './student';

/** Four bodies at the ends of what there is, and one in the middle, to look at a pose with. */
export const exampleBodyIds = ['usual', 'short', 'tall', 'stiff', 'free'] as const;
export type ExampleBodyId = (typeof exampleBodyIds)[number];

export interface ExampleBody {
  readonly id: ExampleBodyId;
  readonly words: string;
  readonly statureCm: number;
  /** Ranges that are not the usual ones; both sides alike. */
  readonly values: Readonly<Partial<Record<RangeId, number>>>;
}

export const exampleBodies: readonly ExampleBody[] = [
  { id: 'usual', words: 'Usual', statureCm: 170, values: {} },
  { id: 'short', words: 'Short', statureCm: 145, values: {} },
  { id: 'tall', words: 'Tall', statureCm: 205, values: {} },
  {
    id: 'stiff',
    words: 'Stiff',
    statureCm: 170,
    values: {
      hamstring: 32,
      'kneeFlexion.hipBent': 100,
      'kneeFlexion.prone': 85,
      hipFlexion: 92,
      hipRotation: 36,
      hipSpread: 20,
      hipExtension: -12,
      ankleBend: 8,
      anklePoint: 28,
      spineFold: 18,
      armReach: 120,
    },
  },
  {
    id: 'free',
    words: 'Free',
    statureCm: 170,
    values: {
      hamstring: 100,
      'kneeFlexion.hipBent': 162,
      'kneeFlexion.prone': 152,
      hipFlexion: 140,
      hipRotation: 92,
      hipSpread: 72,
      hipExtension: 28,
      ankleBend: 45,
      anklePoint: 76,
      spineFold: 80,
      armReach: 180,
    },
  },
];

/** Every pose is looked at, whatever must come first. */
const everythingOpen = Object.fromEntries(poses.map(({ id }) => [gateKey(id), 'open']));

/** The record of such a body: every range that is set was read three times on one day. */
export function exampleRecord(
  { id, words, statureCm, values }: ExampleBody,
  day: LocalDay,
): { person: Person; readings: Reading[]; sessions: [] } {
  const person: Person = {
    id,
    name: words,
    statureCm,
    bodyCm: {},
    sex: 'unknown',
    cautions: [],
    approach: 'built-up-alignment',
    choices: everythingOpen,
    home: [],
    veryMobile: false,
  };
  const readings = Object.entries(values).flatMap(([range, value]) =>
    keysOf(range as RangeId).map((key): Reading => {
      const { side } = splitKey(key);
      const method = protocolOf(range as RangeId, 'protractor') ? 'protractor' : 'phone-tilt';
      const shown = shownFor(range as RangeId, method, value);
      return {
        id: key,
        person: id,
        range: range as RangeId,
        side: side === 'both' ? 'left' : side,
        method,
        values: [shown, shown, shown],
        at: day,
        warm: false,
        note: '',
      };
    }),
  );
  return { person, readings, sessions: [] };
}

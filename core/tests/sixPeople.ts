import { gateKey, type ApproachId } from '../approaches/approaches';
import type { StudentRecord } from '../estimate/estimate';
import type { Person, Reading } from '../formats/book';
import { crossLegged } from '../parameters';
import { poses } from '../poses/poses';
import { ranges, sides, type RangeId } from '../ranges/ranges';
import { samplePerson, sampleReading } from './samples';

/** Six ordinary people, as measured: degrees by range, alike on both sides unless said. */
export const sixPeople = {
  runner: {
    statureCm: 178,
    sex: 'man',
    ranges: {
      hamstring: 42,
      'kneeFlexion.hipBent': 143,
      'kneeFlexion.prone': 122,
      hipRotation: 58,
      hipSpread: 34,
      hipFlexion: 114,
      hipExtension: 4,
      ankleBend: 28,
      anklePoint: 48,
      spineFold: 40,
      armReach: 165,
    },
  },
  'desk worker': {
    statureCm: 170,
    sex: 'woman',
    ranges: {
      hamstring: 52,
      'kneeFlexion.hipBent': 146,
      'kneeFlexion.prone': 128,
      hipRotation: 62,
      hipSpread: 38,
      hipFlexion: 115,
      hipExtension: 5,
      ankleBend: 28,
      anklePoint: 55,
      spineFold: 45,
      armReach: 158,
    },
  },
  dancer: {
    statureCm: 166,
    sex: 'woman',
    ranges: {
      hamstring: 96,
      'kneeFlexion.hipBent': 157,
      'kneeFlexion.prone': 148,
      hipRotation: 88,
      hipSpread: 66,
      hipFlexion: 138,
      hipExtension: 24,
      ankleBend: 40,
      anklePoint: 76,
      spineFold: 66,
      armReach: 180,
    },
  },
  'a woman of 70': {
    statureCm: 160,
    sex: 'woman',
    ranges: {
      hamstring: 56,
      'kneeFlexion.hipBent': 132,
      'kneeFlexion.prone': 112,
      hipRotation: 55,
      hipSpread: 32,
      hipFlexion: 106,
      hipExtension: 0,
      ankleBend: 22,
      anklePoint: 44,
      spineFold: 32,
      armReach: 145,
    },
  },
  'a large man': {
    statureCm: 184,
    sex: 'man',
    bodyCm: { seatToHip: 12.5, hipWidth: 42 },
    ranges: {
      hamstring: 50,
      'kneeFlexion.hipBent': 128,
      'kneeFlexion.prone': 112,
      hipRotation: 56,
      hipSpread: 35,
      hipFlexion: 98,
      hipExtension: 4,
      ankleBend: 27,
      anklePoint: 46,
      spineFold: 34,
      armReach: 155,
    },
  },
  'a teenager of 17': {
    statureCm: 172,
    sex: 'man',
    ranges: {
      hamstring: 50,
      'kneeFlexion.hipBent': 151,
      'kneeFlexion.prone': 136,
      hipRotation: 64,
      hipSpread: 42,
      hipFlexion: 122,
      hipExtension: 9,
      ankleBend: 34,
      anklePoint: 58,
      spineFold: 50,
      armReach: 172,
    },
  },
} as const satisfies Readonly<
  Record<
    string,
    Pick<Person, 'statureCm' | 'sex'> & Partial<Pick<Person, 'bodyCm'>> & { ranges: object }
  >
>;
export type OneOfSix = keyof typeof sixPeople;

/** What a table edge reads of a rotation, which is less than a crossed seat uses. */
const onTableEdge = (range: RangeId, deg: number) =>
  range === 'hipRotation' ? deg - crossLegged.flatFootRotation.value : deg;

/** One of the six who has practised before, read often enough for the reading to be what is believed. */
export function recordOfSix(
  name: OneOfSix,
  approach: ApproachId = 'built-up-alignment',
): StudentRecord {
  const { ranges: read, ...body } = sixPeople[name];
  const readings = (Object.entries(read) as [RangeId, number][]).flatMap(([range, deg]) =>
    (ranges[range].sided ? sides : (['left'] as const)).flatMap((side) =>
      ['2026-01-05', '2026-01-12', '2026-01-19'].map((at): Reading =>
        sampleReading({
          id: `${range}-${side}-${at}`,
          range,
          side,
          at,
          values: Array.from({ length: 3 }, () => onTableEdge(range, deg)),
        }),
      ),
    ),
  );
  const choices = Object.fromEntries(poses.map(({ id }) => [gateKey(id), 'practised']));
  return {
    person: samplePerson({ ...body, approach, choices, veryMobile: false } as Partial<Person>),
    readings,
    sessions: [],
  };
}

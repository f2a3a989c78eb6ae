import type { Person } from '@/core/formats/book';
import type { InputValues } from '@/core/geometry/inputs';
import { cautions } from '@/core/safety/cautions';
import type { Sex } from '@/core/ranges/ranges';
import type { ApproachId } from '@/core/approaches/approaches';

/** A member of the club, invented, with how often they come and what is set by hand. */
export interface Member {
  readonly person: Person;
  /** Chance of coming to one of the weekly evenings. */
  readonly comes: number;
  /** True ranges set by hand; the rest is drawn. */
  readonly truth: InputValues;
  /** Evenings between which they stayed away. */
  readonly gap?: readonly [number, number];
  /** Poses done beside the commonest five. */
  readonly also?: readonly string[];
  /** Kept at one height by the teacher. */
  readonly neverLower?: boolean;
}

interface Short {
  readonly id: string;
  readonly name: string;
  readonly statureCm: number;
  readonly sex: Sex;
  readonly birthYear: number;
  readonly yes?: readonly string[];
  readonly open?: readonly string[];
  readonly approach?: ApproachId;
  readonly more?: Partial<Person>;
}

const ASKED_AT = '2026-01-05';

/** Everybody answered the intake, apart from what is left open. */
function person({
  id,
  name,
  statureCm,
  sex,
  birthYear,
  yes = [],
  open = [],
  approach = 'built-up-alignment',
  more = {},
}: Short): Person {
  return {
    id,
    name,
    statureCm,
    sex,
    birthYear,
    bodyCm: {},
    approach,
    choices: {},
    home: [],
    cautions: cautions
      .filter((one) => !open.includes(one.id))
      .map((one) => ({
        id: one.id,
        answer: yes.includes(one.id) ? ('yes' as const) : ('no' as const),
        at: ASKED_AT,
        ...(one.sided && yes.includes(one.id) ? { side: 'left' as const } : {}),
      })),
    ...more,
  };
}

const bothSides = (
  range: 'hamstring' | 'kneeFlexion.hipBent' | 'kneeFlexion.prone',
  left: number,
  right: number,
): InputValues => ({ [`${range}:left`]: left, [`${range}:right`]: right });

/** A dozen rowers of all ages and proportions. */
export const members: readonly Member[] = [
  {
    person: person({
      id: 'p-marit',
      name: 'Marit Osei',
      statureCm: 168,
      sex: 'woman',
      birthYear: 1978,
    }),
    comes: 0.92,
    truth: {
      ...bothSides('hamstring', 52, 57),
      ...bothSides('kneeFlexion.hipBent', 131, 136),
      ...bothSides('kneeFlexion.prone', 121, 125),
    },
  },
  {
    person: person({
      id: 'p-tobiah',
      name: 'Tobiah Renn',
      statureCm: 193,
      sex: 'man',
      birthYear: 1991,
      more: { bodyCm: { thigh: 49.5, shin: 50 } },
    }),
    comes: 0.8,
    truth: { ...bothSides('hamstring', 41, 43), ...bothSides('kneeFlexion.hipBent', 138, 137) },
    also: ['head-to-knee'],
  },
  {
    person: person({
      id: 'p-ines',
      name: 'Ines Calloway',
      statureCm: 154,
      sex: 'woman',
      birthYear: 1966,
      yes: ['knee-meniscus'],
    }),
    comes: 0.85,
    truth: { ...bothSides('kneeFlexion.hipBent', 118, 139), ...bothSides('hamstring', 66, 64) },
  },
  {
    person: person({
      id: 'p-gunnar',
      name: 'Gunnar Aldous',
      statureCm: 181,
      sex: 'man',
      birthYear: 1957,
      yes: ['low-back-disc'],
    }),
    comes: 0.75,
    truth: bothSides('hamstring', 44, 47),
    gap: [5, 8],
    also: ['leg-up'],
  },
  {
    person: person({
      id: 'p-lulu',
      name: 'Lulu Ferrant',
      statureCm: 172,
      sex: 'woman',
      birthYear: 1999,
      yes: ['very-mobile'],
      more: { veryMobile: true },
    }),
    comes: 0.9,
    truth: {
      ...bothSides('hamstring', 92, 94),
      ...bothSides('kneeFlexion.hipBent', 156, 157),
      ...bothSides('kneeFlexion.prone', 149, 150),
    },
    neverLower: true,
  },
  {
    person: person({
      id: 'p-bram',
      name: 'Bram Okonjo-Vale',
      statureCm: 176,
      sex: 'man',
      birthYear: 1984,
      open: ['head-pressure', 'shoulder', 'recent-or-unexplained'],
    }),
    comes: 0.7,
    truth: {},
  },
  {
    person: person({
      id: 'p-saoirse',
      name: 'Saoirse Lindqvist',
      statureCm: 163,
      sex: 'woman',
      birthYear: 1989,
      yes: ['pregnancy'],
    }),
    comes: 0.6,
    truth: {},
  },
  {
    person: person({
      id: 'p-dario',
      name: 'Dario Whitlock',
      statureCm: 170,
      sex: 'man',
      birthYear: 1971,
      yes: ['hip-replacement'],
    }),
    comes: 0.65,
    truth: bothSides('hamstring', 55, 50),
  },
  {
    person: person({
      id: 'p-hettie',
      name: 'Hettie Marchbanks',
      statureCm: 159,
      sex: 'woman',
      birthYear: 1949,
      yes: ['osteoporosis', 'knee-arthritis'],
      approach: 'chair-and-recovery',
    }),
    comes: 0.95,
    truth: bothSides('kneeFlexion.hipBent', 115, 121),
    also: ['chair-seat', 'chair-hinge'],
  },
  {
    person: person({
      id: 'p-yusuf',
      name: 'Yusuf Bellamy',
      statureCm: 186,
      sex: 'man',
      birthYear: 1995,
      approach: 'long-quiet-holds',
    }),
    comes: 0.8,
    truth: bothSides('hamstring', 61, 58),
    also: ['pigeon', 'easy-cross'],
  },
  {
    person: person({
      id: 'p-oona',
      name: 'Oona Prewitt',
      statureCm: 166,
      sex: 'woman',
      birthYear: 1982,
      approach: 'breath-paced',
    }),
    comes: 0.85,
    truth: { ...bothSides('hamstring', 73, 75), ...bothSides('kneeFlexion.hipBent', 148, 147) },
    also: ['open-book', 'child', 'squat'],
  },
  {
    person: person({
      id: 'p-cassian',
      name: 'Cassian Moor',
      statureCm: 178,
      sex: 'man',
      birthYear: 1976,
      open: ['hip-replacement', 'low-back-disc', 'sciatica', 'hamstring-origin'],
    }),
    comes: 0.3,
    truth: {},
  },
];

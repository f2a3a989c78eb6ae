import type { CautionAnswer } from '../formats/book';
import { dayOf } from '../formats/time';
import { protocolsOf, type MethodId, type Protocol } from '../ranges/protocols';
import type { RangeId, ReadingSide } from '../ranges/ranges';
import { cautionById } from './cautions';
import { yesOf } from './verdict';

/** What a caution does to a way of reading: leave it out, or take care. */
export interface ReadingEffect {
  readonly on: 'all' | readonly string[];
  readonly leaveOut: boolean;
  readonly words: string;
}

const leaveOut = (on: ReadingEffect['on'], words: string): ReadingEffect => ({
  on,
  leaveOut: true,
  words,
});
const takeCare = (on: ReadingEffect['on'], words: string): ReadingEffect => ({
  on,
  leaveOut: false,
  words,
});

const RAISES = ['straight-leg-raise.pelvis-watched', 'straight-leg-raise.first-pull'] as const;
const STRETCHED = [
  ...RAISES,
  'knee-extension-90',
  'fingertip-floor',
  'pelvic-tilt.long-sit',
] as const;
const KNEE_BENDS = [
  'knee-bend.on-back',
  'heel-to-seat',
  'knee-bend.face-down',
  'heel-to-seat.face-down',
  'thigh-to-chest',
  'crossed-seat-gap',
  'table-edge-rotation',
] as const;
const KNEELING = ['kneeling-seat', 'kneeling-ankle-gap'] as const;
const DEEP_HIP = [
  'thigh-to-chest',
  'knee-bend.on-back',
  'heel-to-seat',
  'crossed-seat-gap',
  'table-edge-rotation',
  'spread.on-back',
  'straddle-width',
  'thigh-behind.edge',
  'fingertip-floor',
  'kneeling-seat',
] as const;
const ROUNDED = ['spine-fold.seated', 'fingertip-floor'] as const;
const FACE_DOWN = ['knee-bend.face-down', 'heel-to-seat.face-down'] as const;
const ON_THE_BACK = [
  ...RAISES,
  'knee-extension-90',
  'knee-bend.on-back',
  'heel-to-seat',
  'thigh-to-chest',
  'spread.on-back',
  'thigh-behind.edge',
  'ankle-point.lying',
  'arm-overhead.lying',
] as const;
/** These move both sides, or the trunk, at once. */
const BOTH_SIDES: readonly string[] = [
  'crossed-seat-gap',
  'straddle-width',
  'fingertip-floor',
  'kneeling-seat',
  'pelvic-tilt.long-sit',
  'spine-fold.seated',
  'kneeling-ankle-gap',
];

const soreKnee = [
  takeCare(
    KNEE_BENDS,
    'Sore knee: bend only to the first word from the joint, your hand under the heel, and no push.',
  ),
  takeCare(KNEELING, 'Sore knee: from high to low, and out at the first word from the joint.'),
];

/** By caution. A caution that is not here changes no reading. */
export const readingEffects: Readonly<Record<string, readonly ReadingEffect[]>> = {
  'hip-replacement': [
    leaveOut(
      DEEP_HIP,
      'Hip replacement: no reading that bends the hip past 90°, turns it or takes it to its end, without the word of the surgeon or physiotherapist.',
    ),
    takeCare(
      RAISES,
      'Hip replacement: keep the raise under 90°, and lift nothing for the student.',
    ),
  ],
  'knee-meniscus': soreKnee,
  'knee-ligament': soreKnee,
  'knee-arthritis': soreKnee,
  'knee-replacement': [
    ...soreKnee,
    leaveOut(KNEELING, 'Knee replacement: kneeling is asked about first.'),
  ],
  'low-back-disc': [
    leaveOut(ROUNDED, 'Disc trouble: no reading of a rounded back.'),
    takeCare(
      [...RAISES, 'knee-extension-90', 'pelvic-tilt.long-sit'],
      'Disc trouble: slowly; feeling below the knee ends it and refers on.',
    ),
  ],
  sciatica: [
    leaveOut(
      ['knee-extension-90', 'fingertip-floor', 'spine-fold.seated'],
      'Sciatica: no reading that stretches the leg and the back together.',
    ),
    takeCare(
      [...RAISES, 'pelvic-tilt.long-sit'],
      'Sciatica: slowly; a line of feeling down the leg ends it. It is no hamstring reading then, and refers on.',
    ),
  ],
  sacroiliac: [
    takeCare(
      [
        'spread.on-back',
        'straddle-width',
        'thigh-behind.edge',
        'thigh-to-chest',
        'crossed-seat-gap',
      ],
      'Sacroiliac pain: well short of the end, and level hips.',
    ),
  ],
  'hamstring-origin': [leaveOut(STRETCHED, 'Hamstring origin: no straight leg to its end range.')],
  osteoporosis: [
    leaveOut(ROUNDED, 'Osteoporosis: no reading of a rounded back.'),
    takeCare('all', 'Osteoporosis: stop well before the end, and nothing fast.'),
  ],
  pregnancy: [
    leaveOut(FACE_DOWN, 'Pregnancy: nothing face down.'),
    takeCare(ON_THE_BACK, 'Pregnancy: not long on the back; turn to the left side in between.'),
    takeCare('all', 'Pregnancy: ligaments are loose, so no range is pushed.'),
  ],
  'head-pressure': [
    leaveOut(['fingertip-floor'], 'Pressure or dizziness: the head does not go below the heart.'),
    takeCare(ON_THE_BACK, 'Pressure or dizziness: up again in stages.'),
  ],
  'very-mobile': [takeCare('all', 'Very mobile: read to the first resistance, not to the end.')],
  'recent-or-unexplained': [
    leaveOut(
      'all',
      'Recent or unexplained: nothing is measured near it before a doctor or physiotherapist has looked.',
    ),
  ],
  'ankle-foot': [
    leaveOut(KNEELING, 'Ankle or foot injury: no full kneel.'),
    takeCare(
      ['knee-to-wall', 'ankle-bend.shin', 'ankle-point.lying'],
      'Ankle or foot injury: only as far as it goes by itself.',
    ),
  ],
  shoulder: [leaveOut(['arm-overhead.lying'], 'Shoulder trouble: the arm is not read overhead.')],
  'under-18': [takeCare('all', 'Under 18: an adult is present, and no range is taken to its end.')],
};

export interface ReadingVerdict {
  readonly leftOut: boolean;
  readonly words: readonly string[];
  readonly refer: readonly string[];
}

/** A caution of a newer book cannot be weighed here: it is asked about. */
const unknown = (id: string) =>
  takeCare(
    'all',
    `“${id}” is answered yes and this version does not know it: ask before measuring.`,
  );

const touches = (effect: ReadingEffect, protocol: string) =>
  effect.on === 'all' || effect.on.includes(protocol);

/** What the intake says of reading by a protocol on a side: a written go-ahead turns "leave out" into "take care". */
export function readingVerdict(
  protocol: string,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): ReadingVerdict {
  const found = yesOf(answers).flatMap((answer) => {
    const sided =
      cautionById(answer.id)?.sided === true && answer.side !== undefined && answer.side !== 'both';
    if (sided && side !== 'both' && answer.side !== side && !BOTH_SIDES.includes(protocol))
      return [];
    return (
      Object.hasOwn(readingEffects, answer.id)
        ? (readingEffects[answer.id] as readonly ReadingEffect[])
        : [unknown(answer.id)]
    )
      .filter((effect) => touches(effect, protocol))
      .map((effect) => ({ effect, answer }));
  });
  return {
    leftOut: found.some(({ effect, answer }) => effect.leaveOut && answer.goAheadAt === undefined),
    words: [
      ...new Set(
        found.map(({ effect, answer }) =>
          effect.leaveOut && answer.goAheadAt !== undefined
            ? `${effect.words} Go-ahead noted on ${dayOf(answer.goAheadAt)}.`
            : effect.words,
        ),
      ),
    ],
    refer: [
      ...new Set(
        found
          .filter(({ effect }) => effect.leaveOut)
          .flatMap(({ answer }) => cautionById(answer.id)?.refer ?? []),
      ),
    ],
  };
}

/** Ways of reading a range on a side that no caution leaves out. */
export const allowedWays = (
  range: RangeId,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): readonly Protocol[] =>
  protocolsOf(range).filter(({ id }) => !readingVerdict(id, side, answers).leftOut);

/** The way of reading that suits the method at hand, among those that no caution leaves out; undefined where all are. */
export function wayFor(
  range: RangeId,
  side: ReadingSide,
  method: MethodId,
  answers: readonly CautionAnswer[],
): Protocol | undefined {
  const allowed = allowedWays(range, side, answers);
  return allowed.find(({ methods }) => methods.includes(method)) ?? allowed[0];
}

/** Whether any way of reading a range on a side is left open. */
export const mayRead = (
  range: RangeId,
  side: ReadingSide,
  answers: readonly CautionAnswer[],
): boolean => allowedWays(range, side, answers).length > 0;

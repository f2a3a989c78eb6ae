import fc from 'fast-check';
import { bodyFrom } from '../body/body';
import type { Person, Reading, Session, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import type { InputValues } from '../geometry/inputs';
import type { FamilyInput, PoseSettings } from '../geometry/family';
import type { StudentRecord } from '../estimate/estimate';
import { usualItem } from '../props/usualShelves';
import { exampleBodies } from '../sim/examples';
import type { Shelf } from '../props/shelf';
import { keysOf, rangeIds, type RangeId, type ReadingSide } from '../ranges/ranges';

/** PoseSettings under which the worked examples of the reckoning were made. */
export const plainSettings: PoseSettings = {
  share: 1,
  pelvisTargetDeg: -10,
  spineShareDeg: 25,
  kneeMarginDeg: 5,
  otherKneeMarginDeg: 5,
  lumbarAllowanceDeg: 10,
  behindKneeCm: 0,
  childPadCm: 0,
  ankleLeastCm: 0,
  firstToRise: 'knees',
  standingKneeDeg: 0,
  hipFlexionMostDeg: 180,
  pitchMostDeg: 180,
  inclineLeastDeg: 0,
  childKnees: 'wide',
  pigeonKneeDeg: 130,
  reclinedOpenHeld: 'by ramp',
  underShinCm: 0,
  way: '',
  dials: {},
  kneePadCm: 0,
  squatsOnSeat: false,
  restful: false,
  chairSeatCm: 45,
};

const usual: Readonly<Partial<Record<RangeId, number>>> = {
  hamstring: 60,
  hamstringCoupling: 0.95,
  'kneeFlexion.hipBent': 140,
  'kneeFlexion.prone': 125,
  hipFlexion: 118,
  anklePoint: 55,
  hipRotation: 55,
  hipSpread: 40,
  hipExtension: 10,
  ankleBend: 30,
  spineFold: 45,
  armReach: 165,
  'pelvicTilt.standing': 10,
};

/** Every input at a usual value, with some set for both sides alike. */
export function valuesOf(set: Readonly<Partial<Record<RangeId, number>>> = {}): InputValues {
  const values = { ...usual, ...set };
  return Object.fromEntries(
    rangeIds
      .filter((id) => id !== 'pelvicTilt.longSit')
      .flatMap((id) => keysOf(id).map((key) => [key, values[id] as number])),
  );
}

export const inputOf = (
  set: Readonly<Partial<Record<RangeId, number>>> = {},
  settings: Partial<PoseSettings> = {},
  statureCm = 170,
  side: ReadingSide = 'both',
): FamilyInput => ({
  body: bodyFrom(statureCm),
  values: valuesOf(set),
  settings: { ...plainSettings, ...settings },
  side,
});

/** Bodies and ranges from the shortest, tallest, stiffest and freest people there are. */
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const anyInput = fc
  .record({
    statureCm: between(140, 210),
    hamstring: between(25, 110),
    coupling: between(0.6, 1.3),
    knee: between(85, 165),
    prone: between(70, 160),
    hip: between(80, 145),
    point: between(20, 80),
    rotation: between(15, 90),
    spread: between(15, 80),
    extension: between(-20, 35),
    bend: between(0, 50),
    spine: between(10, 90),
    reach: between(90, 185),
    first: fc.constantFrom<'knees' | 'seat'>('knees', 'seat'),
    shin: fc.constantFrom(130, 112),
    knees: fc.constantFrom<'wide' | 'together'>('wide', 'together'),
  })
  .map((any) =>
    inputOf(
      {
        hamstring: any.hamstring,
        hamstringCoupling: any.coupling,
        'kneeFlexion.hipBent': any.knee,
        'kneeFlexion.prone': any.prone,
        hipFlexion: any.hip,
        anklePoint: any.point,
        hipRotation: any.rotation,
        hipSpread: any.spread,
        hipExtension: any.extension,
        ankleBend: any.bend,
        spineFold: any.spine,
        armReach: any.reach,
      },
      {
        firstToRise: any.first,
        standingKneeDeg: any.first === 'knees' ? 20 : 5,
        pigeonKneeDeg: any.shin,
        childKnees: any.knees,
      },
      any.statureCm,
    ),
  );

/** Bodies at the ends of what there is. */
export const extremeBodies: readonly FamilyInput[] = exampleBodies.map(({ values, statureCm }) =>
  inputOf(values, {}, statureCm),
);

export const sampleShelf: Shelf = [
  usualItem('cork', 'block', 'Cork block', 6),
  usualItem('half', 'half-block', 'Half block', 4),
  usualItem('wool', 'blanket', 'Wool blanket', 6),
  usualItem('bolster', 'bolster-round', 'Round bolster', 2),
  usualItem('strap', 'strap', 'Strap', 2),
  usualItem('chair', 'chair', 'Chair', 1),
  usualItem('towel', 'towel', 'Towel', 2),
];

export const samplePerson = (more: Partial<Person> = {}): Person => ({
  id: 'p1',
  name: 'Wren Sample',
  statureCm: 170,
  bodyCm: {},
  sex: 'unknown',
  cautions: [],
  approach: 'built-up-alignment',
  choices: {},
  home: [],
  ...more,
});

export const sampleReading = (more: Partial<Reading> = {}): Reading => ({
  id: 'r1',
  person: 'p1',
  range: 'kneeFlexion.hipBent',
  side: 'left',
  method: 'protractor',
  values: [130, 130],
  at: '2026-01-08',
  warm: false,
  note: '',
  ...more,
});

export const samplePose = (more: Partial<SessionPose> = {}): SessionPose => ({
  pose: 'hero',
  side: 'both',
  settled: [
    {
      slot: 'seat',
      side: 'both',
      heightCm: 22.5,
      pieces: [
        { item: 'cork', state: 'edge', count: 1 },
        { item: 'cork', state: 'flat', count: 1 },
      ],
    },
  ],
  plannedSeconds: 60,
  heldSeconds: 60,
  feeling: { strength: 4, place: 'muscle' },
  pelvis: 'upright',
  breath: 'easy',
  faults: [],
  ...more,
});

export const sampleSession = (at: string, pose: Partial<SessionPose> = {}): Session => ({
  id: `s-${at}`,
  person: 'p1',
  at,
  poses: [samplePose(pose)],
});

export const recordWith = (more: Partial<StudentRecord> = {}): StudentRecord => ({
  person: samplePerson(),
  readings: [],
  sessions: [],
  ...more,
});

/** The mirrored record: left for right. */
export function mirrored(record: StudentRecord): StudentRecord {
  const other = <S extends string>(side: S): S =>
    (side === 'left' ? 'right' : side === 'right' ? 'left' : side) as S;
  return {
    person: {
      ...record.person,
      cautions: record.person.cautions.map((one) =>
        one.side ? { ...one, side: other(one.side) } : one,
      ),
    },
    readings: record.readings.map((one) => ({ ...one, side: other(one.side) })),
    sessions: record.sessions.map((one) => ({
      ...one,
      poses: one.poses.map((pose) => ({
        ...pose,
        side: other(pose.side),
        settled: pose.settled.map((settled) => ({ ...settled, side: other(settled.side) })),
      })),
    })),
  };
}

/** A planned pose done as it was built, easy throughout. */
export const doneAsPlanned = (
  {
    pose,
    stage,
    side,
    slots,
    dials,
  }: Pick<PlanPose, 'pose' | 'stage' | 'side' | 'slots' | 'dials'>,
  more: Partial<SessionPose> = {},
): SessionPose =>
  samplePose({
    pose,
    stage,
    side,
    settled: slots
      .filter(({ isLength, stack }) => !isLength && stack.length > 0)
      .map(({ slot, part, side: on, stackCm, stack }) => ({
        slot,
        ...(part ? { part } : {}),
        side: on,
        heightCm: stackCm,
        pieces: stack,
      })),
    ...(dials.length > 0 ? { dials } : {}),
    feeling: { strength: 2, place: 'muscle' },
    ...more,
  });

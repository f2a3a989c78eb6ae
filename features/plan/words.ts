import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { ranges, type RangeId, type ReadingSide } from '@/core/ranges/ranges';
import { longSit } from '@/core/parameters';
import { poseById, poseName, type Pose } from '@/core/poses/poses';
import type { UncertainParameter } from '@/core/geometry/inputs';
import type { SlotId } from '@/core/slots';
import { length, type Units } from '@/ui/format';
import { rangeName, slotName } from '@/ui/words/words';
import { lies } from '@/core/lies';

/** As short as a rail's foot has room for. */
const shortNames: Readonly<Partial<Record<SlotId, string>>> = {
  seat: 'Seat',
  underKnees: 'Knees',
  hands: 'Hands',
  forehead: 'Head',
  back: 'Ramp',
  ankle: 'Ankle',
  neck: 'Neck',
  behindKnee: 'Pad',
  underThigh: 'Thigh',
  outerHip: 'Hip',
  hipLevel: 'Hip',
  underShin: 'Shins',
  shoulder: 'Shoulder',
  heels: 'Heels',
};
export const shortSlot = (slot: SlotId) => shortNames[slot] ?? slotName({ slot });

export { poseName };
/** A pose with the side that works, where it has sides: "Pigeon, left", "Stacked shins, left on top". */
export function poseTitle({ pose, side }: { pose: string; side: ReadingSide }): string {
  if (side === 'both') return poseName(pose);
  const is = poseById(pose)?.sideIs;
  return `${poseName(pose)}, ${side}${is ? ` ${is}` : ''}`;
}

export const groupNames: Readonly<Record<Pose['group'], string>> = {
  seated: 'Seated',
  kneeling: 'Kneeling',
  reclined: 'Reclined',
  'forward-bending': 'Folds, hips and squats',
  chair: 'Chair',
  counter: 'Counterposes',
};
export const poseGroups = Object.keys(groupNames) as Pose['group'][];

/** What today changes, as a word with its mark. */
export const actionWords: Readonly<
  Record<
    PlanPose['decision']['word'],
    { words: string; mark: string; tone: 'moss' | 'ochre' | 'rust' | 'thread' | 'faint' }
  >
> = {
  first: { words: 'First time', mark: '○', tone: 'thread' },
  deepen: { words: 'Less support', mark: '↓', tone: 'moss' },
  keep: { words: 'Keep', mark: '=', tone: 'ochre' },
  ease: { words: 'More support', mark: '↑', tone: 'rust' },
  gentle: { words: 'Gentler', mark: '~', tone: 'rust' },
  rest: { words: 'Rest it today', mark: '–', tone: 'rust' },
};

export const statusWords: Readonly<Record<PlanPose['status'], string>> = {
  offered: '',
  changed: 'Changed for a caution',
  instead: 'Another pose instead',
  'ask-first': 'Ask first',
  forbidden: 'Not for now',
};

/** "21 cm (18–24)": a height with the band within which four in five such bodies lie. */
export function heightWords(slot: PlanSlot, units: Units): string {
  if (slot.isLength) return length(slot.targetCm, units);
  const [low, high] = [length(slot.lowCm, units), length(slot.highCm, units)];
  const over = slot.over ? ` over the ${slot.over}` : '';
  return `${length(slot.targetCm, units)}${over}${low === high ? '' : ` (${low.replace(/ (cm|in)$/, '')}–${high})`}`;
}

/** "1.5 cm higher": how a height stands against another. */
export function differenceWords(cm: number, units: Units): string {
  const by = length(Math.abs(cm), units);
  return Number.parseFloat(by) === 0 ? 'as high' : `${by} ${cm > 0 ? 'higher' : 'lower'}`;
}

export const inputWords = (key: string | null) => {
  if (key === null) return 'what the mat has taught so far';
  const [id, side] = key.split(':');
  if (id !== undefined && Object.hasOwn(ranges, id))
    return `${rangeName(id as RangeId).toLowerCase()}${side ? `, ${side}` : ''}`;
  return uncertainWords[key as UncertainParameter] ?? 'what the model leaves out';
};

const uncertainWords: Readonly<Record<UncertainParameter, string>> = {
  'kneeling.sitAllowance': 'how far flesh and calf spare the knee',
  'reclinedHero.frontThighCoupling': 'how the front thigh shares itself between knee and hip',
  'pigeon.rotationSpared': 'how much rotation the tilted pelvis gives',
  'ladderStart.crossedKnee': 'where this knee stops, found by trying',
  'ladderStart.lyingShoulder': 'where this shoulder stops, found by trying',
  'ladderStart.lyingFoot': 'where this stops, found by trying',
};

/** A pelvis so little off its target is upright to the eye, and costs nothing. */
const UNSEEN_ROLL_DEG = longSit.rollBackAllowed.value + 1;

/** The figure in words, for those who do not see it. */
export function figureWords(planned: PlanPose, units: Units): string {
  const supports = planned.slots
    .filter(({ stackCm, isLength }) => lies(stackCm) && !isLength)
    .map((slot) => `${slotName(slot).toLowerCase()} on ${length(slot.stackCm, units)}`);
  const {
    rollBackDeg,
    inclineDeg,
    pitchDeg,
    foldDeg,
    trunkLeanDeg,
    kneeRiseLeftDeg,
    kneeRiseRightDeg,
  } = planned.findings;
  const pelvis =
    rollBackDeg === undefined
      ? []
      : [
          rollBackDeg < UNSEEN_ROLL_DEG
            ? 'pelvis upright'
            : `pelvis rolled back ${Math.round(rollBackDeg)}°`,
        ];
  const rest = [
    ...(inclineDeg === undefined ? [] : [`trunk at ${Math.round(inclineDeg)}° over the floor`]),
    ...(pitchDeg === undefined ? [] : [`trunk pitched ${Math.round(pitchDeg)}°`]),
    ...(foldDeg === undefined ? [] : [`hips folded ${Math.round(foldDeg)}° past upright`]),
    ...(trunkLeanDeg === undefined ? [] : [`trunk leaning ${Math.round(trunkLeanDeg)}° forward`]),
    ...(kneeRiseLeftDeg === undefined || kneeRiseRightDeg === undefined
      ? []
      : [`thighs ${riseWords(Math.max(kneeRiseLeftDeg, kneeRiseRightDeg))}`]),
  ];
  return `${poseTitle(planned)}, seen from the side: ${[...supports, ...pelvis, ...rest].join(', ') || 'on the floor'}.`;
}

/** The figure from above, for those who do not see it. */
export const aboveWords = (planned: PlanPose) => `${poseTitle(planned)}, seen from above.`;

/** The figure from the front: each knee against its hip. */
export function frontWords(planned: PlanPose): string {
  const { kneeRiseLeftDeg: left, kneeRiseRightDeg: right } = planned.findings;
  const knees =
    left === undefined || right === undefined
      ? ''
      : `: left thigh ${riseWords(left)}, right thigh ${riseWords(right)}`;
  return `${poseTitle(planned)}, seen from the front${knees}.`;
}

const riseWords = (deg: number) =>
  Math.round(deg) === 0
    ? 'level with the hips'
    : deg > 0
      ? `${Math.round(deg)}° over the hips`
      : `${Math.round(-deg)}° under the hips`;

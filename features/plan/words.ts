import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { slotNames, type SlotId } from '@/core/props/slots';
import { ranges, type RangeId } from '@/core/ranges/ranges';
import { poseById } from '@/core/poses/poses';
import { length, type Units } from '@/ui/format';

/** A slot's name; a ramp has two ends. */
export const slotWords = ({ slot, part }: { slot: string; part?: 'low' | 'high' | undefined }) =>
  slot === 'back' ? (part === 'low' ? 'Ramp, low ribs' : 'Ramp, shoulder blades') : slotNames[slot as SlotId];

/** As short as a rail's foot has room for. */
const shortNames: Readonly<Partial<Record<SlotId, string>>> = { seat: 'Seat', underKnees: 'Knees', hands: 'Hands', forehead: 'Head', back: 'Ramp', ankle: 'Ankle', neck: 'Neck', behindKnee: 'Pad' };
export const shortSlot = (slot: SlotId) => shortNames[slot] ?? slotNames[slot];

export const poseName = (id: string) => poseById(id)?.name ?? id;

/** What today changes, as a word with its mark. */
export const actionWords: Readonly<Record<PlanPose['decision']['action'], { words: string; mark: string; tone: 'moss' | 'ochre' | 'rust' | 'thread' | 'faint' }>> = {
  first: { words: 'First time', mark: '○', tone: 'thread' },
  lower: { words: 'One rung lower', mark: '↓', tone: 'moss' },
  keep: { words: 'Keep', mark: '=', tone: 'ochre' },
  raise: { words: 'One rung higher', mark: '↑', tone: 'rust' },
  rest: { words: 'Leave it out today', mark: '–', tone: 'rust' },
};

export const statusWords: Readonly<Record<PlanPose['status'], string>> = {
  offered: '', changed: 'Changed for a caution', instead: 'Another pose instead', 'ask-first': 'Ask first', forbidden: 'Not for now',
};

/** "21 cm (18–24)": a height with the band within which four in five such bodies lie. */
export function heightWords(slot: PlanSlot, units: Units): string {
  if (slot.isLength) return length(slot.targetCm, units);
  const [low, high] = [length(slot.lowCm, units), length(slot.highCm, units)];
  const over = slot.over ? ` over the ${slot.over}` : '';
  return `${length(slot.targetCm, units)}${over}${low === high ? '' : ` (${low.replace(/ (cm|in)$/, '')}–${high})`}`;
}

export const inputWords = (key: string | null) => {
  if (key === null) return 'what the mat has taught so far';
  const [id, side] = key.split(':');
  const range = ranges[id as RangeId];
  if (range) return `${range.name.toLowerCase()}${side ? `, ${side}` : ''}`;
  return key === 'kneeling.sitAllowance' ? 'how far flesh and calf spare the knee' : 'how the front thigh shares itself between knee and hip';
};

/** The figure in words, for those who do not see it. */
export function figureWords(planned: PlanPose, units: Units): string {
  const supports = planned.slots.filter(({ stackCm, isLength }) => stackCm > 0.3 && !isLength).map((slot) => `${slotWords(slot).toLowerCase()} on ${length(slot.stackCm, units)}`);
  const { rollBackDeg, inclineDeg, pitchDeg, foldDeg } = planned.findings;
  const pelvis = rollBackDeg === undefined ? [] : [rollBackDeg < 1 ? 'pelvis upright' : `pelvis rolled back ${Math.round(rollBackDeg)}°`];
  const rest = [
    ...(inclineDeg === undefined ? [] : [`trunk at ${Math.round(inclineDeg)}° over the floor`]), ...(pitchDeg === undefined ? [] : [`trunk pitched ${Math.round(pitchDeg)}°`]),
    ...(foldDeg === undefined ? [] : [`hips folded ${Math.round(foldDeg)}° past upright`]),
  ];
  return `${poseName(planned.pose)}, seen from the side: ${[...supports, ...pelvis, ...rest].join(', ') || 'on the floor'}.`;
}

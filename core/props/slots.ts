import type { Body } from '../body/body';
import type { FamilyId } from '../geometry/families';
import { decision, loading } from '../parameters';
import type { SlotRule } from './stack';

export const slotIds = [
  'seat', 'underKnees', 'behindKnee', 'underThigh', 'outerHip', 'hipLevel', 'underShin', 'ankle', 'heels', 'feet', 'hands', 'forehead', 'chest', 'back', 'neck', 'shoulder', 'strap',
] as const;
export type SlotId = (typeof slotIds)[number];

export const slotNames: Readonly<Record<SlotId, string>> = {
  seat: 'Seat', underKnees: 'Under the knees', behindKnee: 'Behind the knee', underThigh: 'Under the thigh', outerHip: 'Outer hip', hipLevel: 'Under one hip',
  underShin: 'Under the shin', ankle: 'Front of the ankle', heels: 'Heels', feet: 'Feet', hands: 'Hands', forehead: 'Forehead', chest: 'Chest', back: 'Back',
  neck: 'Neck and head', shoulder: 'Shoulder', strap: 'Strap',
};

/** Sit bones to the width that must be carried in a kneeling seat, which has to pass between the heels. */
const KNEELING_SEAT_WIDTH_CM = 15;

const FOLDS = ['fold-2', 'fold-4', 'fold-8', 'fold-16', 'fold-32'] as const;
const ROLLS = ['roll-half', 'roll-tight', 'roll-loose'] as const;

/** What may serve in a slot, for a body and a family. */
export function slotRule(slot: SlotId, family: FamilyId, body: Body): SlotRule {
  const kneels = family === 'kneeling' || family === 'reclined hero';
  switch (slot) {
    case 'seat':
      return {
        load: kneels ? loading.kneelingSeat.value : loading.seat.value,
        leastWidthCm: kneels ? KNEELING_SEAT_WIDTH_CM : Math.round(body.hipWidthCm),
        serves: {
          block: kneels ? ['flat', 'edge'] : ['flat'], 'half-block': 'any', blanket: FOLDS, 'bolster-flat': 'any', books: 'any', bench: 'any',
          ...(kneels ? { 'bolster-round': 'any' } : {}),
        },
      };
    case 'underKnees':
      return { load: loading.knee.value, leastWidthCm: 35, serves: { blanket: [...FOLDS, ...ROLLS], towel: ['roll'], 'bolster-round': 'any', 'bolster-flat': 'any', cushion: 'any', block: ['flat'] } };
    case 'back':
      return { load: loading.back.value, leastWidthCm: 20, serves: { 'bolster-round': 'any', 'bolster-flat': 'any', blanket: FOLDS, block: 'any', 'half-block': 'any', cushion: 'any' } };
    case 'neck':
    case 'forehead':
      return { load: loading.head.value, leastWidthCm: 15, serves: { blanket: FOLDS, towel: ['fold-2', 'fold-4', 'fold-8'], block: 'any', 'half-block': 'any', 'bolster-round': 'any', 'bolster-flat': 'any', cushion: 'any', books: 'any' } };
    case 'behindKnee':
      return { load: loading.knee.value, leastWidthCm: 0, serves: { strap: ['fold-3'], towel: ['fold-2', 'fold-4', 'fold-8'], blanket: ['fold-2', 'fold-4'] } };
    case 'ankle':
      return { load: loading.knee.value, leastWidthCm: 0, serves: { towel: 'any', blanket: ['fold-2', 'fold-4', 'fold-8', 'roll-half'], mat: ['fold-4'] } };
    case 'hands':
      return { load: loading.hands.value, leastWidthCm: 0, pair: true, mostStepCm: decision.mostHandRung.value, serves: { block: 'any', 'half-block': 'any', books: 'any', chair: 'any', bench: 'any' } };
    case 'strap':
      return { load: 0, leastWidthCm: 0, serves: { strap: ['length'] } };
    default:
      return { load: loading.knee.value, leastWidthCm: 0, serves: { blanket: 'any', towel: 'any', block: ['flat'], cushion: 'any' } };
  }
}

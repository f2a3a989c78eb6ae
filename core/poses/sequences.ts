import type { PoseId } from './poses';

/** Poses in the order in which they are done; a pose with sides is done on both, one after the other. */
export interface Sequence {
  readonly id: string;
  readonly name: string;
  readonly poses: readonly PoseId[];
}

/** Sequences that ship: mild before deep, what is needed warmed first, counterposes after, rest last. */
export const shippedSequences: readonly Sequence[] = [
  {
    id: 'first-visit',
    name: 'First visit',
    poses: ['constructive', 'leg-up', 'staff', 'easy-cross', 'hero', 'child', 'rest'],
  },
  {
    id: 'tight-hamstrings',
    name: 'Tight hamstrings',
    poses: [
      'leg-up',
      'standing-fold',
      'staff',
      'head-to-knee',
      'seated-fold',
      'table-up',
      'standing-fold',
      'rest',
    ],
  },
  {
    id: 'front-of-thigh',
    name: 'Front of the thigh',
    poses: [
      'cats-tail',
      'low-lunge',
      'hero',
      'reclined-hero-one',
      'reclined-hero',
      'plank',
      'child',
      'rest',
    ],
  },
  {
    id: 'outer-hip',
    name: 'Outer hip',
    poses: [
      'constructive',
      'figure-four',
      'easy-cross',
      'open-book',
      'stacked-shins',
      'crossed-twist',
      'rest',
    ],
  },
  {
    id: 'squat-preparation',
    name: 'Squat preparation',
    poses: [
      'constructive',
      'happy-baby',
      'child',
      'down-dog',
      'frog',
      'squat',
      'standing-fold',
      'rest',
    ],
  },
  {
    id: 'chair',
    name: 'On a chair',
    poses: [
      'chair-seat',
      'chair-tilts',
      'chair-thigh-lifts',
      'chair-four',
      'chair-wide',
      'chair-hinge',
    ],
  },
  {
    id: 'quiet-evening',
    name: 'Quiet evening',
    poses: ['constructive', 'legs-wiped', 'child', 'reclined-open', 'crossed-twist', 'rest'],
  },
  {
    id: 'pigeon-series',
    name: 'Pigeon series',
    poses: [
      'constructive',
      'figure-four',
      'child',
      'down-dog',
      'low-lunge',
      'pigeon',
      'down-dog',
      'rest',
    ],
  },
];

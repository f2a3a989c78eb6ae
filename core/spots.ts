import type { ReadingSide, Side } from './ranges/ranges';

/** Places on the body where a pose may be felt, with the kind of place that each is; the last three are of older books. */
export const spots = {
  neck: 'joint',
  shoulder: 'joint',
  'low-back': 'low-back',
  'back-pelvis': 'joint',
  'outer-hip': 'muscle',
  'sit-bone': 'joint',
  'front-hip': 'joint',
  groin: 'muscle',
  'front-thigh': 'muscle',
  'back-thigh': 'muscle',
  'inner-knee': 'joint',
  'outer-knee': 'joint',
  'front-knee': 'joint',
  'behind-knee': 'joint',
  shin: 'muscle',
  calf: 'muscle',
  'front-ankle': 'joint',
  'behind-ankle': 'joint',
  hip: 'joint',
  knee: 'joint',
  ankle: 'joint',
} as const satisfies Readonly<Record<string, 'joint' | 'muscle' | 'low-back'>>;
export type SpotId = keyof typeof spots;

/** A spot with its side; both where it has none, or none was said. */
export interface SpotAt {
  readonly spot: SpotId;
  readonly side: ReadingSide;
}

/** How a spot is kept: `inner-knee:left`, or `low-back` where it has no side. */
export const spotKey = ({ spot, side }: SpotAt): string =>
  side === 'both' ? spot : `${spot}:${side}`;

/** A spot as it was kept; null for one that nobody here knows. */
export function spotAt(kept: string | undefined): SpotAt | null {
  const [spot = '', side = 'both'] = kept?.split(':') ?? [];
  return Object.hasOwn(spots, spot) && ['left', 'right', 'both'].includes(side)
    ? { spot: spot as SpotId, side: side as Side | 'both' }
    : null;
}

/** What is set of a pose itself, rather than of what stands under it. */
export const dialIds = [
  'kneeBend',
  'legHeight',
  'legsApart',
  'heelsAway',
  'step',
  'strap',
] as const;
export type DialId = (typeof dialIds)[number];

interface Dial {
  readonly unit: 'deg' | 'cm';
  /** One turn of it on the mat. */
  readonly step: number;
  readonly least: number;
  readonly most: number;
  /** The way in which it eases a pose. */
  readonly eases: 'raise' | 'lower';
}

export const dials: Readonly<Record<DialId, Dial>> = {
  kneeBend: { unit: 'deg', step: 10, least: 0, most: 70, eases: 'raise' },
  legHeight: { unit: 'deg', step: 5, least: 0, most: 120, eases: 'lower' },
  legsApart: { unit: 'deg', step: 10, least: 20, most: 150, eases: 'lower' },
  heelsAway: { unit: 'cm', step: 5, least: 5, most: 80, eases: 'raise' },
  step: { unit: 'cm', step: 5, least: 10, most: 140, eases: 'lower' },
  strap: { unit: 'cm', step: 5, least: 0, most: 200, eases: 'raise' },
};

/** Values of dials, or how far they stand from what is reckoned, in their own units. */
export type DialValues = Readonly<Partial<Record<DialId, number>>>;

/** A dial as it is reckoned for a body, and as it is set. */
export interface DialSetting {
  readonly dial: DialId;
  readonly reckoned: number;
  readonly value: number;
}

/** A dial that is turned by one step. */
export interface DialTurn {
  readonly dial: DialId;
  readonly way: 'raise' | 'lower';
}

/** A value within what the dial can be set to. */
export const withinDial = (dial: DialId, value: number) =>
  Math.min(dials[dial].most, Math.max(dials[dial].least, value));

/** The next value in a direction; the same one at the dial's end. */
export const turned = ({ dial, way }: DialTurn, value: number) =>
  withinDial(dial, value + (way === 'raise' ? 1 : -1) * dials[dial].step);

/** How far each dial was moved from what is reckoned. */
export const movesOf = (settings: readonly DialSetting[]): DialValues =>
  Object.fromEntries(settings.map(({ dial, reckoned, value }) => [dial, value - reckoned]));

/** How far over what is reckoned a dial stands to the side that eases, in steps; minus to the other. */
export const easedSteps = ({ dial, reckoned, value }: DialSetting) =>
  ((value - reckoned) * (dials[dial].eases === 'raise' ? 1 : -1)) / dials[dial].step;

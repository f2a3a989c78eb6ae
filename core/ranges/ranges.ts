import { pelvisTarget } from '../parameters';

/** The ranges that Ojas reckons with. "More" is always freer. Angles in degrees. */
export const rangeIds = [
  'pelvicTilt.standing',
  'pelvicTilt.longSit',
  'pelvicTilt.sits',
  'hamstring',
  'hamstringCoupling',
  'kneeFlexion.hipBent',
  'kneeFlexion.prone',
  'hipRotation',
  'hipSpread',
  'hipFlexion',
  'hipExtension',
  'ankleBend',
  'anklePoint',
  'spineFold',
  'armReach',
] as const;
export type RangeId = (typeof rangeIds)[number];
export type Side = 'left' | 'right';
export type ReadingSide = Side | 'both';
export const sides: readonly Side[] = ['left', 'right'];
export type Sex = 'woman' | 'man' | 'unknown';

export interface Prior {
  readonly mean: number;
  readonly sd: number;
}

export interface Range {
  readonly id: RangeId;
  /** Left and right are read apart. */
  readonly sided: boolean;
  readonly unit: 'deg' | 'ratio';
  /** Null for a range that is only ever an observation of others. */
  readonly prior: Prior | null;
  readonly priorBySex?: Readonly<Partial<Record<Sex, Prior>>>;
  /** How much less there usually is with every ten years of age; left out where age decides little. */
  readonly lessPerDecade?: number;
  /** Outside these no human reads; an entry past them is refused. */
  readonly least: number;
  readonly most: number;
  /** Warm tissue reads higher. */
  readonly warms: boolean;
  readonly source: string;
}

/** A range in degrees. */
const range = (
  id: RangeId,
  fields: Pick<Range, 'sided' | 'prior' | 'least' | 'most' | 'warms' | 'source' | 'lessPerDecade'>,
): Range => ({ id, unit: 'deg', ...fields });

export const ranges: Readonly<Record<RangeId, Range>> = {
  'pelvicTilt.standing': range('pelvicTilt.standing', {
    sided: false,
    prior: { mean: 10, sd: 5 },
    least: -20,
    most: 40,
    warms: false,
    source: 'surveys of healthy adults, 6–13°',
  }),
  'pelvicTilt.longSit': {
    id: 'pelvicTilt.longSit',
    sided: false,
    unit: 'deg',
    prior: null,
    least: -70,
    most: 40,
    warms: true,
    source: 'an observation of the hamstring',
  },
  'pelvicTilt.sits': range('pelvicTilt.sits', {
    sided: false,
    prior: { mean: pelvisTarget.neutral.value, sd: 10 },
    least: -65,
    most: 30,
    warms: false,
    source: 'X-rays: 20 to 25° back from standing to sitting well, 8–12° between people',
  }),
  hamstring: {
    ...range('hamstring', {
      sided: true,
      prior: { mean: 56, sd: 11 },
      least: 10,
      most: 140,
      warms: true,
      source: 'leg-raise surveys less the share of the pelvis',
    }),
    priorBySex: { woman: { mean: 60, sd: 10 }, man: { mean: 53, sd: 9 } },
  },
  hamstringCoupling: {
    ...range('hamstringCoupling', {
      sided: false,
      prior: { mean: 0.95, sd: 0.2 },
      least: 0.5,
      most: 1.4,
      warms: false,
      source: 'leg-raise and popliteal-angle surveys together',
    }),
    unit: 'ratio',
  },
  'kneeFlexion.hipBent': range('kneeFlexion.hipBent', {
    sided: true,
    prior: { mean: 145, sd: 8 },
    least: 60,
    most: 175,
    warms: true,
    source: 'orthopaedic norms 135–145',
  }),
  'kneeFlexion.prone': range('kneeFlexion.prone', {
    sided: true,
    prior: { mean: 131, sd: 12 },
    least: 40,
    most: 170,
    warms: true,
    source: 'front-thigh length tests 125–140, the pelvis held',
  }),
  hipRotation: range('hipRotation', {
    sided: true,
    prior: { mean: 66, sd: 9 },
    lessPerDecade: 2,
    least: 5,
    most: 110,
    warms: true,
    source:
      'norms 34–50 on a table edge, and what a thigh that opens to the side has beyond them; less with age, as surveys by decades have it',
  }),
  hipSpread: range('hipSpread', {
    sided: true,
    prior: { mean: 40, sd: 8 },
    least: 5,
    most: 95,
    warms: true,
    source: 'norms 39–45',
  }),
  hipFlexion: range('hipFlexion', {
    sided: true,
    prior: { mean: 118, sd: 8 },
    least: 60,
    most: 160,
    warms: true,
    source: 'norms 120',
  }),
  hipExtension: range('hipExtension', {
    sided: true,
    prior: { mean: 10, sd: 7 },
    lessPerDecade: 1.5,
    least: -30,
    most: 45,
    warms: true,
    source: 'modified front-of-hip test; less with age, as surveys by decades have it',
  }),
  ankleBend: range('ankleBend', {
    sided: true,
    prior: { mean: 30, sd: 7 },
    lessPerDecade: 2.5,
    least: -10,
    most: 60,
    warms: true,
    source: 'weight-bearing lunge surveys 30–40; less with age, as surveys by decades have it',
  }),
  anklePoint: range('anklePoint', {
    sided: true,
    prior: { mean: 55, sd: 9 },
    least: 10,
    most: 95,
    warms: true,
    source: 'norms 40–60',
  }),
  spineFold: range('spineFold', {
    sided: false,
    prior: { mean: 45, sd: 12 },
    lessPerDecade: 3,
    least: 0,
    most: 110,
    warms: true,
    source: 'starting value; less with age, as surveys by decades have it',
  }),
  armReach: range('armReach', {
    sided: true,
    prior: { mean: 165, sd: 12 },
    lessPerDecade: 3.5,
    least: 60,
    most: 190,
    warms: true,
    source: 'norms 167–180; less with age, as surveys by decades have it',
  }),
};

/** How a range's noise scales: degrees as they are, ratios by a hundredth. */
export const scaleOf = (id: RangeId) => (ranges[id].unit === 'deg' ? 1 : 0.01);

/** What is believed of a range before any reading. Throws for a range that has no prior of its own. */
export function priorOf(id: RangeId, sex: Sex): Prior {
  const { prior, priorBySex } = ranges[id];
  if (prior === null)
    throw new Error(`${id} has no prior: it is only an observation of other ranges`);
  return priorBySex?.[sex] ?? prior;
}

/** A range and, where it is sided, a side: `hamstring:left`, `hamstringCoupling`. */
export type RangeKey = RangeId | `${RangeId}:${Side}`;

/** Written once: joining strings anew for every look-up would cost more than the geometry that asks. */
const keys = Object.fromEntries(
  rangeIds.map((id) => [
    id,
    ranges[id].sided ? { left: `${id}:left`, right: `${id}:right` } : { left: id, right: id },
  ]),
) as Record<RangeId, Record<Side, RangeKey>>;
/** The key of a range on a side; of the whole body where it has no sides. */
export const keyOf = (id: RangeId, side: Side): RangeKey => keys[id][side];
/** Every key of a range: both sides, or one. */
export const keysOf = (id: RangeId): RangeKey[] =>
  ranges[id].sided ? [`${id}:left`, `${id}:right`] : [id];
const split = new Map<string, { readonly id: RangeId; readonly side: ReadingSide }>(
  rangeIds.flatMap(
    (id) =>
      [
        [id, { id, side: 'both' as const }],
        ...(ranges[id].sided
          ? (['left', 'right'] as const).map((side) => [`${id}:${side}`, { id, side }] as const)
          : []),
      ] as const,
  ),
);
/** A key's range and side. Throws for what is no key of a range. */
export function splitKey(key: RangeKey): { readonly id: RangeId; readonly side: ReadingSide } {
  const known = split.get(key);
  if (!known) throw new RangeError(`${key} is no key of a range`);
  return known;
}

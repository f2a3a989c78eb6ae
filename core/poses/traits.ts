import type { ChoiceId, QuestionId } from '../approaches/approaches';
import type { ReadingSide, Side } from '../ranges/ranges';

/**
 * What a pose does to a body, region by region. Cautions speak of these, never of poses by name, so that a pose which
 * is added later is weighed from its first day.
 */
export const traits = {
  /** Of each leg. */
  knee: {
    satBackOn: 'Sits back on or between the heels, the knee deeply folded',
    loaded: 'About square under the body’s weight',
    squatted: 'Deeply bent under the body’s weight, foot standing',
    kneltOn: 'Weight on the kneecap',
    drawn: 'Heel drawn toward the seat by a strap or the hand',
    turned: 'Bent with the shin across: a hip that does not turn twists the knee',
    turnedUnderWeight: 'Turned so with weight on it or the foot high on the other thigh',
  },
  hip: {
    pastRightAngle: 'Folded past a right angle',
    liftedPast: 'Thigh lifted past a right angle: less would be another pose',
    foldedDeep: 'Thigh all the way to the trunk under the body’s weight',
    crossesMidline: 'Thigh carried across the middle',
    turnedOutLoaded: 'Turned outward to its end under load',
    turnedIn: 'Turned inward, the hip bent',
    frontStretched: 'Front of the hip stretched',
    frontLoaded: 'Front of the hip stretched with weight on it',
    spread: 'Held wide',
    spreadLoaded: 'Drawn wide by a strap or the body’s weight',
    heldOpen: 'Laid open and held so',
    hamstringStretched: 'Leg long, its hamstring and origin stretched',
    straightLegPulled: 'A straight leg pulled on a strap',
    foldPulled: 'Trunk pulled over the straight leg on a strap',
  },
  ankle: {
    pressedFlat: 'Pointed, its front pressed to the floor',
    fullKneel: 'The whole weight on pointed ankles',
    bentUnderWeight: 'Bent under the body’s weight',
    sickled: 'Turned in its joint, foot on the other thigh',
  },
  /** Of the whole body. */
  back: {
    pulledRound: 'Sits upright against a pull that rounds the low back',
    rounded: 'Low back folded forward under load',
    foldsStanding: 'Folds from standing, leg and back stretched together',
    hangs: 'Hangs rounded',
    arched: 'Low back drawn into an arch',
    turnsSeated: 'Turned on a pelvis that sits fast',
    turnsFolded: 'Turned while folded',
    oneSided: 'The pelvis loaded deep on one side',
  },
  head: {
    lowered: 'As low as the heart or near it',
    belowHeart: 'Well below the heart',
    neckLoaded: 'Weight on the neck',
  },
  belly: {
    pressed: 'Pressed, or between thighs that must make room',
    foldedOver: 'Folded over, the legs together',
  },
  arms: {
    carryWeight: 'Weight on the hands',
    overhead: 'Reach overhead',
    restOverhead: 'May lie overhead',
  },
  whole: {
    flatOnBack: 'Flat on the back',
    onRamp: 'Leaning back on a ramp',
    balance: 'Can fall',
    longStill: 'Long and still',
  },
} as const;

type Table = typeof traits;
export type Region = keyof Table;
type In<R extends Region> = keyof Table[R] & string;
/** A region and what is done to it: `knee.drawn`. */
export type Trait = { [R in Region]: `${R}.${In<R>}` }[Region];
export const traitIds = Object.entries(traits).flatMap(([region, of]) =>
  Object.keys(of).map((one) => `${region}.${one}`),
) as Trait[];

/**
 * Of the leg that works (folded, raised, in front, crossed) and of the other; the same of both where a pose has no
 * sides.
 */
export interface Legs<T extends string> {
  readonly working: readonly T[];
  readonly other: readonly T[];
}
/** A pose's answer for every region: an empty list says "asked, and nothing". */
export interface PoseTraits {
  readonly knee: Legs<In<'knee'>>;
  readonly hip: Legs<In<'hip'>>;
  readonly ankle: Legs<In<'ankle'>>;
  readonly back: readonly In<'back'>[];
  readonly head: readonly In<'head'>[];
  readonly belly: readonly In<'belly'>[];
  readonly arms: readonly In<'arms'>[];
  readonly whole: readonly In<'whole'>[];
}

/** What a pose does to both legs alike. */
export const bothLegs = <T extends string>(...of: T[]): Legs<T> => ({ working: of, other: of });
/** What a pose does to the leg that works, and to the other. */
export const legs = <T extends string>(working: T[], other: T[]): Legs<T> => ({ working, other });
export const neitherLeg: Legs<never> = { working: [], other: [] };
type LegRegion = 'knee' | 'hip' | 'ankle';
/** These regions asked, and nothing. The compiler still asks for every region of a pose. */
export function nothing<R extends Region>(
  ...regions: readonly R[]
): Readonly<{ [One in R]: One extends LegRegion ? Legs<never> : readonly never[] }> {
  const isOfLegs = (region: Region) => ['knee', 'hip', 'ankle'].includes(region);
  return Object.fromEntries(
    regions.map((region) => [region, isOfLegs(region) ? neitherLeg : []]),
  ) as ReturnType<typeof nothing<R>>;
}

/** Every region asked, and nothing: sitting or moving within what everybody has. */
export const asksNothing: PoseTraits = nothing(
  'knee',
  'hip',
  'ankle',
  'back',
  'head',
  'belly',
  'arms',
  'whole',
);

/** What a pose does of itself, and what it does more where a question is answered so. */
interface WithTraits {
  readonly traits: PoseTraits;
  readonly traitsIf?: Readonly<Partial<Record<ChoiceId, readonly Trait[]>>>;
  /** What one of its ways does more. */
  readonly also?: readonly Trait[];
}
/** Whether a pose is lain in for rest and asks nothing of any joint: there is no end to stop before. */
export const asksNoJoint = ({
  traits: { knee, hip, ankle, back, arms },
  hold,
}: Pick<WithTraits, 'traits'> & { readonly hold: { readonly isRest?: true } }): boolean =>
  hold.isRest === true &&
  [knee, hip, ankle].every(({ working, other }) => working.length + other.length === 0) &&
  back.length + arms.length === 0;

/** The answers in force for a pose; at their worst where they are not known. */
export type Answered = Readonly<Partial<Record<QuestionId, string>>>;

/**
 * The legs of a pose that a side of the body is: what is sore on the left works on one side of the pose and not on the
 * other.
 */
function roles(side: ReadingSide, sore: ReadingSide): readonly (keyof Legs<string>)[] {
  if (side === 'both' || sore === 'both') return ['working', 'other'];
  return [side === (sore satisfies Side) ? 'working' : 'other'];
}

/**
 * Whether a pose does something to a side of the body.
 *
 * @param side the side that the pose works; both where it has none.
 * @param sore the side of the body that is asked about; both for all of it.
 * @param choices the answers in force; where they are not known, any of them.
 */
export function hasTrait(
  { traits: of, traitsIf = {}, also = [] }: WithTraits,
  trait: Trait,
  side: ReadingSide,
  sore: ReadingSide = 'both',
  choices?: Answered,
): boolean {
  if (also.includes(trait)) return true;
  for (const [choice, added] of Object.entries(traitsIf)) {
    const [question, answer] = choice.split('=') as [QuestionId, string];
    if (added?.includes(trait) && (!choices || choices[question] === answer)) return true;
  }
  const [region, name] = trait.split('.') as [Region, string];
  const found: readonly string[] | Legs<string> = of[region];
  const lists = 'working' in found ? roles(side, sore).map((leg) => found[leg]) : [found];
  return lists.some((list) => list.includes(name));
}

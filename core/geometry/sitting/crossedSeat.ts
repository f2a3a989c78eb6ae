import type { HeightReason } from '../../reasons';
import { sinDeg } from '../../angles';
import { floorAhead } from '../arms';
import type { Body } from '../../body/body';
import { crossLegged, fold } from '../../parameters';
import { sides, type Side } from '../../ranges/ranges';
import {
  crossedLeg,
  heelsFor,
  hipForRiseCm,
  rotationFrom,
  thighRiseDeg,
  withHeels,
  type Crossing,
} from '../crossedLeg';
import { rangeValue } from '../inputs';
import {
  keysOn,
  type Built,
  type Demand,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  AT_REST,
  type Under,
  foldedTrunk,
  foldSupports,
  foldWhy,
  foreheadNeed,
  restingOn,
  upperFigure,
} from '../foldedTrunk';
import { sittingSpine } from './longSit';
import {
  armToward,
  headFrom,
  legOf,
  postureFrom,
  upperFrom,
  type Point,
  type Posture,
  type SupportPlace,
} from '../posture';
import { slotKey } from '../../slots';

/** What tells one cross-legged seat from another. */
export interface CrossedForm {
  readonly kneeDeg: number;
  readonly footShare: number;
  readonly pastShare: number;
  /** How the leg that is not on top lies, where it lies otherwise. */
  readonly under?: CrossedForm;
  /** How the other leg lies where only one shin lies in front. */
  readonly behind?: CrossedForm;
  /** Folded forward with the forehead on something. */
  readonly folds?: boolean;
  /** One shin over the other: bricks lie under both thighs, lowered over the weeks. */
  readonly stacked?: boolean;
}

/** How the shins of a form lie on one another in this body. */
export const crossingOf = (
  { kneeDeg, footShare, pastShare }: CrossedForm,
  { statureCm }: Body,
): Crossing => ({
  kneeDeg,
  footCm: footShare * statureCm,
  pastMidlineCm: pastShare * statureCm,
});

/** How a shin lies with the heels where they are set, or where the form has them; the leg on top may lie otherwise. */
function crossingIn({ body, settings, side: top }: FamilyInput, side: Side, form: CrossedForm) {
  const under = form.under ?? (settings.way === 'in-front' ? form.behind : undefined);
  const own = under && top !== 'both' && top !== side ? under : form;
  const { heelsAway } = settings.dials;
  const before = last.get(own);
  if (before?.body === body && before.heelsAway === heelsAway) return before.crossing;
  const crossing = withHeels(crossingOf(own, body), heelsAway, body);
  last.set(own, { body, heelsAway, crossing });
  return crossing;
}
/** The last crossing of each form: a solved seat asks for the same one many times. */
const last = new Map<
  CrossedForm,
  { body: Body; heelsAway: number | undefined; crossing: ReturnType<typeof withHeels> }
>();

/** Outward rotation in degrees that a form of seat may use on a side. */
const turnIn = (input: FamilyInput, side: Side, form: CrossedForm) =>
  usableRotation(input, side) + crossingIn(input, side, form).sparedDeg;

/** Outward rotation in degrees that the pose may use on a side. */
export const usableRotation = ({ values, settings }: FamilyInput, side: Side) =>
  settings.share * rangeValue(values, 'hipRotation', side);

/**
 * Outward turn that a thigh laid open is asked for: what it uses where it lies on something, and all that it hangs by
 * where not.
 */
export const openTurnDeg = (input: FamilyInput, side: Side, thighRiseDeg: number, held: boolean) =>
  held
    ? usableRotation(input, side)
    : rangeValue(input.values, 'hipRotation', side) + Math.max(0, thighRiseDeg);

/**
 * The thigh may rise no higher than level (stacked, a little over it), and no higher than the pelvis can stand with.
 */
const mostRiseDeg = ({ values, settings }: FamilyInput, side: Side, { stacked }: CrossedForm) =>
  Math.min(
    stacked ? crossLegged.stackedRise.value : 0,
    Math.min(settings.hipFlexionMostDeg, rangeValue(values, 'hipFlexion', side)) -
      90 -
      settings.pelvisTargetDeg,
  );

/** Seat on which one leg's knee comes level with its hip; below 0: room to spare. */
export const crossedSeatCm = (input: FamilyInput, side: Side, form: CrossedForm) =>
  hipForRiseCm(
    mostRiseDeg(input, side, form),
    turnIn(input, side, form),
    crossingIn(input, side, form),
    input.body,
  ) - input.body.seatToHipCm;

/**
 * Height of a support under the thigh at a share of its length from the hip: the thigh's own thickness is taken away.
 */
export function thighGapCm(hipY: number, riseDeg: number, share: number, body: Body): number {
  const thick = body.thighRadiusAtHipCm + share * (body.kneeBackCm - body.thighRadiusAtHipCm);
  return hipY + share * body.thighCm * sinDeg(riseDeg) - thick;
}

/** What lies under each knee on a seat this high. */
function kneeGap(input: FamilyInput, side: Side, seatCm: number, form: CrossedForm): number {
  const { body } = input;
  const hipY = seatCm + body.seatToHipCm;
  const crossing = crossingIn(input, side, form);
  const { riseDeg } = thighRiseDeg(hipY, turnIn(input, side, form), crossing, body);
  const at = form.stacked ? crossLegged.stackedSupportAt : crossLegged.thighSupportAt;
  return thighGapCm(hipY, riseDeg, at.value, body);
}

function gapNeeds(input: FamilyInput, seatCm: number, form: CrossedForm): SlotNeed[] {
  return sides.map((side) => ({
    slot: 'underThigh',
    side,
    rawCm: kneeGap(input, side, seatCm, form),
  }));
}

/** The pelvis past upright that the hips leave in a fold, with the thigh where the seat puts it. */
function foldLeanDeg(input: FamilyInput, seatCm: number, form: CrossedForm): number {
  const { body, values, settings } = input;
  const leans = sides.map((side) => {
    const { riseDeg } = thighRiseDeg(
      seatCm + body.seatToHipCm,
      turnIn(input, side, form),
      crossingIn(input, side, form),
      body,
    );
    return (
      Math.min(settings.hipFlexionMostDeg, rangeValue(values, 'hipFlexion', side)) - (90 + riseDeg)
    );
  });
  return Math.min(...leans);
}

/** Forehead over the floor, or over the shins where it comes down on them. */
function shinsUnder(input: FamilyInput, seatCm: number, form: CrossedForm) {
  const { body } = input;
  const legs = sides.map((side) =>
    crossedLeg(
      seatCm + body.seatToHipCm,
      turnIn(input, side, form),
      crossingIn(input, side, form),
      body,
    ),
  );
  const furthest = Math.max(...legs.map(({ knee, ankle }) => Math.max(knee[0], ankle[0])));
  return (x: number): Under =>
    x < furthest + 4
      ? { cm: form.footShare * body.statureCm + body.calfRadiusCm, under: 'shins' }
      : { cm: 0, under: 'floor' };
}

const seatOf = (built: Built) => built.seat ?? 0;

/** A seat with both legs crossed, opened or stacked; each side is solved apart and the seat follows the stiffer one. */
export function crossedSeat(id: string, form: CrossedForm): Family {
  const upper = (input: FamilyInput, seatCm: number) =>
    form.folds
      ? [
          foreheadNeed(
            foldedTrunk(
              input,
              [0, seatCm + input.body.seatToHipCm],
              foldLeanDeg(input, seatCm, form),
              shinsUnder(input, seatCm, form),
              AT_REST,
            ),
          ),
        ]
      : [];
  const after = (input: FamilyInput, seatCm: number) => [
    ...gapNeeds(input, seatCm, form),
    ...upper(input, seatCm),
  ];
  return {
    id,
    bears: {
      ...(form.stacked ? { underThigh: 'bricks' } : {}),
      ...(form.folds ? { forehead: 'over the shins' } : {}),
    },
    needs: () =>
      form.stacked || form.under
        ? keysOn(sides, 'hipRotation', 'hipFlexion')
        : keysOn(sides, 'hipRotation', 'hipFlexion', 'kneeFlexion.hipBent'),
    heights: (input) => {
      const seatCm = Math.max(...sides.map((side) => crossedSeatCm(input, side, form)));
      return [{ slot: 'seat', side: 'both', rawCm: seatCm }, ...after(input, Math.max(0, seatCm))];
    },
    ...(form.stacked || form.under
      ? {}
      : { dials: (input: FamilyInput) => ({ heelsAway: heelsFor(form.kneeDeg, input) }) }),
    afterBuilt: (input, built) => after(input, seatOf(built)),
    figure: (input, built) => {
      const { body } = input;
      const seatCm = seatOf(built);
      const hip: Point = [0, seatCm + body.seatToHipCm];
      const leg = (side: Side) =>
        crossedLeg(hip[1], turnIn(input, side, form), crossingIn(input, side, form), body);
      const legs = {
        left: leg('left'),
        right: leg('right'),
      };
      const rise = Math.max(legs.left.thighRiseDeg, legs.right.thighRiseDeg);
      // A knee over the hip tips the pelvis back as far as the hip cannot bend.
      const rollBack = Math.max(0, rise - (form.stacked ? crossLegged.stackedRise.value : 0));
      return {
        posture: crossedPosture(
          input,
          built,
          hip,
          legs,
          rollBack,
          form.folds ? foldLeanDeg(input, seatCm, form) : null,
          form,
        ),
        demands: crossedDemands(input, built, hip[1], rise, form),
        findings: {
          rollBackDeg: rollBack,
          kneeRiseLeftDeg: legs.left.thighRiseDeg,
          kneeRiseRightDeg: legs.right.thighRiseDeg,
          ...(form.folds ? { foldDeg: Math.max(0, foldLeanDeg(input, seatCm, form)) } : {}),
        },
      };
    },
    why: (input, need) => crossedWhy(input, need, form),
  };
}

function crossedPosture(
  input: FamilyInput,
  built: Built,
  hip: Point,
  legs: Record<Side, ReturnType<typeof crossedLeg>>,
  rollBack: number,
  leanDeg: number | null,
  form: CrossedForm,
): Posture {
  const { body } = input;
  const seatCm = seatOf(built);
  const { left: near, right: far } = legs;
  const knees: SupportPlace[] = sides.flatMap((side) => {
    const key = slotKey({ slot: 'underThigh', side });
    const height = built[key] ?? 0;
    const share = form.stacked ? crossLegged.stackedSupportAt.value : 1;
    const xCm = hip[0] + share * (legs[side].knee[0] - hip[0]) - 4 * share;
    return height > 0 ? [{ slot: key, xCm, bottomCm: 0, topCm: height }] : [];
  });
  const seat: SupportPlace = { slot: 'seat', xCm: hip[0] - 5, bottomCm: 0, topCm: seatCm };
  if (leanDeg !== null) {
    const trunk = restingOn(input, hip, leanDeg, shinsUnder(input, seatCm, form), built, AT_REST);
    return postureFrom({
      near,
      far: legOf(far),
      hip,
      upper: upperFigure(input, trunk, floorAhead(trunk.shoulder, body), 1),
      pelvisDeg: leanDeg,
      pelvisLeanDeg: leanDeg,
      supports: [seat, ...knees, ...foldSupports(trunk, built)],
    });
  }
  const spine = sittingSpine(hip, rollBack, body);
  const shoulder = spine.at(-1) as Point;
  const palm: Point = [near.knee[0] - 3, near.knee[1] + body.thighRadiusAtKneeCm + 1];
  const upper = upperFrom(
    spine,
    headFrom(shoulder, body, rollBack * 0.3 + 2),
    armToward(shoulder, palm, body, -1),
  );
  return postureFrom({
    near,
    far: legOf(far),
    hip,
    upper,
    pelvisDeg: input.settings.pelvisTargetDeg - rollBack,
    pelvisLeanDeg: -rollBack,
    supports: [seat, ...knees],
  });
}

/** Rotation asked by knees level with the hips, and the bend of the hip, beside what each side has. */
function crossedDemands(
  input: FamilyInput,
  built: Built,
  hipY: number,
  riseDeg: number,
  form: CrossedForm,
): Demand[] {
  const { body, values, settings } = input;
  return sides.flatMap((side): Demand[] => {
    const crossing = crossingIn(input, side, form);
    const level = (rotationFrom(hipY, 0, crossing, body) - crossing.sparedDeg) / settings.share;
    const has = rangeValue(values, 'hipRotation', side);
    // A thigh that lies on something is asked for no more turn than it uses.
    const carried = (built[slotKey({ slot: 'underThigh', side })] ?? 0) > 0;
    return [
      {
        range: 'hipRotation',
        side,
        needDeg: carried ? Math.min(level, has) : level,
        haveDeg: has,
      },
      {
        range: 'kneeFlexion.hipBent',
        side,
        needDeg: crossing.kneeDeg,
        haveDeg: rangeValue(values, 'kneeFlexion.hipBent', side),
      },
      {
        range: 'hipFlexion',
        side,
        needDeg: 90 + riseDeg + settings.pelvisTargetDeg,
        haveDeg: rangeValue(values, 'hipFlexion', side),
      },
    ];
  });
}

/** Why a cross-legged slot stands as high as it does. */
export function crossedWhy(
  input: FamilyInput,
  need: SlotNeed,
  form: CrossedForm,
): readonly HeightReason[] {
  if (need.slot === 'seat') {
    const [left, right] = sides.map((side) => crossedSeatCm(input, side, form)) as [number, number];
    const side = left >= right ? 'left' : 'right';
    const moreCm = Math.abs(left - right);
    return [{ code: 'crossed-seat', ...turnOn(input, side), cm: need.rawCm, moreCm }];
  }
  const folded = foldWhy(need, fold.highestForeheadProp.value);
  if (folded) return folded;
  const side = need.side === 'both' ? 'left' : need.side;
  return kneeLaidOpen(input, need, side);
}

const turnOn = ({ values }: FamilyInput, side: Side) => ({
  deg: rangeValue(values, 'hipRotation', side),
  side,
});
/** Why something fills the space under a knee that is laid open. */
export const kneeLaidOpen = (input: FamilyInput, need: SlotNeed, side: Side): HeightReason[] => [
  {
    code: 'knee-laid-open',
    ...turnOn(input, side),
    cm: need.rawCm,
    over: need.over ?? 'floor',
  },
];

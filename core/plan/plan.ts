import { askedForMore, decide, type Day, type Earlier, type Rung } from '../adapt/decide';
import { chanceEnough, offsetFrom, type Spread } from '../adapt/offset';
import type { Choices } from '../approaches/approaches';
import {
  beliefOf,
  believableChange,
  estimateRanges,
  sdOnDay,
  type Estimates,
  type StudentRecord,
} from '../estimate/estimate';
import { meanOf } from '../estimate/observations';
import type { SessionPose } from '../formats/book';
import type { Plan, PlanPose, PlanSlot } from '../formats/plan';
import { dayOf, daysBetween, shiftDays, type LocalDay } from '../formats/time';
import { bandsOf, Z90, type Band } from '../geometry/band';
import { readingErrorBy } from '../measure/error';
import { normalQuantile } from '../normal';
import { type Belief, type Draw, type InputKey } from '../geometry/draw';
import {
  sidelessKey,
  slotKey,
  type Built,
  type Family,
  type FamilyInput,
  type Settings,
  type SlotNeed,
} from '../geometry/family';
import {
  decision as decisionParameter,
  hold as holdParameter,
  offset as offsetParameter,
} from '../parameters';
import { poses, stageOf, type Pose } from '../poses/poses';
import type { RaiseReason } from '../poses/pose';
import { rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import { slotRule, type SlotId } from '../props/slots';
import { usedWith, type Stack, type Used } from '../props/stack';
import type { MethodId } from '../ranges/protocols';
import { ranges, sides, splitKey, type RangeKey, type ReadingSide } from '../ranges/ranges';
import { memoise } from '../memoise';
import { longestHoldFor } from '../safety/settings';
import { firstAllowed, unansweredCautions, type Verdict } from '../safety/verdict';
import { buildSlot, leftEmpty, type SlotDoubt } from './buildSlot';
import { earlierOf, evidenceOf, historyBefore, settledAt, type History } from './history';
import { measureNext } from './measureNext';
import { practisedPoses } from './practised';
import { atTheEdge, poseOr, settlePose, type Settled } from './settle';

export interface PlanWish {
  /** Pose ids; all of the catalogue when left out. */
  readonly poses?: readonly string[];
  /** How the student is today; as usual when left out. */
  readonly day?: Day;
  /** What the teacher measures with: it decides what is worth measuring next; a protractor when left out. */
  readonly method?: MethodId;
  /** How careful to be; the shipped setting when left out. */
  readonly caution?: Caution;
}

/** Chances of being enough that are asked of a first build, and of a rung to come down or to go up to. */
export interface Caution {
  readonly firstBuild: number;
  readonly lowerRung: number;
}
export const shippedCaution: Caution = {
  firstBuild: decisionParameter.firstChance.value,
  lowerRung: decisionParameter.chance.value,
};

/** What every pose of one student's plan shares. */
interface StudentContext {
  readonly record: StudentRecord;
  readonly shelf: Shelf;
  readonly today: LocalDay;
  readonly history: History;
  readonly estimates: Estimates;
  readonly belief: Belief;
  /** The most likely value of every input. */
  readonly draw: Draw;
  /** Estimates as they stood on an earlier day. */
  readonly estimatesOn: (day: LocalDay) => Estimates;
  /** The most likely values on an earlier day, as they look today. */
  readonly drawOn: (day: LocalDay) => Draw;
  /** Share of an input's variance that is the swing of the day; the rest stays, and sessions speak of it. */
  readonly dayShare: (key: InputKey) => number;
  readonly veryMobile: boolean;
  readonly caution: Caution;
  readonly day: Day;
}

/** The most likely values so many weeks ago, as all readings to this day tell it: the level of today less its drift. */
function drawBack(estimates: Estimates, weeks: number): Draw {
  const draw: Partial<Record<InputKey, number>> = {};
  for (const estimate of Object.values(estimates))
    if (estimate) draw[estimate.key] = estimate.mean - weeks * estimate.driftPerWeek;
  return draw;
}

/** Everything a student needs today: pose by pose the heights, their doubt, named pieces of this shelf, and why. */
export function planStudent(
  record: StudentRecord,
  shelf: Shelf,
  date: LocalDay,
  wish: PlanWish = {},
): Plan {
  const { person } = record;
  const today = dayOf(date);
  const estimatesOn = memoise((day: LocalDay) => estimateRanges(record, day));
  const estimates = estimatesOn(today);
  const drawOn = memoise((day: LocalDay) => drawBack(estimates, daysBetween(day, today) / 7));
  const belief = beliefOf(estimates);
  const context: StudentContext = {
    record,
    shelf,
    today,
    history: historyBefore(record.sessions, today),
    estimates,
    belief,
    draw: drawOn(today),
    estimatesOn,
    drawOn,
    dayShare: memoise((key: InputKey) => ofTheDay(key, estimates)),
    veryMobile: isVeryMobile(record, estimates),
    caution: wish.caution ?? shippedCaution,
    day: wish.day ?? 'usual',
  };
  const wanted = wish.poses === undefined ? poses : wish.poses.map(poseOr);
  const planned = wanted.flatMap((pose) =>
    plannedSides(pose).map((side) =>
      planPose(settlePose(person, pose.id, side, shelf), side, context),
    ),
  );
  const readToday = new Set(
    Object.values(estimates)
      .filter((one) => one?.lastAt === today)
      .map((one) => (one as { key: RangeKey }).key),
  );
  return {
    format: 'ojas-plan/1',
    person: person.id,
    date: today,
    approach: person.approach,
    unanswered: unansweredCautions(person.cautions),
    ranges: Object.values(estimates).flatMap((estimate) => {
      if (!estimate) return [];
      const { id, side } = splitKey(estimate.key);
      return [
        {
          range: id,
          side,
          mean: estimate.mean,
          sd: estimate.sd,
          driftPerWeek: estimate.driftPerWeek,
          lastAt: estimate.lastAt,
          source: estimate.source,
        },
      ];
    }),
    measureNext: measureNext(
      worthReading(planned, practisedPoses(record.sessions)).flatMap(({ bands }) => bands),
      estimates,
      readToday,
      readingErrorBy(wish.method ?? 'protractor', record, estimates),
    ),
    poses: planned.map(({ planPose: one }) => one),
  };
}

/** The sides that a pose is planned for: each by itself, or both at once. */
export const plannedSides = (pose: Pick<Pose, 'sides'>): readonly ReadingSide[] =>
  pose.sides === 'each' ? sides : BOTH;
const BOTH: readonly ReadingSide[] = ['both'];

/** Marked so by the teacher or at intake, or any measured range past the 95th percentile of adults. */
export function isVeryMobile({ person }: StudentRecord, estimates: Estimates): boolean {
  if (person.veryMobile !== undefined) return person.veryMobile;
  if (person.cautions.some(({ id, answer }) => id === 'very-mobile' && answer === 'yes'))
    return true;
  return Object.values(estimates).some((estimate) => {
    const prior = estimate && ranges[splitKey(estimate.key).id].prior;
    return (
      prior &&
      estimate.source === 'measured' &&
      ranges[splitKey(estimate.key).id].unit === 'deg' &&
      !estimate.key.startsWith('pelvicTilt') &&
      estimate.mean - estimate.sd > prior.mean + decisionParameter.mobilePercentile.value * prior.sd
    );
  });
}

/** What this student does is worth a reading; where none of it was asked for, what was. */
function worthReading(
  planned: readonly Planned[],
  practised: ReadonlySet<string>,
): readonly Planned[] {
  const done = planned.filter(({ planPose: { pose } }) => practised.has(pose));
  return done.length > 0 ? done : planned;
}

interface Planned {
  readonly planPose: PlanPose;
  readonly bands: readonly Band[];
}

const notBuilt = (
  pose: Pose,
  side: ReadingSide,
  { status, instead, reasons, refer }: Pick<Verdict, 'status' | 'instead' | 'reasons' | 'refer'>,
): PlanPose => ({
  pose: pose.id,
  side,
  stage: '',
  status,
  instead,
  reasons: [...reasons],
  refer: [...refer],
  decision: { action: 'rest', slot: null, reasons: [], refer: null },
  slots: [],
  demands: [],
  findings: {},
  holdSeconds: 0,
  joints: {},
  posture: null,
});

function planPose(settled: Settled, side: ReadingSide, context: StudentContext): Planned {
  const { pose, family, body, choices, verdict, settings } = settled;
  if (verdict.status === 'forbidden' || verdict.status === 'instead')
    return { planPose: notBuilt(pose, side, verdict), bands: [] };

  const input: FamilyInput = { body, draw: context.draw, settings, side };
  const bands = bandsOf(family, input, context.belief);
  const earlier = earlierOf(context.history, pose.id, side);
  // Where the body says so, with nothing kept in hand.
  const edgeSettings = atTheEdge(settings);
  const edge = new Map(
    family.heights({ ...input, settings: edgeSettings }).map((need) => [slotKey(need), need.rawCm]),
  );
  const offsets = offsetsOf(settled, side, bands, earlier, edgeSettings, context);
  const better = betterInstead(settled, side, bands, offsets, context);
  if (better) return { planPose: better, bands };
  const last = earlier.at(-1)?.outcome;

  const lying = (key: string): Stack | undefined => {
    const there = last && settledAt(last, key);
    return there && { pieces: there.pieces, heightCm: there.heightCm };
  };
  const rule = (slot: string) => slotRule(slot as SlotId, pose.family, body);
  const decision = decide({
    today: context.today,
    earlier,
    slotToRaise: (why) => slotToRaise(pose, family, input, last, why),
    veryMobile: context.veryMobile,
    lowCheck: lowCheckOf(family, side, context),
    strengthAllowed:
      choices.strength === 'none' ? STRENGTH_WITHOUT_PAIN : decisionParameter.easyFeeling.value,
    chanceAsked: context.caution.lowerRung,
    day: context.day,
    rungs: () =>
      pose.comesDown
        .flatMap((name) => bands.filter(({ need }) => sidelessKey(slotKey(need)) === name))
        .flatMap((band): Rung[] => {
          const key = slotKey(band.need);
          const stands = lying(key);
          if (!stands || stands.heightCm < 0.5) return [];
          const next = rungBelow(context.shelf, rule(band.need.slot), stands);
          if (!next) return [];
          const { offset, range } = offsets.get(key) as SlotDoubt;
          return [
            {
              slot: key,
              fromCm: stands.heightCm,
              toCm: next.heightCm,
              chance: chanceEnough(next.heightCm, edge.get(key) ?? band.need.rawCm, range, offset),
            },
          ];
        }),
  });

  const built: Record<string, number> = {};
  const slots: PlanSlot[] = [];
  const firstZ = normalQuantile(context.caution.firstBuild);
  let used: Used = {};
  // Solved anew only after a slot on which others stand.
  let follow: readonly SlotNeed[] = [];
  for (const band of bands) {
    if (verdict.changes.has('no strap') && band.need.slot === 'strap') continue;
    const key = slotKey(band.need);
    const before = slots.at(-1)?.slot;
    if (before !== undefined && family.afterBuilt && STOOD_ON.has(before))
      follow = family.afterBuilt(input, built);
    const need = follow.find((one) => slotKey(one) === key) ?? band.need;
    const doubt = offsets.get(key) as SlotDoubt;
    const slot = buildSlot({
      need,
      edgeCm: need.rawCm + (edge.get(key) ?? band.need.rawCm) - band.need.rawCm,
      band,
      doubt,
      decision,
      lying: lying(key),
      rule: rule(need.slot),
      shelf: context.shelf,
      why: family.why(input, need),
      pose,
      used,
      firstZ,
      raisedChance: context.caution.lowerRung,
      extraRung: context.day !== 'usual',
    });
    slots.push(slot);
    used = usedWith(used, slot.stack);
    if (!need.isLength && !leftEmpty(need.slot, slot.targetCm)) built[key] = slot.stackCm;
  }
  const { posture, demands, findings } = family.figure(input, built);
  return {
    bands,
    planPose: {
      pose: pose.id,
      side,
      stage: stageFor(pose, built, slots, choices),
      status: verdict.status,
      instead: verdict.instead,
      reasons: [...verdict.reasons, ...decision.reasons],
      refer: [...verdict.refer, ...(decision.refer ? [decision.refer] : [])],
      decision: {
        action: decision.action,
        slot: decision.slot,
        reasons: [...decision.reasons],
        refer: decision.refer,
      },
      slots,
      demands: [...demands],
      findings: { ...findings },
      holdSeconds: Math.min(
        longestHoldFor(verdict.changes),
        holdFor(
          pose,
          earlier.map(({ outcome }) => outcome),
          choices,
        ),
      ),
      joints: jointsOf(posture),
      posture: posture as PlanPose['posture'],
    },
  };
}

/** Slots whose height other slots of a pose follow. */
const STOOD_ON: ReadonlySet<SlotId> = new Set([
  'seat',
  'underKnees',
  'underShin',
  'back',
  'heels',
  'hipLevel',
  'feet',
]);

/** Where a support would have to stand too high to be sensible, the pose that serves better, unless a caution forbids that one. */
function betterInstead(
  { pose, verdict }: Settled,
  side: ReadingSide,
  bands: readonly Band[],
  offsets: ReadonlyMap<string, SlotDoubt>,
  { record }: StudentContext,
): PlanPose | null {
  const over = pose.insteadOver;
  const band = over && bands.find(({ need }) => slotKey(need) === over.slot);
  if (!over || !band) return null;
  const cm = band.need.rawCm + (offsets.get(over.slot)?.offset.meanCm ?? 0);
  if (cm <= over.cm) return null;
  const instead = firstAllowed([over.pose], side, record.person.cautions);
  const words = over.words.replace('{cm}', `${cm.toFixed(0)} cm`);
  return notBuilt(pose, side, {
    status: instead === null ? 'forbidden' : 'instead',
    instead,
    reasons: [words, ...verdict.reasons],
    refer: verdict.refer,
  });
}

/** Heights that lay there at an earlier time. */
const builtOf = (outcome: SessionPose): Built =>
  Object.fromEntries(outcome.settled.map((one) => [slotKey(one), one.heightCm]));

/** The slot that goes up for what was felt or seen at an earlier time. */
function slotToRaise(
  pose: Pose,
  family: Family,
  input: FamilyInput,
  outcome: SessionPose | undefined,
  why: RaiseReason,
): string {
  return why === 'rolled' && outcome && family.mendsRollBack
    ? family.mendsRollBack(input, builtOf(outcome))
    : pose.goesUp[why];
}

/** With no pain at all accepted, a pull this mild still counts as easy. */
const STRENGTH_WITHOUT_PAIN = 4;

const jointsOf = (
  posture: NonNullable<PlanPose['posture']> | ReturnType<Family['figure']>['posture'],
): PlanPose['joints'] => ({
  hip: [...posture.hip],
  knee: [...posture.knee],
  ankle: [...posture.ankle],
  toe: [...posture.toe],
  shoulder: [...(posture.spine.at(-1) ?? posture.hip)],
  head: [...posture.head],
  hand: [...posture.hand],
});

/**
 * Offsets per slot from every earlier time. What stays from day to day (the level's doubt, the parameters' own) is part of
 * what the offset learns, so it is counted once. The body answers at its edge; a teacher who chooses a height against the
 * advice chooses with a margin, and is weighed against the target.
 */
function offsetsOf(
  { pose, family, body, settings }: Settled,
  side: ReadingSide,
  bands: readonly Band[],
  earlier: readonly Earlier[],
  edgeSettings: Settings,
  context: StudentContext,
): Map<string, SlotDoubt> {
  const thenReckoned = earlier.map(({ at, outcome }) => {
    const input = {
      body,
      settings: outcome.overruled ? settings : edgeSettings,
      side,
      draw: context.drawOn(dayOf(at)),
    };
    const needs = [
      ...family.heights(input),
      ...(family.afterBuilt?.(input, builtOf(outcome)) ?? []),
    ];
    const more = askedForMore(outcome, decisionParameter.easyFeeling.value);
    return {
      outcome,
      cm: new Map(needs.map((need) => [slotKey(need), need.rawCm])),
      goesUp: more && slotToRaise(pose, family, input, outcome, more.why),
    };
  });
  return new Map(
    bands.map((band) => {
      const { need } = band;
      const key = slotKey(need);
      const evidence =
        need.isLength || need.isChosen || leftEmpty(need.slot, need.rawCm)
          ? []
          : thenReckoned.flatMap(({ outcome, cm, goesUp }) =>
              evidenceOf(outcome, key, cm.get(key) ?? need.rawCm, goesUp),
            );
      return [
        key,
        {
          offset: offsetFrom(
            evidence,
            need.isChosen
              ? 0
              : Math.hypot(
                  offsetParameter.priorSd.value,
                  evenly(spreadOf(band, (key) => 1 - context.dayShare(key))),
                ),
          ),
          range: spreadOf(band, context.dayShare),
        },
      ];
    }),
  );
}

function ofTheDay(key: InputKey, estimates: Estimates): number {
  const estimate = estimates[key as RangeKey];
  return estimate ? 1 - (estimate.sd / sdOnDay(estimate.key, estimate.sd)) ** 2 : 0;
}

/** Standard deviations of a height from a share of each input's variance. */
function spreadOf({ parts }: Band, shareOf: (key: InputKey) => number): Spread {
  let [down, up] = [0, 0];
  for (const { key, downCm, upCm } of parts) {
    const share = shareOf(key);
    down += share * downCm * downCm;
    up += share * upCm * upCm;
  }
  return { downCm: Math.sqrt(down) / Z90, upCm: Math.sqrt(up) / Z90 };
}
const evenly = ({ downCm, upCm }: Spread) => (downCm + upCm) / 2;

/** Where leaning on the forearms is chosen, or no ramp can be built, the pose goes no further than the forearms. */
function stageFor(pose: Pose, built: Built, slots: readonly PlanSlot[], choices: Choices): string {
  const stands: Record<string, number> = {};
  for (const one of slots) stands[slotKey(one)] = one.targetCm;
  Object.assign(stands, built);
  if (!pose.family.startsWith('reclined hero')) return stageOf(pose, stands);
  const ramp = slots.find(({ slot, part }) => slot === 'back' && part === 'high');
  const unbuilt =
    ramp !== undefined &&
    ramp.targetCm >= 1 &&
    ramp.targetCm - ramp.stackCm > decisionParameter.mostRung.value * 2;
  if (unbuilt || choices.reclinedHero === 'forearms') return 'on-forearms';
  return stageOf(pose, stands);
}

/** How long to hold: by the approach and by the times done, never more than doubled from last time. */
function holdFor(
  pose: Pose,
  earlier: readonly { heldSeconds: number }[],
  choices: Choices,
): number {
  const { firstSeconds, mostSeconds } = pose.hold;
  const last = earlier.at(-1)?.heldSeconds;
  if (choices.hold === 'breaths') return BREATHS * holdParameter.breath.value;
  const wish = Math.min(
    mostSeconds,
    firstSeconds + earlier.length * (choices.hold === 'long' ? 30 : 15),
  );
  return last === undefined || last === 0
    ? firstSeconds
    : Math.min(wish, Math.max(firstSeconds, last * holdParameter.longestGrowth.value));
}
const BREATHS = 8;

/** Today's reading of a range that this pose needs, lower than yesterday's belief by more than chance explains; in words, else null. */
function lowCheckOf(
  family: Family,
  side: ReadingSide,
  { record, today, estimatesOn }: StudentContext,
): string | null {
  if (!record.readings.some(({ at }) => dayOf(at) === today)) return null;
  const before = estimatesOn(shiftDays(today, -1));
  const leansOn = family.needs(side);
  for (const reading of record.readings) {
    if (dayOf(reading.at) !== today || reading.protocol !== undefined) continue;
    const key = ranges[reading.range].sided
      ? (`${reading.range}:${reading.side}` as RangeKey)
      : reading.range;
    if (!leansOn.includes(key)) continue;
    const then = before[key];
    if (!then || then.source !== 'measured') continue;
    const now = meanOf(reading.values);
    const believable = believableChange(3, reading.values.length);
    if (then.mean - now > believable) {
      return `Today’s check: ${ranges[reading.range].name.toLowerCase()} ${reading.side} ${now.toFixed(0)}°, ${(then.mean - now).toFixed(0)}° under the last estimate (more than the ${believable.toFixed(0)}° that chance explains).`;
    }
  }
  return null;
}

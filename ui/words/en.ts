import type { Alarm, Complaint, WayRuledOut } from '@/core/reasons';
import { spotAt, type SpotId } from '@/core/spots';
import { answerTo } from '@/core/poses/felt';
import { dials, type DialId } from '@/core/dials';
import type { RaiseReason, Remedy } from '@/core/poses/pose';
import { slotRefOf, type SlotId } from '@/core/slots';
import { poseById, poseName, wayOf, type PoseId, stageNameOf } from '@/core/poses/poses';
import type { RangeId } from '@/core/ranges/ranges';
import { tapes } from '@/core/body/body';
import { capital, inSentence } from '../format';
import { enFaultPlace, enFaults } from './enFaults';
import { deg, heights } from './enHeights';
import type { Language, Telling } from './language';

/** A chance as people say it: "94 in 100"; never rounded up to what was asked for. */
const inHundred = (chance: number) => `${Math.floor(chance * 100 + 1e-9)} in 100`;

const spots: Readonly<Record<SpotId, string>> = {
  neck: 'the neck',
  shoulder: 'the shoulder',
  'low-back': 'the low back',
  'back-pelvis': 'the back of the pelvis',
  'outer-hip': 'the outer hip',
  'sit-bone': 'the sit bone',
  'front-hip': 'the front of the hip',
  groin: 'the inner thigh',
  'front-thigh': 'the front of the thigh',
  'back-thigh': 'the back of the thigh',
  'inner-knee': 'the inner knee',
  'outer-knee': 'the outer knee',
  'front-knee': 'the front of the knee',
  'behind-knee': 'the back of the knee',
  shin: 'the shin',
  calf: 'the calf',
  'front-ankle': 'the front of the ankle',
  'behind-ankle': 'the back of the ankle',
  hip: 'the hip joint',
  knee: 'the knee',
  ankle: 'the ankle',
};
/** A spot as it was kept, with its side; one that nobody here knows goes by its own name. */
function spotWords(kept: string): string {
  const at = spotAt(kept);
  if (!at) return `“${kept}”`;
  return at.side === 'both' ? spots[at.spot] : `${spots[at.spot]}, ${at.side}`;
}

const alarms: Readonly<Record<Alarm, string>> = {
  sharp: 'a sharp feeling',
  electric: 'an electric feeling',
  spreading: 'a spreading feeling',
  numb: 'numbness',
  nerve: 'a nerve-like feeling',
};

function complaint(one: Complaint): string {
  switch (one.of) {
    case 'joint':
      return one.spot === undefined ? 'felt at a joint line' : `felt at ${spotWords(one.spot)}`;
    case 'low-back':
      return 'felt in the low back';
    case 'strong':
      return `felt at ${one.strength} of 10${one.overAllowed ? ', over what this approach allows' : ''}`;
    case 'breath':
      return 'the breath was held';
    case 'rolled':
      return 'the pelvis rolled back';
    case 'arched':
      return 'the low back arched';
    case 'next-day':
      return 'worse the next day';
  }
}

/** "One good time", "two good times". */
const times = (count: number) =>
  `${['no', 'one', 'two', 'three', 'four', 'five', 'six'][count] ?? count} good ${count === 1 ? 'time' : 'times'}`;

/** What is set of a pose is set by eye: to the nearest five degrees. */
const BY_EYE_DEG = 5;
const dialValue = (dial: DialId, value: number, tell: Pick<Telling, 'length'>) =>
  dials[dial].unit === 'deg'
    ? `${BY_EYE_DEG * Math.round(value / BY_EYE_DEG)}°`
    : tell.length(value);

/** The words of a remedy that moves no support. */
const cueOf = (remedy: Remedy | null) => (remedy && 'cue' in remedy ? remedy.cue : '');

const ranges: Readonly<Record<RangeId, string>> = {
  'pelvicTilt.standing': 'Pelvic tilt, standing',
  'pelvicTilt.longSit': 'Pelvic tilt, long sit',
  'pelvicTilt.sits': 'Pelvis from standing to sitting',
  hamstring: 'Hamstring',
  hamstringCoupling: 'Hip freed by bending the knee',
  'kneeFlexion.hipBent': 'Knee bend with a bent hip',
  'kneeFlexion.prone': 'Knee bend face down',
  hipRotation: 'Outward rotation',
  hipSpread: 'Spread',
  hipFlexion: 'Thigh to chest',
  hipExtension: 'Thigh behind the pelvis',
  ankleBend: 'Ankle bend',
  anklePoint: 'Pointed ankle',
  spineFold: 'Rounding of the spine',
  armReach: 'Arms overhead',
};

/** A stage as it is told before how often it is asked for; nothing where any will do. */
function stageName(pose: string, stage: string | null): string {
  const name = stageNameOf(pose, stage ?? undefined);
  return name === null ? '' : `${inSentence(name)}, `;
}

/** What lies in a slot, in the middle of a sentence. */
const lyingThere: Readonly<Partial<Record<SlotId, string>>> = {
  seat: 'the seat',
  underKnees: 'what lies under the knees',
  underThigh: 'what lies under the thigh',
  hipLevel: 'what lies under the hip',
  outerHip: 'what lies at the outer hip',
  back: 'the ramp',
  hands: 'the support of the hands',
  heels: 'what lies under the heels',
  chest: 'what lies under the chest',
  forehead: 'what lies under the forehead',
};

/** Why a way is not the one that is taken, by what ruled it out. */
const notTakenFor: {
  readonly [K in WayRuledOut['of']]: (
    because: Extract<WayRuledOut, { readonly of: K }>,
    tell: Telling,
  ) => string;
} = {
  caution: (because) =>
    `${en.cautions[because.caution].short.toLowerCase()}, ${en.rules[because.rule]}`,
  'knees-open': (because, tell) =>
    `the knees go to ${deg(because.deg)} and no further, so the sit bones would hang ${tell.length(because.cm)} up on nothing.`,
  'heels-high': (because, tell) =>
    `the heels would have to stand ${tell.length(because.cm)} up, and that wobbles.`,
  restful: () => 'nothing strong is asked here, so something carries the weight.',
  'ramp-high': (because, tell) =>
    `the ramp would have to stand ${tell.length(because.cm)} high, so the back goes less far.`,
  'lies-low': (because) =>
    `the trunk would come down to ${deg(because.deg)}, and the front thighs ask for ${deg(because.leastDeg)}.`,
  'hips-raised': (because, tell) =>
    `the hips sit ${tell.length(because.cm)} up, and forearms on the floor behind them would draw the low back in.`,
  'hip-limited': (because) => `it would fold the hip past ${deg(because.deg)}.`,
  'head-low': () => 'the head would come lower than the heart.',
  'head-far': (because, tell) => `the forehead would stop ${tell.length(because.cm)} up.`,
  'felt-there': () => 'it was felt lately, and nothing laid there eases it any further.',
  'felt-then': () => 'it was felt last time without lying back, so it goes no further today.',
  'hand-high': (because, tell) =>
    `a hand would need ${tell.length(because.cm)} under it, and a block on its end, ${tell.length(because.mostCm)}, is the most here.`,
  early: (because, tell) =>
    `not yet. ${en.reasons[because.first.code](because.first as never, tell)}`,
  shelf: (because, tell) =>
    `nothing on this shelf comes near the ${tell.length(because.cm)} that ${because.slot === 'back' ? 'the ramp' : 'the seat'} asks for.`,
};
const notTaken = (because: WayRuledOut, tell: Telling): string =>
  (notTakenFor[because.of] as (one: WayRuledOut, tell: Telling) => string)(because, tell);

/** A range as what decides a height, in a sentence. */
const deciding = (range: RangeId): string =>
  range === 'hamstringCoupling' ? 'how far a bent knee frees the hip' : ranges[range].toLowerCase();

/** English. */
export const en: Language = {
  tag: 'en-GB',
  units: { cm: 'cm', in: 'in' },
  unitNames: { cm: 'centimetre', in: 'inch' },
  sides: { left: 'left', right: 'right', both: 'both' },
  slots: {
    seat: 'Seat',
    underKnees: 'Under the knees',
    behindKnee: 'Behind the knee',
    underThigh: 'Under the thigh',
    outerHip: 'Outer hip',
    hipLevel: 'Under one hip',
    underShin: 'Under the shin',
    ankle: 'Front of the ankle',
    heels: 'Heels',
    feet: 'Feet',
    hands: 'Hands',
    forehead: 'Forehead',
    chest: 'Chest',
    back: 'Back',
    neck: 'Neck and head',
    shoulder: 'Shoulder',
    strap: 'Strap',
  },
  dials: {
    kneeBend: 'Knee bend',
    legHeight: 'Height of the leg',
    legsApart: 'Legs apart',
    heelsAway: 'Heels from the hips',
    step: 'Length of the step',
    strap: 'Strap, hand to foot',
  },
  dialValue,
  rampEnds: { low: 'Ramp, low ribs', high: 'Ramp, shoulder blades' },
  ranges,
  spot: spotWords,
  heights,
  faults: enFaults,
  faultPlace: enFaultPlace,
  reasons: {
    learned: ({ cm }, tell) =>
      `Learned on the mat: ${cm > 0 ? '+' : '−'}${tell.length(Math.abs(cm))}.`,
    'learned-much': () => 'That is a lot: measure again, or look at the set-up.',
    'rung-lower': ({ fromCm, toCm }, tell) =>
      `One step lower: ${tell.number(fromCm)} → ${tell.exact(toCm)}.`,
    'rung-higher': ({ fromCm, toCm, more }, tell) =>
      `${more ? 'Higher, until it is likely to be enough' : 'One step higher'}: ${tell.number(fromCm)} → ${tell.exact(toCm)}.`,
    'asked-since': ({ fromCm, toCm }, tell) =>
      `What is known since asks for more, and that is built at once: ${tell.number(fromCm)} → ${tell.exact(toCm)}.`,
    'trial-start': ({ heldCm, fromCm }, tell) =>
      `Found by trying last time: ${tell.length(heldCm)} that day. A fresh day begins at ${tell.length(fromCm)}, where it is sure.`,
    'not-read': ({ ranges: unread }) =>
      `Not read yet, so taken as is usual: ${unread.map((id) => ranges[id].toLowerCase()).join(', ')}.`,
    'as-last': () => 'Kept as it lay last time.',
    'at-most': ({ slot }) =>
      `Nobody builds higher here${slot === 'underKnees' ? ': plant the feet and bend the knees instead' : slot === 'underThigh' ? ': let the heels go further away' : ': an easier way or pose serves better'}.`,
    'first-margin': ({ cm }, tell) =>
      `First time: ${tell.length(cm)} more than is likeliest, to be enough for most such bodies.`,
    'stays-free': ({ slot, overMost }) => {
      const isHead = slot === 'forehead' || slot === 'chest';
      if (isHead)
        return overMost
          ? 'Some weight stays on the hands or forearms.'
          : 'Nothing on this shelf comes near enough: it stays free, with some weight on the hands or forearms.';
      return `${overMost ? 'Nobody builds so high here' : 'Nothing on this shelf comes near enough'}: it stays free.`;
    },
    'way-not-taken': ({ pose, way, because }, tell) =>
      `${wayOf(poseById(pose), way)?.name ?? way}: ${notTaken(because, tell)}`,
    'not-carried': ({ slot, cm }, tell) =>
      `${en.slots[slot]} would have to stand ${tell.length(cm)} high, and nothing on this shelf comes near enough.`,
    'follows-seat': ({ cm }, tell) =>
      `The seat went up by ${tell.length(cm)}, and the ramp goes with it: else the low back would arch.`,
    'given-up': () => 'Left out: its pieces are needed under what carries the body.',
    'shelf-ends': () => 'The shelf builds nothing higher here.',

    'gate-range': ({ range, side, leastDeg, deg: has }) =>
      `First: ${ranges[range].toLowerCase()} ${side} of ${deg(leastDeg)} or more; ${has === null ? 'it is not measured yet' : `it reads ${deg(has)}`}.`,
    'gate-record': ({ pose, done, sessions, weeks, slot, mostCm, stage }, tell) =>
      `First: ${poseName(pose)}, ${stageName(pose, stage)}${sessions === 1 ? 'once' : `${sessions} times`} without complaint${weeks > 0 ? ` over ${weeks} weeks` : ''}${slot !== null && mostCm !== null ? `, on ${tell.length(mostCm)} or less` : ''}; ${done === 0 ? 'not yet done' : `${done} so far`}.`,
    'dial-turned': ({ dial, from, to }, tell) =>
      Math.abs(to - from) < 0.5
        ? `${en.dials[dial]} ${dialValue(dial, to, tell)}: as far as it goes.`
        : `${en.dials[dial]}: ${dialValue(dial, from, tell)} → ${dialValue(dial, to, tell)}.`,
    'dial-back': ({ good }) =>
      `${good} good sessions running: a part of what was eased is given back.`,
    'ease-cue': ({ pose, why }) => cueOf(poseById(pose)?.eases[why as RaiseReason] ?? null),
    'way-cue': ({ pose, way }) => cueOf(wayOf(poseById(pose), way)?.eases ?? null),
    'ease-less': () => 'Nothing laid here eases that: go less far into it, and come out sooner.',
    'gone-back': ({ pose, way }) =>
      `So one step back, today: ${inSentence(wayOf(poseById(pose), way)?.name ?? way)}.`,
    'way-anew': ({ pose, way, was }) => {
      const called = (id: string) => inSentence(wayOf(poseById(pose), id)?.name ?? id);
      return `Last time: ${called(was)}. Today it stands in another way, ${called(way)}: begin as for a first time.`;
    },
    'felt-answer': ({ pose, spot }) => answerTo(pose, spot)?.says ?? '',
    'eased-then': ({ spot }) =>
      `Last time ${spotWords(spot)} spoke and was eased: what eased it still lies there.`,
    'fault-cue': ({ pose, fault }) =>
      cueOf(poseById(pose)?.faults.find(({ id }) => id === fault) ?? null),
    'seen-again': ({ fault, on }, tell) =>
      `Seen twice now, last on ${tell.day(on)}: ${inSentence(fault)}.`,
    'at-limit': ({ slot, cm }, tell) =>
      `${en.slots[slotRefOf(slot).slot]} at ${tell.length(cm)} was not enough, and nobody builds higher.`,
    'fault-stands': ({ on }, tell) =>
      `What was seen on ${tell.day(on)} speaks of this support: it stays until that is gone.`,
    'first-time': ({ isRead, statureCm, next }, tell) => {
      if (isRead) return 'First time: built from the measurements.';
      const usual = `First time: from what is usual for a height of ${tell.length(statureCm)}`;
      return next === null
        ? `${usual}.`
        : `${usual}. Read ${ranges[next].toLowerCase()} and this gets surer.`;
    },
    'read-since': ({ range, side, deg: by, slot, comes }) => {
      const read = `${ranges[range]}${side === 'both' ? '' : `, ${side},`} read ${deg(Math.abs(by))} ${by > 0 ? 'freer' : 'stiffer'} since: `;
      const what = lyingThere[slot] ?? `the support called ${en.slots[slot].toLowerCase()}`;
      if (comes === 'down') return `${read}${what} comes down for it.`;
      if (comes === 'stays')
        return `${read}${what} ${by > 0 ? 'comes down sooner once it has gone well here' : 'stays where it is'}.`;
      return by > 0
        ? `${read}after what was felt it still goes up one step; one good time brings it down.`
        : `${read}${what} goes up.`;
    },
    'heavy-day': ({ day }) => `A ${day} day: one step easier than usual.`,
    'left-out': ({ alarm, on }, tell) => `Left out today: ${alarms[alarm]} on ${tell.day(on)}.`,
    'after-alarm': ({ alarm, on }, tell) =>
      `${alarms[alarm]} on ${tell.day(on)}: one step easier, and with care.`,
    'after-dizzy': ({ on }, tell) =>
      `Dizziness on ${tell.day(on)}: one step easier, rise in stages.`,
    'last-time': ({ on, complaint: one }, tell) => `Last time, ${tell.day(on)}: ${complaint(one)}.`,
    'caution-since': ({ cautions }) =>
      `New since last time: ${cautions.map((id) => en.cautions[id].short.toLowerCase()).join(', ')}.`,
    'low-check': ({ range, side, deg: now, underDeg, believableDeg }) =>
      `Today’s check: ${ranges[range].toLowerCase()}${side === 'both' ? '' : ` ${side}`} ${deg(now)}, ${deg(underDeg)} under the last estimate (more than the ${deg(believableDeg)} that chance explains).`,
    'long-gap': ({ days, atHome }) =>
      atHome
        ? `${days} days since you saw it, and done ${atHome === 1 ? 'once' : `${atHome} times`} at home since: as it was, once, and no longer.`
        : `${days} days since the last time: as it was, once, and no longer.`,
    'go-ahead-first': () => 'Nothing goes deeper before the written go-ahead is here.',
    'hurt-at-home': ({ on }, tell) =>
      `It hurt at home, ${tell.day(on)}: ask where and how before it is done.`,
    'much-at-home': ({ times, of }) => `At home it was too much, ${times} of the last ${of} times.`,
    'once-much-at-home': ({ on }, tell) =>
      `At home it was too much once, ${tell.day(on)}: nothing comes down today.`,
    'long-away': ({ days }) =>
      `${Math.round(days / 7)} weeks since the last time: one step easier today, then as before.`,
    'not-held': ({ heldSeconds, plannedSeconds, again }) => {
      const held = `Held ${Math.round(heldSeconds)} of ${Math.round(plannedSeconds)} s last time`;
      return again
        ? `${held}, and cut short the time before: as long as that today, with nothing lower.`
        : `${held}: the whole time first.`;
    },
    leaned: ({ side, on, sits }, tell) =>
      `It leaned to the ${side} on ${tell.day(on)}: level it first${sits ? ', with a thin fold under the side that sinks' : ''}; nothing goes deeper until it is even.`,
    'very-mobile': () =>
      'Very mobile: nothing comes down; stay at mid-range, and add strength instead.',
    'more-sessions': ({ good, asked, raised }) =>
      `${raised ? 'Raised lately. ' : ''}Stay: ${times(asked - good)} more at this height.`,
    'nothing-lies': ({ withStrap }) =>
      withStrap
        ? 'The strap goes by the range; nothing else lay there that could be taken away.'
        : 'Nothing lay there that could be taken away.',
    fitted: () => 'What lies there fits this body’s lengths: it stays.',
    'no-step': ({ cm }, tell) => `The shelf has no step of ${tell.length(cm)} or less below this.`,
    'range-supports': ({ good, toCm }, tell) =>
      `${capital(times(good))} here. Try one step lower: ${tell.exact(toCm)}.`,
    'range-unsure': ({ range, isRough }) =>
      range === null
        ? 'Stay: the next step down is not likely to be enough yet.'
        : isRough
          ? `Stay: ${deciding(range)} decides here, and it is known too roughly; read it again and this comes down sooner.`
          : `Stay: ${deciding(range)} decides here, and asks for this height.`,
    'rung-odds': ({ toCm, chance, asked }, tell) =>
      `${inHundred(chance)} that ${tell.exact(toCm)} is enough; ${Math.round(asked * 100)} are asked for before it comes down.`,

    caution: ({ caution, rule, goAheadOn }, tell) =>
      `${en.cautions[caution].short}: ${en.rules[rule]}${goAheadOn === null ? '' : ` Go-ahead noted on ${tell.day(goAheadOn)}.`}`,
    'caution-unknown': ({ caution, reading }) =>
      `“${caution}” is answered yes and this version does not know it: ask before ${reading ? 'measuring' : 'offering this'}.`,
    refer: ({ caution }) => en.cautions[caution].refer,
    'refer-alarm': () =>
      'If it comes back, or stays: to a doctor or physiotherapist before this pose again.',
    'refer-dizzy': () => 'Dizziness that returns: to a doctor.',
    'refer-joint': () => 'A joint that goes on speaking: to a physiotherapist.',
    'too-high': ({ pose, cm }, tell) =>
      (
        en.tooHigh[pose as PoseId] ??
        ((height) => `The support would have to stand ${height} high.`)
      )(tell.length(cm)),

    'no-such-support': () => 'This pose has no such support.',
    'few-looks': ({ seen, asked }) =>
      `Not enough record: ${seen} of ${asked} dated readings of what limits this height.`,

    'unlikely-length': ({ length, cm, usualCm, statureCm }, tell) =>
      `${tapes[length].name} ${tell.exact(cm)} is far from the ${tell.length(usualCm)} that a height of ${tell.length(statureCm)} suggests; tape it again.`,
    'no-such-way': ({ way, range }) =>
      `${way} is no way of reading ${ranges[range].toLowerCase()}.`,
    'side-missing': ({ range }) => `${ranges[range]} is read left and right apart; say which side.`,
    'outside-range': ({ range, value, least, most, unit }, tell) => {
      const [read, from, to] = [value, least, most].map((one) =>
        unit === 'cm' ? tell.number(one) : String(one),
      );
      const sign = { cm: ` ${tell.short}`, deg: '°', ratio: '' }[unit];
      return `${read}${sign} is outside what a person can show for ${ranges[range].toLowerCase()} (${from} to ${to}${sign}); read it again.`;
    },
    'not-human': ({ range, deg: comes, least, most }) =>
      `It comes to ${deg(comes)}: nobody shows that for ${ranges[range].toLowerCase()} (${least} to ${most}°). Look at the tape, the seat’s height and the student’s lengths, and read it again.`,
    'beyond-lengths': ({ range, cm }, tell) =>
      `No body of these lengths comes to ${tell.exact(cm)} for ${ranges[range].toLowerCase()}. Look at the tape, the seat’s height and the student’s lengths, and read it again.`,
    'far-from-believed': ({ range, readDeg, deg: believed, sd }) =>
      `${ranges[range]}: ${deg(readDeg)}, after ${believed.toFixed(0)}° ± ${Math.max(1, 1.28 * sd).toFixed(0)}. The other side, or a slip of ten? Read it again, or keep it if it is so.`,

    'working-triangle': ({ thighCm, heelCm, cm, kneeDeg, behindDeg, deg: bend }, tell) => {
      const [thigh, heel, gap] = [tell.number(thighCm), tell.number(heelCm), tell.number(cm)];
      return `Thigh ${thigh}, knee to heel ${heel} and ${tell.exact(cm)} make a triangle. Its angle at the knee: acos((${thigh}² + ${heel}² − ${gap}²) ÷ (2 × ${thigh} × ${heel})) = ${deg(kneeDeg)}. The heel stands ${deg(behindDeg)} behind the shin; what is missing to 180 is the bend: ${deg(bend)}.`;
    },
    'working-straddle': ({ cm, spacingCm, legCm, deg: out }, tell) =>
      `The hips stand ${tell.exact(spacingCm)} apart; half of what the heels stand wider, over a leg of ${tell.exact(legCm)} from hip to heel: asin(${tell.number((cm - spacingCm) / 2)} ÷ ${tell.number(legCm)}) = ${deg(out)} on each side.`,
    'working-wall': ({ cm, toeCm, kneeCm, shinCm, deg: bend }, tell) =>
      `The knee’s centre stands ${tell.exact(cm + toeCm - kneeCm)} before the ankle’s: ${tell.number(cm)} to the wall and ${tell.number(toeCm)} of foot, less ${tell.number(kneeCm)} of knee. Over a shin of ${tell.exact(shinCm)}: asin(${tell.number(cm + toeCm - kneeCm)} ÷ ${tell.number(shinCm)}) = ${deg(bend)}.`,
    'working-sits': ({ readDeg, standingDeg, deg: goes }) =>
      `The pelvis stands at ${deg(standingDeg)} and sits at ${deg(readDeg)}: from the one to the other it tips ${goes > 0 ? 'forward' : 'back'} ${deg(Math.abs(goes))}.`,
    'working-ankle-gap': ({ cm, footCm, shortDeg, flatDeg, deg: point }, tell) =>
      `A gap of ${tell.exact(cm)} over ${tell.exact(footCm)} of foot: ${deg(shortDeg)} short of the ${deg(flatDeg)} that lie flat: ${deg(point)}.`,
    'working-crossed': ({ kneeCm, hipCm, thighCm, riseDeg, deg: turn }, tell) =>
      `The knee’s centre stands ${tell.exact(kneeCm)} over the floor, the hip’s ${tell.number(hipCm)}; over a thigh of ${tell.exact(thighCm)} it rises asin(${tell.number(kneeCm - hipCm)} ÷ ${tell.number(thighCm)}) = ${deg(riseDeg)}. The crossed leg that ends there has turned out ${deg(turn)}.`,
    'working-fingertip': ({ armCm, cm, trunkCm, deg: bend }, tell) =>
      `An arm of ${tell.exact(armCm)} that ends ${tell.exact(cm)} over the floor hangs from a trunk of ${tell.exact(trunkCm)}; what the spine gives is taken away: ${deg(bend)}. The spine’s share is guessed, so this is rough.`,
    'working-kneeling': ({ cm, thighCm, deg: bend }, tell) =>
      `On ${tell.exact(cm)}, a thigh of ${tell.exact(thighCm)} slopes down to the knee, and the shin lies flat: the knee bends ${deg(bend)}.`,
    'working-first-pull': ({ share, readDeg, deg: bend }) =>
      `The pelvis has a share of ${Math.round(share * 100)} % in an unwatched raise: ${readDeg.toFixed(0)} × ${(1 - share).toFixed(2)} = ${deg(bend)}.`,
    'working-thigh-free': ({ readDeg, lessDeg, deg: bend }) =>
      `A pelvis that is let go rolls along by about ${lessDeg}°: ${readDeg.toFixed(0)} − ${lessDeg} = ${deg(bend)}.`,
    'working-lag': ({ coupling, lagDeg, deg: bend }) =>
      `Each degree of knee bend is worth ${coupling.toFixed(2)} of hip bend: 90 − ${coupling.toFixed(2)} × ${lagDeg.toFixed(0)} = ${deg(bend)}.`,
    'working-table-edge': ({ readDeg, moreDeg, deg: turn }) =>
      `Seated, less shows than a crossed leg may use: ${readDeg.toFixed(0)} + ${moreDeg} = ${deg(turn)}.`,
  },
  cautions: {
    'hip-replacement': {
      name: 'Hip replacement',
      question: 'Has a hip been replaced?',
      short: 'Replaced hip',
      refer: 'New pain, clicking or a feeling of giving way: back to the surgeon.',
    },
    'knee-meniscus': {
      name: 'Meniscus injury',
      question: 'Has a meniscus been torn or repaired?',
      short: 'Sore knee',
      refer: 'Locking, swelling or giving way: to a doctor or physiotherapist.',
    },
    'knee-pain': {
      name: 'Knee that hurts',
      question: 'Does a knee hurt, now or when it bends far?',
      short: 'Sore knee',
      refer: 'Pain that stays, swelling or giving way: to a doctor or physiotherapist.',
    },
    'knee-ligament': {
      name: 'Knee ligament injury',
      question: 'Has a knee ligament been injured?',
      short: 'Sore knee',
      refer: 'Giving way or swelling: to a doctor or physiotherapist.',
    },
    'knee-arthritis': {
      name: 'Knee arthritis',
      question: 'Is there arthritis in a knee?',
      short: 'Sore knee',
      refer: 'Swelling, warmth or pain at night: to a doctor.',
    },
    'knee-replacement': {
      name: 'Knee replacement',
      question: 'Has a knee been replaced?',
      short: 'Replaced knee',
      refer: 'Swelling, warmth or pain at night: to the surgeon.',
    },
    'low-back-disc': {
      name: 'Disc trouble in the low back',
      question: 'Is there or was there disc trouble in the low back?',
      short: 'Low back',
      refer:
        'Feeling below the knee, numbness, or trouble with bladder or bowel: stop, and to a doctor at once.',
    },
    sciatica: {
      name: 'Sciatica',
      question: 'Does pain or tingling run down a leg?',
      short: 'Nerve to the leg',
      refer: 'Feeling below the knee during a pose: stop; to a doctor or physiotherapist.',
    },
    sacroiliac: {
      name: 'Sacroiliac pain',
      question: 'Is there pain at the back of the pelvis, to one side?',
      short: 'Back of the pelvis',
      refer: 'Pain that stays the next day: to a physiotherapist.',
    },
    'hamstring-origin': {
      name: 'Hamstring origin pain or tear',
      question: 'Is there pain at the sit bone, or was a hamstring torn?',
      short: 'Hamstring origin',
      refer: 'Pain when sitting, or a sudden pull: to a physiotherapist.',
    },
    osteoporosis: {
      name: 'Osteoporosis',
      question: 'Are the bones thin, or did one break from a small fall?',
      short: 'Thin bones',
      refer: 'Sudden back pain: to a doctor.',
    },
    pregnancy: {
      name: 'Pregnancy',
      question: 'Is she pregnant, or was there a birth in the last months?',
      short: 'Pregnancy',
      refer: 'Pain in the pelvis or the front bone: to the midwife or physiotherapist.',
    },
    'head-pressure': {
      name: 'Blood or eye pressure, reflux, dizziness',
      question: 'Is there high blood or eye pressure, reflux or dizziness?',
      short: 'Pressure or dizziness',
      refer: 'Dizziness that returns: to a doctor.',
    },
    'very-mobile': {
      name: 'Very mobile joints',
      question: 'Do joints bend further than most, or slip?',
      short: 'Very mobile',
      refer: 'Joints that slip out: to a doctor.',
    },
    'recent-or-unexplained': {
      name: 'Recent operation, injury, clot, numbness, night pain, locking or swelling',
      question:
        'In the last three months: an operation, injury, clot, numbness, night pain, locking or swelling?',
      short: 'Recent or unexplained trouble',
      refer: 'To a doctor or physiotherapist first.',
    },
    'ankle-foot': {
      name: 'Ankle or foot injury',
      question: 'Is an ankle or foot injured?',
      short: 'Ankle',
      refer: 'Swelling or pain when standing: to a doctor.',
    },
    shoulder: {
      name: 'Shoulder trouble',
      question: 'Is a shoulder sore or stiff?',
      short: 'Shoulder',
      refer: 'Pain at night: to a doctor.',
    },
    'under-18': {
      name: 'Under 18',
      question: 'Is the student under 18?',
      short: 'Under 18',
      refer: 'Growing pains that stay: to a doctor.',
    },
  },
  rulesAtHome: {
    'knee-in-hand': 'sit no lower than this, and come up at the first word from the knee.',
    'kneecap-spared': 'sit no lower than this, and come up at the first word from the knee.',
  },
  rules: {
    'ask-surgeon': 'ask for the surgeon’s or physiotherapist’s written go-ahead first.',
    'no-past-90': 'no fold past 90° at the hip.',
    'front-short': 'its front is not stretched to the end.',
    'outer-hips-held': 'the outer hips are held.',
    'no-belt': 'no belt holds the legs open.',
    'nothing-under-load': 'nothing turns, spreads or stretches it under load.',
    'no-crossing': 'nothing that crosses the midline turning in.',
    'no-turning-in': 'no turning in with the hip bent.',
    'no-deep-fold': 'this folds it far past 90°.',
    'no-lift-past': 'this lifts the thigh past 90°.',
    'ask-kneeling': 'kneeling only with the surgeon’s or physiotherapist’s written go-ahead.',
    'knee-in-hand': '15° of knee bend are left to spare instead of 5°.',
    'knee-spacer': 'a thin spacer lies deep behind the knee.',
    'kneecap-spared': 'the kneecap hurts: 20° of knee bend are left to spare.',
    'behind-filled': 'it hurts behind: a folded towel fills the back of the knee.',
    'side-filled':
      'it hurts at its side: its thigh is met at once, the heel further off, the foot flexed.',
    'knee-over-ankle': 'it stays over its ankle, never ahead of the toes.',
    'squat-high': 'the squat stays high, on its seat.',
    'fold-beneath': 'a fold beneath it, and out at the first word from the joint.',
    'thigh-met': 'its thigh is met from below, and out at the first word from the joint.',
    'foot-flexed': 'the foot stays flexed, and out at the first word from the joint.',
    'knee-watched': 'out at the first word from the joint.',
    'no-turned-weight': 'no weight on a turned knee.',
    'heel-not-drawn': 'nothing draws the heel to the seat.',
    'hold-on': 'a wall or a chair within reach, for a fall is the danger here.',
    'spine-quiet': 'the spine keeps nearly straight.',
    'knees-first': 'the knees bend first, over what lies under them.',
    'knees-soft': 'the knees stay soft, and bend before the back rounds.',
    'no-arch': 'the ramp stands high enough that nothing arches.',
    'back-long': 'the low back stays long; go no further than it keeps still.',
    'no-hanging': 'no hanging fold.',
    'no-standing-fold': 'no fold from standing, which stretches leg and back together.',
    'no-leg-pulled': 'no straight leg is pulled.',
    'hips-level': 'keep the hips level and the work even on both sides.',
    'no-wide': 'no wide deep hold.',
    'no-one-sided': 'no one-sided deep hold.',
    'no-fixed-twist': 'no twist on a fixed pelvis.',
    'no-straight-end': 'no end range with straight legs.',
    'no-strap-pull': 'no pull on a strap.',
    'no-end-range': 'no end range.',
    'spine-straight': 'no rounded fold, the back stays straight.',
    'no-loaded-twist': 'no loaded twist.',
    'no-folded-turn': 'no turning while folded.',
    'no-neck-weight': 'no weight on the neck.',
    'nothing-pushed': 'it loosens ligaments: mid-range only, nothing is pushed.',
    'belly-room': 'room for the belly: legs wide, and nothing presses it.',
    'belly-not-folded': 'no folding over the belly.',
    'ramp-high': 'not lying flat: the ramp stays at 30° or more.',
    'not-flat': 'not flat on the back.',
    'not-lain': 'the trunk stays up; nothing lies flat.',
    'head-not-low':
      'the head stays no lower than the heart; look down rather than up; rise in stages.',
    brief: 'briefly, if at all.',
    'up-in-stages': 'up in stages after lying long, the head last.',
    'head-high': 'the head stays high on the ramp.',
    'stop-before-end': 'stop before the end; never deeper.',
    'nothing-yet': 'nothing here until a doctor or physiotherapist has looked.',
    'ankle-roll': 'a roll under its front, and no full kneel.',
    'ankle-eased': 'little weight on it, and out at the first word from the joint.',
    'not-on-heels': 'no sitting on the heels.',
    'not-on-thigh': 'it is not laid on the other thigh.',
    'heels-up': 'its bend is spared: something stands under the heels or carries the seat.',
    'arms-low': 'arms stay beside the body.',
    'no-overhead': 'no reaching overhead.',
    'light-hands': 'little weight on the hands, and briefly; leave it out if it speaks.',
    'second-adult': 'a second adult present; no long holds at end range.',
    'read-gently':
      'bend only to the first word from the joint, your hand under the heel, and no push.',
    'read-from-high': 'from high to low, and out at the first word from the joint.',
    'read-no-hip-end':
      'no reading that bends the hip past 90°, turns it or takes it to its end, without the word of the surgeon or physiotherapist.',
    'read-raise-low': 'keep the raise under 90°, and lift nothing for the student.',
    'read-kneeling-asked': 'kneeling is asked about first.',
    'read-no-rounding': 'no reading of a rounded back.',
    'read-slowly': 'slowly; feeling below the knee ends it and refers on.',
    'read-no-leg-and-back': 'no reading that stretches the leg and the back together.',
    'read-nerve-line':
      'slowly; a line of feeling down the leg ends it. It is no hamstring reading then, and refers on.',
    'read-short-of-end': 'well short of the end, and level hips.',
    'read-no-straight-end': 'no straight leg to its end range.',
    'read-well-before-end': 'stop well before the end, and nothing fast.',
    'read-not-face-down': 'nothing face down.',
    'read-not-long-on-back': 'not long on the back; turn to the left side in between.',
    'read-not-pushed': 'ligaments are loose, so no range is pushed.',
    'read-head-not-low': 'the head does not go below the heart.',
    'read-up-in-stages': 'up again in stages.',
    'read-first-resistance': 'read to the first resistance, not to the end.',
    'read-nothing': 'nothing is measured near it before a doctor or physiotherapist has looked.',
    'read-no-kneel': 'no full kneel.',
    'read-as-far-as-goes': 'only as far as it goes by itself.',
    'read-no-overhead': 'the arm is not read overhead.',
    'read-adult-present': 'an adult is present, and no range is taken to its end.',
  },
  tooHigh: {
    'easy-cross': (height) =>
      `The seat would have to stand ${height} high: a chair carries it better.`,
    'stacked-shins': (height) =>
      `The seat would have to stand ${height} high: plain crossed legs first.`,
    'half-lotus-seat': (height) =>
      `Half lotus asks for rotation to spare; here the seat would have to stand ${height} high: plain crossed legs first.`,
    'stacked-fold': (height) =>
      `The seat would have to stand ${height} high: soles together first.`,
    pigeon: (height) =>
      `The front hip would have to stand on ${height}: the figure four on the back gives the same without the load.`,
    'king-pigeon': (height) =>
      `The front hip would have to stand on ${height}: the figure four on the back comes first.`,
  },
};

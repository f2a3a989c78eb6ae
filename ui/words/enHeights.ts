import type { HeightReasons, Surface } from '@/core/reasons';
import type { HeightWords, Telling } from './language';

export const deg = (value: number): string => {
  const whole = Math.round(value);
  return `${whole < 0 ? '−' : ''}${Math.abs(whole)}°`;
};

const over: Readonly<Record<Surface, string>> = {
  floor: 'the floor',
  foot: 'the foot',
  shin: 'the shin',
  shins: 'the shins',
  knee: 'the knee',
  thigh: 'the thigh',
  heels: 'the heels',
  ramp: 'the ramp',
  seat: 'the seat',
  chair: 'the chair',
  'lower ankle': 'the lower ankle',
};
const rampPlace = { low: 'the low ribs', high: 'the shoulder blades' } as const;
const tried = {
  'top knee': () => 'the upper knee',
  'back foot': () => 'the foot',
  shoulder: () => 'the shoulder that lifts',
  knee: (side: string) => (side === 'both' ? 'both knees' : `the ${side} knee`),
} as const;

/** Less is told as nothing: lengths are told in halves. */
const LEAST_TOLD_CM = 0.25;
const isNone = (cm: number) => cm < LEAST_TOLD_CM;

/** What is said where this body asks for nothing, and something lies there all the same: settled on, or like the other side. */
const MORE = 'by this alone nothing would have to lie there';

/**
 * A fact and what follows from it: where nothing is asked for, where something is and lies there, and where nothing
 * lies.
 */
function follows(
  cm: number,
  lies: boolean,
  said: { readonly none: string; readonly on: string; readonly off: string },
): string {
  if (isNone(cm)) return lies ? MORE : said.none;
  return lies ? said.on : said.off;
}

const moreThan = (cm: number, other: string, tell: Telling) =>
  cm >= 0.5 ? `; ${tell.length(cm)} more than ${other}` : '';
const otherSide = { left: 'right', right: 'left' } as const;

/** Hands that come down: on what lies there, to the floor, or not as far. */
const palms = (cm: number, lies: boolean, tell: Telling, on: string) =>
  `the palms ${isNone(cm) ? (lies ? 'would reach the floor: a little height lets them press' : 'reach the floor') : `stop ${tell.length(cm)} over the floor${lies ? on : ''}`}.`;

/** How far the back thigh goes behind the pelvis, or stays in front of it. */
const behind = (backDeg: number) =>
  backDeg > -0.5
    ? `Back thigh ${deg(Math.max(0, backDeg))} behind the pelvis`
    : `Back thigh ${deg(-backDeg)} short of level with the pelvis`;

const chairHeight = (
  { slot, behindKneeCm, chairCm, cm }: HeightReasons['chair-height'],
  tell: Telling,
  lies: boolean,
): string => {
  const under = slot === 'feet' ? 'under the feet' : 'on the seat';
  const stands = `The back of the knee stands ${tell.length(behindKneeCm)} up, the chair ${tell.length(chairCm)}`;
  return `${stands}: ${follows(cm, lies, {
    none: slot === 'feet' ? 'the feet reach the floor' : 'nothing on the seat',
    on: `${tell.length(cm)} ${under} ${/^1 /.test(tell.length(cm)) ? 'makes' : 'make'} knees and hips square`,
    off: `${tell.length(cm)} ${under} would make knees and hips square`,
  })}.`;
};

const squatHeels = (
  { deg: bend, side, cm, beyond }: HeightReasons['squat-heels'],
  tell: Telling,
  lies: boolean,
) => {
  const ankle = `Ankle bend ${deg(bend)} ${side}`;
  if (beyond) return `${ankle}: no heel lift brings the weight over the feet, so sit on the seat.`;
  return `${ankle}: ${follows(cm, lies, {
    none: 'the weight stays over the feet with the heels down',
    on: `heels ${tell.length(cm)} up keep the weight over the feet`,
    off: `the heels come ${tell.length(cm)} short of the floor, and the balance shows it`,
  })}.`;
};

const foldForehead = (
  { cm, over: under, tooHigh, overLegs }: HeightReasons['fold-forehead'],
  tell: Telling,
  lies: boolean,
): string => {
  const stops = `The forehead stops ${tell.length(cm)} over ${over[under]}`;
  if (isNone(cm))
    return `The forehead comes down on ${over[under]}${lies ? `; ${MORE}` : ' by itself'}.`;
  if (tooHigh && !lies)
    return `${stops}: too far to rest yet, so the back stays long and the head in line with it.`;
  return overLegs && lies ? `${stops}: what carries it stands over the legs.` : `${stops}.`;
};

/** Why a support stands as high as it does, or nothing lies there: never of a support that is not built. */
export const heights: HeightWords = {
  'palms-beside': ({ cm }, tell, lies) =>
    `With this trunk and these arms ${palms(cm, lies, tell, ': what lies under them lets the back grow')}`,
  'own-pelvis': ({ deg: own, usualDeg, moreCm }, tell) =>
    `From standing to sitting well this pelvis tips ${own > 0 ? 'forward' : 'back'} ${deg(Math.abs(own))}, ${own > usualDeg ? 'less far back' : 'further back'} than the ${deg(-usualDeg)} that are usual: it asks for ${tell.length(Math.abs(moreCm))} ${moreCm > 0 ? 'more' : 'less'} here.`,
  'long-sit-seat': ({ cm, deg: bend, side, rollBackDeg, kneesFirst }, tell, lies) =>
    `Hamstring ${deg(bend)} ${side}: ${follows(cm, lies, {
      none: 'the pelvis stands upright on the floor',
      on: `on the floor the pelvis would roll back ${deg(rollBackDeg)} → ${tell.length(cm)} under the seat${kneesFirst ? ', the lifted knees take the rest' : ''}`,
      off: `on the floor the pelvis rolls back ${deg(rollBackDeg)}, which ${tell.length(cm)} of seat would mend`,
    })}.`,
  'long-sit-knees': ({ cm, deg: bend, side, backFirst, planted, spread }, tell, lies) =>
    isNone(cm)
      ? lies
        ? 'The knees lie soft; straight ones would cost the back nothing here.'
        : 'Straight knees cost the back nothing here.'
      : planted && !lies
        ? `Hamstring ${deg(bend)} ${side}: ${spread ? 'bring the legs nearer and soften' : 'plant the feet and bend'} the knees, their backs about ${tell.length(cm)} up, with nothing under them.`
        : `Hamstring ${deg(bend)} ${side}, ${backFirst ? 'back before knees' : 'seat before knees'}${lies ? ` → knees on ${tell.length(cm)}` : `: ${tell.length(cm)} under the knees would spare it`}.`,
  'twist-seat': ({ cm, deg: bend, side }, tell, lies) =>
    `Hamstring ${deg(bend)} ${side}, its knee kept soft: ${follows(cm, lies, {
      none: 'the pelvis stands upright on the floor',
      on: `on ${tell.length(cm)} the back can grow before it turns`,
      off: `${tell.length(cm)} of seat would let the back grow before it turns`,
    })}.`,
  'strap-to-feet': ({ cm, deg: bend }, tell, lies) =>
    isNone(cm)
      ? 'The hands reach the feet.'
      : `With ${deg(bend)} of hamstring the hands stop ${tell.length(cm)} short of the feet${lies ? ': a strap makes it up' : ''}.`,
  'fold-chest': ({ cm }, tell, lies) =>
    isNone(cm)
      ? `The chest comes down${lies ? `; ${MORE}` : ' by itself'}.`
      : `The breastbone stops ${tell.length(cm)} over the floor${lies ? ': on its support the back can be quiet' : ''}.`,
  'fold-forehead': foldForehead,
  'thigh-to-chest': ({ deg: bend, knees }) => `Thigh to chest ${deg(bend)}, knees ${knees}.`,
  'spread-knees': ({ deg: spread, side }) => `Spread ${deg(spread)} ${side}.`,
  'frog-knees': (_, __, lies) =>
    lies
      ? 'A fold under each knee: they carry weight on their inner edge.'
      : 'The knees carry weight on their inner edge: something soft under each would spare them.',
  'crossed-seat': ({ cm, deg: turn, side, moreCm }, tell, lies) =>
    `Outward rotation ${deg(turn)} ${side}: ${follows(cm, lies, {
      none: 'the knees come level with the hips on the floor',
      on: `on ${tell.length(cm)} the knee is no higher than the hip${moreThan(moreCm, 'the other side asks', tell)}`,
      off: `on the floor the knee stands over the hip, which ${tell.length(cm)} of seat would mend`,
    })}.`,
  'knee-laid-open': ({ cm, deg: turn, side, over: under }, tell, lies) =>
    `With ${deg(turn)} of rotation the ${isNone(cm) ? '' : 'middle of the '}${side} thigh ${follows(
      cm,
      lies,
      {
        none: `rests on ${over[under]} by itself`,
        on: `stays ${tell.length(cm)} over ${over[under]}: that is filled, not pressed down`,
        off: `stays ${tell.length(cm)} over ${over[under]}: it is let be, not pressed down`,
      },
    ).replace(MORE, `all but rests on ${over[under]}; what lies there only meets it`)}.`,
  'kneeling-seat': ({ cm, deg: bend, side, marginDeg, over: under, moreCm }, tell, lies) => {
    const onto = under === 'floor' ? '' : ` over ${over[under]}`;
    const knee = `Knee bend ${deg(bend)} ${side}, ${deg(marginDeg)} to spare`;
    if (isNone(cm)) return `${knee}: it goes as far as ${over[under]}${lies ? `; ${MORE}` : ''}.`;
    return `${knee}${lies ? ' →' : ': it asks for'} ${tell.length(cm)}${onto}${moreThan(moreCm, `the ${otherSide[side]} asks`, tell)}.`;
  },
  'ankle-points': ({ deg: point, side, neededDeg }, _, lies) => {
    const points = `The ${side} ankle points ${deg(point)}`;
    if (Math.round(point) >= Math.round(neededDeg))
      return `${points}, and ${deg(neededDeg)} are asked${lies ? ': what lies there spares it' : ''}.`;
    return `${points} of the ${deg(neededDeg)} asked${lies ? ': what lies under it makes up the rest' : ''}.`;
  },
  'under-shins': ({ cm }, _, lies) =>
    lies
      ? 'A blanket under the shins, feet over its edge, spares the ankles; the seat rises with it.'
      : isNone(cm)
        ? 'No blanket is asked for.'
        : 'A blanket under the shins would spare the ankles.',
  'behind-knee': ({ cm }, _, lies) =>
    lies
      ? 'A pad deep behind the knee gives the joint room; more would only lift.'
      : isNone(cm)
        ? 'No pad is asked for.'
        : 'A pad deep behind the knee would give the joint room.',
  'front-thigh-ramp': ({ cm, deg: bend, side, inclineDeg, place }, tell, lies) =>
    `Front thigh ${deg(bend)} face down, ${side}: the trunk may come down to ${deg(Math.max(0, inclineDeg))}${follows(
      cm,
      lies,
      {
        none: ', which is the floor',
        on: `, so ${tell.length(cm)} under ${rampPlace[place]}`,
        off: `: ${tell.length(cm)} under ${rampPlace[place]}`,
      },
    ).replace(MORE, `; ${MORE}`)}.`,
  'comfort-ramp': ({ cm, place }, tell, lies) =>
    isNone(cm) || !lies
      ? 'No ramp is asked for.'
      : `A ramp by comfort: ${tell.length(cm)} under ${rampPlace[place]}, its low end against the pelvis.`,
  'head-on-ramp': ({ cm }, tell, lies) =>
    isNone(cm)
      ? 'The head lies as deep as the back.'
      : `The back of the head is less deep than the back: ${tell.length(cm)} over the ramp ${lies ? 'keep' : 'would keep'} the throat long.`,
  'lying-head': ({ cm }, tell, lies) =>
    isNone(cm)
      ? 'The head lies level with the back.'
      : `The head is less deep than the back: ${tell.length(cm)} under it ${lies ? 'keep' : 'would keep'} the throat long.`,
  'long-leg-knee': ({ cm }, tell, lies) =>
    follows(cm, lies, {
      none: 'The long leg lies on the floor.',
      on: `The long leg falls away from the seat: ${tell.length(cm)} under its knee keep it from pulling the pelvis down.`,
      off: `The long leg falls away from the seat by ${tell.length(cm)} at its knee.`,
    }).replace(MORE, 'The long knee is met, though its leg lies nearly flat.'),
  'hips-level': ({ cm }, tell, lies) =>
    cm < 0.5
      ? 'Both hips stand level on this seat.'
      : `The other hip sinks ${tell.length(cm)} lower than the folded side${lies ? ': a wedge levels the pelvis' : ''}.`,
  'outer-hip': ({ cm, deg: turn, side, place }, tell, lies) =>
    `With ${deg(turn)} of rotation ${place === 'outerHip' ? 'the upper thigh' : 'the knee'} ${follows(
      cm,
      lies,
      {
        none: `rests by itself, ${side}`,
        on: `stays ${tell.length(cm)} up, ${side}: that is carried`,
        off: `stays ${tell.length(cm)} up, ${side}`,
      },
    ).replace(MORE, `all but rests, ${side}; what lies there only meets it`)}.`,
  'rest-knees': ({ cm, standsDeg }, tell, lies) => {
    const roll = `A roll of ${tell.length(cm)} under the knees ${lies ? 'lets' : 'would let'} the low back${lies ? ' and the front of the hips' : ''} be quiet.`;
    return standsDeg === null
      ? roll
      : `${roll} The pelvis tips forward by ${deg(standsDeg)} standing: the low back arches more off the floor.`;
  },
  'standing-foot': (_, __, lies) =>
    lies
      ? 'The standing foot is raised, which deepens the pose.'
      : 'The standing foot stays on the floor; a block under it deepens the pose, and comes last.',
  'strap-behind': ({ cm }, tell) =>
    isNone(cm)
      ? 'The hand reaches the back foot.'
      : `The hand stops ${tell.length(cm)} short of the back foot.`,
  'by-trying': ({ cm, under, side }, tell, lies) =>
    lies
      ? `Found by trying: begin with about ${tell.length(cm)} under ${tried[under](side)} and go on step by step.`
      : `Found by trying, where ${tried[under](side)} hangs: about ${tell.length(cm)} to begin with.`,
  'other-thigh': ({ cm }, _, lies) =>
    isNone(cm)
      ? lies
        ? 'The other knee is met, though its leg lies nearly flat.'
        : 'The other leg lies flat.'
      : `The other thigh cannot lie flat with the pelvis level${lies ? ': a roll meets its knee' : ''}.`,
  'raised-strap': ({ cm, deg: bend, side, seated }, tell) =>
    `Hamstring ${deg(bend)} ${side}: ${seated ? 'with the knee as bent as that asks, ' : ''}${isNone(cm) ? 'the hand reaches the foot.' : `the hand stops ${tell.length(cm)} short of the foot.`}`,
  'raised-seat': ({ cm, deg: turn, side }, tell, lies) =>
    `Outward rotation ${deg(turn)} ${side}: ${follows(cm, lies, {
      none: 'the crossed leg asks for no seat',
      on: `on ${tell.length(cm)} the back stands by itself`,
      off: `${tell.length(cm)} of seat would let the back stand by itself`,
    })}.`,
  lunge: ({ cm, backDeg, back, stepCm, frontDeg, side }, tell, lies) =>
    `${behind(backDeg)}, ${back}: a step of ${tell.length(stepCm)} from knee to ankle. Front hip ${deg(frontDeg)} ${side}: ${palms(cm, lies, tell, '')}`,
  'knee-down': (_, __, lies) =>
    lies
      ? 'A fold under the knee that is down: it carries weight.'
      : 'The knee that is down carries weight: something soft under it would spare it.',
  'horse-hands': ({ cm }, tell, lies) =>
    isNone(cm)
      ? `The hands ${lies ? 'would reach the floor: a little height lets them press' : 'reach the floor'}.`
      : `The hands come to ${tell.length(cm)} up${lies ? ', so that the knee carries only what it likes' : ''}.`,
  'pigeon-hip': ({ cm, deg: turn, side, closed }, tell, lies) =>
    `Outward rotation ${deg(turn)} ${side}, ${closed ? 'heel drawn in' : 'shin toward square'}: ${follows(
      cm,
      lies,
      {
        none: 'the front hip comes down by itself',
        on: `${tell.length(cm)} under the front hip, so that nothing is asked of the knee`,
        off: `the front hip stops ${tell.length(cm)} up`,
      },
    )}.`,
  'pigeon-hands': ({ cm, deg: back, side }, tell, lies) =>
    `${behind(back)}, ${side}: ${palms(cm, lies, tell, ', and press there')}`,
  'strap-over-shoulder': ({ cm }, tell) =>
    `From the raised back foot over the shoulder to the hand: ${tell.length(cm)} of strap.`,
  'standing-hands': ({ deg: bend, side, kneeDeg, cm, onThighs }, tell, lies) =>
    `Hamstring ${deg(bend)} ${side}, knees bent ${deg(kneeDeg)}: ${
      !isNone(cm) && onThighs && !lies
        ? `the palms stop ${tell.length(cm)} up, so they rest on the thighs.`
        : palms(cm, lies, tell, '')
    }`,
  'stood-on': (_, __, lies) =>
    lies
      ? 'Standing higher, the hands come past the toes.'
      : 'Standing on something, the hands would come past the toes.',
  'belt-round': ({ cm }, tell) =>
    `Round the low pelvis, over the thighs and under the feet: ${tell.length(cm)} of belt, drawn until it holds and no further.`,
  'squat-heels': squatHeels,
  'squat-seat': ({ cm, kneeDeg }, tell, lies) =>
    isNone(cm)
      ? `With the knees bent to ${deg(kneeDeg)} the sit bones ${lies ? `would come all the way down; ${MORE}` : 'come all the way down'}.`
      : `With the knees bent to ${deg(kneeDeg)} the sit bones stop ${tell.length(cm)} up${lies ? ': a seat there asks for no balance' : ''}.`,
  'hands-down': ({ cm }, tell, lies) =>
    isNone(cm) && !lies
      ? 'The hands reach the floor.'
      : `Hinged this far, ${palms(cm, lies, tell, '')}`,
  'chair-height': chairHeight,
  'strap-to-shin': ({ cm }, tell) =>
    isNone(cm)
      ? 'The hands reach the shin.'
      : `The hands stop ${tell.length(cm)} short of the shin.`,
  'strap-overhead': ({ cm }, tell) =>
    `So far apart, ${tell.length(cm)}, straight arms pass overhead without a pinch.`,
  'strap-to-soles': ({ cm }, tell, lies) =>
    isNone(cm)
      ? 'The hands reach the feet.'
      : `The hands stop ${tell.length(cm)} short of the feet${lies ? ': a strap round each' : ''}.`,
  'table-hands': ({ cm }, tell, lies) =>
    isNone(cm)
      ? `The arms ${lies ? 'would reach the floor: a little height lets them press' : 'reach the floor with the trunk level'}.`
      : `With these shins and arms the palms ${lies ? 'press' : 'stop'} ${tell.length(cm)} up.`,
  'dog-hands': (_, __, lies) =>
    lies
      ? 'Blocks under the hands, while the shoulders are tired.'
      : 'The hands stay on the floor; blocks under them when the shoulders are tired.',
  'dog-heels': ({ cm, deg: bend, side }, tell, lies) =>
    isNone(cm)
      ? `The heels come down${lies ? `; ${MORE}` : ''}.`
      : `Ankle bend ${deg(bend)} ${side}, less with straight knees: the heels ${lies ? 'rest' : 'stay'} ${tell.length(cm)} up.`,
};

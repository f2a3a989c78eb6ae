import { asinDeg } from '../angles';
import { armCm } from '../body/body';
import { crossLegged, kneeling, reading as readingParameter } from '../parameters';
import {
  DEG_PER_CM_OF_WALL,
  kneeBendFromHeelCm,
  type ConversionContext,
  type Protocol,
} from '../ranges/protocols';

const n = (x: number) =>
  Math.abs(x - Math.round(x)) < 0.05 ? Math.round(x).toString() : x.toFixed(1);
const whole = (deg: number) => `${Math.round(deg)}°`;

type Says = (value: number, result: string, context: ConversionContext) => string;

const byCosines: Says = (cm, result, { body, body: { thighCm, shinCm } }) =>
  `Thigh ${n(thighCm)}, shin ${n(shinCm)} and ${n(cm)} cm make a triangle. Its angle at the knee: acos((${n(thighCm)}² + ${n(shinCm)}² − ${n(cm)}²) ÷ (2 × ${n(thighCm)} × ${n(shinCm)})) = ${whole(180 - kneeBendFromHeelCm(cm, body))}. The bend is what is missing to 180: ${result}.`;

const says: Readonly<Record<string, Says>> = {
  'heel-to-seat': byCosines,
  'heel-to-seat.face-down': byCosines,
  'straddle-width': (cm, result, { body }) =>
    `Half of ${n(cm)} cm over a leg of ${n(body.thighCm + body.shinCm)} cm: asin(${n(cm / 2)} ÷ ${n(body.thighCm + body.shinCm)}) = ${result} on each side.`,
  'knee-to-wall': (cm, result) =>
    `About ${DEG_PER_CM_OF_WALL}° for each centimetre: ${n(cm)} × ${DEG_PER_CM_OF_WALL} = ${result}.`,
  'kneeling-ankle-gap': (cm, result, { body }) =>
    `A gap of ${n(cm)} cm over ${n(kneeling.ankleLever.value * body.footCm)} cm of foot: ${whole(asinDeg(cm / (kneeling.ankleLever.value * body.footCm)))} short of the ${kneeling.anklePointNeeded.value}° that lie flat: ${result}.`,
  'crossed-seat-gap': (cm, result, { body, seatCm = 0 }) =>
    `The knee’s centre stands ${n(cm + body.kneeBackCm)} cm over the floor, the hip’s ${n(seatCm + body.seatToHipCm)}; over a thigh of ${n(body.thighCm)} cm it rises asin(${n(cm + body.kneeBackCm - seatCm - body.seatToHipCm)} ÷ ${n(body.thighCm)}) = ${whole(asinDeg((cm + body.kneeBackCm - seatCm - body.seatToHipCm) / body.thighCm))}. The crossed leg that ends there has turned out ${result}.`,
  'fingertip-floor': (cm, result, { body }) =>
    `An arm of ${n(armCm(body))} cm that ends ${n(cm)} cm over the floor hangs from a trunk of ${n(body.trunkCm)} cm; what the spine gives is taken away: ${result}. The spine’s share is guessed, so this is rough.`,
  'kneeling-seat': (cm, result, { body }) =>
    `On ${n(cm)} cm, a thigh of ${n(body.thighCm)} cm slopes down to the knee, and the shin lies flat: the knee bends ${result}.`,
  'straight-leg-raise.first-pull': (deg, result) =>
    `The pelvis has a share of ${Math.round(readingParameter.pelvisShareOfLegRaise.value * 100)} % in an unwatched raise: ${n(deg)} × ${n(1 - readingParameter.pelvisShareOfLegRaise.value)} = ${result}.`,
  'knee-extension-90': (lag, result, { coupling }) =>
    `Each degree of knee bend is worth ${coupling.mean.toFixed(2)} of hip bend: 90 − ${coupling.mean.toFixed(2)} × ${n(lag)} = ${result}.`,
  'table-edge-rotation': (deg, result) =>
    `Seated, less shows than a crossed leg may use: ${n(deg)} + ${crossLegged.flatFootRotation.value} = ${result}.`,
};

/** How a read value becomes its range, in one or two sentences with this body's own numbers; null where it is the range as read. */
export function workingOf(
  protocol: Protocol,
  value: number,
  context: ConversionContext,
): string | null {
  const { mean } = protocol.convert(value, 1, context);
  return Number.isFinite(mean) ? (says[protocol.id]?.(value, whole(mean), context) ?? null) : null;
}

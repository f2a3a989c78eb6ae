import { firstZero } from '../geometry/root';
import type { ConversionContext, Protocol } from '../protocols/protocols';
import { priorOf, ranges, type Prior, type RangeId, type Sex } from '../ranges/ranges';

/** A pelvis in long sit has no prior of its own; drawings begin about here. */
const USUAL_LONG_SIT: Prior = { mean: -10, sd: 14 };

/** What people usually show of a range, for drawings. */
export const usualOf = (id: RangeId, sex: Sex): Prior =>
  ranges[id].prior === null ? USUAL_LONG_SIT : priorOf(id, sex);

/** Further from what is usual, in standard deviations, nothing is drawn. */
const REACH = 2.4;
const MOST_STEPS = 9;
const STEPS_DEG = [5, 10, 15, 20];

/** Values of a protocol whose drawings stand side by side for the eye: even steps over what people show. */
export function eyeSteps(
  protocol: Pick<Protocol, 'least' | 'most' | 'convert'>,
  usual: Prior,
  context: ConversionContext,
): number[] {
  const shown = (step: number) =>
    Array.from(
      { length: Math.floor((protocol.most - protocol.least) / step) + 1 },
      (_, i) => Math.ceil(protocol.least / step) * step + i * step,
    ).filter(
      (value) =>
        value <= protocol.most &&
        Math.abs(protocol.convert(value, 1, context).mean - usual.mean) <= REACH * usual.sd,
    );
  const step = STEPS_DEG.find((one) => shown(one).length <= MOST_STEPS) ?? 20;
  return shown(step);
}

/** Whether more of what is read is freer (+1), or less (−1); conversions run one way. */
export const freerWay = (
  { least, most, convert }: Pick<Protocol, 'least' | 'most' | 'convert'>,
  context: ConversionContext,
): 1 | -1 => (convert(most, 1, context).mean > convert(least, 1, context).mean ? 1 : -1);

/** The value at which a protocol shows a range, for a drawing. */
export function valueShowing(
  protocol: Pick<Protocol, 'least' | 'most' | 'convert'>,
  rangeMean: number,
  context: ConversionContext,
): number {
  const { least, most, convert } = protocol;
  const meanAt = (value: number) => convert(value, 1, context).mean;
  const way = freerWay(protocol, context);
  return firstZero((value) => way * (rangeMean - meanAt(value)), least, most, CLOSE);
}
/** In the protocol's own unit, and the range's. */
const CLOSE = 1e-6;

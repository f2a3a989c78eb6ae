import { bodyFrom } from '../body/body';
import { protocols, type ConversionContext } from '../protocols/protocols';
import { eyeSteps, usualOf, valueShowing } from './shown';

const context: ConversionContext = { body: bodyFrom(170), coupling: { mean: 0.95, sd: 0.2 } };

test.each(
  protocols
    .filter(({ methods }) => methods.includes('by-eye'))
    .map((one) => [one.id, one] as const),
)('%s: three to nine drawings, in even steps, the usual one among them', (_, protocol) => {
  const usual = usualOf(protocol.range, 'unknown');
  const steps = eyeSteps(protocol, usual, context);
  expect(steps.length).toBeGreaterThanOrEqual(3);
  expect(steps.length).toBeLessThanOrEqual(9);
  const [first, second] = steps as [number, number];
  steps.slice(1).forEach((value, i) => expect(value - steps[i]!).toBe(second - first));
  const means = steps.map((value) => protocol.convert(value, 1, context).mean);
  expect(Math.min(...means)).toBeLessThan(usual.mean);
  expect(Math.max(...means)).toBeGreaterThan(usual.mean);
});

test.each(protocols.map((one) => [one.id, one] as const))(
  '%s: the value that shows a usual range is one that can be read, and converts back to it',
  (_, protocol) => {
    const usual = usualOf(protocol.range, 'unknown').mean;
    const at = { ...context, seatCm: 12 };
    const value = valueShowing(protocol, usual, at);
    expect(value).toBeGreaterThanOrEqual(protocol.least);
    expect(value).toBeLessThanOrEqual(protocol.most);
    expect(protocol.convert(value, 1, at).mean).toBeCloseTo(usual, 1);
  },
);

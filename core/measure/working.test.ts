import { bodyFrom } from '../body/body';
import { protocols, type ConversionContext } from '../protocols/protocols';
import { workingOf } from './working';

const context: ConversionContext = {
  body: bodyFrom(170),
  coupling: { mean: 0.95, sd: 0.2 },
  seatCm: 12,
};
const usual: Readonly<Record<string, number>> = {
  'heel-to-seat': 30,
  'heel-to-seat.face-down': 40,
  'straddle-width': 120,
  'knee-to-wall': 9,
  'kneeling-ankle-gap': 4,
  'crossed-seat-gap': 16,
  'fingertip-floor': 12,
  'kneeling-seat': 18,
  'straight-leg-raise.first-pull': 80,
  'knee-extension-90': 35,
  'table-edge-rotation': 38,
};

test.each(protocols.map((one) => [one.id, one] as const))(
  '%s: the working ends where the conversion does, or there is none to show',
  (id, protocol) => {
    const value = usual[id] ?? 50;
    const { mean } = protocol.convert(value, 1, context);
    const working = workingOf(protocol, value, context);
    expect(working === null ? value : working.deg).toBe(mean);
  },
);

test('heel to seat is a triangle of this student’s own lengths', () => {
  const protocol = protocols.find(({ id }) => id === 'heel-to-seat')!;
  const long = workingOf(protocol, 30, { ...context, body: bodyFrom(170, { thigh: 46 }) });
  expect(long).toMatchObject({ code: 'working-triangle', thighCm: 46, cm: 30 });
});

test('a length that makes no triangle shows no working', () => {
  const protocol = protocols.find(({ id }) => id === 'fingertip-floor')!;
  expect(workingOf(protocol, NaN, context)).toBeNull();
});

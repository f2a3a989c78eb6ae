import { bodyFrom } from '../body/body';
import {
  couplingFrom,
  heelOf,
  kneeBendFromHeelCm,
  methods,
  protocolOf,
  protocols,
  semOf,
  wholeError,
  type ProtocolId,
} from '../protocols/protocols';
import { keyOf, keysOf, priorOf, rangeIds, ranges, splitKey } from './ranges';

/** The middle of what people show, in cm, where it is not about 30. */
const middles: Readonly<Partial<Record<ProtocolId, number>>> = {
  'knee-to-wall': 9,
  'kneeling-ankle-gap': 3,
  'straddle-width': 110,
};

test('every range has limits that hold its prior with room to spare', () => {
  for (const id of rangeIds) {
    const { prior, least, most, source } = ranges[id];
    expect(source.length).toBeGreaterThan(3);
    if (!prior) continue;
    expect(prior.mean - 1.5 * prior.sd).toBeGreaterThan(least);
    expect(prior.mean + 1.5 * prior.sd).toBeLessThan(most);
  }
});

test('the prior follows the sex where surveys do', () => {
  expect(priorOf('hamstring', 'woman')).toEqual({ mean: 60, sd: 10 });
  expect(priorOf('hamstring', 'man')).toEqual({ mean: 53, sd: 9 });
  expect(priorOf('hamstring', 'unknown')).toEqual({ mean: 56, sd: 11 });
  expect(priorOf('kneeFlexion.hipBent', 'woman')).toEqual(priorOf('kneeFlexion.hipBent', 'man'));
  expect(() => priorOf('pelvicTilt.longSit', 'man')).toThrow('only an observation');
});

test('keys name a side where sides are read apart, and come apart again', () => {
  expect(keyOf('hamstring', 'left')).toBe('hamstring:left');
  expect(keyOf('spineFold', 'left')).toBe('spineFold');
  expect(keysOf('hamstring')).toEqual(['hamstring:left', 'hamstring:right']);
  expect(splitKey('kneeFlexion.hipBent:right')).toEqual({
    id: 'kneeFlexion.hipBent',
    side: 'right',
  });
  expect(splitKey('hamstringCoupling')).toEqual({ id: 'hamstringCoupling', side: 'both' });
});

describe.each(protocols.map((protocol) => [protocol.id, protocol] as const))(
  'protocol %s',
  (_, protocol) => {
    test('says position, what to hold still, where the tool goes, when to stop and what spoils it', () => {
      for (const words of [
        protocol.position,
        protocol.holdStill,
        protocol.tool,
        protocol.stopWhen,
        protocol.spoiledBy,
      ])
        expect(words.length).toBeGreaterThan(8);
      expect(protocol.stopWhen).toMatch(/before pain.*sharp, electric or spreading/);
    });

    test('converts the middle of its scale to something human, with an error', () => {
      const context = { body: bodyFrom(170), coupling: { mean: 0.95, sd: 0.2 } };
      const middle =
        protocol.unit === 'cm'
          ? (middles[protocol.id] ?? 30)
          : protocol.range.startsWith('pelvicTilt')
            ? 5
            : (protocol.least + protocol.most) / 2;
      const { mean, sem, lasting } = protocol.convert(
        middle,
        semOf(protocol, protocol.methods[0]!),
        context,
      );
      expect(mean).toBeGreaterThan(ranges[protocol.range].least);
      expect(mean).toBeLessThan(ranges[protocol.range].most);
      expect(wholeError({ sem, lasting })).toBeGreaterThan(0.5);
      expect(wholeError({ sem, lasting })).toBeLessThan(20);
    });

    test('is found by its id', () =>
      expect(protocolOf(protocol.range, protocol.methods[0]!, protocol.id)).toBe(protocol));
  },
);

test('ids of protocols are unique, and methods are known', () => {
  expect(new Set(protocols.map(({ id }) => id)).size).toBe(protocols.length);
  for (const { methods: allowed } of protocols)
    for (const method of allowed) expect(methods[method].id).toBe(method);
});

test('a reading without a protocol takes the first that its method serves', () => {
  expect(protocolOf('hamstring', 'protractor')?.id).toBe('straight-leg-raise.pelvis-watched');
  expect(protocolOf('kneeFlexion.hipBent', 'tape')?.id).toBe('heel-to-seat');
  expect(protocolOf('hamstring', 'from-pose')).toBeUndefined();
  expect(protocolOf('hipRotation', 'tape')?.id).toBe('crossed-seat-gap');
});

test('a heel at the seat is a full bend, a heel a leg away is none', () => {
  const body = bodyFrom(170);
  // The heel stands a little behind the shin: folded shut and long, the bend is less by as much.
  const { kneeToHeelCm, behindDeg } = heelOf(body);
  expect(kneeBendFromHeelCm(Math.abs(body.thighCm - kneeToHeelCm), body)).toBeCloseTo(
    180 - behindDeg,
    3,
  );
  expect(kneeBendFromHeelCm(body.thighCm + kneeToHeelCm, body)).toBeCloseTo(-behindDeg, 3);
  expect(behindDeg).toBeLessThan(6);
});

test('the student’s own coupling stays within what is human', () => {
  expect(couplingFrom(60, 30)).toBe(1);
  expect(couplingFrom(20, 30)).toBe(1.4);
  expect(couplingFrom(85, 30)).toBe(0.5);
});

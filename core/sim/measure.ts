import { clamp } from '../angles';
import { bodyFrom } from '../body/body';
import { looksAt } from '../estimate/looks';
import { lastingIn, observationOf } from '../estimate/observations';
import type { Person, Reading } from '../formats/book';
import { shiftDays } from '../formats/time';
import { usualOf, valueShowing } from '../measure/shown';
import { crossLegged, kneeling, reading as parameter } from '../parameters';
import {
  methodFor,
  protocols,
  semOf,
  type ConversionContext,
  type MethodId,
  type ProtocolId,
} from '../protocols/protocols';
import { priorOf, ranges, type RangeId } from '../ranges/ranges';
import { chanceFrom, seedOf, type Chance } from './chance';
import { drawLengths, lookErrors } from './student';

/** How well one way of reading does on bodies that are not what stature says of them. */
export interface WayFigures {
  readonly protocol: ProtocolId;
  readonly range: RangeId;
  readonly method: MethodId;
  /** Means of what was true and of what was read of it, in the range's own unit. */
  readonly trueMean: number;
  readonly readMean: number;
  /** What the way says of its own error, and what it was, both as root mean squares. */
  readonly statedError: number;
  readonly realError: number;
  /** Of a hundred steady students, so many show a change within six weekly looks. */
  readonly falseChanges: number;
}

interface MeasureWish {
  readonly bodies: number;
  readonly seed: number;
}

const DAY = '2026-01-05';
const LOOKS = 6;
/** In standard deviations. */
const WITHIN = 1.6;

/** A range of somebody, not so far out that a way of reading comes to its end. */
function drawRange(id: RangeId, chance: Chance): number {
  const { mean, sd } = usualOf(id, 'unknown');
  return mean + sd * clamp(chance.normal(0, 1), -WITHIN, WITHIN);
}

type Protocol = (typeof protocols)[number];
/** What a body has more or less than the constants of a conversion, as a range that would show alike without it. */
type OwnConstants = Readonly<Partial<Record<ProtocolId, (deg: number) => number>>>;

function ownConstants(chance: Chance): OwnConstants {
  const { pelvisShareOfLegRaise: share, fingertipSpine } = parameter;
  const ownShare = chance.normal(share.value, share.sd);
  const [turnDeg, spineDeg, givesDeg, rollsDeg] = [
    chance.normal(0, crossLegged.flatFootRotation.sd),
    chance.normal(0, fingertipSpine.value),
    chance.normal(0, kneeling.sitAllowance.sd),
    chance.normal(0, parameter.pelvisOfThighToChest.sd),
  ];
  return {
    'straight-leg-raise.first-pull': (deg) => (deg * (1 - share.value)) / (1 - ownShare),
    'table-edge-rotation': (deg) => deg + turnDeg,
    'fingertip-floor': (deg) => deg + spineDeg + chance.normal(0, parameter.fingertip.value),
    'kneeling-seat': (deg) => deg + givesDeg,
    'thigh-to-chest.free': (deg) => deg + rollsDeg,
  };
}

interface Subject {
  readonly statureCm: number;
  readonly constants: OwnConstants;
  /** What the way really leans on: this body, this coupling, this standing pelvis. */
  readonly own: ConversionContext;
  /** What is believed of it before anything else was read. */
  readonly believed: ConversionContext;
}

function subjectOf(chance: Chance): Subject {
  const statureCm = chance.normal(169, 9);
  const taped = drawLengths(statureCm, parameter.segmentDoubt.value, chance);
  const [coupling, standing] = [
    priorOf('hamstringCoupling', 'unknown'),
    priorOf('pelvicTilt.standing', 'unknown'),
  ];
  const seatCm = 12;
  return {
    statureCm,
    constants: ownConstants(chance),
    own: {
      body: bodyFrom(statureCm, taped),
      coupling: { mean: chance.normal(coupling.mean, coupling.sd), sd: 0 },
      standing: { mean: chance.normal(standing.mean, standing.sd), sd: 0 },
      seatCm,
    },
    believed: { body: bodyFrom(statureCm), coupling, standing, seatCm },
  };
}

/** What a tape or a tool shows of a range on a body in one look at it, reading by reading. */
function lookedAt(
  protocol: Protocol,
  { own, constants }: Subject,
  deg: number,
  errors: readonly number[],
): number[] {
  const shown = valueShowing(protocol, constants[protocol.id]?.(deg) ?? deg, own);
  return errors.map((error) => clamp(shown + error, protocol.least, protocol.most));
}

const readingOf = (
  { id, range }: Protocol,
  method: MethodId,
  values: readonly number[],
  at: string = DAY,
): Reading => ({
  id: `${id}-${at}`,
  person: 'p',
  range,
  side: ranges[range].sided ? 'left' : 'both',
  at,
  method,
  protocol: id,
  values: [...values],
  warm: false,
  note: '',
  seatCm: 12,
});

function errorsOf(protocol: Protocol, method: MethodId, bodies: number, chance: Chance) {
  let [trueSum, readSum, stated, real, seen] = [0, 0, 0, 0, 0];
  for (let i = 0; i < bodies; i++) {
    const subject = subjectOf(chance);
    const deg = drawRange(protocol.range, chance);
    const error = lookErrors(semOf(protocol, method), chance);
    const values = lookedAt(protocol, subject, deg, [error()]);
    const look = observationOf(readingOf(protocol, method, values), subject.believed);
    if (!look || look.bound === 'atLeast') continue;
    seen += 1;
    trueSum += deg;
    readSum += look.mean;
    stated += look.sd ** 2 + lastingIn(look.lasting) ** 2;
    real += (look.mean - deg) ** 2;
  }
  return {
    trueMean: trueSum / seen,
    readMean: readSum / seen,
    statedError: Math.sqrt(stated / seen),
    realError: Math.sqrt(real / seen),
  };
}

const somebodyOf = (statureCm: number): Person => ({
  id: 'p',
  name: 'Somebody',
  statureCm,
  sex: 'unknown',
  bodyCm: {},
  cautions: [],
  approach: 'built-up-alignment',
  choices: {},
  home: [],
});

/** Steady students, looked at six times a week apart, twice each time. */
function falseChangesOf(protocol: Protocol, method: MethodId, students: number, chance: Chance) {
  const { range } = protocol;
  const swingDeg = (ranges[range].warms ? parameter.daySwing : parameter.postureSwing).value;
  let shown = 0;
  for (let i = 0; i < students; i++) {
    const subject = subjectOf(chance);
    const deg = drawRange(range, chance);
    const readings = Array.from({ length: LOOKS }, (_, week) => {
      const ofDay = deg + chance.normal(0, swingDeg);
      const error = lookErrors(semOf(protocol, method), chance);
      const values = lookedAt(protocol, subject, ofDay, [error(), error()]);
      return readingOf(protocol, method, values, shiftDays(DAY, 7 * week));
    });
    const person = somebodyOf(subject.statureCm);
    const looks = looksAt({ person, readings, sessions: [] }, range, 'left');
    if (looks.some(({ change }) => change !== null)) shown += 1;
  }
  return (100 * shown) / students;
}

/** Every way of reading by its usual method: what is true, read, stated and really off, and changes that are none. */
export function measureFigures({ bodies, seed }: MeasureWish): WayFigures[] {
  return protocols
    .filter(({ range }) => range !== 'pelvicTilt.longSit')
    .map((protocol, i) => {
      const chance = chanceFrom(seedOf(seed, i));
      const method = methodFor(protocol, 'protractor');
      return {
        protocol: protocol.id,
        range: protocol.range,
        method,
        ...errorsOf(protocol, method, bodies, chance),
        falseChanges: falseChangesOf(protocol, method, Math.ceil(bodies / 4), chance),
      };
    });
}

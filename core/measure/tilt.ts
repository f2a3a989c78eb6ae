import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../angles';
import { phoneTilt } from '../parameters';
import type { Lies } from '../protocols/tiltWay';

/** In the phone's own axes: x to the right of the screen, y to its top, z out of it. */
export type Vector = readonly [x: number, y: number, z: number];

/** Which edge of the phone lies along the limb. */
export type Edge = 'long' | 'short';

/** One moment of the sensor. */
export interface TiltSample {
  /** Milliseconds on any clock that only goes forward. */
  readonly atMs: number;
  /** Front-to-back and left-to-right turn of the phone in degrees, as the browser's orientation events give them. */
  readonly betaDeg: number;
  readonly gammaDeg: number;
}

/** What the phone shows now. */
export interface TiltView {
  readonly atMs: number;
  /** Turn of the edge from where it was zeroed; its upper or outer end rising is +. From −180 to 180. */
  readonly deg: number;
  /** How far the phone is turned on its side, out of the plane in which it was zeroed. */
  readonly skewDeg: number;
  /** Share of the still second that has gone by, 0 to 1. */
  readonly still: number;
  /** Where it has been held still for the last second, whether that is read or not. */
  readonly restingDeg: number | null;
  /** A reading that was just taken by holding still. */
  readonly taken: number | null;
}

/** Which way is up, seen from a phone that is turned so. */
export const upFrom = (betaDeg: number, gammaDeg: number): Vector => [
  -cosDeg(betaDeg) * sinDeg(gammaDeg),
  sinDeg(betaDeg),
  cosDeg(betaDeg) * cosDeg(gammaDeg),
];

const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const minus = (a: Vector, b: Vector, times: number): Vector => [
  a[0] - times * b[0],
  a[1] - times * b[1],
  a[2] - times * b[2],
];
const unit = (a: Vector): Vector => {
  const length = Math.hypot(...a);
  return [a[0] / length, a[1] / length, a[2] / length];
};
const wrapped = (deg: number) => deg - 360 * Math.ceil((deg - 180) / 360);

/** How the phone lies on a limb: the edge along it, and the side that faced up when it was zeroed. */
interface Hold {
  readonly along: Vector;
  readonly out: Vector;
}

const ALONG: Readonly<Record<Edge, Vector>> = { long: [0, 1, 0], short: [1, 0, 0] };

/** Lying flat, at least this share of what faces up is its front or its back. */
const FACES_UP = Math.SQRT1_2;

/** Null while the edge stands so nearly upright that nothing tells which side faces up. */
function holdFrom(up: Vector, edge: Edge): Hold | null {
  const along = ALONG[edge];
  const out = minus(up, along, dot(up, along));
  return Math.hypot(...out) < sinDeg(phoneTilt.leastLean.value) ? null : { along, out: unit(out) };
}

/** What came of making the present moment the zero. */
export type Zeroed =
  /** Zeroed; how the phone lies, as gravity shows it. */
  | { readonly is: 'zeroed'; readonly lies: Lies }
  | { readonly is: 'no moment yet' | 'upright' | 'moving' }
  /** The edge slopes so much, in degrees: no floor does. */
  | { readonly is: 'sloping'; readonly slopeDeg: number };
const turnOf = (up: Vector, { along, out }: Hold) => atan2Deg(dot(up, along), dot(up, out));
const skewOf = (up: Vector, { along, out }: Hold) => asinDeg(dot(up, cross(along, out)));

/**
 * Reads the tilt of one edge from the moments of a sensor: smoothed, from its zero, and taken by itself once it was
 * held still for a second. The zero also tells how the phone is held, flat on its back or on either edge, so nobody has
 * to say.
 */
export class TiltReader {
  private up: Vector | null = null;
  private atMs = 0;
  private hold: Hold | null = null;
  private zeroDeg = 0;
  /** Turns of the last second, oldest first. */
  private recent: { atMs: number; deg: number }[] = [];
  /** Where it rested last, zeroed or read. */
  private restedDeg = 0;
  /** Nothing is taken before the phone was moved from there: a phone that waits on the floor reads nothing. */
  private armed = false;

  constructor(private readonly edge: Edge = 'long') {}

  /**
   * Makes what the phone shows now the zero: once it lies still, with its edge about level. A slope that the teacher knows
   * of is taken when it `isMeant`.
   */
  zero(isMeant = false): Zeroed {
    if (!this.up) return { is: 'no moment yet' };
    const hold = holdFrom(this.up, this.edge);
    if (!hold) return { is: 'upright' };
    if (this.stillForMs() < phoneTilt.zeroAfter.value) return { is: 'moving' };
    const slopeDeg = asinDeg(dot(this.up, hold.along));
    if (!isMeant && Math.abs(slopeDeg) > phoneTilt.zeroSlope.value)
      return { is: 'sloping', slopeDeg };
    this.hold = hold;
    this.zeroDeg = turnOf(this.up, hold);
    this.recent = [];
    this.restedDeg = 0;
    this.armed = false;
    return { is: 'zeroed', lies: Math.abs(hold.out[2]) > FACES_UP ? 'back' : 'edge' };
  }

  /** For how long, up to now, it has shown the same turn: what came before it was still is forgotten. */
  private stillForMs = () => this.atMs - (this.recent[0]?.atMs ?? this.atMs);

  /** Keeps a turn with those of the last moments, and tells how far they lie apart, in degrees. */
  private remember(atMs: number, deg: number): number {
    this.recent.push({ atMs, deg });
    while (
      this.recent.length > 1 &&
      (this.recent[1] as { atMs: number }).atMs <= atMs - phoneTilt.stillFor.value
    )
      this.recent.shift();
    let [low, high] = [deg, deg];
    for (const one of this.recent) {
      if (one.deg < low) low = one.deg;
      if (one.deg > high) high = one.deg;
    }
    return high - low;
  }

  take({ atMs, betaDeg, gammaDeg }: TiltSample): TiltView {
    const raw = upFrom(betaDeg, gammaDeg);
    // Vectors are smoothed, not angles: an average of angles breaks where they wrap.
    const keep = this.up ? Math.exp(-Math.max(0, atMs - this.atMs) / phoneTilt.smoothing.value) : 0;
    this.up = unit(minus(raw, minus(raw, this.up ?? raw, 1), keep));
    this.atMs = atMs;
    this.hold ??= holdFrom(this.up, this.edge);
    if (!this.hold)
      return {
        atMs,
        deg: 90 * Math.sign(dot(this.up, ALONG[this.edge])),
        skewDeg: 0,
        still: 0,
        restingDeg: null,
        taken: null,
      };

    const last = this.recent.at(-1)?.deg ?? 0;
    const now = wrapped(turnOf(this.up, this.hold) - this.zeroDeg);
    // Carried on past ±180 from where it was, so that stillness does not break there.
    const deg = this.recent.length === 0 ? now : last + wrapped(now - last);
    const skewDeg = skewOf(this.up, this.hold);
    const spread = this.remember(atMs, deg);
    if (Math.abs(wrapped(deg - this.restedDeg)) > phoneTilt.moved.value) this.armed = true;
    const still = this.stillness(atMs, deg, spread, skewDeg);
    const restingDeg = still >= 1 ? wrapped(this.meanDeg()) : null;
    const taken = this.armed && still >= 1 ? this.captured() : null;
    return { atMs, deg: wrapped(deg), skewDeg, still: this.armed ? still : 0, restingDeg, taken };
  }

  /**
   * The reading by hand: the mean of what it showed in the last moments, with how far it is turned on its side; null before
   * the first moment.
   */
  now(): { readonly deg: number; readonly skewDeg: number } | null {
    if (this.recent.length === 0 || !this.up || !this.hold) return null;
    return { skewDeg: skewOf(this.up, this.hold), deg: this.captured() };
  }

  private meanDeg(): number {
    return this.recent.reduce((sum, { deg }) => sum + deg, 0) / this.recent.length;
  }

  private captured(): number {
    const mean = this.meanDeg();
    this.armed = false;
    this.restedDeg = mean;
    return wrapped(mean);
  }

  /** Share of the still second that has gone by: none while it moves, or lies on its side. */
  private stillness(atMs: number, deg: number, spread: number, skewDeg: number): number {
    const sinceMs = atMs - (this.recent[0] as { atMs: number }).atMs;
    const moves = spread >= phoneTilt.stillSpread.value;
    if (moves) this.forgetUnstill(deg);
    if (moves || Math.abs(skewDeg) > phoneTilt.mostSkew.value) return 0;
    return Math.min(1, sinceMs / phoneTilt.stillFor.value);
  }

  /** Drops the moments from before it came to rest, so that the still second begins anew. */
  private forgetUnstill(deg: number): void {
    let from = this.recent.length - 1;
    let [low, high] = [deg, deg];
    while (from > 0) {
      const before = (this.recent[from - 1] as { deg: number }).deg;
      low = Math.min(low, before);
      high = Math.max(high, before);
      if (high - low >= phoneTilt.stillSpread.value) break;
      from -= 1;
    }
    this.recent = this.recent.slice(from);
  }
}

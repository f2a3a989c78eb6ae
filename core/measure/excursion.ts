import { phoneTilt } from '../parameters';
import type { TiltWay } from '../protocols/tiltWay';

/** What a limb is doing, as far as its reading goes. */
export interface ExcursionView {
  /** The furthest value at which it was held still since it left its rest; null before that. */
  readonly furthest: number | null;
  /** A reading: the furthest still value of an excursion, once the limb has come most of the way back. */
  readonly taken: number | null;
  /** Whether it has been seen at rest, so that the next excursion counts. */
  readonly rested: boolean;
}

/** An excursion is over once so much of its way is gone back. */
const BACK_SHARE = 0.5;

/**
 * Whether a phone that shows this turn, in degrees from its zero, lies on the floor or on a limb at rest: of several
 * places none is read so first.
 */
export const isLaidDown = (deg: number) => Math.abs(deg) <= phoneTilt.restsAlike.value;

/**
 * A limb that is taken as far as it goes and brought back: the reading is the furthest value at which it was held still,
 * and it is taken on the way back. A pause on the way out is no end; and a phone that is carried to the other limb reads
 * nothing before it has rested there.
 *
 * Values are those of the way of reading, in degrees; `freer` is +1 where more of them is freer, −1 where less is.
 */
export class Excursion {
  /** Rest, end and what lies between on one scale: times `freer`, so that the end is high. Null until it is seen. */
  private rest: number | null = null;
  private furthest: number | null = null;
  private limb: string | null = null;
  /** Where limbs rest: as the way says, then as the limb before did. */
  private usualRest: number;
  /** Whether the phone came here from another limb. */
  private isCarried = false;
  /** When this limb's turn came; null until its first moment. */
  private sinceMs: number | null = null;
  /** When it came to rest, where it rests now. */
  private restingMs: number | null = null;

  constructor(
    private readonly freer: 1 | -1,
    { value, restValue }: Pick<TiltWay, 'value' | 'restValue'>,
  ) {
    const floor = freer * value(0);
    this.usualRest = restValue === undefined ? floor : freer * restValue;
    // A limb that lies as the floor does is at rest from the zero on.
    if (this.restsAt(floor)) this.rest = this.usualRest;
  }

  private restsAt = (at: number) => Math.abs(at - this.usualRest) <= phoneTilt.restsAlike.value;

  /** Reads this limb from now on. Another one than before must be seen at rest first. */
  on(limb: string): void {
    if (this.limb !== null && limb !== this.limb) {
      this.usualRest = this.rest ?? this.usualRest;
      this.isCarried = true;
      this.rest = null;
      this.furthest = null;
      this.sinceMs = null;
      this.restingMs = null;
    }
    this.limb = limb;
  }

  /** Somebody says that the phone lies on the limb, at rest. */
  liesThere(): ExcursionView {
    this.rest ??= this.usualRest;
    return this.view(null);
  }

  /**
   * One moment: what it shows, and the mean of the last second where it was held still for one.
   */
  moment(value: number, still: number | null, atMs: number): ExcursionView {
    this.sinceMs ??= atMs;
    this.restingMs = still === null ? null : (this.restingMs ?? atMs);
    if (still !== null) this.heldStill(this.freer * still);
    const { furthest, rest } = this;
    if (furthest === null || rest === null) return this.view(null);
    const backDeg = furthest - this.freer * value;
    if (backDeg < Math.max(phoneTilt.leastBack.value, BACK_SHARE * (furthest - rest)))
      return this.view(null);
    this.furthest = null;
    return this.view(this.freer * furthest);
  }

  private heldStill(at: number): void {
    if (this.rest === null) {
      // What rests at once is still the limb before.
      const restsSince = (this.restingMs ?? 0) - (this.sinceMs ?? 0);
      const isHere = !this.isCarried || restsSince >= phoneTilt.carried.value;
      if (isHere && this.restsAt(at)) this.rest = at;
    } else if (at <= this.rest + phoneTilt.moved.value) {
      if (this.restsAt(at)) this.rest = Math.min(this.rest, at);
    } else if (this.furthest === null || at > this.furthest) this.furthest = at;
  }

  private view(taken: number | null): ExcursionView {
    return {
      furthest: this.furthest === null ? null : this.freer * this.furthest,
      taken,
      rested: this.rest !== null,
    };
  }
}

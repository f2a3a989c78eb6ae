import { G, Path } from '../svg';
import type { Body } from '@/core/body/body';
import type { Arm, Leg, Point, Posture, SupportPlace } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import { tone } from '../tones';
import { drawnPieces } from './layers';
import { Merged } from './Merged';
import { bowl, circle, head, limb, trunk } from './outlines';
import { pileWidthsCm, PropPiece, SIDEWAYS } from './PropPiece';
import { isRamp, Ramp } from './Ramp';
import type { Stacks } from './stacks';

interface FigureProps {
  readonly posture: Posture;
  readonly body: Body;
  readonly stacks: Stacks;
  readonly shelf: Shelf;
  /** Thickness of an ink line, in centimetres of the picture. */
  readonly line: number;
  /** A faint second figure, for comparing. */
  readonly ghost?: boolean;
}

/**
 * The student side on, drawn from the solved joints, with what lies beneath to scale. A group for a picture in
 * centimetres.
 */
export function Figure({ posture, body, stacks, shelf, line, ghost = false }: FigureProps) {
  const shapes = shapesOf(posture, body);
  if (ghost) {
    return (
      <G opacity={0.75}>
        {[
          ...(posture.far ? shapes.farLeg : []),
          ...shapes.nearLeg,
          ...shapes.trunk,
          ...shapes.arm,
          ...shapes.farArm,
        ].map((d, i) => (
          <Path
            key={i}
            d={d}
            fill="none"
            stroke={tone('rust')}
            strokeWidth={line * 0.8}
            strokeDasharray={`${line * 2.4} ${line * 2}`}
          />
        ))}
      </G>
    );
  }
  return (
    <G>
      {posture.supports.map((support, i) => (
        <Support key={i} support={support} stacks={stacks} shelf={shelf} line={line} />
      ))}
      <Strap posture={posture} stacks={stacks} line={line} />
      <G
        transform={
          posture.far ? '' : `translate(${-0.012 * body.statureCm} ${-0.008 * body.statureCm})`
        }
      >
        <Merged paths={shapes.farFoot} fill={tone('well')} line={line} />
        <Merged paths={shapes.farLeg} fill={tone('faint')} line={line} />
      </G>
      {posture.farArm ? (
        <>
          <Merged paths={shapes.farHand} fill={tone('well')} line={line} />
          <Merged paths={shapes.farArm} fill={tone('faint')} line={line} />
        </>
      ) : null}
      <Merged paths={shapes.neck} fill={tone('skin')} line={line} />
      <Merged paths={shapes.trunk} fill={tone('shirt')} line={line} />
      <Merged paths={shapes.nearFoot} fill={tone('skin')} line={line} />
      <Merged paths={shapes.nearLeg} fill={tone('trouser')} line={line} />
      <Path
        d={shapes.bowl.outline}
        fill={tone('sheet', 0.55)}
        stroke={tone('thread')}
        strokeWidth={line}
      />
      <Path d={shapes.bowl.rim} fill="none" stroke={tone('thread')} strokeWidth={line} />
      <Merged paths={[shapes.head.skull]} fill={tone('skin')} line={line} />
      <Path
        d={shapes.head.hair}
        fill={tone('hair')}
        stroke={tone('ink')}
        strokeWidth={line * 0.6}
      />
      <Path
        d={shapes.head.eye}
        fill="none"
        stroke={tone('ink')}
        strokeWidth={line * 0.8}
        strokeLinecap="round"
      />
      <Path
        d={shapes.head.ear}
        fill="none"
        stroke={tone('ink', 0.7)}
        strokeWidth={line * 0.7}
        strokeLinecap="round"
      />
      <Merged paths={shapes.hand} fill={tone('skin')} line={line} />
      <Merged paths={shapes.arm} fill={tone('shirt')} line={line} />
    </G>
  );
}

const part = (a: Point, b: Point, share: number): Point => [
  a[0] + share * (b[0] - a[0]),
  a[1] + share * (b[1] - a[1]),
];

const HAND_REACH_CM = 14;
const HAND_NEAR_CM = 4;

/** Whether the hand stands on the floor or on a support beneath it, and does not just lie or pull. */
export function bearsWeight({
  elbow,
  hand,
  supports,
}: Pick<Posture, 'elbow' | 'hand' | 'supports'>): boolean {
  const steep = elbow[1] - hand[1] > 0.6 * Math.hypot(hand[0] - elbow[0], hand[1] - elbow[1]);
  const tops = [
    0,
    ...supports
      .filter(
        ({ slot, xCm }) =>
          (slot === 'hands' || slot === 'seat') && Math.abs(xCm - hand[0]) < HAND_REACH_CM,
      )
      .map(({ topCm }) => topCm),
  ];
  return steep && tops.some((top) => Math.abs(hand[1] - top) < HAND_NEAR_CM);
}

function legShapes(
  hip: Point,
  { knee, ankle, heel, toe }: Leg,
  s: number,
): { leg: string[]; foot: string[] } {
  const calf = part(knee, ankle, 0.3);
  const ball = part(heel, toe, 0.68);
  return {
    leg: [
      limb(hip, 0.05 * s, knee, 0.034 * s),
      limb(knee, 0.033 * s, calf, 0.032 * s),
      limb(calf, 0.032 * s, ankle, 0.02 * s),
    ],
    foot: [
      limb(ankle, 0.019 * s, heel, 0.014 * s),
      limb(heel, 0.014 * s, ball, 0.012 * s),
      limb(ball, 0.012 * s, toe, 0.007 * s),
      limb(ankle, 0.018 * s, ball, 0.011 * s),
    ],
  };
}

const armShapes = (shoulder: Point, { elbow, hand }: Arm, s: number): string[] => [
  limb(shoulder, 0.03 * s, elbow, 0.02 * s),
  limb(elbow, 0.02 * s, part(elbow, hand, 0.82), 0.015 * s),
];
const handShapes = (elbow: Point, palm: Point, fingers: Point, s: number): string[] => [
  limb(part(elbow, palm, 0.8), 0.014 * s, palm, 0.013 * s),
  limb(palm, 0.013 * s, fingers, 0.01 * s),
];
/** A hand that bears nothing carries the arm on. */
const carriedOn = ({ elbow, hand }: Arm): Point => [
  hand[0] + (hand[0] - elbow[0]) * 0.16,
  hand[1] + (hand[1] - elbow[1]) * 0.16,
];

function shapesOf(posture: Posture, body: Body) {
  const s = body.statureCm;
  const { hip, spine, elbow, hand, farArm } = posture;
  const shoulder = spine.at(-1) as Point;
  const below = spine.at(-2) as Point;
  const near = legShapes(hip, posture, s);
  const far = posture.far ? legShapes(hip, posture.far, s) : near;
  const skull = head(posture.head, posture.crownDeg, s);
  const onward: Point = [
    shoulder[0] + (shoulder[0] - below[0]),
    shoulder[1] + (shoulder[1] - below[1]),
  ];
  // A palm that bears weight lies flat on what is under it; any other hand carries the arm on.
  const bears = bearsWeight(posture);
  const palm: Point = bears ? [hand[0], hand[1] + 0.014 * s] : hand;
  const fingers: Point = bears ? [palm[0] + 0.045 * s, palm[1] - 0.004 * s] : carriedOn(posture);
  const seat = circle(
    [hip[0] + (posture.pelvisLeanDeg === 0 ? -0.006 * s : 0), hip[1]],
    Math.min(body.seatToHipCm, 0.052 * s),
  );
  return {
    farLeg: far.leg,
    farFoot: far.foot,
    nearLeg: [...near.leg, seat],
    nearFoot: near.foot,
    neck: [
      limb(part(shoulder, onward, 0.2), 0.03 * s, part(onward, posture.head, 0.75), 0.028 * s),
    ],
    trunk: [trunk(spine, s), limb(shoulder, 0.036 * s, below, 0.036 * s)],
    arm: armShapes(shoulder, posture, s),
    hand: handShapes(elbow, palm, fingers, s),
    farArm: farArm ? armShapes(shoulder, farArm, s) : [],
    farHand: farArm ? handShapes(farArm.elbow, farArm.hand, carriedOn(farArm), s) : [],
    head: skull,
    bowl: bowl(hip, posture.pelvisLeanDeg, s),
  };
}

/** Widest that a support may be drawn where there is little room for it. */
const NARROW: Readonly<Record<string, number>> = {
  seat: 40,
  ankle: 12,
  behindKnee: 12,
  heels: 14,
  feet: 26,
  hipLevel: 28,
  underThigh: 20,
  outerHip: 20,
  underShin: 36,
  forehead: 26,
  chest: 34,
  shoulder: 20,
};
const roomFor = (slot: string) => NARROW[slot.split(':')[0] as string] ?? 44;

interface SupportProps {
  readonly support: SupportPlace;
  readonly stacks: Stacks;
  readonly shelf: Shelf;
  readonly line: number;
}

function Support({ support, stacks, shelf, line }: SupportProps) {
  const { slot, xCm, bottomCm, topCm, toXCm, toTopCm, leanDeg, sideways } = support;
  if (toXCm !== undefined && toTopCm !== undefined && !isRamp(stacks, shelf))
    return (
      <Support
        support={{ slot: 'back.high', xCm: toXCm + 5, bottomCm: 0, topCm: toTopCm }}
        {...{ stacks, shelf, line }}
      />
    );
  if (toXCm !== undefined && toTopCm !== undefined)
    return <Ramp support={support} stacks={stacks} shelf={shelf} line={line} />;
  if (slot === 'chair' && sideways)
    return <PropPiece kind="chair" state={SIDEWAYS} {...{ xCm, bottomCm, topCm, line }} />;
  // The chair that one sits on has its back behind the body.
  if (slot === 'chair')
    return (
      <G transform={`translate(${2 * xCm} 0) scale(-1 1)`}>
        <PropPiece
          kind="chair"
          state="seat"
          xCm={xCm}
          bottomCm={bottomCm}
          topCm={topCm}
          line={line}
        />
      </G>
    );
  const pieces = drawnPieces(stacks[slot]?.pieces ?? [], shelf, bottomCm, topCm - bottomCm);
  const widths = pileWidthsCm(pieces, roomFor(slot));
  if (leanDeg !== undefined) {
    return (
      <G transform={`translate(${xCm} ${-bottomCm}) rotate(${leanDeg})`}>
        {pieces.map((piece, i) => (
          <PropPiece
            key={i}
            {...piece}
            bottomCm={piece.bottomCm - bottomCm}
            topCm={piece.topCm - bottomCm}
            xCm={0}
            mostWidthCm={18}
            line={line}
          />
        ))}
      </G>
    );
  }
  return (
    <G>
      {pieces.map((piece, i) => (
        <PropPiece key={i} {...piece} xCm={xCm} mostWidthCm={widths[i] ?? 0} line={line} />
      ))}
    </G>
  );
}

/** A strap from the hands round the soles. */
function Strap({
  posture,
  stacks,
  line,
}: {
  readonly posture: Posture;
  readonly stacks: Stacks;
  readonly line: number;
}) {
  if (!stacks.strap || stacks.strap.pieces.length === 0) return null;
  const [[hx, hy], [tx, ty]] = [posture.hand, posture.strapTo ?? posture.toe];
  return (
    <Path
      d={`M${hx} ${-hy}Q${(hx + tx) / 2} ${-(hy + ty) / 2 + 2} ${tx} ${-ty}`}
      fill="none"
      stroke={tone('thread')}
      strokeWidth={line * 2.4}
      strokeLinecap="round"
    />
  );
}

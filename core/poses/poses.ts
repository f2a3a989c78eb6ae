import { goesUpAt, type Pose } from './pose';

/** The catalogue. Adding a pose of a known family touches this table alone. */
export const poses: readonly Pose[] = [
  {
    id: 'staff', group: 'seated', name: 'Staff', sanskrit: 'Daṇḍāsana', sides: 'both', family: 'long sit', slots: ['seat', 'underKnees'],
    stages: [
      { id: 'knees-on-roll', name: 'Knees on a roll', from: { slot: 'underKnees', cm: 1 } },
      { id: 'raised-seat', name: 'Raised seat, legs straight', from: { slot: 'seat', cm: 0.5 } },
      { id: 'floor', name: 'On the floor' },
    ],
    look: ['Weight on the middle of the sit bones', 'Low back long, not rounded', 'Kneecaps soft, knees not pressed', 'Palms reach beside the hips'],
    entry: ['Sit at the front edge of the support.', 'Draw the flesh aside so that both sit bones are met.', 'Lengthen one leg, then the other, over the roll.', 'Palms beside the hips; grow tall.'],
    exit: ['Bend the knees one at a time.', 'Lean back on the hands and rest.'],
    needs: ['hamstring', 'hipFlexion'], comesDown: ['seat', 'underKnees'], goesUp: goesUpAt('seat', { 'low-back': 'underKnees', strong: 'underKnees', joint: 'underKnees' }),
    faults: [
      { id: 'tail-tucked', seen: 'Tail tucked, low back rounded', slot: 'seat', way: 'raise' },
      { id: 'knees-locked', seen: 'Knees pressed back', slot: 'underKnees', way: 'raise' },
      { id: 'falls-forward', seen: 'Low back over-arched', slot: 'seat', way: 'lower' },
    ],
    warmUps: ['leg-up'], counterposes: ['table-up'], harder: 'seated-fold', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'seated-fold', group: 'forward-bending', name: 'Seated fold', sanskrit: 'Paścimottānāsana', sides: 'both', family: 'fold',
    slots: ['seat', 'underKnees', 'forehead', 'strap'],
    stages: [
      { id: 'roll-and-strap', name: 'Knees on a roll, strap round the feet', from: { slot: 'underKnees', cm: 14 } },
      { id: 'less-roll', name: 'Lower roll', from: { slot: 'underKnees', cm: 1 } },
      { id: 'straight', name: 'Legs straight' },
    ],
    look: ['The fold begins at the hips, not in the low back', 'Chest goes forward, not down', 'Kneecaps face up', 'Neck in line, forehead met', 'Breath easy'],
    entry: ['Sit as in Staff.', 'Strap round the balls of the feet.', 'Breathe in and grow; breathe out and tip the pelvis.', 'Stop where the back stays long; let the forehead come down on its support.'],
    exit: ['Press the feet, come up with a long back.', 'Bend the knees, lean back and rest.'],
    needs: ['hamstring', 'hipFlexion'], comesDown: ['seat', 'underKnees', 'forehead'],
    goesUp: goesUpAt('underKnees', { rolled: 'seat', arched: 'forehead', other: 'forehead' }),
    faults: [
      { id: 'uphill', seen: 'Hinges uphill: the pelvis stays back', slot: 'seat', way: 'raise' },
      { id: 'rounds', seen: 'Rounds in the low back', slot: 'underKnees', way: 'raise' },
      { id: 'neck-cranked', seen: 'Neck cranked to look ahead', slot: 'forehead', way: 'raise' },
    ],
    warmUps: ['staff'], counterposes: ['table-up'], easier: 'staff', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'hero', group: 'kneeling', name: 'Hero', sanskrit: 'Vīrāsana', sides: 'both', family: 'kneeling', slots: ['seat', 'behindKnee', 'ankle'],
    stages: [
      { id: 'tall-seat', name: 'Tall seat', from: { slot: 'seat', cm: 17 } },
      { id: 'block', name: 'Seat of a block', from: { slot: 'seat', cm: 7 } },
      { id: 'blanket', name: 'Seat of a folded blanket', from: { slot: 'seat', cm: 0.5 } },
      { id: 'floor', name: 'On the floor between the heels' },
    ],
    look: ['Knees quiet, nothing at their edges', 'Feet straight back, outer ankles not pushed out', 'Both sit bones carried alike', 'Pelvis upright, low back long'],
    entry: ['Kneel with the thighs parallel, feet just wider than the hips.', 'Roll the calves straight back and out of the way.', 'Lower on to the support with hands on the floor.', 'Lay the hands on the thighs.'],
    exit: ['Lean forward on to the hands.', 'Lift the seat, tuck the toes, step back.', 'Lengthen one leg after the other.'],
    needs: ['kneeFlexion.hipBent', 'anklePoint'], comesDown: ['seat'], goesUp: goesUpAt('seat'),
    faults: [
      { id: 'ankle-out', seen: 'Outer ankle pushed out, or a foot turned sideways', slot: 'seat', way: 'raise' },
      { id: 'ankle-front', seen: 'Front of the ankle strained', slot: 'ankle', way: 'raise' },
      { id: 'leans', seen: 'Leans to one side', slot: 'seat', way: 'raise' },
    ],
    warmUps: ['staff'], counterposes: ['staff'], harder: 'reclined-hero', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'reclined-hero', group: 'reclined', name: 'Reclined hero', sanskrit: 'Supta Vīrāsana', sides: 'both', family: 'reclined hero', slots: ['seat', 'back', 'neck', 'ankle'],
    stages: [
      { id: 'on-hands', name: 'Leaning back on the hands', from: { slot: 'back.high', cm: 58 } },
      { id: 'on-forearms', name: 'On the forearms', from: { slot: 'back.high', cm: 50 } },
      { id: 'ramp', name: 'Full ramp under the back', from: { slot: 'back.high', cm: 22 } },
      { id: 'low-ramp', name: 'Lower ramp', from: { slot: 'back.high', cm: 1 } },
      { id: 'floor', name: 'Back on the floor' },
    ],
    look: ['The ramp touches the pelvis: no gap behind the low back', 'Tail long, front ribs down', 'Knees quiet; they may rise a little', 'Head carried, chin not lifted'],
    entry: ['Sit in Hero on the seat support.', 'Slide the ramp up until it touches the pelvis.', 'Lean back on the hands, then the forearms, tail long.', 'Lie on the ramp only if the low back stays quiet.'],
    exit: ['Press the forearms, chin to chest, come up with a long back.', 'Lean forward over the knees, then lengthen one leg after the other.'],
    needs: ['kneeFlexion.hipBent', 'kneeFlexion.prone', 'anklePoint'], comesDown: ['seat', 'back.high'],
    goesUp: goesUpAt('back.high', { joint: 'seat' }),
    faults: [
      { id: 'gap', seen: 'Gap behind the low back, over-arched', slot: 'back', way: 'raise' },
      { id: 'ribs', seen: 'Front ribs flare', slot: 'back', way: 'raise' },
      { id: 'chin', seen: 'Chin lifts, throat tight', slot: 'neck', way: 'raise' },
    ],
    warmUps: ['hero'], counterposes: ['plank', 'staff'], easier: 'hero', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'standing-fold', group: 'forward-bending', name: 'Standing fold', sanskrit: 'Uttānāsana', sides: 'both', family: 'standing fold', slots: ['hands'],
    stages: [
      { id: 'thighs', name: 'Hands on the thighs', from: { slot: 'hands', cm: 46.01 } },
      { id: 'chair', name: 'Hands on a chair', from: { slot: 'hands', cm: 30 } },
      { id: 'blocks-end', name: 'Blocks on end', from: { slot: 'hands', cm: 18 } },
      { id: 'blocks-edge', name: 'Blocks on edge', from: { slot: 'hands', cm: 11 } },
      { id: 'blocks-flat', name: 'Blocks flat', from: { slot: 'hands', cm: 1 } },
      { id: 'floor', name: 'Palms on the floor' },
    ],
    look: ['Hips stay over the ankles', 'Back long first, then let it hang', 'Hands always on something', 'Knees soft'],
    entry: ['Feet hip-wide, knees bent, hands on the thighs.', 'Slide the hands down with a long back.', 'Hands on their supports; let the head hang only then.'],
    exit: ['Bend the knees, hands to the thighs.', 'Come up with a long back, in stages; stand a breath.'],
    needs: ['hamstring', 'hipFlexion'], comesDown: ['hands'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'hips-back', seen: 'Hips sway behind the heels', slot: 'hands', way: 'raise' },
      { id: 'hands-air', seen: 'Hands hang in the air', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['staff'], counterposes: ['constructive'], hold: { firstSeconds: 45, mostSeconds: 180 },
  },
];

const byId = new Map(poses.map((pose) => [pose.id, pose]));
export const poseById = (id: string): Pose | undefined => byId.get(id);

/** The stage that built heights make of a pose, most supported first. */
export function stageOf(pose: Pose, built: Readonly<Record<string, number>>): string {
  const stage = pose.stages.find(({ from }) => from === undefined || (built[from.slot] ?? 0) >= from.cm);
  return (stage ?? pose.stages.at(-1))?.id ?? '';
}

import { goesUpAt, type Pose } from './pose';

/** Kneeling poses. */
export const kneeling: readonly Pose[] = [
  {
    id: 'thunderbolt', group: 'kneeling', name: 'Kneel on the heels', sanskrit: 'Vajrāsana', sides: 'both', family: 'kneeling on heels', slots: ['seat', 'behindKnee', 'ankle', 'underShin'],
    stages: [
      { id: 'raised', name: 'On a support over the heels', from: { slot: 'seat', cm: 0.5 } },
      { id: 'heels', name: 'On the heels' },
    ],
    look: ['Ankles straight behind', 'Knees quiet', 'Weight on both sit bones', 'Pelvis upright'],
    entry: ['Kneel, shins parallel.', 'Lay the support on the heels.', 'Sit back on to it; hands on the thighs.'],
    exit: ['Lean forward on to the hands.', 'Tuck the toes, step back, lengthen the legs.'],
    needs: ['kneeFlexion.hipBent', 'anklePoint'], comesDown: ['seat'], goesUp: goesUpAt('seat'),
    faults: [
      { id: 'ankles-out', seen: 'Ankles fall outward', slot: 'seat', way: 'raise' },
      { id: 'ankle-front', seen: 'Front of the ankle strained', slot: 'ankle', way: 'raise' },
    ],
    warmUps: ['child'], counterposes: ['staff'], easier: 'chair-seat', harder: 'hero',
    atHome: 'Seat: a firm cushion across the heels. Ankles: a rolled towel.', hold: { firstSeconds: 30, mostSeconds: 300 },
  },
  {
    id: 'hero', group: 'kneeling', name: 'Hero', sanskrit: 'Vīrāsana', sides: 'both', family: 'kneeling', slots: ['seat', 'behindKnee', 'ankle', 'underShin'],
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
    warmUps: ['cats-tail', 'low-lunge'], counterposes: ['staff'], easier: 'thunderbolt', harder: 'reclined-hero', atHome: 'Seat: thick books under a folded towel between the feet, never a soft cushion alone. Ankles: a rolled towel.', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'child', group: 'kneeling', name: 'Child', sanskrit: 'Bālāsana', sides: 'both', family: 'child', slots: ['seat', 'behindKnee', 'ankle', 'underShin', 'chest', 'forehead'],
    stages: [
      { id: 'chest-carried', name: 'Chest on its support', from: { slot: 'chest', cm: 8 } },
      { id: 'heels-met', name: 'Support between seat and heels', from: { slot: 'seat', cm: 0.5 } },
      { id: 'forehead-met', name: 'Forehead on its support', from: { slot: 'forehead', cm: 1 } },
      { id: 'floor', name: 'On the floor' },
    ],
    look: ['Seat heavy on the heels or on what fills the gap', 'Belly has room', 'Forehead met', 'Neck long'],
    entry: ['Kneel, knees wide or together as chosen.', 'Fill the gap between seat and heels.', 'Lay the chest down on its support.', 'Let the forehead be carried.'],
    exit: ['Walk the hands back under the shoulders.', 'Come up with a long back.'],
    needs: ['kneeFlexion.hipBent', 'hipFlexion', 'spineFold', 'anklePoint'], comesDown: ['seat', 'chest', 'forehead'], goesUp: goesUpAt('seat', { 'low-back': 'chest', rolled: 'chest', strong: 'chest', other: 'forehead' }),
    faults: [
      { id: 'seat-floats', seen: 'Seat floats over the heels', slot: 'seat', way: 'raise' },
      { id: 'head-hangs', seen: 'Forehead hangs', slot: 'forehead', way: 'raise' },
      { id: 'belly-squeezed', seen: 'Belly has no room', slot: 'chest', way: 'raise' },
    ],
    warmUps: ['constructive'], counterposes: ['staff'], harder: 'thunderbolt',
    atHome: 'Heels: folded blanket. Chest: bed pillow lengthwise. Forehead: stacked hands or books.', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'frog', group: 'kneeling', name: 'Frog', sanskrit: 'Maṇḍūkāsana', sides: 'both', family: 'frog', slots: ['underKnees', 'chest', 'forehead'],
    stages: [
      { id: 'chest-carried', name: 'Chest on a bolster', from: { slot: 'chest', cm: 14 } },
      { id: 'chest-low', name: 'Chest lower', from: { slot: 'chest', cm: 1 } },
      { id: 'floor', name: 'Chest on the floor' },
    ],
    look: ['Hips in line with the knees', 'Inner knees padded', 'Low back neither hangs nor rounds', 'Feeling in the inner thighs, not the knees'],
    entry: ['On all fours, a fold under each knee.', 'Widen the knees, shins parallel behind them.', 'Lower the chest to its support, hips over the line of the knees.'],
    exit: ['Walk the hands back, knees toward each other.', 'Rest in Child or on the side.'],
    needs: ['hipSpread'], comesDown: ['chest', 'forehead'], goesUp: goesUpAt('chest'),
    faults: [
      { id: 'hips-ahead', seen: 'Hips slide ahead of the knees', slot: 'chest', way: 'raise' },
      { id: 'knees-sore', seen: 'Inner knees sore', slot: 'underKnees', way: 'raise' },
    ],
    warmUps: ['open-book', 'child'], counterposes: ['constructive'], easier: 'open-book',
    atHome: 'Knees: folded towels. Chest: firm sofa cushion.', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'low-lunge', group: 'kneeling', name: 'Low lunge', sanskrit: 'Añjaneyāsana', sides: 'each', family: 'lunge', slots: ['underKnees', 'hands'],
    stages: [
      { id: 'chair', name: 'Hands on a chair', from: { slot: 'hands', cm: 30 } },
      { id: 'blocks', name: 'Hands on blocks', from: { slot: 'hands', cm: 1 } },
      { id: 'thigh', name: 'Hands on the thigh or floor' },
    ],
    look: ['Front knee over its ankle', 'Back knee padded', 'Pelvis level, front hip bone lifts', 'Front ribs quiet'],
    entry: ['From all fours step one foot between the hands.', 'Hands on their supports.', 'Slide the back knee until the front of the hip speaks.', 'Lift the chest without arching.'],
    exit: ['Hands down, step back.', 'Rest, change sides.'],
    needs: ['hipExtension', 'hipFlexion'], comesDown: ['hands'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'knee-ahead', seen: 'Front knee slides past the toes', slot: 'hands', way: 'raise' },
      { id: 'arches', seen: 'Low back arches', slot: 'hands', way: 'raise' },
      { id: 'knee-sore', seen: 'Back knee sore', slot: 'underKnees', way: 'raise' },
    ],
    warmUps: ['constructive'], counterposes: ['child'], easier: 'chair-lunge', harder: 'lizard',
    atHome: 'Hands: a chair seat, then stacked books. Knee: folded towel.', hold: { firstSeconds: 30, mostSeconds: 120 },
  },
  {
    id: 'lizard', group: 'kneeling', name: 'Lizard', sanskrit: 'Utthāna Pṛṣṭhāsana', sides: 'each', family: 'lizard', slots: ['underKnees', 'hands'],
    stages: [
      { id: 'high', name: 'Hands on high blocks', from: { slot: 'hands', cm: 16 } },
      { id: 'low', name: 'Hands on low blocks', from: { slot: 'hands', cm: 1 } },
      { id: 'floor', name: 'Hands on the floor' },
    ],
    look: ['Front foot outside the hands', 'Knee follows the toes', 'Back long, chest forward', 'Back knee padded'],
    entry: ['From Low lunge walk the front foot outward.', 'Both hands inside, on their supports.', 'Let the hips come forward and down.'],
    exit: ['Hands under the shoulders, foot back in.', 'Step back, change sides.'],
    needs: ['hipExtension', 'hipFlexion'], comesDown: ['hands'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'knee-in', seen: 'Front knee falls inward', slot: 'hands', way: 'raise' },
      { id: 'rounds', seen: 'Back rounds', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['low-lunge'], counterposes: ['child'], easier: 'low-lunge', harder: 'pigeon',
    atHome: 'Hands: stacked books or a stool. Knee: folded towel.', hold: { firstSeconds: 30, mostSeconds: 180 },
  },
  {
    id: 'horse', group: 'kneeling', name: 'Horse', sanskrit: 'Vātāyanāsana', sides: 'each', family: 'horse', slots: ['underKnees', 'hands'],
    stages: [
      { id: 'arms-only', name: 'Kneeling, arms only', from: { slot: 'hands', cm: 20 } },
      { id: 'knee-down', name: 'Knee down, no lotus', from: { slot: 'underKnees', cm: 3 } },
      { id: 'standing', name: 'Foot standing' },
    ],
    look: ['A knee that complains ends it', 'Hands carry the weight', 'Hips level', 'Standing foot as chosen, knee over it'],
    entry: ['Half lotus first, seated and easy.', 'Kneel on the pad, other foot standing in front.', 'Hands on their supports take the weight.', 'Only then draw the foot up.'],
    exit: ['Hands down, foot out of the lotus first.', 'Sit, lengthen both legs.'],
    needs: ['hipRotation', 'hipExtension'], comesDown: ['hands', 'underKnees'], goesUp: goesUpAt('hands', { joint: 'underKnees' }),
    faults: [
      { id: 'knee-speaks', seen: 'The knee complains', slot: 'underKnees', way: 'raise' },
      { id: 'weight-down', seen: 'Weight drops on the knee', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['half-lotus-seat', 'low-lunge'], counterposes: ['staff'], easier: 'half-lotus-seat',
    atHome: 'Hands: a chair against a wall. Knee: folded towels. Without an easy half lotus there is no stand-in.', hold: { firstSeconds: 15, mostSeconds: 60 },
  },
];

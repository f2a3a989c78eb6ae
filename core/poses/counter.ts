import { goesUpAt, type Pose } from './pose';

/** Counterposes. */
export const counter: readonly Pose[] = [
  {
    id: 'table-up', group: 'counter', name: 'Reverse table', sides: 'both', family: 'reverse table', slots: ['hands'],
    stages: [
      { id: 'hands-carried', name: 'Hands on blocks', from: { slot: 'hands', cm: 1 } },
      { id: 'floor', name: 'Hands on the floor' },
    ],
    look: ['Shins upright', 'Front of the hips open', 'Neck free'],
    entry: ['Sit, feet flat, hands behind.', 'Press and lift the hips level.'],
    exit: ['Lower the seat between the feet and the hands.'],
    needs: [], comesDown: ['hands'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'wrists', seen: 'Wrists sore', slot: 'hands', way: 'raise' },
      { id: 'hips-sag', seen: 'Hips sag', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['staff'], counterposes: [],
    atHome: 'Hands: books under the palms.', hold: { firstSeconds: 15, mostSeconds: 45 },
  },
  {
    id: 'plank', group: 'counter', name: 'Plank', sides: 'both', family: 'plank', slots: [],
    stages: [{ id: 'plain', name: 'Plank' }],
    look: ['One line from heels to crown', 'Low back neither sags nor lifts', 'Shoulders over the wrists'],
    entry: ['On all fours, step both feet back.', 'Push the floor away.'],
    exit: ['Knees down, rest in Child.'],
    needs: [], comesDown: [], goesUp: goesUpAt(''),
    faults: [],
    warmUps: ['down-dog'], counterposes: ['child'], easier: 'table-up',
    atHome: 'On the forearms, or hands on a bench.', hold: { firstSeconds: 10, mostSeconds: 45 },
  },
  {
    id: 'down-dog', group: 'counter', name: 'Downward dog', sanskrit: 'Adho Mukha Śvānāsana', sides: 'both', family: 'downward dog', slots: ['heels', 'hands'],
    stages: [
      { id: 'heels-carried', name: 'Heels on a support', from: { slot: 'heels', cm: 1 } },
      { id: 'heels-down', name: 'Heels down' },
    ],
    look: ['Back long before legs straight', 'Heels carried or light', 'Hands spread, arms turned out', 'Neck free'],
    entry: ['On all fours, tuck the toes.', 'Lift the hips back, knees bent.', 'Lengthen the back, then the legs.'],
    exit: ['Knees down, rest in Child.'],
    needs: ['hamstring', 'hipFlexion', 'ankleBend', 'armReach'], comesDown: ['heels'], goesUp: goesUpAt('heels', { 'low-back': 'hands' }),
    faults: [
      { id: 'rounds', seen: 'Back rounds', slot: 'heels', way: 'raise' },
      { id: 'shoulders', seen: 'Shoulders crowd the ears', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['child'], counterposes: ['child'], harder: 'standing-fold',
    atHome: 'Heels: a book or rolled mat. Hands: a chair seat against a wall.', hold: { firstSeconds: 20, mostSeconds: 90 },
  },
];

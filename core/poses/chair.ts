import { goesUpAt, type Pose } from './pose';

/** Poses on a chair. */
export const chair: readonly Pose[] = [
  {
    id: 'chair-seat', group: 'chair', name: 'Seat on a chair', sides: 'both', family: 'chair seat', slots: ['feet', 'seat'],
    stages: [
      { id: 'feet-carried', name: 'Feet on a platform', from: { slot: 'feet', cm: 1 } },
      { id: 'seat-raised', name: 'Seat raised', from: { slot: 'seat', cm: 1 } },
      { id: 'plain', name: 'On the chair' },
    ],
    look: ['Knees and hips about square', 'Feet flat, hip-wide', 'Pelvis rocks to the middle', 'Back free of the chair’s'],
    entry: ['Chair against a wall or on a mat.', 'Sit toward the front edge.', 'Feet on their platform, or the seat raised for long legs.', 'Rock to the middle of the sit bones.'],
    exit: ['Lean forward, hands on the thighs.', 'Stand in stages.'],
    needs: ['hipFlexion'], comesDown: ['feet', 'seat'], goesUp: goesUpAt('feet'),
    faults: [
      { id: 'feet-hang', seen: 'Feet hang', slot: 'feet', way: 'raise' },
      { id: 'knees-high', seen: 'Knees over the hips', slot: 'seat', way: 'raise' },
    ],
    warmUps: [], counterposes: [], harder: 'easy-cross',
    atHome: 'Feet: thick books. Seat: a firm cushion.', hold: { firstSeconds: 60, mostSeconds: 600 },
  },
  {
    id: 'chair-tilts', group: 'chair', name: 'Pelvic clock on a chair', sides: 'both', family: 'chair tilts', slots: ['feet'],
    stages: [
      { id: 'feet-carried', name: 'Feet on a platform', from: { slot: 'feet', cm: 1 } },
      { id: 'plain', name: 'Feet on the floor' },
    ],
    look: ['The pelvis moves, the chest stays quiet', 'Small and slow', 'The middle is where nothing works'],
    entry: ['Sit as in Seat on a chair.', 'Tip forward, back, to each side, like a clock.', 'Come to rest in the middle; note it.'],
    exit: ['Rest in the middle.'],
    needs: [], comesDown: ['feet'], goesUp: goesUpAt('feet'),
    faults: [{ id: 'feet-hang', seen: 'Feet hang', slot: 'feet', way: 'raise' }],
    warmUps: ['chair-seat'], counterposes: [], easier: 'chair-seat',
    atHome: 'Feet: thick books.', hold: { firstSeconds: 60, mostSeconds: 300 },
  },
  {
    id: 'chair-wide', group: 'chair', name: 'Wide seat on a chair', sides: 'both', family: 'chair, legs wide', slots: ['feet', 'hands'],
    stages: [
      { id: 'hands-carried', name: 'Hands on a second seat', from: { slot: 'hands', cm: 12 } },
      { id: 'low', name: 'Hands lower', from: { slot: 'hands', cm: 1 } },
      { id: 'floor', name: 'Hands on the floor' },
    ],
    look: ['Feet do not roll out when the knees press out', 'Back long', 'Weight stays on the sit bones'],
    entry: ['Sit at the edge, feet wide, toes out.', 'Elbows or hands inside the knees.', 'Hinge with a long back to the support.'],
    exit: ['Hands to the thighs, come up.', 'Knees together, rest.'],
    needs: ['hipFlexion'], comesDown: ['hands', 'feet'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'feet-roll', seen: 'Feet roll out', slot: 'feet', way: 'raise' },
      { id: 'rounds', seen: 'Back rounds', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['chair-seat'], counterposes: ['chair-tilts'], easier: 'chair-seat',
    atHome: 'Hands: a stool or books. Feet: books.', hold: { firstSeconds: 45, mostSeconds: 180 },
  },
  {
    id: 'chair-lunge', group: 'chair', name: 'Lunge off a chair', sides: 'each', family: 'chair lunge', slots: ['feet', 'hands'],
    stages: [
      { id: 'hands-carried', name: 'Hands on a second chair', from: { slot: 'hands', cm: 20 } },
      { id: 'low', name: 'Hands lower', from: { slot: 'hands', cm: 1 } },
      { id: 'free', name: 'Hands free' },
    ],
    look: ['Front thigh across the chair', 'Back heel presses away', 'Pelvis level', 'Front knee over its ankle'],
    entry: ['Sit sideways at the edge, front thigh on the seat.', 'Back leg long behind the edge.', 'Hands on the support; lift the front of the chest.'],
    exit: ['Bring the back leg in.', 'Turn round, change sides.'],
    needs: ['hipExtension', 'hipFlexion'], comesDown: ['hands', 'feet'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'slides', seen: 'Slides off the edge', slot: 'feet', way: 'raise' },
      { id: 'arches', seen: 'Low back arches', slot: 'hands', way: 'raise' },
    ],
    warmUps: ['chair-seat'], counterposes: ['chair-hinge'], easier: 'chair-seat', harder: 'low-lunge',
    atHome: 'Hands: a second chair or a table.', hold: { firstSeconds: 30, mostSeconds: 120 },
  },
  {
    id: 'chair-four', group: 'chair', name: 'Figure four on a chair', sides: 'each', family: 'chair figure four', slots: ['feet', 'strap'],
    stages: [
      { id: 'feet-carried', name: 'Foot on a platform', from: { slot: 'feet', cm: 1 } },
      { id: 'plain', name: 'Foot on the floor' },
    ],
    look: ['Ankle flexed, over the other knee', 'No knee pain, else hug the knee instead', 'Both sit bones carried', 'Back long'],
    entry: ['Sit as in Seat on a chair.', 'Ankle across the other thigh.', 'Stay upright, or tip a little from the hips.'],
    exit: ['Lift the ankle off with the hands.', 'Change sides.'],
    needs: ['hipRotation'], comesDown: ['feet'], goesUp: goesUpAt('feet'),
    faults: [
      { id: 'knee-speaks', seen: 'Feeling in the knee', slot: 'feet', way: 'raise' },
      { id: 'leans', seen: 'Leans to one side', slot: 'feet', way: 'raise' },
    ],
    warmUps: ['chair-seat'], counterposes: ['chair-tilts'], easier: 'chair-seat', harder: 'figure-four',
    atHome: 'Foot: books. Strap: a scarf round the shin.', hold: { firstSeconds: 45, mostSeconds: 180 },
  },
  {
    id: 'chair-hinge', group: 'chair', name: 'Forward hinge on a chair', sides: 'both', family: 'chair hinge', slots: ['feet', 'hands'],
    stages: [
      { id: 'hands-high', name: 'Hands on a second seat', from: { slot: 'hands', cm: 20 } },
      { id: 'low', name: 'Hands on blocks', from: { slot: 'hands', cm: 1 } },
      { id: 'floor', name: 'Hands on the floor' },
    ],
    look: ['Fold at the hips, back long', 'Eyes down if dizzy', 'Feet heavy'],
    entry: ['Sit at the edge, feet flat.', 'Tip the pelvis, slide the hands forward.', 'Hands on their support.'],
    exit: ['Hands to the thighs.', 'Come up in stages, head last.'],
    needs: ['hipFlexion'], comesDown: ['hands', 'feet'], goesUp: goesUpAt('hands'),
    faults: [
      { id: 'rounds', seen: 'Back rounds', slot: 'hands', way: 'raise' },
      { id: 'feet-lift', seen: 'Feet lift', slot: 'feet', way: 'raise' },
    ],
    warmUps: ['chair-seat'], counterposes: ['chair-tilts'], easier: 'chair-seat', harder: 'standing-fold',
    atHome: 'Hands: a second chair, a stool, books.', hold: { firstSeconds: 30, mostSeconds: 180 },
  },
];

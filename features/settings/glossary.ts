/** Words that Ojas uses, in the order of the alphabet, each as a teacher would explain it. */
export const glossary: readonly { readonly word: string; readonly means: string }[] = [
  {
    word: 'Approach',
    means:
      'How a teacher teaches: how long poses are held, how much is propped, what rises first. Each student has one, and single poses may have their own.',
  },
  {
    word: 'Assumed',
    means:
      'Not measured yet: what is usual for a body of that height. The plan works with it, and says so.',
  },
  {
    word: 'Carries',
    means:
      'A support with weight on it, under the pelvis, the back or a knee. It comes down last, and in small steps.',
  },
  {
    word: 'Doubt',
    means:
      'What stands behind ±: how far a number may be off. Another reading, or a session on the mat, makes it smaller.',
  },
  {
    word: 'Fills',
    means:
      'A support that meets a gap under a thigh, a knee or a foot. It follows the gap, and is never built higher to ease anything.',
  },
  {
    word: 'Keep, more support, less support',
    means:
      'What comes of the last times: the same again, a step higher, or a step lower. Why stands beside each, and one tap changes it.',
  },
  {
    word: 'Kept soft',
    means: 'A knee that bends a little, so that the back can stay long.',
  },
  {
    word: 'Learned on the mat',
    means:
      'How far this body was found to differ from what its measurements say. It is learned anew whenever a record is corrected.',
  },
  {
    word: 'Range',
    means:
      'How far a joint or a muscle lets a limb go, in degrees, each side by itself: mobility, read by hand, by phone or by eye.',
  },
  {
    word: 'Step',
    means:
      'The smallest change that your own things make: a blanket folded once less, a block on its side instead of its end.',
  },
  {
    word: 'To spare',
    means: 'Degrees of bend that a joint still has when the support is as high as planned.',
  },
  {
    word: 'Way',
    means:
      'One of the forms that a pose is done in: on a ramp, on the hands, upright. The plan takes the first that carries this body, and says what spoke against the others.',
  },
  {
    word: 'Yours',
    means:
      'A height that you laid out yourself. It stands beside what is reckoned until you take it back.',
  },
];

/** What is done when something goes otherwise than one thought. */
export const answers: readonly { readonly asks: string; readonly says: string }[] = [
  {
    asks: 'A height looks wrong',
    says: 'Open the pose and its Why: it names the range that decides. Read that again, or lay out your own height; both are learned from.',
  },
  {
    asks: 'A session was noted wrong, or with the wrong student',
    says: 'Open the student’s record and choose Correct beside the session. Everything in it can be put right, also whose it was, and taken back.',
  },
  {
    asks: 'Something was removed',
    says: 'Undo stands under More, Backup; a student who was removed can be brought back from the list of students for some weeks.',
  },
  {
    asks: 'The phone is lost',
    says: 'Everything lives in this browser alone. A backup in a file brings all of it back on another device.',
  },
  {
    asks: 'Somebody is in pain',
    says: 'Stop is under the thumb on every step, with the way out. What is sharp, numb or stays goes to a doctor or physiotherapist, and not to this app.',
  },
];

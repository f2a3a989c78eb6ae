/**
 * Questions on which good teachers differ. An approach answers all of them; each answer can be set alone for a student.
 */
export const approachIds = [
  'built-up-alignment',
  'long-quiet-holds',
  'breath-paced',
  'chair-and-recovery',
] as const;
export type ApproachId = (typeof approachIds)[number];

export interface Question {
  readonly id: string;
  readonly asks: string;
  readonly choices: Readonly<Record<string, string>>;
}

const question = <C extends Record<string, string>>(id: string, asks: string, choices: C) => ({
  id,
  asks,
  choices,
});

export const questions = {
  rounding: question('rounding', 'Seated folds: what gives way first?', {
    'back-first': 'Keep the back long and bend the knees',
    'legs-first': 'Keep the legs straight and raise the seat',
  }),
  reclinedHero: question('reclinedHero', 'Reclined hero on a seat support', {
    ramp: 'A full ramp under the back',
    forearms: 'No further than the forearms',
  }),
  reclinedOpen: question('reclinedOpen', 'Reclined soles together: what is held?', {
    hips: 'The outer hips; the knees when the ramp is steep',
    knees: 'The knees',
  }),
  strength: question('strength', 'How strong may it feel?', {
    none: 'No pain at all',
    muscle: 'Up to 6 of 10 in muscle, nothing in a joint',
  }),
  hold: question('hold', 'How long is it held?', {
    breaths: 'Counted in breaths',
    minutes: 'Minutes, by progress',
    long: 'Long and still',
  }),
  stillness: question('stillness', 'Change props during a hold?', {
    once: 'Prop once',
    settle: 'Settle, prop again, settle, then still',
    marks: 'Prop again at a third and two thirds, then still',
  }),
  childKnees: question('childKnees', 'Child: how are the knees?', {
    wide: 'Wide',
    together: 'Together',
  }),
  pigeonShin: question('pigeonShin', 'Pigeon: where is the front shin?', {
    diagonal: 'On the diagonal, knee closed',
    square: 'Toward square, where there is rotation to spare',
  }),
  straddleEntry: question('straddleEntry', 'Wide-angle seat: how is it entered?', {
    behind: 'Press from behind',
    front: 'Walk the hands in front',
  }),
  squatEntry: question('squatEntry', 'Squat: how is it entered?', {
    ankles: 'From sitting when the ankles lift, else from standing',
    standing: 'Down from standing',
    sitting: 'Up from sitting',
  }),
  horseFoot: question('horseFoot', 'Horse: where does the standing foot point?', {
    forward: 'Forward',
    out: 'Turned out',
  }),
  pelvis: question('pelvis', 'The pelvis in sitting', {
    tall: 'Tall',
    neutral: 'Neutral',
    soft: 'Soft',
  }),
  behindKnee: question('behindKnee', 'Support behind the knee', {
    none: 'None unless the knee asks',
    strap: 'A folded strap',
    towel: 'A folded towel',
    fold: 'A thin blanket fold',
    brick: 'In Child a brick or big roll, elsewhere a towel',
  }),
  shins: question('shins', 'Kneeling: under the shins', {
    mat: 'The mat alone',
    blanket: 'A folded blanket, feet over its edge',
  }),
  thighPress: question('thighPress', 'Soles together: may the elbows press the thighs?', {
    never: 'Never',
    gently: 'With the weight of the arms',
  }),
  spine: question('spine', 'How far may the spine round in a fold?', {
    long: 'Long back',
    soft: 'Soft',
    curled: 'Curled, at rest',
  }),
} as const;
export type QuestionId = keyof typeof questions;
/** One answer to a question: `childKnees=together`. */
export type ChoiceId = {
  [Q in QuestionId]: `${Q}=${keyof (typeof questions)[Q]['choices'] & string}`;
}[QuestionId];
export type Choices = { readonly [Q in QuestionId]: keyof (typeof questions)[Q]['choices'] };

export interface Approach {
  readonly id: ApproachId;
  readonly name: string;
  readonly inShort: string;
  readonly choices: Choices;
}

const usual: Choices = {
  rounding: 'back-first',
  reclinedOpen: 'hips',
  reclinedHero: 'ramp',
  strength: 'muscle',
  hold: 'minutes',
  stillness: 'marks',
  childKnees: 'wide',
  pigeonShin: 'diagonal',
  straddleEntry: 'behind',
  squatEntry: 'ankles',
  horseFoot: 'forward',
  pelvis: 'neutral',
  behindKnee: 'none',
  shins: 'mat',
  thighPress: 'never',
  spine: 'soft',
};

export const approaches: Readonly<Record<ApproachId, Approach>> = {
  'built-up-alignment': {
    id: 'built-up-alignment',
    name: 'Built-up alignment',
    inShort: 'Every joint met by a support; heights come down as range grows.',
    choices: usual,
  },
  'long-quiet-holds': {
    id: 'long-quiet-holds',
    name: 'Long quiet holds',
    inShort: 'Softer, longer, still; the spine may round at rest.',
    choices: {
      ...usual,
      hold: 'long',
      stillness: 'settle',
      pelvis: 'soft',
      spine: 'curled',
      strength: 'none',
    },
  },
  'breath-paced': {
    id: 'breath-paced',
    name: 'Breath-paced',
    inShort: 'Short holds counted in breaths; a long back and straight legs.',
    choices: {
      ...usual,
      hold: 'breaths',
      stillness: 'once',
      pelvis: 'tall',
      spine: 'long',
      rounding: 'legs-first',
    },
  },
  'chair-and-recovery': {
    id: 'chair-and-recovery',
    name: 'Chair and recovery',
    inShort: 'Higher supports, shorter reach, nothing strong.',
    choices: {
      ...usual,
      strength: 'none',
      reclinedHero: 'forearms',
      pelvis: 'soft',
      spine: 'long',
      stillness: 'once',
    },
  },
};

/** Name under which a choice is kept: for every pose, or for one alone. */
export const choiceKey = (question: QuestionId, pose?: string) =>
  pose === undefined ? question : `${pose}/${question}`;

/** Under a pose's own key: the way in which it is set up, and whether what must come first is taken as done. */
export const wayKey = (pose: string) => `${pose}/way`;
export const gateKey = (pose: string) => `${pose}/gate`;
/** `practised`: elsewhere, so the record is not asked; `open`: the teacher opens it on purpose. */
export const gateAnswers = ['practised', 'open'] as const;

const isAnswer = ([id, choice]: readonly [string, string]) =>
  Object.hasOwn(questions, id) && Object.hasOwn(questions[id as QuestionId].choices, choice);

/**
 * Whether a choice, for every pose or for one alone, is one that this version knows; any other is kept and not used.
 */
export const isKnownChoice = (key: string, choice: string) =>
  key.endsWith('/way') ||
  (key.endsWith('/gate') && (gateAnswers as readonly string[]).includes(choice)) ||
  isAnswer([key.slice(key.lastIndexOf('/') + 1), choice]);

/**
 * The choices in force: the approach's, then each one set alone for the student, then each one set for this pose alone.
 * Unknown ones are left aside.
 */
export function choicesFor(
  approach: ApproachId,
  own: Readonly<Record<string, string>>,
  pose?: string,
): Choices {
  const { general, byPose } = sortedOut(approach, own);
  const ofPose = pose === undefined ? undefined : byPose.get(pose);
  return ofPose ? { ...general, ...ofPose } : general;
}

interface SortedChoices {
  readonly approach: ApproachId;
  readonly general: Choices;
  readonly byPose: ReadonlyMap<string, Partial<Choices>>;
}
/** A student's choices sorted out once, for as long as they stay the same. */
const sorted = new WeakMap<object, SortedChoices>();

function sortedOut(approach: ApproachId, own: Readonly<Record<string, string>>): SortedChoices {
  const known = sorted.get(own);
  if (known?.approach === approach) return known;
  const general: Record<string, string> = { ...approaches[approach].choices };
  const byPose = new Map<string, Record<string, string>>();
  for (const [key, choice] of Object.entries(own)) {
    const slash = key.indexOf('/');
    const question = key.slice(slash + 1);
    if (!isAnswer([question, choice])) continue;
    if (slash < 0) general[question] = choice;
    else {
      const pose = key.slice(0, slash);
      byPose.set(pose, { ...byPose.get(pose), [question]: choice });
    }
  }
  const one = { approach, general: general as unknown as Choices, byPose };
  sorted.set(own, one);
  return one;
}

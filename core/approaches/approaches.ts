/** Questions on which good teachers differ. An approach answers all of them; each answer can be set alone for a student. */
export const approachIds = ['built-up-alignment', 'long-quiet-holds', 'breath-paced', 'chair-and-recovery'] as const;
export type ApproachId = (typeof approachIds)[number];

export interface Question {
  readonly id: string;
  readonly asks: string;
  readonly choices: Readonly<Record<string, string>>;
}

const question = <C extends Record<string, string>>(id: string, asks: string, choices: C) => ({ id, asks, choices });

export const questions = {
  rounding: question('rounding', 'Seated folds: what gives way first?', { 'back-first': 'Keep the back long and bend the knees', 'legs-first': 'Keep the legs straight and raise the seat' }),
  reclinedHero: question('reclinedHero', 'Reclined hero on a seat support', { ramp: 'A full ramp under the back', forearms: 'No further than the forearms' }),
  strength: question('strength', 'How strong may it feel?', { none: 'No pain at all', muscle: 'Up to 6 of 10 in muscle, nothing in a joint' }),
  hold: question('hold', 'How long is it held?', { breaths: 'Counted in breaths', minutes: 'Minutes, by progress', long: 'Long and still' }),
  stillness: question('stillness', 'Change props during a hold?', { once: 'Prop once', marks: 'Prop again at a third and two thirds, then still' }),
  pelvis: question('pelvis', 'The pelvis in sitting', { tall: 'Tall', neutral: 'Neutral', soft: 'Soft' }),
  behindKnee: question('behindKnee', 'Support behind the knee', { none: 'None unless the knee asks', strap: 'A folded strap', towel: 'A folded towel' }),
  spine: question('spine', 'How far may the spine round in a fold?', { long: 'Long back', soft: 'Soft', curled: 'Curled, at rest' }),
} as const;
export type QuestionId = keyof typeof questions;
export type Choices = { readonly [Q in QuestionId]: keyof (typeof questions)[Q]['choices'] };

export interface Approach {
  readonly id: ApproachId;
  readonly name: string;
  readonly inShort: string;
  readonly choices: Choices;
}

const usual: Choices = {
  rounding: 'back-first', reclinedHero: 'ramp', strength: 'muscle', hold: 'minutes', stillness: 'marks', pelvis: 'neutral', behindKnee: 'none', spine: 'soft',
};

export const approaches: Readonly<Record<ApproachId, Approach>> = {
  'built-up-alignment': { id: 'built-up-alignment', name: 'Built-up alignment', inShort: 'Every joint met by a support; heights come down as range grows.', choices: usual },
  'long-quiet-holds': { id: 'long-quiet-holds', name: 'Long quiet holds', inShort: 'Softer, longer, still; the spine may round at rest.', choices: { ...usual, hold: 'long', stillness: 'once', pelvis: 'soft', spine: 'curled', strength: 'none' } },
  'breath-paced': { id: 'breath-paced', name: 'Breath-paced', inShort: 'Short holds counted in breaths; a long back and straight legs.', choices: { ...usual, hold: 'breaths', stillness: 'once', pelvis: 'tall', spine: 'long', rounding: 'legs-first' } },
  'chair-and-recovery': { id: 'chair-and-recovery', name: 'Chair and recovery', inShort: 'Higher supports, shorter reach, nothing strong.', choices: { ...usual, strength: 'none', reclinedHero: 'forearms', pelvis: 'soft', spine: 'long', stillness: 'once' } },
};

/** The choices in force for a student: the approach's, with each one that was set alone. Unknown ones are left aside. */
export function choicesFor(approach: ApproachId, own: Readonly<Record<string, string>>): Choices {
  const answered = Object.entries(own).filter(([id, choice]) => id in questions && choice in questions[id as QuestionId].choices);
  return { ...approaches[approach].choices, ...Object.fromEntries(answered) };
}

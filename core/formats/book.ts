import { z } from '../z';
import { approachIds } from '../approaches/approaches';
import { tapedLengths } from '../body/lengths';
import { propKinds } from '../props/kinds';
import { methodIds } from '../protocols/protocols';
import { rangeIds } from '../ranges/ranges';
import { MOST_MARKS } from './edits';
import { says } from './asked';
import { lessonSchema } from './lesson';
import { open } from './open';
import { isOwnName } from './ownName';
import { dialIds } from '../dials';
import { slotIds } from '../slots';

/** An id of something in a table: what this version does not know is kept, and harmless. */
const name = z.string().min(1, says('id-needed')).max(120);
/** When fields were last changed: see edits.ts. */
const edits = z
  .record(z.string(), z.array(z.string().max(40)).max(MOST_MARKS))
  .optional()
  // Spoiled, it is forgotten: it is no reason to refuse a record.
  .catch(undefined);
/** The id of a record. */
const id = name.refine(isOwnName, says('id-unfit'));
const words = z.string().max(4000, says('letters'));
/** An ISO date, or date and time, of a day that there is. */
export const moment = z
  .union([z.iso.datetime({ offset: true }), z.iso.date()], {
    error: says('moment'),
  })
  .refine((at) => at >= '1900' && at < '2200', says('year'));
const cm = (least: number, most: number) => z.number().min(least, says('cm')).max(most, says('cm'));

export const sideSchema = z.enum(['left', 'right', 'both']);

export const cautionAnswerSchema = open({
  id: name,
  side: sideSchema.optional(),
  answer: z.enum(['yes', 'no', 'unanswered']),
  at: moment,
  /** Where it hurts, as it was said at intake: spots as they are kept, without their side. */
  spots: z.array(z.string().max(40)).max(10).optional(),
  /** Date of a written go-ahead by a doctor or physiotherapist. */
  goAheadAt: moment.optional(),
});

export const propStateSchema = open({
  id: name,
  heightCm: cm(0, 120),
  loadedCm: cm(0, 120).optional(),
});

export const shelfItemSchema = open({
  id,
  kind: z.enum(propKinds),
  name: z.string().min(1, says('name-needed')).max(80),
  count: z.number().int(says('whole-number')).min(0).max(500),
  softness: z.number().min(0).max(1),
  states: z.array(propStateSchema).min(1, says('ways-to-lie')).max(20),
  /** The shelf that it stands on, where there are several; the main one has no name. */
  place: z.string().max(80).optional(),
  edits,
});

export const personSchema = open({
  id,
  name: z.string().trim().min(1, says('name-needed')).max(120),
  statureCm: cm(90, 230),
  bodyCm: z.partialRecord(z.enum(tapedLengths), cm(2, 120)).default({}),
  sex: z.enum(['woman', 'man', 'unknown']).default('unknown'),
  birthYear: z.number().int().min(1900).max(2100).optional(),
  cautions: z.array(cautionAnswerSchema).max(500).default([]),
  approach: z.enum(approachIds).default('built-up-alignment'),
  choices: z.record(z.string(), z.string()).default({}),
  home: z.array(shelfItemSchema).max(500).default([]),
  /** Marked by the teacher as very mobile. */
  veryMobile: z.boolean().optional(),
  note: words.optional(),
  edits,
});

export const readingSchema = open({
  id,
  person: id,
  range: z.enum(rangeIds),
  side: sideSchema,
  method: z.enum(methodIds),
  protocol: z.string().max(80).optional(),
  values: z.array(z.number()).min(1, says('values')).max(9, says('values')),
  at: moment,
  /** Error of one value in its own unit, where the reading itself told it (a photo); else the method's. */
  sem: z.number().positive().max(45).optional(),
  warm: z.boolean().default(false),
  seatCm: cm(0, 80).optional(),
  note: words.default(''),
  edits,
});

export const pieceSchema = open({ item: id, state: name, count: z.number().int().min(1).max(20) });

export const settledSchema = open({
  slot: z.enum(slotIds),
  part: z.enum(['low', 'high']).optional(),
  side: sideSchema,
  heightCm: cm(0, 250),
  pieces: z.array(pieceSchema).max(8),
});

export const dialSettingSchema = open({
  dial: z.enum(dialIds),
  reckoned: z.number().min(0).max(250),
  value: z.number().min(0).max(250),
});

/** Where a pose is felt. */
export const feltPlaces = ['muscle', 'joint', 'nerve', 'low-back', 'none'] as const;

export const stopWords = ['sharp', 'electric', 'spreading', 'joint', 'dizzy', 'numb'] as const;

export const sessionPoseSchema = open({
  pose: name,
  stage: z.string().max(80).optional(),
  side: sideSchema,
  settled: z.array(settledSchema).max(30),
  plannedSeconds: z.number().min(0).max(7200).optional(),
  heldSeconds: z.number().min(0).max(7200),
  /** From the pose before to the hold: fetching, building, the way in; absent where nobody timed it. */
  setUpSeconds: z.number().min(0).max(7200).optional(),
  /** Held less than planned since the hour was short: that says nothing of the pose. */
  forTheClock: z.boolean().optional(),
  /** What was said: a stop tells a word and no strength. */
  feeling: open({
    strength: z.number().int(says('whole-number')).min(0).max(10).optional(),
    place: z.enum(feltPlaces).optional(),
    /** Where on the body, as it was tapped. */
    spot: z.string().max(40).optional(),
  }),
  /** Where it was felt at first and was eased on the mat, as it was tapped. */
  eased: z.array(z.string().max(40)).max(10).optional(),
  /** Absent where nobody looked. */
  pelvis: z.enum(['rolled', 'upright', 'arched']).optional(),
  breath: z.enum(['easy', 'held']).optional(),
  list: z.enum(['none', 'left', 'right']).optional(),
  faults: z.array(z.string().max(200)).max(20).default([]),
  /** What was set of the pose itself, beside what was reckoned for this body. */
  dials: z.array(dialSettingSchema).max(dialIds.length).optional(),
  stop: z.enum(stopWords).optional(),
  changes: z
    .array(
      open({
        slot: z.enum(slotIds),
        part: z.enum(['low', 'high']).optional(),
        side: sideSchema.optional(),
        fromCm: cm(0, 250),
        toCm: cm(0, 250),
        atSeconds: z.number().min(0).max(7200),
      }),
    )
    .max(60)
    .optional(),
  /** Steps that were tried within the visit, in their order: a few breaths on each, and whether anything spoke. */
  trials: z
    .array(
      open({
        // A slot that nobody here knows is kept, and left out of the reckoning with word of it.
        slot: z.string().min(1).max(40),
        part: z.enum(['low', 'high']).optional(),
        side: sideSchema,
        heightCm: cm(0, 250),
        word: z.boolean(),
        /** What lay there before it was tried, where that was something else. */
        startCm: cm(0, 250).optional(),
        /** Where on the body it spoke, as it was tapped. */
        spot: z.string().max(40).optional(),
      }),
    )
    .max(30)
    .optional(),
  /** The teacher went against the advice; what was settled on counts as said, not as found. */
  overruled: z.boolean().optional(),
  /** Why the teacher built otherwise than advised, in the teacher's words. */
  why: words.optional(),
  nextDay: z.enum(['better', 'same', 'worse']).optional(),
  /** What the teacher wrote of this pose. */
  note: words.optional(),
});

export const sessionSchema = open({
  id,
  person: id,
  /** How the student came, where not as usual: such a day's heights are no new usual. */
  day: z.enum(['cold', 'tired', 'sore']).optional(),
  at: moment,
  poses: z.array(sessionPoseSchema).max(80),
  note: words.optional(),
  edits,
});

/** How a pose was at home, as the student said it in one tap. */
export const feltAtHome = ['easy', 'right', 'much', 'pain'] as const;

/** A pose as a student did it at home, by a sheet, as their own phone kept it: said, and seen by nobody. */
export const practiceSchema = open({
  id,
  person: id,
  /** The sheet that it was done by. */
  sheet: z.string().min(1).max(40),
  pose: z.string().min(1).max(40),
  side: sideSchema,
  at: moment,
  heldSeconds: z.number().min(0).max(7200),
  felt: z.enum(feltAtHome),
  edits,
});

/** One day, or as a rule of RFC 5545 repeats it, at an hour of the place where it is. */
const when = {
  on: z.iso.date(says('day')),
  time: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, says('hour'))
    .optional(),
  repeats: z.string().max(200).optional(),
  /** Days on which it falls out. */
  except: z.array(z.iso.date()).max(500).optional(),
  edits,
};

/** When a student comes. */
export const visitSchema = open({ id, person: id, ...when });

/**
 * Several students at once. One of an earlier book may name neither day nor people: it is kept, and
 * falls on no day. Somebody who was removed may still be named: brought back, they are in their class again.
 */
export const classSchema = open({
  id,
  name: z.string().trim().min(1, says('name-needed')).max(80).optional(),
  people: z.array(id).max(60, says('students')).optional(),
  /** Who was there on a day, as far as it was said. */
  came: z
    .array(open({ on: z.iso.date(), person: id, is: z.enum(['here', 'late', 'away']) }))
    .max(100_000)
    .optional(),
  ...when,
  on: when.on.optional(),
});

/** How the teacher's eye reads a range, proven by practice: too much is +. */
const eyeSchema = open({
  biasDeg: z.number().min(-45).max(45),
  sdDeg: z.number().min(0.5).max(45),
});

/** A teacher's own order of poses. */
const sequenceSchema = open({
  id,
  name: z.string().trim().min(1, says('name-needed')).max(80),
  poses: z.array(name).min(1, says('poses')).max(60, says('poses')),
});

export const settingsSchema = open({
  units: z.enum(['cm', 'in']).default('cm'),
  theme: z.enum(['system', 'light', 'dark']).default('system'),
  /** Cues of a hold are said aloud. */
  cuesAloud: z.boolean().optional(),
  eyes: z.partialRecord(z.enum(rangeIds), eyeSchema).optional(),
  /** The shelf that is used now, and those there are beside the main one. */
  place: z.string().max(80).optional(),
  places: z
    .array(z.string().trim().min(1, says('name-needed')).max(80))
    .max(50, says('shelves'))
    .optional(),
  sequences: z.array(sequenceSchema).max(200, says('sequences')).optional(),
  /** The teacher's own lessons. */
  lessons: z.array(lessonSchema).max(200).optional(),
  edits,
});

/**
 * A record that was removed: where another device still has it, it is asked about there, and not brought back unasked.
 */
export const goneSchema = open({
  /** What it was: `people/p1`. */
  id: z
    .string()
    .max(400)
    .regex(/^[a-z]+\/./, says('kind-and-id')),
  at: moment,
});

/** A shelf by itself, to take along or give away; a book's own shelf is read alike. */
export const shelfFileSchema = open({
  format: z.enum(['ojas-shelf/1', 'ojas-book/1'], {
    error: says('shelf-format'),
  }),
  shelf: z.array(shelfItemSchema).min(1, says('props')).max(500),
});

export const bookSchema = open({
  format: z.literal('ojas-book/1', {
    error: says('book-format'),
  }),
  people: z.array(personSchema).max(20_000),
  readings: z.array(readingSchema).max(2_000_000),
  shelf: z.array(shelfItemSchema).max(500),
  sessions: z.array(sessionSchema).max(1_000_000),
  classes: z.array(classSchema).max(20_000).default([]),
  visits: z.array(visitSchema).max(100_000).default([]),
  practices: z.array(practiceSchema).max(1_000_000).default([]),
  settings: settingsSchema.default({ units: 'cm', theme: 'system' }),
  /** Records that were removed where the book was written. */
  gone: z.array(goneSchema).max(100_000).optional(),
  /** Records that could not be read where the book was written, as they were found: nothing is lost on the way. */
  setAside: z
    .array(open({ key: z.string().max(500), text: z.string() }))
    .max(100_000)
    .optional(),
});

/** Fields of a book that this version gives a meaning to; any other is kept as it came. */
export const bookFields: ReadonlySet<string> = new Set(Object.keys(bookSchema.shape));

export type CautionAnswer = z.infer<typeof cautionAnswerSchema>;
export type Person = z.infer<typeof personSchema>;
export type Reading = z.infer<typeof readingSchema>;
export type Settled = z.infer<typeof settledSchema>;
export type SessionPose = z.infer<typeof sessionPoseSchema>;
export type Session = z.infer<typeof sessionSchema>;
export type Practice = z.infer<typeof practiceSchema>;
export type FeltAtHome = (typeof feltAtHome)[number];
export type Visit = z.infer<typeof visitSchema>;
export type ClassRecord = z.infer<typeof classSchema>;
export type Gone = z.infer<typeof goneSchema>;
export type Settings = z.infer<typeof settingsSchema>;
export type Book = z.infer<typeof bookSchema>;
export type StopWord = (typeof stopWords)[number];
export type FeltPlace = (typeof feltPlaces)[number];

import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { recordOf } from '@/core/estimate/recordOf';
import { parseBookFile } from '@/core/formats/check';
import type { Fault } from '@/core/formats/faults';
import { isDay, type LocalDay } from '@/core/formats/time';
import type { Book, Person } from '@/core/formats/book';
import { planSchema, type Plan } from '@/core/formats/plan';
import { dayIds } from '@/core/learn/decide';
import { shippedCare } from '@/core/plan/context';
import { planStudent } from '@/core/plan/plan';
import { shelfIn, type Shelf } from '@/core/props/shelf';
import { poseById } from '@/core/poses/poses';
import { starterShelf, usualShelves, type UsualShelf } from '@/core/props/usualShelves';
import { wordedPlan } from '@/ui/words/wordedPlan';
import { wordsIn } from '@/ui/words/words';
import { approachIds } from '@/core/approaches/approaches';
import { followedSlots, policyIds, simulateCohort, tradeOff } from '@/core/sim/cohort';
import { worldIds } from '@/core/sim/world';
import { foldFigures, roomFigures } from '@/core/sim/room';
import { measureFigures } from '@/core/sim/measure';
import { measureWords } from './measureWords';
import { readWords } from './readWords';
import { roomWords } from './roomWords';

const USAGE = `ojas plan BOOK.json [--person ID] [--date YYYY-MM-DD] [--poses a,b]   the plan of one student, or of all (an array)
ojas read BOOK.json [--person ID] [--date YYYY-MM-DD] [--poses a,b] [--day cold|tired|sore]
                                                                        the same plans in words, as a teacher reads them
ojas check BOOK.json                                                    what is wrong in a book, if anything
ojas simulate --students N --weeks W --seed S [--world own|other] [--slots all|POSE/SLOT] [--policy rule|fixed|never|level|truth] [--trade-off] [--trials]
                                                                        figures of simulated students under each way of deciding, slot by slot
ojas room --people N --seed S [--shelf studio|starter|home] [--approach ID] [--json]
                                                                        heights of ordinary adults, beside what teachers use
ojas measure [--people N] --seed S [--json]                             every way of reading: true, read, stated and real error, false changes`;

/** What the command answers: data to stdout, words to stderr, 0 when all is well. */
export interface Answer {
  readonly out?: string;
  readonly words?: string;
  readonly exit: number;
}

const refuse = (words: string): Answer => ({ words, exit: 1 });
const faultWords = (file: string, faults: readonly Fault[]) =>
  faults
    .map(wordsIn('cm').fault)
    .map(({ path, words }) => `${file}: ${path}: ${words}`)
    .join('\n');

async function readBook(
  file: string | undefined,
  today: LocalDay,
): Promise<{ book: Book; notes: readonly Fault[] } | { answer: Answer }> {
  if (file === undefined) return { answer: refuse(`Name the book to read.\n${USAGE}`) };
  let bytes: Uint8Array;
  try {
    bytes = await readFile(file);
  } catch {
    return { answer: refuse(`${file} cannot be read: no such file, or no right to read it.`) };
  }
  const parsed = parseBookFile(bytes, today);
  return parsed.ok
    ? { book: parsed.value, notes: parsed.notes }
    : { answer: refuse(faultWords(file, parsed.faults)) };
}

interface PlanFlags {
  readonly person?: string;
  readonly date?: string;
  readonly poses?: string;
  readonly day?: string;
}
/** One student with the plan that was asked for. */
interface Planned {
  readonly person: Person;
  readonly plan: Plan;
  readonly shelf: Shelf;
  readonly units: 'cm' | 'in';
}

/** The plans that the flags ask for, or what is wrong with them. */
async function plansOf(
  file: string | undefined,
  flags: PlanFlags,
  today: LocalDay,
): Promise<{ plans: readonly Planned[] } | { answer: Answer }> {
  const wrong = (words: string) => ({ answer: refuse(words) });
  const date = flags.date ?? today;
  if (!isDay(date))
    return wrong(`--date ${date}: expected a day that there is, such as 2026-01-15.`);
  const day = dayIds.find((one) => one === (flags.day ?? 'usual'));
  if (!day) return wrong(`--day: expected one of ${dayIds.join(', ')}.`);
  const read = await readBook(file, today);
  if ('answer' in read) return read;
  const { book } = read;
  const wanted = flags.poses?.split(',').map((id) => id.trim());
  const stranger = wanted?.find((id) => !poseById(id));
  if (stranger !== undefined) return wrong(`--poses: no pose is called ${stranger}.`);
  const people =
    flags.person === undefined ? book.people : book.people.filter(({ id }) => id === flags.person);
  if (flags.person !== undefined && people.length === 0)
    return wrong(`--person: there is no person ${flags.person} in ${file}.`);
  const shelf = shelfIn(book.shelf, book.settings.place);
  return {
    plans: people.map((person) => ({
      person,
      shelf,
      units: book.settings.units,
      plan: planStudent(recordOf(book, person), shelf, date, {
        day,
        ...(wanted ? { poses: wanted } : {}),
      }),
    })),
  };
}

async function plan(file: string | undefined, flags: PlanFlags, today: LocalDay): Promise<Answer> {
  const asked = await plansOf(file, flags, today);
  if ('answer' in asked) return asked.answer;
  const plans = asked.plans.map(({ plan: one, units }) =>
    planSchema.parse(wordedPlan(one, wordsIn(units))),
  );
  return { out: JSON.stringify(flags.person === undefined ? plans : plans[0], null, 2), exit: 0 };
}

async function readAloud(
  file: string | undefined,
  flags: PlanFlags,
  today: LocalDay,
): Promise<Answer> {
  const asked = await plansOf(file, flags, today);
  return 'answer' in asked
    ? asked.answer
    : {
        out: asked.plans
          .map(({ plan: one, person, shelf, units }) =>
            readWords(one, person, shelf, wordsIn(units)),
          )
          .join('\n'),
        exit: 0,
      };
}

async function check(file: string | undefined, today: LocalDay): Promise<Answer> {
  const read = await readBook(file, today);
  if ('answer' in read) return read.answer;
  const { people, readings, sessions, shelf } = read.book;
  const notes = read.notes
    .map(wordsIn('cm').fault)
    .map(({ path, words }) => `\n${path}: ${words}`)
    .join('');
  return {
    words: `${file} is a whole ojas-book/1: ${people.length} people, ${readings.length} readings, ${sessions.length} sessions, ${shelf.length} kinds of props.${notes}`,
    exit: 0,
  };
}

const MOST = { students: 5000, weeks: 520 } as const;
/** Chances asked of a first build and of a lower rung, from bold to careful. */
const CARES = [
  ...[0.5, 0.65, 0.8, 0.9, 0.95].map((chance) => ({ firstBuild: chance, lowerRung: chance })),
  shippedCare,
].sort((a, b) => a.lowerRung - b.lowerRung);

/** Which of some flags is no whole number within its limits; null where all are. */
function notWhole(
  wish: Readonly<Record<string, number>>,
  most: Readonly<Record<string, number>>,
): Answer | null {
  for (const [name, value] of Object.entries(wish)) {
    const limit = most[name] ?? 2 ** 31;
    if (!Number.isInteger(value) || value < 1 || value > limit)
      return refuse(`--${name}: expected a whole number from 1 to ${limit}.`);
  }
  return null;
}

function simulate(flags: {
  students?: string;
  weeks?: string;
  seed?: string;
  policy?: string;
  world?: string;
  slots?: string;
  'trade-off'?: boolean;
  /** Heights are tried within the visit. */
  trials?: boolean;
}): Answer {
  const whole = (text: string | undefined, usual: number) =>
    text === undefined ? usual : Number(text);
  const wish = {
    students: whole(flags.students, 40),
    weeks: whole(flags.weeks, 26),
    seed: whole(flags.seed, 1),
  };
  const wrong = notWhole(wish, MOST);
  if (wrong) return wrong;
  const policy = policyIds.find((id) => id === flags.policy);
  if (flags.policy !== undefined && !policy)
    return refuse(`--policy: expected one of ${policyIds.join(', ')}.`);
  const world = worldIds.find((id) => id === (flags.world ?? 'own'));
  if (!world) return refuse(`--world: expected one of ${worldIds.join(', ')}.`);
  const names = followedSlots.map(({ pose, slot }) => `${pose}/${slot}`);
  const asked = flags.slots ?? (names[0] as string);
  const slots = followedSlots.filter((_, i) => asked === 'all' || names[i] === asked);
  if (slots.length === 0) return refuse(`--slots: expected all, or one of ${names.join(', ')}.`);
  const trials = flags.trials === true;
  const cohort = { ...wish, world, slots, trials };
  const answer = flags['trade-off']
    ? tradeOff(cohort, starterShelf, CARES)
    : simulateCohort({ ...cohort, ...(policy ? { policies: [policy] } : {}) }, starterShelf);
  return {
    out: JSON.stringify({ ...wish, world, trials, shipped: shippedCare, figures: answer }, null, 2),
    exit: 0,
  };
}

function room(flags: {
  people?: string;
  seed?: string;
  shelf?: string;
  approach?: string;
  json?: boolean;
}): Answer {
  const wish = { people: Number(flags.people ?? 400), seed: Number(flags.seed ?? 1) };
  const wrong = notWhole(wish, { people: MOST.students });
  if (wrong) return wrong;
  const shelf = flags.shelf ?? 'studio';
  if (!Object.hasOwn(usualShelves, shelf))
    return refuse(`--shelf: expected one of ${Object.keys(usualShelves).join(', ')}.`);
  const approach = approachIds.find((id) => id === (flags.approach ?? approachIds[0]));
  if (!approach) return refuse(`--approach: expected one of ${approachIds.join(', ')}.`);
  const here = usualShelves[shelf as UsualShelf];
  const figures = roomFigures({ ...wish, approach }, here);
  const folds = foldFigures({ ...wish, approach }, here);
  return {
    out: flags.json
      ? JSON.stringify({ ...wish, shelf, approach, poses: figures, folds }, null, 2)
      : roomWords(figures, folds),
    exit: 0,
  };
}

/** How well every way of reading does, on simulated bodies. */
function measure(flags: { people?: string; seed?: string; json?: boolean }): Answer {
  const [bodies, seed] = [Number(flags.people ?? 1000), Number(flags.seed ?? 1)];
  const wrong = notWhole({ people: bodies, seed }, { people: 20_000 });
  if (wrong) return wrong;
  const wish = { bodies, seed };
  const ways = measureFigures(wish);
  return {
    out: flags.json ? JSON.stringify({ ...wish, ways }, null, 2) : measureWords(ways),
    exit: 0,
  };
}

/** Runs one command line. `today` is a calendar day. */
export async function run(argv: readonly string[], today: LocalDay): Promise<Answer> {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...argv],
      allowPositionals: true,
      options: {
        students: { type: 'string' },
        weeks: { type: 'string' },
        seed: { type: 'string' },
        policy: { type: 'string' },
        world: { type: 'string' },
        slots: { type: 'string' },
        'trade-off': { type: 'boolean' },
        trials: { type: 'boolean' },
        person: { type: 'string' },
        date: { type: 'string' },
        poses: { type: 'string' },
        day: { type: 'string' },
        people: { type: 'string' },
        shelf: { type: 'string' },
        approach: { type: 'string' },
        json: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    });
  } catch (error) {
    return refuse(`${(error as Error).message}\n${USAGE}`);
  }
  const [command, file] = parsed.positionals;
  if (parsed.values.help) return { words: USAGE, exit: 0 };
  if (command === 'plan') return plan(file, parsed.values, today);
  if (command === 'read') return readAloud(file, parsed.values, today);
  if (command === 'check') return check(file, today);
  if (command === 'simulate') return simulate(parsed.values);
  if (command === 'room') return room(parsed.values);
  if (command === 'measure') return measure(parsed.values);
  return refuse(command === undefined ? USAGE : `There is no command ${command}.\n${USAGE}`);
}

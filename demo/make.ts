import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Book, Reading, Session } from '@/core/formats/book';
import { checkBook } from '@/core/formats/check';
import { shiftDays } from '@/core/formats/time';
import { planStudent } from '@/core/plan/plan';
import { chanceFrom } from '@/core/sim/chance';
import { daySwing, doPose, measure, simulateStudent, truthOn } from '@/core/sim/student';
import { commonestPoses } from '@/core/poses/poses';
import { ranges, sides, type RangeId } from '@/core/ranges/ranges';
import { wordsIn } from '@/ui/words/words';
import { members, type Member } from './people';
import { boathouseShelf } from './shelf';

/**
 * The winter mobility evenings: one a week, twelve weeks. The app moves all dates so that the last is a few days ago.
 */
const FIRST_EVENING = '2026-01-06';
const EVENINGS = 12;
const FIRST_READINGS: readonly RangeId[] = [
  'pelvicTilt.standing',
  'hamstring',
  'kneeFlexion.hipBent',
  'kneeFlexion.prone',
];
const SEED = 20260106;

function recordOf(
  { person, comes, truth, gap, neverLower, also = [] }: Member,
  index: number,
): { readings: Reading[]; sessions: Session[] } {
  const chance = chanceFrom(SEED + 101 * index);
  const student = simulateStudent(person, FIRST_EVENING, chance, { set: truth });
  const readings: Reading[] = [];
  const sessions: Session[] = [];
  const take = (
    id: RangeId,
    at: string,
    draw: ReturnType<typeof truthOn>,
    on = ranges[id].sided ? sides : (['left'] as const),
  ) => {
    for (const side of on)
      readings.push({
        ...measure(
          student,
          id,
          side,
          id === 'pelvicTilt.standing' ? 'phone-tilt' : 'protractor',
          at,
          draw,
          chance,
        ),
        id: `r-${person.id.slice(2)}-${readings.length + 1}`,
      });
  };
  for (let evening = 0; evening < EVENINGS; evening++) {
    const away = gap && evening >= gap[0] && evening <= gap[1];
    // The last evening brings everybody but those who rarely come, so that Today has something to say.
    if (evening > 0 && (away || chance.uniform() > comes)) continue;
    const day = shiftDays(FIRST_EVENING, 7 * evening);
    const swing = daySwing(chance);
    const draw = truthOn(student, day, swing);
    const at = `${day}T18:${String(10 + ((index * 7) % 50)).padStart(2, '0')}:00Z`;
    if (evening === 0) FIRST_READINGS.forEach((id) => take(id, at, draw));
    else if (evening % 3 === 0)
      take(evening % 2 === 0 ? 'hamstring' : 'kneeFlexion.hipBent', at, draw);
    const plan = planStudent({ person, readings, sessions }, boathouseShelf, day, {
      poses: [...commonestPoses, 'reclined-hero', ...also],
    });
    const done = plan.poses
      .filter(
        ({ status, decision }) =>
          ['offered', 'changed'].includes(status) && decision.action !== 'rest',
      )
      .map((planned) => doPose(student, planned, draw, chance));
    if (done.length === 0) continue;
    // A sore day: one evening on which everything felt strong.
    const sore = evening === 6 && index % 4 === 1;
    sessions.push({
      id: `s-${person.id.slice(2)}-${evening + 1}`,
      person: person.id,
      at: `${day}T19:05:00Z`,
      poses: done.map((pose) =>
        sore
          ? { ...pose, feeling: { strength: 7, place: 'muscle' as const } }
          : neverLower
            ? { ...pose, overruled: true }
            : pose,
      ),
      ...(sore ? { note: 'Long row on Sunday; sore all over.' } : {}),
    });
  }
  return { readings, sessions };
}

/** Who has an hour of their own each week: the sample book opens on such a day. */
const visits: Book['visits'] = [
  { person: 'p-saoirse', time: '17:30' },
  { person: 'p-gunnar', time: '18:15' },
  { person: 'p-ines', time: '19:00' },
].map(({ person, time }) => ({
  id: `v-${person.slice(2)}`,
  person,
  on: shiftDays(FIRST_EVENING, 3),
  time,
  repeats: 'FREQ=WEEKLY',
}));

/** The evening of the week, with those who seldom stay away. */
const SELDOM_AWAY = 0.8;
const evenings: Book['classes'] = [
  {
    id: 'c-evening',
    name: 'Mobility evening',
    people: members.filter(({ comes }) => comes >= SELDOM_AWAY).map(({ person: { id } }) => id),
    on: FIRST_EVENING,
    time: '18:30',
    repeats: 'FREQ=WEEKLY',
  },
];

/** The Kingfisher Boathouse book, the same at every run. */
export function makeBoathouseBook(): Book {
  const records = members.map(recordOf);
  return {
    format: 'ojas-book/1',
    people: members.map(({ person }) => person),
    readings: records.flatMap(({ readings }) => readings),
    shelf: boathouseShelf as Book['shelf'],
    sessions: records.flatMap(({ sessions }) => sessions),
    classes: evenings,
    visits,
    practices: [],
    settings: { units: 'cm', theme: 'system' },
  };
}

/** Last evening of the book, to which the app lines up today. */
export const LAST_EVENING = shiftDays(FIRST_EVENING, 7 * (EVENINGS - 1));

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const book = makeBoathouseBook();
  const checked = checkBook(book, LAST_EVENING);
  if (!checked.ok) throw new Error(wordsIn('cm').faults(checked.faults));
  writeFileSync(
    new URL('./kingfisher-boathouse.json', import.meta.url),
    `${JSON.stringify(book, null, 1)}\n`,
  );
  process.stdout.write(
    `kingfisher-boathouse.json: ${book.people.length} people, ${book.readings.length} readings, ${book.sessions.length} sessions\n`,
  );
}

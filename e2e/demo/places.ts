import { expect, type Page } from '@playwright/test';
import { go } from '../steps';

/** A place of the app, by its address and what stands at its top. */
export interface Place {
  readonly name: string;
  readonly path: string;
  readonly heading: string;
}

/** Every place of the app, on the demo book. */
export const places: readonly Place[] = [
  { name: 'Today', path: '/', heading: 'Today' },
  { name: 'Week', path: '/week', heading: 'Week' },
  { name: 'Students', path: '/students', heading: 'Students' },
  { name: 'New student', path: '/students/new', heading: 'New student' },
  { name: 'Student', path: '/students/p-ines', heading: 'Ines Calloway' },
  { name: 'Intake', path: '/students/p-dario/intake', heading: 'Questions for Dario Whitlock' },
  { name: 'Measure', path: '/students/p-bram/measure', heading: 'Bram Okonjo-Vale' },
  { name: 'Plan', path: '/students/p-marit/plan', heading: 'Marit Osei' },
  { name: 'Plan with a caution', path: '/students/p-dario/plan', heading: 'Dario Whitlock' },
  { name: 'Pose', path: '/students/p-marit/poses/easy-cross', heading: 'Easy crossed legs' },
  { name: 'At home', path: '/students/p-marit/home', heading: 'At home: Marit Osei' },
  {
    name: 'To take home',
    path: '/students/p-marit/sheet',
    heading: 'To take home: Marit Osei',
  },
  { name: 'Mat', path: '/students/p-yusuf/mat', heading: 'Yusuf Bellamy' },
  { name: 'Lesson', path: '/students/p-yusuf/lesson', heading: 'A lesson for Yusuf Bellamy' },
  {
    name: 'Class lesson',
    path: '/classes/c-evening/lesson',
    heading: 'A lesson for Mobility evening',
  },
  { name: 'Record', path: '/students/p-hettie/record', heading: 'Hettie Marchbanks' },
  { name: 'Progress', path: '/students/p-marit/progress', heading: 'Marit Osei' },
  { name: 'Shelf', path: '/shelf', heading: 'Shelf' },
  { name: 'More', path: '/more', heading: 'More' },
  { name: 'Data', path: '/more/data', heading: 'Data' },
  { name: 'How it reckons', path: '/more/reckoning', heading: 'How it reckons' },
  { name: 'How it reckons, whole', path: '/more/how', heading: 'How it reckons, whole' },
  { name: 'Drawings', path: '/more/drawings', heading: 'Five bodies in every pose' },
  { name: 'Protocols', path: '/more/protocols', heading: 'How each range is read' },
  { name: 'Class', path: '/classes/c-evening', heading: 'Mobility evening' },
  { name: 'Help', path: '/more/help', heading: 'Help' },
  {
    name: 'Proportions',
    path: '/students/p-bram/proportions',
    heading: 'Proportions of Bram Okonjo-Vale',
  },
  { name: 'Done at home', path: '/done-at-home', heading: 'Done at home' },
  { name: 'No such place', path: '/nowhere/at/all', heading: 'There is no such place' },
];

/** Some at a time: the first is opened by its address, the others as by a link. */
export const placesTogether = (atATime: number): readonly (readonly Place[])[] =>
  Array.from({ length: Math.ceil(places.length / atATime) }, (_, i) =>
    places.slice(i * atATime, (i + 1) * atATime),
  );

/** Opens a place, by its address where the app is not open yet. */
export async function openPlace(page: Page, { path, heading }: Place): Promise<void> {
  await (page.url() === 'about:blank' ? page.goto(path) : go(page, path));
  await expect(page.getByRole('heading', { name: heading, exact: true }).first()).toBeVisible();
}

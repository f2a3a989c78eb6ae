import { Link } from 'expo-router';
import { View } from 'react-native';
import { isDueForReading, isLongAway } from '@/core/advise/due';
import type { ClassRecord } from '@/core/formats/book';
import { practisedPoses } from '@/core/plan/practised';
import { poseById } from '@/core/poses/poses';
import { selectClasses, selectPeople, selectReadingsOf, selectSessionsOf } from '@/store/selectors';
import { ago } from '@/ui/format';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasList, useToday } from '../hooks';

/** The day on which somebody was last in a class. */
const cameLast = (classes: readonly ClassRecord[], id: string) =>
  lastOf(
    classes.flatMap(({ came = [] }) =>
      came.filter(({ person, is }) => person === id && is !== 'away').map(({ on }) => on),
    ),
  );
const lastOf = (days: readonly (string | undefined)[]) =>
  days
    .filter((one) => one !== undefined)
    .sort()
    .at(-1);

/** Who is due for a reading, who has not been here for long, and who practises at home every day. */
export function Due() {
  const today = useToday();
  const people = useOjas(selectPeople);
  const classes = useOjas(selectClasses);
  const readings = useOjasList((state) => people.map(({ id }) => selectReadingsOf(state, id)));
  const sessions = useOjasList((state) => people.map(({ id }) => selectSessionsOf(state, id)));
  const due = people.map((person, i) => ({
    person,
    readAt: readings[i]?.at(-1)?.at,
    hereAt: lastOf([sessions[i]?.at(-1)?.at, cameLast(classes, person.id)]),
    doses: [...practisedPoses(sessions[i] ?? [])].flatMap((id) => {
      const pose = poseById(id);
      return pose?.homeDose ? [`${pose.name}: ${pose.homeDose}`] : [];
    }),
  }));
  const parts = [
    {
      title: 'Due for a reading',
      none: 'Everybody was read within six weeks.',
      lines: due
        .filter(({ readAt }) => isDueForReading(readAt, today))
        .map(({ person, readAt }) => ({
          person,
          words: readAt ? `read ${ago(readAt)}` : 'not read yet',
          href: `/students/${person.id}/measure`,
        })),
    },
    {
      title: 'Not here for long',
      none: 'Everybody was here within three weeks.',
      lines: due
        .filter(({ hereAt }) => isLongAway(hereAt, today))
        .map(({ person, hereAt }) => ({
          person,
          words: `on the mat ${ago(hereAt as string)}`,
          href: `/students/${person.id}/plan`,
        })),
    },
    {
      title: 'Every day at home',
      none: 'Nobody practises a pose that is meant for every day.',
      lines: due.flatMap(({ person, doses }) =>
        doses.map((words) => ({ person, words, href: `/students/${person.id}/home` })),
      ),
    },
  ];
  return (
    <>
      {parts.map(({ title, none, lines }) => (
        <Sheet key={title} role="region" aria-label={title}>
          <Title level={2}>{title}</Title>
          {lines.length === 0 ? <Aside>{none}</Aside> : null}
          {lines.map(({ person, words, href }) => (
            <View key={person.id + words} className="border-t border-line pb-2">
              <Link
                href={href as '/students'}
                className="min-h-12 py-3 font-text text-base text-thread underline"
              >
                {person.name}
              </Link>
              <Words>{words}</Words>
            </View>
          ))}
        </Sheet>
      ))}
    </>
  );
}

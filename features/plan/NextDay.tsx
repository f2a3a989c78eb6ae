import { View } from 'react-native';
import type { Session, SessionPose } from '@/core/formats/book';
import { dayOf } from '@/core/formats/time';
import { edit } from '@/store/facts';
import { commit } from '@/store/store';
import { date } from '@/ui/format';
import { Chips } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useOjasDispatch, useToday } from '../hooks';

const nextDay = [
  { id: 'better', words: 'Better' },
  { id: 'same', words: 'The same' },
  { id: 'worse', words: 'Worse' },
] as const;

interface NextDayProps {
  readonly session: Session;
  /** Asked otherwise than right after it. */
  readonly when?: string;
}

/** How the body was the day after a session: one tap, for all of its poses. */
export function NextDay({ session, when }: NextDayProps) {
  const dispatch = useOjasDispatch();
  const say = (said: NonNullable<SessionPose['nextDay']>) =>
    void dispatch(
      commit({
        words: `The day after ${date(session.at)}: ${said}`,
        put: [],
        remove: [],
        edit: [
          edit('sessions', session.id, (now) => ({
            ...now,
            poses: now.poses.map((one) => ({ ...one, nextDay: said })),
          })),
        ],
      }),
    );
  return (
    <View className="gap-1">
      <Words>{when ?? 'How was the next day?'}</Words>
      <Chips
        label="How was the next day"
        options={nextDay}
        chosen={session.poses[0]?.nextDay ?? null}
        onChoose={say}
      />
    </View>
  );
}

/** Asked at the next visit where it was not said. */
export function AskNextDay({ session }: { readonly session: Session | undefined }) {
  const today = useToday();
  if (!session || dayOf(session.at) >= today || session.poses[0]?.nextDay) return null;
  return <NextDay session={session} when={`How was the day after ${date(session.at)}?`} />;
}

import { useState } from 'react';
import { View } from 'react-native';
import { commit } from '@/store/store';
import { DayField } from '@/ui/DayField';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { freshId, useOjasDispatch, useToday } from '../hooks';
import type { Visit } from '@/core/formats/book';
import { comes, comesAt, fallsOut } from './changes';
import type { Occurrence } from './comers';

interface VisitMarkProps {
  readonly person: { readonly id: string; readonly name: string };
  /** A visit of their own today. */
  readonly coming: Occurrence<Visit> | undefined;
}

/** Whether somebody comes today, and when: a tap to mark it, an hour if there is one. */
export function VisitMark({ person, coming }: VisitMarkProps) {
  const dispatch = useOjasDispatch();
  const today = useToday();
  const { id, name } = person;
  const [typed, setTyped] = useState<string | null>(null);
  if (!coming)
    return (
      <Press
        kind="quiet"
        aria-label={`${name} comes today`}
        onPress={() =>
          dispatch(commit(comes({ id: freshId('visit'), person: id, on: today }, name)))
        }
      >
        Comes today
      </Press>
    );
  const keep = async () => {
    if (typed === null || typed === '') return;
    await dispatch(commit(comesAt(coming.what, typed, name)));
    setTyped(null);
  };
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        <Press
          kind="quiet"
          aria-label={`Hour of ${name}`}
          onPress={() => setTyped(coming.what.time ?? '')}
        >
          {coming.what.time ? 'Another hour' : 'Set an hour'}
        </Press>
        <Press
          kind="quiet"
          aria-label={`${name} does not come today`}
          onPress={() =>
            dispatch(
              commit(fallsOut('visits', coming, `${name} does not come on ${date(coming.on)}`)),
            )
          }
        >
          Not today
        </Press>
      </View>
      {typed === null ? null : (
        <>
          <DayField label={`Hour of ${name}`} is="time" value={typed} onChange={setTyped} />
          <Press kind="main" disabled={typed === ''} onPress={keep}>
            Keep the hour
          </Press>
        </>
      )}
    </View>
  );
}

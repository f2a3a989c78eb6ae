import { useState } from 'react';
import { View } from 'react-native';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { freshId, useOjasDispatch, useToday, useWords } from '../hooks';
import type { Visit } from '@/core/formats/book';
import { comes, comesAt, fallsOut } from './changes';
import { hourFault } from './hour';
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
  const say = useWords();
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
  const fault = typed === null || typed === '' ? undefined : hourFault(typed, say);
  const keep = async () => {
    if (typed === null || typed === '' || fault) return;
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
          <Field
            label={`Hour of ${name}`}
            hint="such as 18:15"
            value={typed}
            fault={fault}
            onChangeText={setTyped}
            onSubmitEditing={() => void keep()}
            maxLength={5}
          />
          <Press kind="main" disabled={typed === '' || fault !== undefined} onPress={keep}>
            Keep the hour
          </Press>
        </>
      )}
    </View>
  );
}

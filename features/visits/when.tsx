import { useState, type ReactNode } from 'react';
import type { Visit } from '@/core/formats/book';
import { isReadRule } from '@/core/formats/repeats';
import { isDay, type LocalDay } from '@/core/formats/time';
import { Field } from '@/ui/Field';
import { Chips } from '@/ui/Press';
import { useWords } from '../hooks';
import { hourFault } from './hour';
import type { Meeting } from './comers';

/** How something may repeat, as rules of RFC 5545. */
const rules = { 'every week': 'FREQ=WEEKLY', 'every two weeks': 'FREQ=WEEKLY;INTERVAL=2' } as const;
const choices = [
  { id: 'once', words: 'Once' },
  { id: 'every week', words: 'Every week' },
  { id: 'every two weeks', words: 'Every two weeks' },
] as const;
type Repeat = (typeof choices)[number]['id'];

/** Whether something repeats by a rule whose days are not reckoned. */
export const isUnread = ({ repeats }: Pick<Meeting, 'repeats'>): boolean =>
  repeats !== undefined && !isReadRule(repeats);
export const repeatWords = ({ repeats }: Pick<Meeting, 'repeats'>): string => {
  if (!repeats) return '';
  if (isUnread({ repeats })) return 'repeats in a way that is not read here';
  return Object.entries(rules).find(([, rule]) => rule === repeats)?.[0] ?? 'repeats';
};

export interface When {
  /** The entries: day, hour, and how it repeats. */
  readonly fields: ReactNode;
  /** What they say; null while one of them is wrong. */
  readonly value: Pick<Visit, 'on' | 'time' | 'repeats'> | null;
}

/** A day, an hour if there is one, and how it repeats. */
export function useWhen(today: LocalDay): When {
  const say = useWords();
  const [on, setOn] = useState<string>(today);
  const [time, setTime] = useState('');
  const [repeat, setRepeat] = useState<Repeat>('once');
  const dayFault = isDay(on) ? undefined : 'A day such as 2026-03-02 is expected.';
  const timeFault = time === '' ? undefined : hourFault(time, say);
  return {
    value:
      dayFault || timeFault
        ? null
        : {
            on,
            ...(time === '' ? {} : { time }),
            ...(repeat === 'once' ? {} : { repeats: rules[repeat] }),
          },
    fields: (
      <>
        <Field
          label="Day"
          hint="year-month-day"
          value={on}
          fault={dayFault}
          onChangeText={setOn}
          maxLength={10}
        />
        <Field
          label="Hour"
          hint="such as 18:15; may stay open"
          value={time}
          fault={timeFault}
          onChangeText={setTime}
          maxLength={5}
        />
        <Chips label="Repeats" options={choices} chosen={repeat} onChoose={setRepeat} />
      </>
    ),
  };
}

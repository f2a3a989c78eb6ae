import { useState, type ReactNode } from 'react';
import type { Visit } from '@/core/formats/book';
import { isReadRule } from '@/core/formats/repeats';
import { isDay, type LocalDay } from '@/core/formats/time';
import { DayField } from '@/ui/DayField';
import { Chips } from '@/ui/Press';
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
  const [on, setOn] = useState<string>(today);
  const [time, setTime] = useState('');
  const [repeat, setRepeat] = useState<Repeat>('once');
  const dayFault = isDay(on) ? undefined : 'Choose a day.';
  return {
    value: dayFault
      ? null
      : {
          on,
          ...(time === '' ? {} : { time }),
          ...(repeat === 'once' ? {} : { repeats: rules[repeat] }),
        },
    fields: (
      <>
        <DayField label="Day" value={on} fault={dayFault} onChange={setOn} />
        <DayField label="Hour, if there is one" is="time" value={time} onChange={setTime} />
        <Chips label="Repeats" options={choices} chosen={repeat} onChoose={setRepeat} />
      </>
    ),
  };
}

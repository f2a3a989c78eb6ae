import type { ClassRecord, Visit } from '@/core/formats/book';
import { date } from '@/ui/format';
import { edit, put, type Change } from '@/store/facts';
import type { Meeting, Occurrence } from './comers';

type Kind = 'visits' | 'classes';

/** Somebody comes on a day. */
export const comes = (visit: Visit, name: string): Change => ({
  words: `${name} comes ${visit.repeats ? 'from' : 'on'} ${date(visit.on)}`,
  put: [put('visits', visit)],
  remove: [],
});

/** A class, new or with other people in it. */
export const classKept = (it: ClassRecord, words: string): Change => ({
  words,
  put: [put('classes', it)],
  remove: [],
});

/** It does not fall on that day, after all; what repeats goes on. */
export const fallsOut = (kind: Kind, { what, on }: Occurrence, words: string): Change =>
  what.repeats === undefined
    ? ends(kind, what, words)
    : {
        words,
        put: [],
        edit: [edit(kind, what.id, (now) => ({ ...now, except: [...(now.except ?? []), on] }))],
        remove: [],
      };

/** It ends altogether. */
export const ends = (kind: Kind, { id }: Pick<Meeting, 'id'>, words: string): Change => ({
  words,
  put: [],
  remove: [{ kind, id }],
});

/** Another hour. */
export const comesAt = ({ id }: Visit, time: string, name: string): Change => ({
  words: `${name} comes at ${time}`,
  put: [],
  edit: [edit('visits', id, (now) => ({ ...now, time }))],
  remove: [],
});

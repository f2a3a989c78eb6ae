import type { Visit } from '@/core/formats/book';
import { date } from '@/ui/format';
import { edit, put, type Change } from '@/store/facts';
import type { Occurrence } from './occurrences';

/** Somebody comes on a day. */
export const comes = (visit: Visit, name: string): Change => ({
  words: `${name} comes ${visit.repeats ? 'from' : 'on'} ${date(visit.on)}`,
  put: [put('visits', visit)],
  remove: [],
});

/** Somebody does not come on that day, after all; what repeats goes on. */
export const staysAway = ({ visit, on }: Occurrence, name: string): Change => {
  const words = `${name} does not come on ${date(on)}`;
  return visit.repeats === undefined
    ? { words, put: [], remove: [{ kind: 'visits', id: visit.id }] }
    : {
        words,
        put: [],
        edit: [
          edit('visits', visit.id, (now) => ({ ...now, except: [...(now.except ?? []), on] })),
        ],
        remove: [],
      };
};

/** A visit ends altogether. */
export const comesNoMore = ({ id }: Visit, name: string): Change => ({
  words: `${name} no longer comes at that hour`,
  put: [],
  remove: [{ kind: 'visits', id }],
});

/** Another hour. */
export const comesAt = ({ id }: Visit, time: string, name: string): Change => ({
  words: `${name} comes at ${time}`,
  put: [],
  edit: [edit('visits', id, (now) => ({ ...now, time }))],
  remove: [],
});

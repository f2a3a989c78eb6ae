import { shiftDays } from '@/core/formats/time';
import { date } from '@/ui/format';
import { Words } from '@/ui/Words';
import { useToday } from '../hooks';
import { useComing } from './ComingOn';

/** So far ahead the next visit is looked for. */
const LOOK_AHEAD_DAYS = 60;

/** When a student comes again, alone or in a class; nothing where that is not known. */
export function NextTime({ person }: { readonly person: string }) {
  const today = useToday();
  const coming = useComing(shiftDays(today, 1), shiftDays(today, LOOK_AHEAD_DAYS));
  const [next] = [
    ...coming.visits.filter(({ what }) => what.person === person),
    ...coming.classes.filter(({ what }) => what.people?.includes(person)),
  ]
    .map(({ on }) => on)
    .sort();
  return next ? <Words>Next time together: {date(next)}.</Words> : null;
}

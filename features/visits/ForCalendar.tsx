import { groupedBy } from '@/core/grouped';
import { selectClasses, selectPeople, selectReadingsOf, selectVisits } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasList, useToday } from '../hooks';
import { entriesOf } from './entries';
import { saveCalendar } from './saveCalendar';

/** All that falls on days, for the calendar that the teacher has elsewhere. */
export function ForCalendar() {
  const today = useToday();
  const people = useOjas(selectPeople);
  const visits = useOjas(selectVisits);
  const classes = useOjas(selectClasses);
  const readings = useOjasList((state) => people.map(({ id }) => selectReadingsOf(state, id)));
  const save = () => {
    const read = groupedBy(readings.flat(), ({ person }) => person);
    const readAt = (person: string) => read.get(person)?.at(-1)?.at;
    return saveCalendar('ojas-week', entriesOf({ people, visits, classes, readAt }, today));
  };
  return (
    <Sheet>
      <Title level={2}>For your calendar</Title>
      <Words>
        Visits and classes with their hours, an hour each, and the day on which somebody is due for
        a reading. It tells first names and an initial. Taken in again after a change, nothing
        stands twice.
      </Words>
      <Press onPress={save}>Save for a calendar</Press>
    </Sheet>
  );
}

import { Proportions } from '../forms/Proportions';
import { usePerson, useUnits } from '../hooks';
import { NoStudent } from './NoStudent';

/** A student's lengths off a tape, beside the body that they make. */
export function ProportionsScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const units = useUnits();
  return person ? <Proportions person={person} units={units} /> : <NoStudent />;
}

import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { tapedLengths, tapes, unlikelyLengths, usualShare, type TapedBody } from '@/core/body/body';
import type { Person } from '@/core/formats/book';
import { put } from '@/store/facts';
import { commit } from '@/store/store';
import { fromCm, length, toCm, type Units } from '@/ui/format';
import { Field } from '@/ui/Field';
import { readNumber } from '@/ui/number';
import { numberText } from '@/ui/numberText';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';

interface ProportionsProps {
  readonly person: Person;
  readonly units: Units;
}

const [LEAST_CM, MOST_CM] = [2, 120];

/** Lengths off a tape, each of them optional: what is left empty comes from the stature. */
export function Proportions({ person, units }: ProportionsProps) {
  const dispatch = useOjasDispatch();
  const schema = z.object(Object.fromEntries(tapedLengths.map((id) => [id, numberText(tapes[id].name, fromCm(LEAST_CM, units), fromCm(MOST_CM, units), ` ${units}`, true)])));
  const { control, handleSubmit, formState: { errors } } = useForm<Record<string, string>>({
    resolver: zodResolver(schema),
    defaultValues: Object.fromEntries(tapedLengths.map((id) => [id, person.bodyCm[id] === undefined ? '' : String(fromCm(person.bodyCm[id], units))])),
  });
  const save = handleSubmit((typed) => {
    const bodyCm = Object.fromEntries(tapedLengths.flatMap((id) => {
      const read = readNumber(typed[id] ?? '');
      return read.ok ? [[id, Math.round(toCm(read.value, units) * 10) / 10]] : [];
    })) as TapedBody;
    void dispatch(commit({ words: `${person.name}: lengths noted`, put: [put('people', { ...person, bodyCm })], remove: [] }));
  });
  const questioned = unlikelyLengths(person.statureCm, person.bodyCm);
  return (
    <View className="gap-3">
      {tapedLengths.map((id) => (
        <View key={id} className="gap-0.5">
          <Controller control={control} name={id} render={({ field }) => <Field label={tapes[id].name} hint={`${units}, may stay empty`} inputMode="decimal" value={field.value ?? ''} onChangeText={field.onChange} fault={errors[id]?.message as string | undefined} />} />
          <Aside>{tapes[id].how} Usual for this stature: {length(usualShare[id] * person.statureCm, units)}.</Aside>
        </View>
      ))}
      {questioned.map(({ length: id, words }) => <Words key={id} className="text-rust">{words.replace(new RegExp(`^${id}`), tapes[id].name)}</Words>)}
      <Press kind="main" onPress={() => void save()}>Keep these lengths</Press>
    </View>
  );
}

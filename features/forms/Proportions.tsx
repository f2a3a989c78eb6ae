import { zodResolver } from '@hookform/resolvers/zod';
import { Link } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { z } from '@/core/z';
import { bodyFrom, tapes, unlikelyLengths, usualShare, type TapedBody } from '@/core/body/body';
import { tapedLengths, type TapedLength } from '@/core/body/lengths';
import type { Person } from '@/core/formats/book';
import { editFields } from '@/store/facts';
import { commit, recordNow } from '@/store/store';
import { BodyScene } from '@/ui/BodyScene';
import { fromCm, length, toCm, type Units } from '@/ui/format';
import { readNumber } from '@/ui/number';
import { numberText } from '@/ui/numberText';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Words } from '@/ui/Words';
import { wordsIn } from '@/ui/words/words';
import { useOjasDispatch } from '../hooks';
import { FormField } from './FormField';

const [LEAST_CM, MOST_CM] = [2, 120];

/** What is typed so far, as lengths; what is no length yet is left out. */
const bodyOf = (typed: Readonly<Record<string, string>>, units: Units): TapedBody =>
  Object.fromEntries(
    tapedLengths.flatMap((id) => {
      const read = readNumber(typed[id] ?? '');
      const cm = read.ok ? Math.round(toCm(read.value, units) * 10) / 10 : NaN;
      return cm >= LEAST_CM && cm <= MOST_CM ? [[id, cm]] : [];
    }),
  );

/** Each length is optional: what is left empty comes from the height. The drawing follows what is typed. */
export function Proportions({ person, units }: { readonly person: Person; readonly units: Units }) {
  const dispatch = useOjasDispatch();
  const [active, setActive] = useState<TapedLength | null>(null);
  const schema = z.object(
    Object.fromEntries(
      tapedLengths.map((id) => [
        id,
        numberText(
          tapes[id].name,
          fromCm(LEAST_CM, units),
          fromCm(MOST_CM, units),
          ` ${units}`,
          true,
        ),
      ]),
    ),
  );
  const { control, handleSubmit } = useForm<Record<string, string>>({
    resolver: zodResolver(schema),
    defaultValues: Object.fromEntries(
      tapedLengths.map((id) => [
        id,
        person.bodyCm[id] === undefined ? '' : String(fromCm(person.bodyCm[id], units)),
      ]),
    ),
  });
  const typed = useWatch({ control });
  const lengths = bodyOf(typed as Record<string, string>, units);
  const taped = Object.keys(lengths) as TapedLength[];
  /** The student as they were when the page was opened, or when it was last saved. */
  const [opened, setOpened] = useState(person);
  const save = handleSubmit(async (values) => {
    const left = { ...opened, bodyCm: bodyOf(values, units) };
    const outcome = await dispatch(
      commit({
        words: `${person.name}: lengths noted`,
        put: [],
        edit: [editFields('people', opened, left)],
        remove: [],
      }),
    );
    setOpened(outcome.ok ? left : (dispatch(recordNow('people', person.id)) ?? left));
  });
  const questioned = new Map(
    unlikelyLengths(person.statureCm, lengths).map((one) => [
      one.length,
      wordsIn(units).reason(one),
    ]),
  );
  return (
    <Screen
      title={`Proportions of ${person.name}`}
      wide
      foot={
        <Press kind="main" onPress={() => save()}>
          Keep these lengths
        </Press>
      }
    >
      <View className="gap-4 lg:flex-row">
        <Sheet className="lg:flex-1">
          <BodyScene
            body={bodyFrom(person.statureCm, lengths)}
            taped={taped}
            active={active}
            written={(cm) => length(cm, units)}
            mostHeightPx={420}
            words={`The body that these lengths make: ${tapedLengths.map((id) => `${tapes[id].name.toLowerCase()} ${taped.includes(id) ? 'taped' : 'from the height'}`).join(', ')}.`}
          />
          <Words>
            {taped.length === 0
              ? 'Every length comes from the height.'
              : `${taped.length} of ${tapedLengths.length} lengths are taped; the rest come from the height.`}
          </Words>
          <Aside>Whole lines are taped, dashed ones come from the height.</Aside>
        </Sheet>
        <Sheet className="lg:flex-1">
          {tapedLengths.map((id) => (
            <View key={id} className="gap-0.5">
              <FormField
                control={control}
                name={id}
                label={tapes[id].name}
                hint={`${units}, may stay empty`}
                inputMode="decimal"
                onFocus={() => setActive(id)}
                onBlur={() => setActive(null)}
              />
              <Aside>
                {tapes[id].how} Usual for this height:{' '}
                {length(usualShare[id] * person.statureCm, units)}.
              </Aside>
              {questioned.has(id) ? (
                <Words className="text-rust">{questioned.get(id)}</Words>
              ) : null}
            </View>
          ))}
        </Sheet>
      </View>
      <Link href={`/students/${person.id}`} asChild>
        <Press kind="quiet">Back to {person.name}</Press>
      </Link>
    </Screen>
  );
}

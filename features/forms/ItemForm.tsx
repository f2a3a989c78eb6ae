import { zodResolver } from '@hookform/resolvers/zod';
import { useFieldArray, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from '@/core/z';
import { stateName, type ShelfItem } from '@/core/props/shelf';
import { fromCm, toCm, type Units } from '@/ui/format';
import { readNumber } from '@/ui/number';
import { numberText } from '@/ui/numberText';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { FormField } from './FormField';
import { FromPile } from './FromPile';

interface ItemFormProps {
  readonly item: ShelfItem;
  readonly units: Units;
  readonly onKeep: (item: ShelfItem) => Promise<void>;
}

const TALLEST_CM = 120;
/** Nothing loses more than this of its height, in per cent. */
const MOST_GIVES = 90;

const schemaFor = (units: Units) =>
  z.object({
    name: z
      .string()
      .trim()
      .min(1, 'Name: enter what it is called.')
      .max(80, 'Name: at most 80 letters.'),
    count: numberText('How many', 0, 500, '').refine(
      (text) => !readNumber(text).ok || Number.isInteger(Number(text.replace(',', '.'))),
      { error: 'How many: a whole number.' },
    ),
    gives: numberText('Gives under weight', 0, MOST_GIVES, ' %'),
    states: z.array(
      z
        .object({
          id: z.string(),
          height: numberText('Height', 0, fromCm(TALLEST_CM, units), ` ${units}`),
          loaded: numberText('Sat on', 0, fromCm(TALLEST_CM, units), ` ${units}`, true),
        })
        .refine(
          ({ height, loaded }) => {
            const [free, sat] = [readNumber(height), readNumber(loaded)];
            return !free.ok || !sat.ok || sat.value <= free.value;
          },
          { error: 'Sat on: cannot be higher than unloaded.', path: ['loaded'] },
        ),
    ),
  });

const valueOf = (text: string) => {
  const read = readNumber(text);
  return read.ok ? read.value : 0;
};

/** Name, count, and the height of each way a thing lies, free and sat on. */
export function ItemForm({ item, units, onKeep }: ItemFormProps) {
  const { control, handleSubmit, setValue } = useForm({
    resolver: zodResolver(schemaFor(units)),
    defaultValues: {
      name: item.name,
      count: String(item.count),
      gives: String(Math.round(item.softness * 100)),
      states: item.states.map(({ id, heightCm, loadedCm }) => ({
        id,
        height: String(fromCm(heightCm, units)),
        loaded: loadedCm === undefined ? '' : String(fromCm(loadedCm, units)),
      })),
    },
  });
  const { fields } = useFieldArray({ control, name: 'states', keyName: 'key' });
  const keep = handleSubmit(({ name, count, gives, states }) =>
    onKeep({
      ...item,
      name: name.trim(),
      count: valueOf(count),
      softness: valueOf(gives) / 100,
      states: states.map(({ id, height, loaded }) => ({
        id,
        heightCm: toCm(valueOf(height), units),
        ...(loaded.trim() === '' ? {} : { loadedCm: toCm(valueOf(loaded), units) }),
      })),
    }),
  );
  return (
    <View className="gap-3">
      <FormField control={control} name="name" label="Name" />
      <FormField control={control} name="count" label="How many" inputMode="numeric" />
      <FormField
        control={control}
        name="gives"
        label="Gives under weight"
        hint="% of its height, under a seated adult"
        inputMode="decimal"
      />
      {fields
        .filter(({ id }) => id !== 'length')
        .map(({ key, id }) => {
          const index = fields.findIndex((one) => one.key === key);
          const words = stateName(item, id);
          return (
            <View key={key} className="gap-2 border-l-4 border-tape pl-3">
              <Words className="font-semibold">{words}</Words>
              <FormField
                control={control}
                name={`states.${index}.height`}
                label={`Height, ${words}`}
                hint={units}
                inputMode="decimal"
              />
              <FormField
                control={control}
                name={`states.${index}.loaded`}
                label={`Sat on, ${words}`}
                hint={`${units}, may stay empty`}
                inputMode="decimal"
              />
              <FromPile
                words={words}
                units={units}
                onTake={({ free, satOn }) => {
                  const options = { shouldDirty: true, shouldValidate: true };
                  if (free !== undefined) setValue(`states.${index}.height`, free, options);
                  if (satOn !== undefined) setValue(`states.${index}.loaded`, satOn, options);
                }}
              />
            </View>
          );
        })}
      <Press kind="main" onPress={() => keep()}>
        Save
      </Press>
    </View>
  );
}

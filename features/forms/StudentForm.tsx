import { zodResolver } from '@hookform/resolvers/zod';
import type { ReactNode } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from '@/core/z';
import { approaches, approachIds, type ApproachId } from '@/core/approaches/approaches';
import type { Person } from '@/core/formats/book';
import type { Sex } from '@/core/ranges/ranges';
import { fromCm, toCm, type Units } from '@/ui/format';
import { readNumber } from '@/ui/number';
import { numberText } from '@/ui/numberText';
import { Chips, Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { FormField } from './FormField';

interface Filled {
  readonly name: string;
  readonly stature: string;
  readonly birthYear: string;
  readonly sex: Sex;
  readonly approach: ApproachId;
}

const LEAST_CM = 90;
const MOST_CM = 230;

const schemaFor = (units: Units, year: number) =>
  z.object({
    name: z
      .string()
      .trim()
      .min(1, 'Name: enter what the student is called.')
      .max(120, 'Name: at most 120 letters.'),
    stature: numberText('Height', fromCm(LEAST_CM, units), fromCm(MOST_CM, units), ` ${units}`),
    birthYear: z
      .string()
      .refine(
        (text) =>
          text.trim() === '' ||
          (/^\d{4}$/.test(text.trim()) && Number(text) >= 1900 && Number(text) <= year),
        { error: `Year of birth: four digits, 1900 to ${year}, or leave it empty.` },
      ),
    sex: z.enum(['woman', 'man', 'unknown']),
    approach: z.enum(approachIds),
  });

const sexes = [
  { id: 'woman', words: 'Woman' },
  { id: 'man', words: 'Man' },
  { id: 'unknown', words: 'Not said' },
] as const;

export type PersonFields = Pick<Person, 'name' | 'statureCm' | 'sex' | 'approach'> & {
  readonly birthYear: number | undefined;
};

interface StudentFormProps {
  readonly person?: Person;
  readonly units: Units;
  readonly saveWords: string;
  readonly onSave: (fields: PersonFields) => Promise<void>;
  /** What an approach that is thought of would change. */
  readonly effectOf?: (approach: ApproachId) => ReactNode;
}

/** Name, height, and what narrows the first assumptions. */
export function StudentForm({ person, units, saveWords, onSave, effectOf }: StudentFormProps) {
  const { control, handleSubmit } = useForm<Filled>({
    resolver: zodResolver(schemaFor(units, new Date().getFullYear())),
    defaultValues: {
      name: person?.name ?? '',
      stature: person ? String(fromCm(person.statureCm, units)) : '',
      birthYear: person?.birthYear ? String(person.birthYear) : '',
      sex: person?.sex ?? 'unknown',
      approach: person?.approach ?? 'built-up-alignment',
    },
  });
  const save = handleSubmit(({ name, stature, birthYear, sex, approach }) => {
    const read = readNumber(stature);
    if (read.ok)
      return onSave({
        name: name.trim(),
        statureCm: Math.round(toCm(read.value, units) * 10) / 10,
        sex,
        approach,
        birthYear: birthYear.trim() === '' ? undefined : Number(birthYear),
      });
    return undefined;
  });
  return (
    <View className="gap-4">
      <FormField control={control} name="name" label="Name" />
      <FormField control={control} name="stature" label="Height" hint={units} inputMode="decimal" />
      <FormField
        control={control}
        name="birthYear"
        label="Year of birth"
        hint="may stay empty"
        inputMode="numeric"
      />
      <View className="gap-1">
        <Words className="font-semibold">Starting values for</Words>
        <Controller
          control={control}
          name="sex"
          render={({ field }) => (
            <Chips
              label="Starting values for"
              options={sexes}
              chosen={field.value}
              onChoose={field.onChange}
            />
          )}
        />
      </View>
      <View className="gap-1">
        <Words className="font-semibold">Approach</Words>
        <Controller
          control={control}
          name="approach"
          render={({ field }) => (
            <>
              <Chips
                label="Approach"
                options={approachIds.map((id) => ({ id, words: approaches[id].name }))}
                chosen={field.value}
                onChoose={field.onChange}
              />
              <Words>{approaches[field.value].inShort}</Words>
              {effectOf?.(field.value)}
            </>
          )}
        />
      </View>
      <Press kind="main" onPress={() => save()}>
        {saveWords}
      </Press>
    </View>
  );
}

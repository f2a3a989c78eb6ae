import { useState } from 'react';
import { View } from 'react-native';
import { parseShelfFile } from '@/core/formats/check';
import { homeShelf, starterShelf } from '@/core/props/usualShelves';
import { shelfIn, type Shelf } from '@/core/props/shelf';
import { put } from '@/store/facts';
import { selectAllProps, selectSettings, selectOwnShelf } from '@/store/selectors';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { saveFile } from '../data/files';
import { takeInFile } from '../data/takeIn';
import { freshId, todayIso, useOjas, useOjasDispatch, useSet, useWords } from '../hooks';

/** The main shelf has no name of its own. */
const MAIN = '';
const MAIN_WORDS = 'Main shelf';

/** Props as they stand on another shelf: each is a thing of its own there. */
const onto = (items: Shelf, place: string) =>
  items.map((item) => {
    const { place: _from, ...rest } = item;
    return put('shelf', {
      ...rest,
      id: freshId(item.kind),
      ...(place === MAIN ? {} : { place }),
    });
  });

/** Which shelf is used today, where there are several; a new one, and one that goes. */
export function Places() {
  const settings = useOjas(selectSettings);
  const props = useOjas(selectAllProps);
  const set = useSet();
  const [adding, setAdding] = useState(false);
  const [here, places] = [settings.place ?? MAIN, settings.places ?? []];
  const use = (place: string) =>
    set({ place }, `${place === MAIN ? MAIN_WORDS : place} is used from now on`);
  const forget = () =>
    set(
      { place: MAIN, places: places.filter((one) => one !== here) },
      `${here} is gone, with what stood there`,
      { remove: shelfIn(props, here).map(({ id }) => ({ kind: 'shelf', id })) },
    );
  return (
    <Sheet role="region" aria-label="Which shelf">
      {places.length > 0 ? (
        <Chips
          label="Shelf used today"
          options={[MAIN, ...places].map((id) => ({ id, words: id === MAIN ? MAIN_WORDS : id }))}
          chosen={here}
          onChoose={use}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Press aria-expanded={adding} onPress={() => setAdding(!adding)}>
          Another shelf
        </Press>
        <TakeIn place={here} />
        <GiveOut place={here} />
        {here === MAIN ? null : <Press onPress={forget}>{`Forget ${here}`}</Press>}
      </View>
      {adding ? <NewPlace taken={places} here={here} onMade={() => setAdding(false)} /> : null}
    </Sheet>
  );
}

const beginnings = [
  { id: 'copy', words: 'As this one' },
  { id: 'studio', words: 'A small studio' },
  { id: 'flat', words: 'A flat' },
  { id: 'empty', words: 'Empty' },
] as const;
type Beginning = (typeof beginnings)[number]['id'];

interface NewPlaceProps {
  readonly taken: readonly string[];
  readonly here: string;
  readonly onMade: () => void;
}

/** A hall where one teaches, somebody's home: named, and begun with something. */
function NewPlace({ taken, here, onMade }: NewPlaceProps) {
  const props = useOjas(selectAllProps);
  const set = useSet();
  const [name, setName] = useState('');
  const [from, setFrom] = useState<Beginning>('copy');
  const named = name.trim();
  const fault = taken.includes(named)
    ? 'There is a shelf of that name: choose another.'
    : undefined;
  const items: Readonly<Record<Beginning, Shelf>> = {
    copy: shelfIn(props, here),
    studio: starterShelf,
    flat: homeShelf,
    empty: [],
  };
  const make = async () => {
    await set({ place: named, places: [...taken, named] }, `${named} is used from now on`, {
      put: onto(items[from], named),
    });
    onMade();
  };
  return (
    <View className="gap-3">
      <Field
        label="Name of the shelf"
        hint="a hall, a home"
        value={name}
        fault={fault}
        onChangeText={setName}
        maxLength={80}
      />
      <Chips label="Begin with" options={beginnings} chosen={from} onChoose={setFrom} />
      <Press kind="main" disabled={named === '' || fault !== undefined} onPress={make}>
        Make this shelf
      </Press>
    </View>
  );
}

const MOST_BYTES = 20_000_000;

/** Props out of a file, each as a thing of its own. */
function TakeIn({ place }: { readonly place: string }) {
  const dispatch = useOjasDispatch();
  const say = useWords();
  const [fault, setFault] = useState('');
  const take = async () => {
    const taken = await takeInFile(parseShelfFile, 'shelf', MOST_BYTES, say.faults);
    if (!taken) return;
    setFault(taken.fault);
    if (!taken.value) return;
    const { shelf } = taken.value;
    await dispatch(
      commit({
        words: `${shelf.length} ${shelf.length === 1 ? 'prop' : 'props'} came onto the shelf`,
        put: onto(shelf as Shelf, place),
        remove: [],
      }),
    );
  };
  return (
    <>
      <Press onPress={take}>Take in a file</Press>
      {fault === '' ? null : (
        <Words role="alert" className="w-full text-rust">
          {fault}
        </Words>
      )}
    </>
  );
}

/** The shelf as a file. */
function GiveOut({ place }: { readonly place: string }) {
  const shelf = useOjas(selectOwnShelf);
  if (shelf.length === 0) return null;
  const save = () =>
    saveFile(
      `ojas-shelf-${place === MAIN ? 'main' : place.replace(/[^\p{L}\p{N}]+/gu, '-')}-${todayIso()}.json`,
      [
        `${JSON.stringify({ format: 'ojas-shelf/1', shelf: shelf.map(({ place: _, ...item }) => item) }, null, 1)}\n`,
      ],
      'application/json',
    );
  return <Press onPress={save}>Save as a file</Press>;
}

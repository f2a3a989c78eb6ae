import { Link } from 'expo-router';
import { View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import { liesIn } from '@/core/lies';
import type { PlanPose } from '@/core/formats/plan';
import { poses } from '@/core/poses/poses';
import { stackWords } from '@/core/props/stack';
import { selectPlan } from '@/store/reckoned';
import { selectPeople, selectShelf } from '@/store/selectors';
import { clock, length } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { slotName } from '@/ui/words/words';
import { useOjas, useOjasList, useToday, useUnits } from '../hooks';
import { FetchForClass } from './Fetch';

/** A class on one sheet of paper: pose by pose, what everybody in it sits, kneels or lies on today. */
export function ClassScreen({ id }: { readonly id: string }) {
  const today = useToday();
  const it = useOjas((state) => recordIn(state.classes, id));
  const people = useOjas(selectPeople).filter((one) => it?.people?.includes(one.id));
  const plans = useOjasList((state) => people.map((one) => selectPlan(state, one.id, today)));
  if (!it)
    return (
      <Screen title="No such class">
        <Words>This class has ended, or was removed.</Words>
      </Screen>
    );
  const rows = poses.flatMap(({ id: pose, name }) => {
    const lines = people.flatMap((person, i) =>
      (plans[i]?.poses ?? [])
        .filter((planned) => planned.pose === pose && planned.posture !== null)
        .map((planned) => ({ person, planned })),
    );
    return lines.length > 0 ? [{ pose, name, lines }] : [];
  });
  return (
    <Screen title={it.name ?? 'Class'} beside={<Print />}>
      <Aside>
        {people.map(({ name }) => name).join(', ')}
        {it.time ? ` · ${clock(it.time)}` : ''}
      </Aside>
      <Link href={`/classes/${id}/lesson` as '/classes'} asChild>
        <Press>Lead a whole lesson</Press>
      </Link>
      {rows.length === 0 ? <Words>Nobody in it practises anything yet.</Words> : null}
      {rows.map(({ pose, name, lines }) => (
        <Sheet key={pose} role="region" aria-label={name}>
          <Title level={2}>{name}</Title>
          {lines.map(({ person, planned }) => (
            <View key={`${person.id}/${planned.side}`} className="border-t border-line pt-1">
              <Words className="font-semibold">
                {person.name}
                {planned.side === 'both' ? '' : `, ${planned.side}`}
              </Words>
              <Lying planned={planned} />
            </View>
          ))}
        </Sheet>
      ))}
      <FetchForClass it={it} />
    </Screen>
  );
}

/** What lies there, or that nothing does. */
function Lying({ planned }: { readonly planned: PlanPose }) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const lying = planned.slots.filter(liesIn);
  return (
    <Words>
      {lying.length === 0
        ? 'Nothing is laid.'
        : lying
            .map(
              (slot) =>
                `${slotName(slot)} ${length(slot.stackCm, units)}: ${stackWords(slot.stack, shelf)}`,
            )
            .join('; ')}
    </Words>
  );
}

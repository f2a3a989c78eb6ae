import { useState } from 'react';
import { View } from 'react-native';
import type { FeltPlace, Person, Session, SessionPose } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { isDay } from '@/core/formats/time';
import { placeKey } from '@/core/advise/order';
import { put } from '@/store/facts';
import { commit } from '@/store/store';
import { DayField } from '@/ui/DayField';
import { date } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title } from '@/ui/Words';
import { freshId, useOjasDispatch, useToday } from '../hooks';
import { places, strengths } from '../plan/felt';
import { asLast } from './asLast';
import { Heights } from './EditPose';
import { poseTitle } from '../plan/words';

interface PastSessionProps {
  readonly person: Person;
  readonly plan: Plan;
  readonly sessions: readonly Session[];
}

interface FeltThen {
  readonly strength: string | null;
  readonly place: FeltPlace | null;
}
interface Row extends FeltThen {
  readonly on: boolean;
  /** What lay there, where it was not as the last time. */
  readonly settled?: SessionPose['settled'];
}
/** Nothing is noted that is not said. */
const unsaid: FeltThen = { strength: null, place: null };

/** A session that was not noted at the mat: its day, its poses on what lay there last, and how each was felt. */
export function PastSession({ person, plan, sessions }: PastSessionProps) {
  const dispatch = useOjasDispatch();
  const today = useToday();
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState<string>(today);
  const [rows, setRows] = useState<Readonly<Record<string, Row>>>({});
  const [all, setAll] = useState(unsaid);
  const poses = plan.poses.filter(({ posture }) => posture !== null);
  if (poses.length === 0) return null;
  const before = sessions.at(-1)?.poses;
  const rowOf = (planned: PlanPose) =>
    rows[placeKey(planned)] ?? {
      ...unsaid,
      on: before?.some((one) => placeKey(one) === placeKey(planned)) ?? true,
    };
  const change = (planned: PlanPose, to: Partial<Row>) =>
    setRows({ ...rows, [placeKey(planned)]: { ...rowOf(planned), ...to } });
  /** As it lay the last time and was held as planned, with what is said here. */
  const outcomeOf = (planned: PlanPose): SessionPose => {
    const { strength, place, settled } = rowOf(planned);
    return {
      ...asLast(planned, sessions),
      ...(settled ? { settled } : {}),
      feeling: {
        ...(strength === null ? {} : { strength: Number(strength) }),
        ...(place === null ? {} : { place }),
      },
    };
  };
  const done = poses.filter((planned) => rowOf(planned).on);
  const fault = !isDay(day)
    ? 'Choose the day on which it was.'
    : day > today
      ? 'This day is still to come.'
      : undefined;
  const keep = async () => {
    const session: Session = {
      id: freshId('s'),
      person: person.id,
      at: day,
      poses: done.map(outcomeOf),
    };
    const outcome = await dispatch(
      commit({
        words: `Session of ${date(day)} noted`,
        put: [put('sessions', session)],
        remove: [],
      }),
    );
    if (!outcome.ok) return;
    setOpen(false);
    setRows({});
    setAll(unsaid);
  };
  return (
    <Sheet className="print:hidden">
      <Press aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? 'Leave it' : 'Note a past session'}
      </Press>
      {open ? (
        <>
          <DayField label="Its day" value={day} fault={fault} onChange={setDay} most={today} />
          <Aside>
            Supports are noted as they lay the last time where no other height is said, holds as
            planned. What was felt, how strongly of ten and where, is noted only where you say it.
          </Aside>
          <Title level={3}>All poses alike</Title>
          <FeltChips
            of="all poses alike"
            felt={all}
            onChange={(to) => {
              setAll({ ...all, ...to });
              setRows(
                Object.fromEntries(
                  poses.map((planned) => [placeKey(planned), { ...rowOf(planned), ...to }]),
                ),
              );
            }}
          />
          {poses.map((planned) => {
            const row = rowOf(planned);
            const title = poseTitle(planned);
            return (
              <View key={placeKey(planned)} className="gap-1 border-t border-line pt-1">
                <Tick checked={row.on} onToggle={() => change(planned, { on: !row.on })}>
                  {title}
                </Tick>
                {row.on ? (
                  <>
                    <FeltChips of={title} felt={row} onChange={(to) => change(planned, to)} />
                    <Heights
                      person={person}
                      outcome={outcomeOf(planned)}
                      onChange={(to) =>
                        change(planned, { settled: to(outcomeOf(planned)).settled })
                      }
                    />
                  </>
                ) : null}
              </View>
            );
          })}
          <Title level={3}>
            {done.length} {done.length === 1 ? 'pose' : 'poses'}
          </Title>
          <Press kind="main" disabled={fault !== undefined || done.length === 0} onPress={keep}>
            Note it
          </Press>
        </>
      ) : null}
    </Sheet>
  );
}

interface FeltChipsProps {
  readonly of: string;
  readonly felt: FeltThen;
  readonly onChange: (to: Partial<FeltThen>) => void;
}

/** How strong it was and where, each as far as it is remembered. */
const FeltChips = ({ of, felt: { strength, place }, onChange }: FeltChipsProps) => (
  <>
    <Chips
      label={`How strong, ${of}`}
      options={strengths}
      chosen={strength}
      onChoose={(to) => onChange({ strength: to })}
      asScale
    />
    <Chips
      label={`Where it was felt, ${of}`}
      options={places}
      chosen={place}
      onChoose={(to) => onChange({ place: to })}
      inOneRow
    />
  </>
);

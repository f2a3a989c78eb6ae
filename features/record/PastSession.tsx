import { useState } from 'react';
import { View } from 'react-native';
import { timesOf } from '@/core/adapt/progress';
import type { Person, Session, SessionPose } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { isDay } from '@/core/formats/time';
import { placeKey } from '@/core/plan/order';
import { asPlanned } from '@/core/plan/settled';
import { put } from '@/store/facts';
import { commit } from '@/store/store';
import { Field } from '@/ui/Field';
import { date } from '@/ui/format';
import { Chips, Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title } from '@/ui/Words';
import { freshId, useOjasDispatch, useToday } from '../hooks';
import { places, strengths } from '../plan/felt';
import { poseTitle } from '../plan/words';

interface PastSessionProps {
  readonly person: Person;
  readonly plan: Plan;
  readonly sessions: readonly Session[];
}

interface Row {
  readonly on: boolean;
  readonly strength: string;
  readonly place: SessionPose['feeling']['place'];
}
/** What most sessions are like: a mild pull in muscle. */
const usual: Row = { on: true, strength: '3', place: 'muscle' };

/** A session that was not noted at the mat: its day, its poses on what lay there last, and how each was felt. */
export function PastSession({ person, plan, sessions }: PastSessionProps) {
  const dispatch = useOjasDispatch();
  const today = useToday();
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState<string>(today);
  const [rows, setRows] = useState<Readonly<Record<string, Row>>>({});
  const poses = plan.poses.filter(({ posture }) => posture !== null);
  if (poses.length === 0) return null;
  const before = sessions.at(-1)?.poses;
  const rowOf = (planned: PlanPose) =>
    rows[placeKey(planned)] ?? {
      ...usual,
      on: before?.some((one) => placeKey(one) === placeKey(planned)) ?? true,
    };
  const change = (planned: PlanPose, to: Partial<Row>) =>
    setRows({ ...rows, [placeKey(planned)]: { ...rowOf(planned), ...to } });
  const done = poses.filter((planned) => rowOf(planned).on);
  const fault = !isDay(day)
    ? 'A day such as 2026-03-02 is expected.'
    : day > today
      ? 'This day is still to come.'
      : undefined;
  const keep = async () => {
    const session: Session = {
      id: freshId('s'),
      person: person.id,
      at: day,
      poses: done.map((planned): SessionPose => {
        const last = timesOf(sessions, planned.pose, planned.side).at(-1)?.outcome;
        const { strength, place } = rowOf(planned);
        return {
          pose: planned.pose,
          stage: planned.stage,
          side: planned.side,
          settled: last?.settled ?? asPlanned(planned),
          plannedSeconds: planned.holdSeconds,
          heldSeconds: planned.holdSeconds,
          feeling: { strength: Number(strength), place },
          pelvis: 'upright',
          breath: 'easy',
          faults: [],
        };
      }),
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
  };
  return (
    <Sheet className="print:hidden">
      <Press aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? 'Leave it' : 'Note a past session'}
      </Press>
      {open ? (
        <>
          <Field
            label="Its day"
            hint="year-month-day"
            value={day}
            fault={fault}
            onChangeText={setDay}
            maxLength={10}
          />
          <Aside>
            Supports are noted as they lay the last time, holds as planned. Put right afterwards
            what was otherwise.
          </Aside>
          {poses.map((planned) => {
            const { on, strength, place } = rowOf(planned);
            const title = poseTitle(planned);
            return (
              <View key={placeKey(planned)} className="gap-1 border-t border-line pt-1">
                <Tick checked={on} onToggle={() => change(planned, { on: !on })}>
                  {title}
                </Tick>
                {on ? (
                  <>
                    <Chips
                      label={`How strong, ${title}`}
                      options={strengths}
                      chosen={strength}
                      onChoose={(to) => change(planned, { strength: to })}
                      inOneLine
                    />
                    <Chips
                      label={`Where it was felt, ${title}`}
                      options={places}
                      chosen={place}
                      onChoose={(to) => change(planned, { place: to })}
                      inOneRow
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

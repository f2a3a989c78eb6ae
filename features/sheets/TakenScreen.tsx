import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Done } from '@/core/advise/homeLog';
import type { TakenHome, TakenPose } from '@/core/advise/takenHome';
import { shelfAtHome } from '@/core/advise/instead';
import { howOf } from '@/core/advise/how';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { holdNow } from '../mat/holdClock';
import { poseName } from '../plan/words';
import { unlockSound } from '../sound/chime';
import { speak } from '../sound/speak';
import { doneBy, keepDone, keepSheet, lastSheet } from './phone/homeLog';
import { DoneLog, HomeHold, HowWasIt } from './phone/HomeHold';
import { sheetIn } from './phone/late';
import { HOW_IT_SHOULD_BE, PoseAtHome, WhenToStop } from './PoseAtHome';

const faults = {
  none: 'No sheet was opened on this phone yet. Scan the code that your teacher shows you.',
  damaged:
    'This address is damaged or was cut short. Ask your teacher to show the code, or to send it, once more.',
  later: 'This sheet was made by a newer Ojas. Load this page anew, with a network, and try again.',
  unreachable: 'A part of this page could not be loaded. Try again when there is a network.',
} as const;

type Opened = TakenHome | keyof typeof faults | 'opening';

/** The sheet that the address brings, else the one that was opened last on this phone. */
async function openSheet(): Promise<Opened> {
  const brought = window.location.hash.slice(1);
  const text = brought || (await lastSheet().catch(() => ''));
  const sheet = await Promise.resolve(sheetIn(text)).catch(() => 'unreachable' as const);
  // A phone that keeps nothing shows the sheet all the same.
  if (brought && typeof sheet === 'object') await keepSheet(brought).catch(() => undefined);
  return sheet;
}

/** A sheet on the student's own phone: a page by itself, that knows of no book. */
export function TakenScreen() {
  const [sheet, setSheet] = useState<Opened>('opening');
  useEffect(() => {
    const open = () => void openSheet().then(setSheet);
    open();
    window.addEventListener('hashchange', open);
    return () => window.removeEventListener('hashchange', open);
  }, []);
  if (sheet === 'opening')
    return (
      <Screen title="To do at home">
        <Words role="status">One moment.</Words>
      </Screen>
    );
  if (typeof sheet === 'string')
    return (
      <Screen title="To do at home">
        <Words role="alert">{faults[sheet]}</Words>
      </Screen>
    );
  return <Taken key={sheet.id} sheet={sheet} />;
}

/** What was done by a sheet on this phone, and what adds to it. */
function useLog(sheet: string) {
  const [done, setDone] = useState<readonly Done[]>([]);
  const [isKept, setIsKept] = useState(true);
  useEffect(() => {
    void doneBy(sheet).then(setDone, () => setIsKept(false));
  }, [sheet]);
  const become = (all: readonly Done[]) => {
    setDone(all);
    void keepDone(sheet, all).catch(() => setIsKept(false));
  };
  return {
    done,
    isKept,
    add: (one: Done) => become([...done, one]),
    takeBack: () => become(done.slice(0, -1)),
  };
}

function Taken({ sheet }: { readonly sheet: TakenHome }) {
  const { done, isKept, add, takeBack } = useLog(sheet.id);
  const [open, setOpen] = useState<number | null>(null);
  const ids = [...new Set(sheet.poses.map(({ planned }) => planned.pose))];
  return (
    <Screen title={sheet.name ? `To do at home: ${sheet.name}` : 'To do at home'}>
      <Words>
        Of {date(sheet.at)}. {HOW_IT_SHOULD_BE}
      </Words>
      {isKept ? null : (
        <Words role="status" className="text-rust">
          This phone keeps nothing: what you tick is gone when you close the page.
        </Words>
      )}
      {sheet.poses.map((one, i) => (
        <OnePose
          key={i}
          {...{ one, sheet, add }}
          number={ids.indexOf(one.planned.pose) + 1}
          isOpen={open === i}
          onOpen={() => setOpen(open === i ? null : i)}
          lastDone={done.filter(isOf(one)).at(-1)}
        />
      ))}
      <DoneLog log={{ sheet: sheet.id, name: sheet.name, done }} onTakeBack={takeBack} />
      <WhenToStop />
    </Screen>
  );
}

/** The side that a pose is done on: built alike, one tap tells of both. */
const sideOf = ({ planned, bothAlike }: TakenPose) => (bothAlike ? 'both' : planned.side);
const isOf =
  (one: TakenPose) =>
  ({ pose, side }: Done) =>
    pose === one.planned.pose && side === sideOf(one);

/** Said of a pose that hurt, until the teacher sends another sheet or it is taken back. */
const LEFT_OUT =
  'It hurt. Leave this pose out, and tell your teacher. What stays longer than a day, comes at night or makes a leg weak goes to a doctor or a physiotherapist.';

interface OnePoseProps {
  readonly one: TakenPose;
  readonly sheet: TakenHome;
  readonly number: number;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  readonly add: (one: Done) => void;
  readonly lastDone: Done | undefined;
}

/** One pose: its figure and what to build, how it is done, its timer, and how it was. */
function OnePose({ one, sheet, number, isOpen, onOpen, add, lastDone }: OnePoseProps) {
  const { planned, bothAlike } = one;
  // Told every second, and read once: nothing is drawn anew for it.
  const heldSeconds = useRef(0);
  const isOneOfTwo = planned.side !== 'both' && !bothAlike;
  const name = `${poseName(planned.pose)}${isOneOfTwo ? `, ${planned.side}` : ''}`;
  const hurts = lastDone?.felt === 'pain';
  const minded = sheet.minded[planned.pose] ?? [];
  return (
    <Sheet role="region" aria-label={name}>
      <Title level={2}>
        {number}. {name}
      </Title>
      {bothAlike ? <Words>Both sides, one after the other, built alike.</Words> : null}
      <PoseAtHome
        planned={planned}
        body={sheet}
        shelf={shelfAtHome(sheet)}
        units={sheet.units}
        isOneOfTwo={false}
        eachSide={bothAlike ? ' on each side' : ''}
      />
      {minded.map((words) => (
        <Words key={words}>{words}</Words>
      ))}
      {hurts ? (
        <Words role="alert" className="text-rust">
          {LEFT_OUT}
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {'speechSynthesis' in window ? (
          <Press onPress={() => speak(howOf(planned).entry.join(' '))}>Say the way in</Press>
        ) : null}
        {hurts ? null : (
          <Press
            kind={isOpen ? 'plain' : 'main'}
            aria-expanded={isOpen}
            onPress={() => {
              unlockSound();
              onOpen();
            }}
          >
            {isOpen ? 'Close the timer' : 'I am in it'}
          </Press>
        )}
      </View>
      {isOpen && !hurts ? <HomeHold planned={planned} heldRef={heldSeconds} /> : null}
      <HowWasIt
        last={lastDone}
        onSaid={(felt) =>
          add({
            pose: planned.pose,
            side: sideOf(one),
            at: holdNow(),
            heldSeconds: Math.round(heldSeconds.current),
            felt,
          })
        }
      />
    </Sheet>
  );
}

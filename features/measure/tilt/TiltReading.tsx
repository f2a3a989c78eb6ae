import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Edge } from '@/core/measure/tilt';
import type { TiltWay } from '@/core/protocols/tiltWay';
import { Chips, Press, Tick } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { chime } from '../../sound/chime';
import { canSpeak, speak } from '../../sound/speak';
import { LiveTilt } from './LiveTilt';
import { SimulatedDial } from './SimulatedDial';
import { phoneSensor, simulatedSensor, troubleWords, type Dial } from './sources';
import type { Tilt } from './useTilt';

/** What stays as it was set through all ranges of a visit. */
export interface TiltHabits {
  readonly handsFree: boolean;
  readonly aloud: boolean;
  readonly simulated: boolean;
}
export const usualHabits: TiltHabits = { handsFree: true, aloud: true, simulated: false };

interface TiltReadingProps {
  readonly tilt: Tilt;
  readonly way: TiltWay;
  readonly dial: Dial;
  readonly habits: TiltHabits;
  readonly onHabits: (habits: TiltHabits) => void;
}

const edges = [
  { id: 'long', words: 'Long edge' },
  { id: 'short', words: 'Short edge' },
] as const satisfies readonly { id: Edge; words: string }[];
const LIES = {
  back: 'flat on its back',
  edge: 'standing on its long edge, screen to the side',
} as const;

/** Starting the sensor, its zero, and how it is held. The angle itself stands at the foot of the screen. */
export function TiltReading({ tilt, way, dial, habits, onHabits }: TiltReadingProps) {
  const [refusedZero, setRefusedZero] = useState(false);
  const start = (simulated: boolean) => {
    onHabits({ ...habits, simulated });
    tilt.start(simulated ? simulatedSensor(dial) : phoneSensor);
  };
  useEffect(() => {
    dial.turn({ lies: way.lies });
  }, [dial, way.lies]);
  if (!tilt.running) {
    return (
      <View className="gap-2">
        {tilt.trouble ? (
          <Words role="alert" className="text-rust">
            {troubleWords[tilt.trouble]}
          </Words>
        ) : (
          <Words>
            The phone’s own edge is the tool: it is zeroed on the floor, then laid along the limb.
          </Words>
        )}
        <Press kind="main" onPress={() => start(false)}>
          Start the phone’s sensor
        </Press>
        <Press onPress={() => start(true)}>Use the simulated sensor</Press>
      </View>
    );
  }
  const stale = tilt.zeroed !== null && tilt.zeroed !== way.lies;
  return (
    <View className="gap-3">
      <Words>
        {tilt.zeroed === null || stale
          ? `Lay it on the floor, ${LIES[way.lies]}, and zero it${stale ? ' again: this range is read that way' : ''}.`
          : `Zeroed ${LIES[way.lies]}. ${way.places.length > 1 ? 'Two places, one after the other.' : `${way.places[0]}.`}`}
      </Words>
      <View className="flex-row flex-wrap items-center gap-2">
        <Press
          kind={tilt.zeroed === null || stale ? 'main' : 'plain'}
          onPress={() => setRefusedZero(!tilt.zero(way.lies))}
        >
          Zero on the floor
        </Press>
        <Press kind="quiet" onPress={tilt.stop}>
          Stop the sensor
        </Press>
      </View>
      {refusedZero ? (
        <Words role="alert" className="text-rust">
          It stands upright: lay the edge on the floor first.
        </Words>
      ) : null}
      <Chips
        label="Edge along the limb"
        options={edges}
        chosen={tilt.edge}
        onChoose={tilt.setEdge}
      />
      <Tick
        checked={habits.handsFree}
        onToggle={() => onHabits({ ...habits, handsFree: !habits.handsFree })}
      >
        Hands free: held still for a second, it reads; two in a row that agree are kept
      </Tick>
      <Tick checked={habits.aloud} onToggle={() => onHabits({ ...habits, aloud: !habits.aloud })}>
        Say each number aloud
      </Tick>
      {habits.aloud && !canSpeak() ? (
        <Aside>This browser has no voice: a bell alone tells that it has read.</Aside>
      ) : null}
      {habits.simulated ? <SimulatedDial dial={dial} /> : null}
    </View>
  );
}

interface TiltFootProps {
  readonly tilt: Tilt;
  readonly way: TiltWay;
  readonly habits: TiltHabits;
  /** What is read, said before the number: "Left". */
  readonly who: string;
  /** Whether a value that was held still can be meant as a reading. */
  readonly canBeMeant: (value: number) => boolean;
  readonly onTaken: (value: number) => void;
}

const rounded = (value: number) => Math.round(value * 2) / 2;

/** The live angle at the foot of the screen, and the readings that it takes by itself or by a tap. */
export function TiltFoot({ tilt, way, habits, who, canBeMeant, onTaken }: TiltFootProps) {
  /** Turns at the places read so far of this one reading. */
  const [turns, setTurns] = useState<readonly number[]>([]);
  const ready = tilt.zeroed === way.lies;
  const last = turns.length === way.places.length - 1;
  const take = (deg: number, byItself: boolean) => {
    if (byItself && last && !canBeMeant(rounded(way.value(...turns, deg)))) return;
    chime(0.6);
    if (!last) {
      if (habits.aloud) speak('And the next place.');
      setTurns([...turns, deg]);
      return;
    }
    const value = rounded(way.value(...turns, deg));
    if (habits.aloud) speak(`${who} ${Math.round(value)}`);
    setTurns([]);
    onTaken(value);
  };
  // The listener outlives many renders and must see the newest of what it needs.
  const newest = useRef(take);
  useEffect(() => {
    newest.current = take;
  });
  const { follow } = tilt;
  useEffect(
    () =>
      ready && habits.handsFree
        ? follow(({ taken }) => {
            if (taken !== null) newest.current(taken, true);
          })
        : undefined,
    [follow, ready, habits.handsFree],
  );
  return (
    <View className="gap-2">
      {way.places.length > 1 ? (
        <Words className="font-semibold">
          {turns.length + 1} of {way.places.length}: {way.places[turns.length]}.
        </Words>
      ) : null}
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <LiveTilt
          tilt={tilt}
          valueOf={(deg) => (ready && last ? way.value(...turns, deg) : deg)}
          what={
            !ready
              ? 'not zeroed yet'
              : habits.handsFree
                ? 'hold still for a second'
                : 'tap to take it'
          }
        />
        <View className="flex-row flex-wrap gap-2">
          {turns.length > 0 ? <Press onPress={() => setTurns([])}>Again</Press> : null}
          <Press
            kind="main"
            disabled={!ready}
            onPress={() => {
              const deg = tilt.now();
              if (deg !== null) take(deg, false);
            }}
          >
            Take it now
          </Press>
        </View>
      </View>
    </View>
  );
}

import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Edge, TiltView } from '@/core/measure/tilt';
import { isLaidDown, type Excursion, type ExcursionView } from '@/core/measure/excursion';
import { phoneTilt } from '@/core/parameters';
import type { Lies, TiltWay } from '@/core/protocols/tiltWay';
import { Chips, Press, Tick } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { chime, unlockSound } from '../../sound/chime';
import { useAwake } from '../../useAwake';
import { canSpeak, speak } from '../../sound/speak';
import { LiveTilt } from './LiveTilt';
import { SimulatedDial } from './SimulatedDial';
import { phoneSensor, simulatedSensor, troubleWords, type Dial } from './sources';
import type { NoZero, Tilt } from './useTilt';

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

/** Why there is no zero yet, and what to do. */
function noZeroWords(noZero: NoZero, asked: Lies): string {
  switch (noZero.is) {
    case 'no moment yet':
      return 'The sensor has told nothing yet: wait a moment, then zero it.';
    case 'upright':
      return 'It stands upright: lay the edge on the floor first.';
    case 'moving':
      return 'Let it lie still: it is zeroed as soon as it does.';
    case 'sloping':
      return `Its edge slopes by ${Math.abs(noZero.slopeDeg).toFixed(0)}°: lay it flat on the floor. Zeroed so, every reading would be off by as much.`;
    case 'lies otherwise':
      return `It lies ${LIES[noZero.lies]}. This range is read ${LIES[asked]}: lay it so, and zero it again.`;
  }
}

/** Starting the sensor, its zero, and how it is held. The angle itself stands at the foot of the screen. */
export function TiltReading({ tilt, way, dial, habits, onHabits }: TiltReadingProps) {
  const start = (simulated: boolean) => {
    unlockSound();
    onHabits({ ...habits, simulated });
    tilt.start(simulated ? simulatedSensor(dial) : phoneSensor);
  };
  useAwake(tilt.running);
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
          onPress={() => tilt.zero(way.lies)}
        >
          Zero on the floor
        </Press>
        <Press kind="quiet" onPress={tilt.stop}>
          Stop the sensor
        </Press>
      </View>
      {tilt.noZero ? (
        <View className="gap-2">
          <Words role="alert" className={tilt.noZero.is === 'moving' ? '' : 'text-rust'}>
            {noZeroWords(tilt.noZero, way.lies)}
          </Words>
          {tilt.noZero.is === 'sloping' ? (
            <Press onPress={() => tilt.zero(way.lies, true)}>The floor slopes so: zero it</Press>
          ) : null}
        </View>
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
        Hands free: held still at its end for a second, it reads as the limb comes back; two in a
        row that agree are kept
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
  /** Follows a limb that goes out and comes back; null where what is read is held, or is read in two places. */
  readonly excursion: Excursion | null;
  /** Whether a value that was held still can be meant as a reading. */
  readonly canBeMeant: (value: number) => boolean;
  readonly onTaken: (value: number) => void;
}

/** What to do next, hands free. */
function excursionWords(excursion: Excursion | null, limb: ExcursionView | null): string {
  if (!excursion) return 'hold still for a second';
  if (limb?.furthest != null)
    return `${Math.round(limb.furthest)}° held: bring it back, and it is read`;
  return 'as far as it goes, still for a second, then back';
}

const rounded = (value: number) => Math.round(value * 2) / 2;

/** The live angle at the foot of the screen, and the readings that it takes by itself or by a tap. */
export function TiltFoot(props: TiltFootProps) {
  const { tilt, way, habits, who, excursion, canBeMeant, onTaken } = props;
  const [limb, setLimb] = useState<ExcursionView | null>(null);
  const [skewed, setSkewed] = useState<number | null>(null);
  /** Turns at the places read so far of this one reading. */
  const [turns, setTurns] = useState<readonly number[]>([]);
  const ready = tilt.zeroed === way.lies;
  const last = turns.length === way.places.length - 1;
  const take = (deg: number, byItself: boolean) => {
    if (last) return settle(rounded(way.value(...turns, deg)), byItself);
    chime(0.6);
    if (habits.aloud) speak('And the next place.');
    setTurns([...turns, deg]);
  };
  const settle = (value: number, byItself: boolean) => {
    if (byItself && !canBeMeant(value)) return;
    chime(0.6);
    if (habits.aloud) speak(`${who} ${Math.round(value)}`);
    setTurns([]);
    onTaken(value);
  };
  const takeNow = () => {
    const shown = tilt.now();
    if (shown === null) return;
    const isSkewed = Math.abs(shown.skewDeg) > phoneTilt.mostSkew.value;
    setSkewed(isSkewed ? Math.abs(shown.skewDeg) : null);
    if (!isSkewed) take(shown.deg, false);
  };
  /** What was held still is the end of an excursion only once the limb has come back. */
  const follows = (view: TiltView) => {
    if (!excursion) {
      const isFirstOfSome = turns.length === 0 && !last;
      if (view.taken === null || (isFirstOfSome && isLaidDown(view.taken))) return undefined;
      return take(view.taken, true);
    }
    const still = view.restingDeg === null ? null : way.value(view.restingDeg);
    const seen = excursion.moment(way.value(view.deg), still, view.atMs);
    if (seen.furthest !== limb?.furthest || seen.rested !== limb.rested) {
      if (seen.furthest !== null) chime(0.25);
      setLimb(seen);
    }
    if (seen.taken !== null) settle(rounded(seen.taken), true);
  };
  useEffect(() => excursion?.on(who), [excursion, who]);
  // The listener outlives many renders and must see the newest of what it needs.
  const newest = useRef(follows);
  useEffect(() => {
    newest.current = follows;
  });
  const { follow } = tilt;
  useEffect(
    () => (ready && habits.handsFree ? follow((view) => newest.current(view)) : undefined),
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
                ? excursionWords(excursion, limb)
                : 'tap to take it'
          }
        />
        <View className="flex-row flex-wrap gap-2">
          {turns.length > 0 ? <Press onPress={() => setTurns([])}>Again</Press> : null}
          <Press kind="main" disabled={!ready} onPress={takeNow}>
            Take it now
          </Press>
        </View>
      </View>
      {limb?.rested === false && excursion ? (
        <View className="flex-row flex-wrap items-center gap-2">
          <Words role="status">{who}: lay it on this limb at rest, and leave it a second.</Words>
          <Press onPress={() => setLimb(excursion.liesThere())}>It lies there</Press>
        </View>
      ) : null}
      {skewed === null ? null : (
        <Words role="alert" className="text-rust">
          It is turned on its side by {skewed.toFixed(0)}°, and would read wrong: lay the edge along
          the limb, then take it.
        </Words>
      )}
    </View>
  );
}

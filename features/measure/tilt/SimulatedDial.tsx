import { useState } from 'react';
import { View, type ViewProps } from 'react-native';
import { Chips, Press } from '@/ui/Press';
import { Aside, Title, Words } from '@/ui/Words';
import type { Dial } from './sources';

interface SimulatedDialProps {
  readonly dial: Dial;
}

const tremors = [
  { id: '0', words: 'None' },
  { id: '0.15', words: 'A calm hand' },
  { id: '0.8', words: 'A tired hand' },
] as const;
const [LEAST, MOST] = [-90, 180];
const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 10,
  PageDown: -10,
};

/** The stand-in for a phone on a limb: its turn on a slide, and how much the hand trembles. Marked as simulated. */
export function SimulatedDial({ dial }: SimulatedDialProps) {
  const [deg, setDeg] = useState(dial.set.deg);
  const [tremor, setTremor] = useState(String(dial.set.tremorDeg));
  const [widthPx, setWidthPx] = useState(1);
  const set = (next: number) => {
    const held = Math.min(MOST, Math.max(LEAST, Math.round(next)));
    dial.turn({ deg: held });
    setDeg(held);
  };
  const slide = (event: React.PointerEvent<HTMLElement>) => {
    const { left } = event.currentTarget.getBoundingClientRect();
    set(LEAST + ((event.clientX - left) / widthPx) * (MOST - LEAST));
  };
  const pointer = {
    onPointerDown: (event: React.PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      slide(event);
    },
    onPointerMove: (event: React.PointerEvent<HTMLElement>) => {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) slide(event);
    },
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      const step = event.key === 'Home' ? -deg : STEPS[event.key];
      if (step === undefined) return;
      event.preventDefault();
      set(deg + step);
    },
  } as unknown as ViewProps;
  const share = (deg - LEAST) / (MOST - LEAST);
  return (
    <View className="gap-2 rounded-md border border-dashed border-ochre p-3">
      <Title level={3}>Simulated sensor</Title>
      <Aside>
        A stand-in for a phone on a limb: nothing here is a real reading. Lay it at 0 to zero it,
        then turn it as the limb would.
      </Aside>
      <View
        role="slider"
        tabIndex={0}
        aria-label="Turn of the simulated phone"
        aria-valuenow={deg}
        aria-valuemin={LEAST}
        aria-valuemax={MOST}
        aria-valuetext={`${deg} degrees`}
        onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}
        className="h-12 justify-center"
        style={{ touchAction: 'none', cursor: 'ew-resize' } as unknown as ViewProps['style']}
        {...pointer}
      >
        <View className="h-2 rounded-sm bg-line" />
        <View
          className="absolute h-8 w-4 rounded-sm border-2 border-thread bg-sheet"
          style={{ left: `${share * 100}%`, marginLeft: -8 }}
        />
      </View>
      <View className="flex-row flex-wrap items-center gap-2">
        <Press aria-label="Lay it on the floor" onPress={() => set(0)}>
          Floor
        </Press>
        <Press aria-label="Ten degrees back" onPress={() => set(deg - 10)}>
          −10
        </Press>
        <Press aria-label="One degree back" onPress={() => set(deg - 1)}>
          −1
        </Press>
        <Words className="w-14 text-center font-semibold">{deg}°</Words>
        <Press aria-label="One degree on" onPress={() => set(deg + 1)}>
          +1
        </Press>
        <Press aria-label="Ten degrees on" onPress={() => set(deg + 10)}>
          +10
        </Press>
      </View>
      <Chips
        label="Tremor"
        options={tremors}
        chosen={tremor as (typeof tremors)[number]['id']}
        onChoose={(id) => {
          dial.turn({ tremorDeg: Number(id) });
          setTremor(id);
        }}
      />
    </View>
  );
}

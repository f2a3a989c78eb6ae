import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Rect, Text as SvgText } from '@/ui/svg';
import { ladderFor, ladderPurposes, type Gap, type Ladder } from '@/core/advise/ladder';
import type { Shelf } from '@/core/props/shelf';
import { stackWords } from '@/core/props/stack';
import { fromCm, length, toCm, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { tone } from '@/ui/tones';
import { Aside, Title, Words } from '@/ui/Words';

const purposeNames: Readonly<Record<string, string>> = {
  'kneeling-seat': 'Seat to kneel on',
  'sitting-seat': 'Seat to sit on',
  'under-knees': 'Under the knees',
  hip: 'Under the hip in pigeon',
  ramp: 'Ramp, at the shoulder blades',
  hands: 'Under the hands',
};

interface LaddersProps {
  readonly shelf: Shelf;
  readonly units: Units;
}

/** What the shelf builds for each purpose, step by step, where it has gaps, and what would close them. */
export function Ladders({ shelf, units }: LaddersProps) {
  const [open, setOpen] = useState(false);
  return (
    <Sheet role="region" aria-label="What it builds">
      <Title level={2}>What it builds</Title>
      <Words>
        Every height that these props make, for what they are asked for most, and the steps that are
        missing.
      </Words>
      <Press aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? 'Hide the heights' : 'Show the heights'}
      </Press>
      {open ? <Opened shelf={shelf} units={units} /> : null}
    </Sheet>
  );
}

function Opened({ shelf, units }: LaddersProps) {
  const ladders = useMemo(
    () => ladderPurposes.map((purpose) => ({ purpose, ladder: ladderFor(shelf, purpose) })),
    [shelf],
  );
  return (
    <View className="gap-6">
      {ladders.map(({ purpose, ladder }) => (
        <View key={purpose.id} role="group" aria-label={purposeNames[purpose.id]} className="gap-1">
          <Title level={3}>{purposeNames[purpose.id]}</Title>
          <Drawn ladder={ladder} units={units} words={rungWords(ladder, shelf, units)} />
          {ladder.gaps.length === 0 ? (
            <Words>No step is missing up to {length(ladder.mostCm, units)}.</Words>
          ) : (
            ladder.gaps.map((gap) => <Words key={gap.fromCm}>{gapWords(gap, units)}</Words>)
          )}
        </View>
      ))}
    </View>
  );
}

const rungWords = ({ rungs }: Ladder, shelf: Shelf, units: Units) =>
  rungs.length === 0
    ? 'Nothing is built.'
    : `${rungs.length} heights: ${rungs
        .map(({ heightCm, pieces }) => `${length(heightCm, units)}, ${stackWords(pieces, shelf)}`)
        .join('; ')}.`;

/** "Nothing between 8 and 11 cm: one more half block gives 9.5 cm." */
function gapWords({ fromCm: from, toCm: to, closer }: Gap, units: Units): string {
  const between = `Nothing between ${fromCm(Math.round(from * 2) / 2, units)} and ${length(to, units)}`;
  if (!closer) return `${between}; no usual prop would close it.`;
  const one = `${closer.isNew ? 'one' : 'one more'} ${closer.item.name.toLowerCase()}`;
  return `${between}: ${one} gives ${length(closer.atCm, units)}.`;
}

const HEIGHT = 44;
const WIDTH = 320;
const EDGE = 8;

/** The heights as steps on a line, gaps in red. */
function Drawn({
  ladder: { rungs, gaps, mostCm },
  units,
  words,
}: {
  readonly ladder: Ladder;
  readonly units: Units;
  readonly words: string;
}) {
  const x = (cm: number) => EDGE + (cm / mostCm) * (WIDTH - 2 * EDGE);
  const every = units === 'in' ? 4 : 10;
  const marks = Array.from(
    { length: Math.floor(fromCm(mostCm, units) / every) + 1 },
    (_, i) => i * every,
  );
  return (
    <View role="img" aria-label={words}>
      <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
        {gaps.map(({ fromCm: from, toCm: to }) => (
          <Rect
            key={from}
            x={x(from)}
            y={4}
            width={x(to) - x(from)}
            height={18}
            fill={tone('rust', 0.25)}
          />
        ))}
        <Line x1={EDGE} x2={WIDTH - EDGE} y1={22} y2={22} stroke={tone('ink')} strokeWidth={1.4} />
        {rungs.map(({ heightCm }) => (
          <Line
            key={heightCm}
            x1={x(heightCm)}
            x2={x(heightCm)}
            y1={6}
            y2={22}
            stroke={tone('thread')}
            strokeWidth={2}
          />
        ))}
        {marks.map((mark) => (
          <SvgText
            key={mark}
            x={x(toCm(mark, units))}
            y={37}
            fontSize={11}
            fontFamily="OjasText"
            fill={tone('ink')}
            textAnchor="middle"
          >
            {mark}
          </SvgText>
        ))}
      </Svg>
      <Aside aria-hidden>{units === 'in' ? 'inches' : 'centimetres'}</Aside>
    </View>
  );
}

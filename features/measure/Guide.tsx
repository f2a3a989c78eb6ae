import { View } from 'react-native';
import type { Body } from '@/core/body/body';
import { measuringFigure } from '@/core/measure/figures';
import type { Protocol } from '@/core/protocols/protocols';
import { MeasureScene } from '@/ui/MeasureScene';
import { Aside, Words } from '@/ui/Words';

interface GuideProps {
  readonly protocol: Protocol;
  readonly body: Body;
  /** The drawing shows this value. */
  readonly value: number;
  readonly seatCm: number;
}

/** How a range is read: drawn, and in words, with when to stop and what spoils it. */
export function Guide({ protocol, body, value, seatCm }: GuideProps) {
  const figure = measuringFigure(protocol.id, value, body, seatCm);
  return (
    <View className="gap-2">
      {figure ? (
        <MeasureScene
          figure={figure}
          body={body}
          mostHeightPx={230}
          words={`${protocol.name}, drawn. ${protocol.position} Tool: ${protocol.tool}`}
        />
      ) : null}
      {figure ? <Legend figure={figure} /> : null}
      <Words>{protocol.position}</Words>
      <Words>
        <Words className="font-semibold">Hold still: </Words>
        {protocol.holdStill}
      </Words>
      <Words>
        <Words className="font-semibold">Tool: </Words>
        {protocol.tool}
      </Words>
      <Words className="text-rust">{protocol.stopWhen}</Words>
      <Aside>What spoils it: {protocol.spoiledBy}</Aside>
    </View>
  );
}

/** What the marks of a drawing mean: colour is never the only sign. */
function Legend({
  figure: { tools, hold, angle },
}: {
  readonly figure: NonNullable<ReturnType<typeof measuringFigure>>;
}) {
  const marks = [
    ...(tools.some(({ is }) => is === 'edge') ? ['Bar: the edge of the tool'] : []),
    ...(tools.some(({ is }) => is === 'tape') ? ['Ticked band: the tape'] : []),
    ...(hold ? ['Dashed ring: your hand'] : []),
    ...(angle ? ['Sector: the angle'] : []),
  ];
  return <Aside>{marks.join(' · ')}</Aside>;
}

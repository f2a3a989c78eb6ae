import { useState } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import { measuringFigure } from '@/core/measure/figures';
import { usualOf, valueShowing } from '@/core/measure/shown';
import {
  methods,
  protocolsOf,
  type ConversionContext,
  type Protocol,
} from '@/core/protocols/protocols';
import { priorOf, rangeIds, type RangeId } from '@/core/ranges/ranges';
import { exampleBodies, type ExampleBodyId } from '@/core/sim/examples';
import { length } from '@/ui/format';
import { MeasureScene } from '@/ui/MeasureScene';
import { Chips } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, valueIn } from '@/ui/words/words';
import { useUnits } from '../hooks';

const measurable = rangeIds.filter((id) => protocolsOf(id).length > 0);
const SEAT_CM = 12;

/** Every way of reading every range, drawn for a stiff, a usual and a free reading: a handbook to leaf through. */
export function ProtocolsScreen() {
  const [bodyId, setBodyId] = useState<ExampleBodyId>('usual');
  const body = bodyFrom(exampleBodies.find(({ id }) => id === bodyId)?.statureCm ?? 170);
  const units = useUnits();
  return (
    <Screen title="How each range is read" wide>
      <Words>
        Each way drawn for a small, a usual and a large range. The bar is the edge of the tool, the
        ticked band the tape, the dashed ring your hand.
      </Words>
      <Chips
        label="Which body"
        options={exampleBodies
          .slice(0, 3)
          .map((one) => ({ id: one.id, words: `${one.words}, ${length(one.statureCm, units)}` }))}
        chosen={bodyId}
        onChoose={setBodyId}
      />
      {measurable.map((id) => (
        <Sheet key={id} role="article" aria-label={rangeName(id)}>
          <Title level={2}>{rangeName(id)}</Title>
          {protocolsOf(id).map((protocol) => (
            <Way key={protocol.id} id={id} protocol={protocol} body={body} />
          ))}
        </Sheet>
      ))}
    </Screen>
  );
}

function Way({
  id,
  protocol,
  body,
}: {
  readonly id: RangeId;
  readonly protocol: Protocol;
  readonly body: ReturnType<typeof bodyFrom>;
}) {
  const context: ConversionContext = {
    body,
    coupling: priorOf('hamstringCoupling', 'unknown'),
    seatCm: SEAT_CM,
  };
  const units = useUnits();
  const { mean, sd } = usualOf(id, 'unknown');
  return (
    <View className="gap-1 border-t border-line pt-2">
      <Title level={3}>{protocol.name}</Title>
      <View className="flex-row flex-wrap gap-3">
        {[mean - 1.6 * sd, mean, mean + 1.6 * sd].map((range) => {
          const value = valueShowing(protocol, range, context);
          const figure = measuringFigure(protocol.id, value, body, SEAT_CM);
          const read = valueIn(
            protocol.unit,
            protocol.unit === 'cm' ? value : Math.round(value),
            units,
          );
          return (
            <View key={range} className="min-w-[150px] flex-1">
              {figure ? (
                <MeasureScene
                  figure={figure}
                  body={body}
                  words={`${protocol.name}, reading ${read}`}
                  mostHeightPx={150}
                />
              ) : null}
              <Aside className="text-center">
                {read}
                {protocol.unit === 'cm' ? ` → ${Math.round(range)}°` : ''}
              </Aside>
            </View>
          );
        })}
      </View>
      <Words>
        {protocol.position} <Words className="font-semibold">Hold still: </Words>
        {protocol.holdStill} <Words className="font-semibold">Tool: </Words>
        {protocol.tool}
      </Words>
      <Words className="text-rust">{protocol.stopWhen}</Words>
      <Aside>
        By {protocol.methods.map((method) => methods[method].name.toLowerCase()).join(', ')}. What
        spoils it: {protocol.spoiledBy}
      </Aside>
    </View>
  );
}

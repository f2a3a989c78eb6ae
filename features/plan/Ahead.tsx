import { useMemo } from 'react';
import { View } from 'react-native';
import { whenUnder, type Forecast } from '@/core/advise/forecast';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { poseAhead } from '@/core/advise/ahead';
import type { Shelf } from '@/core/props/shelf';
import { length, month, type Units } from '@/ui/format';
import { Aside, Title, Words } from '@/ui/Words';
import { todayIso } from '../hooks';
import { slotKey } from '@/core/slots';
import { slotName, wordsIn } from '@/ui/words/words';

interface AheadProps {
  readonly planned: PlanPose;
  readonly person: Person;
  readonly estimates: Estimates;
  readonly shelf: Shelf;
  readonly units: Units;
}

/** Now, and about three and six months on: the forecast steps by four weeks. */
const STEPS_SHOWN = [0, 3, 6] as const;

/** What the heights may become, as far as the record can tell; never a promise. */
export function Ahead({ planned, person, estimates, shelf, units }: AheadProps) {
  const told = useMemo(
    () => poseAhead({ person, shelf }, planned, estimates, todayIso()),
    [person, shelf, planned, estimates],
  );
  if (told.length === 0) return null;
  return (
    <View className="gap-2 rounded-md bg-well p-3">
      <Title level={3}>In the months to come</Title>
      {told.map(({ slot, forecast }) => (
        <View key={slotKey(slot)}>
          <Words className="font-semibold">{slotName(slot)}</Words>
          {forecast.enough ? (
            <Told forecast={forecast} underCm={slot.stackCm / 2} units={units} />
          ) : (
            <Aside>{wordsIn(units).reason(forecast.reason)}</Aside>
          )}
        </View>
      ))}
      <Aside>If practice goes on as it has. Likely, not promised.</Aside>
    </View>
  );
}

function Told({
  forecast,
  underCm,
  units,
}: {
  readonly forecast: Forecast & { readonly enough: true };
  readonly underCm: number;
  readonly units: Units;
}) {
  const shown = STEPS_SHOWN.flatMap((step) => forecast.ahead[step] ?? []);
  const { likelyOn, earliestOn, latestOn } = whenUnder(forecast.ahead, underCm);
  return (
    <>
      {shown.map(({ on, cm, lowCm, highCm }) => (
        <Words key={on}>
          {month(on)}: {length(cm, units)}{' '}
          <Words className="text-faint">
            ({length(lowCm, units)}–{length(highCm, units)})
          </Words>
        </Words>
      ))}
      <Words>
        {likelyOn === null
          ? 'Half of today’s height lies further off than a year.'
          : `Half of today’s height: likely ${month(likelyOn)}, ${earliestOn === null ? '' : month(earliestOn)} to ${latestOn === null ? 'more than a year' : month(latestOn)}.`}
      </Words>
    </>
  );
}

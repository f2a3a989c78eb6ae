import type { LocalDay } from '../formats/time';
import { forecastHeight, type Forecast } from './forecast';
import { beliefOf, type Estimates } from '../estimate/estimate';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { comesDown } from '../poses/poses';
import type { InPose } from '../build/solve';
import { inWay } from '../prepare/ways';
import { meansOf } from '../geometry/band';
import { slotKey } from '../slots';
import { lies } from '../lies';

/** A slot's height in the months to come. */
export interface SlotAhead {
  readonly slot: PlanSlot;
  readonly forecast: Forecast;
}

/**
 * What the heights of a planned pose are likely to become, for every support that stands on something and comes down.
 */
export function poseAhead(
  { person, shelf }: Pick<InPose, 'person' | 'shelf'>,
  planned: PlanPose,
  estimates: Estimates,
  today: LocalDay,
): SlotAhead[] {
  const { pose, family, body, settings } = inWay(
    {
      person,
      pose: planned.pose,
      side: planned.side,
      shelf,
      values: meansOf(beliefOf(estimates)),
    },
    planned.way,
  );
  return planned.slots
    .filter((slot) => !slot.isLength && lies(slot.stackCm) && comesDown(pose, slotKey(slot)))
    .map((slot) => ({
      slot,
      forecast: forecastHeight(
        family,
        { body, settings, side: planned.side },
        slotKey(slot),
        estimates,
        today,
        slot.offsetCm,
      ),
    }));
}

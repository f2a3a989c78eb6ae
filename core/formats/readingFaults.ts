import { protocolOf } from '../ranges/protocols';
import { ranges } from '../ranges/ranges';
import type { Reading } from './book';

/** What is wrong with a reading's values: a range that no human has, or a way of reading that does not exist. */
export function readingFaults(
  reading: Pick<Reading, 'range' | 'method' | 'protocol' | 'values' | 'side'>,
): string[] {
  const range = ranges[reading.range];
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (reading.protocol !== undefined && !protocol)
    return [`${reading.protocol} is no way of reading ${range.name}.`];
  if (range.sided && reading.side === 'both')
    return [`${range.name} is read left and right apart; say which side.`];
  const { least, most } = protocol ?? range;
  const unit = protocol?.unit === 'cm' ? ' cm' : range.unit === 'deg' ? '°' : '';
  return reading.values.flatMap((value) =>
    value < least || value > most
      ? [
          `${value}${unit} is outside what a person can show for ${range.name.toLowerCase()} (${least} to ${most}${unit}); read it again.`,
        ]
      : [],
  );
}

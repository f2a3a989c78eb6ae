import { protocolOf } from '../protocols/protocols';
import { ranges } from '../ranges/ranges';
import type { Reason } from '../reasons';
import type { Reading } from './book';

type ReadingRefused = Reason<'no-such-way' | 'side-missing' | 'outside-range'>;

/** What is wrong with a reading's values: a range that no human has, or a way of reading that does not exist. */
export function readingRefused(
  reading: Pick<Reading, 'range' | 'method' | 'protocol' | 'values' | 'side'>,
): ReadingRefused[] {
  const range = ranges[reading.range];
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (reading.protocol !== undefined && !protocol)
    return [{ code: 'no-such-way', way: reading.protocol, range: range.id }];
  if (range.sided && reading.side === 'both') return [{ code: 'side-missing', range: range.id }];
  const { least, most } = protocol ?? range;
  const unit = protocol?.unit ?? range.unit;
  return reading.values
    .filter((value) => value < least || value > most)
    .map((value) => ({ code: 'outside-range', range: range.id, value, least, most, unit }));
}

const unitSigns = { cm: ' cm', deg: '°', ratio: '' } as const;

/** The same for a file, in the file's own names and units. */
export const readingFaults = (reading: Parameters<typeof readingRefused>[0]): string[] =>
  readingRefused(reading).map((refused) => {
    switch (refused.code) {
      case 'no-such-way':
        return `${refused.way} is no way of reading ${refused.range}.`;
      case 'side-missing':
        return `${refused.range} is read left and right apart; say which side.`;
      case 'outside-range': {
        const unit = unitSigns[refused.unit];
        return `${refused.value}${unit} is outside what a person can show for ${refused.range} (${refused.least} to ${refused.most}${unit}); read it again.`;
      }
    }
  });

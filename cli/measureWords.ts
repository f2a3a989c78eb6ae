import type { WayFigures } from '@/core/sim/measure';

const number = (value: number, wide: number) => value.toFixed(1).padStart(wide);

/** Every way of reading as a line: what was true, what was read, what is said of its error, and what it was. */
export const measureWords = (ways: readonly WayFigures[]): string =>
  [
    `${'way'.padEnd(34)}${'method'.padEnd(12)}  true   read  stated  real  false changes of 100`,
    ...ways.map(
      ({ protocol, method, trueMean, readMean, statedError, realError, falseChanges }) =>
        `${protocol.padEnd(34)}${method.padEnd(12)}${number(trueMean, 6)} ${number(readMean, 6)}  ${number(statedError, 6)} ${number(realError, 5)}  ${number(falseChanges, 6)}`,
    ),
  ].join('\n');

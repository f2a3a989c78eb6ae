import type { ConversionContext, Protocol, WorkingReason } from '../protocols/protocols';

/** How a read value becomes its range, with this body's own numbers; null where it is the range as read. */
export function workingOf(
  protocol: Protocol,
  value: number,
  context: ConversionContext,
): WorkingReason | null {
  const { mean } = protocol.convert(value, 1, context);
  return Number.isFinite(mean) ? (protocol.working?.(value, mean, context) ?? null) : null;
}

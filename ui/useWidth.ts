import { useState } from 'react';
import { useWindowDimensions, type LayoutChangeEvent } from 'react-native';

/** Page and sheet keep so much of a phone's width to themselves. */
const AROUND_PX = 66;
/** On wider screens columns stand side by side, and a guess would be wrong. */
const PHONE_PX = 600;

/**
 * The width of a place, as it is laid out; on a phone, where a sheet is as wide as the screen lets it, already before
 * it is: what is drawn there stands in the first frame and moves nothing. 0 while it is not known.
 */
export function useWidth(): readonly [number, (event: LayoutChangeEvent) => void] {
  const { width } = useWindowDimensions();
  const [known, setKnown] = useState<number | null>(null);
  const guess = width < PHONE_PX ? Math.max(0, width - AROUND_PX) : 0;
  return [known ?? guess, ({ nativeEvent }) => setKnown(nativeEvent.layout.width)];
}

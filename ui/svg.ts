import { memo } from 'react';
import * as svg from 'react-native-svg';

/**
 * The shapes that pictures are drawn of. One that is drawn as before is passed over: while a support is dragged, most
 * of a picture stays, and each shape costs as much as all that is reckoned for it.
 */
export const Circle = memo(svg.Circle);
export const Ellipse = memo(svg.Ellipse);
export const Line = memo(svg.Line);
export const Path = memo(svg.Path);
export const Polyline = memo(svg.Polyline);
export const Rect = memo(svg.Rect);
export const Text = memo(svg.Text);
export { G, default, type TextProps } from 'react-native-svg';

import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import Svg, { Rect } from '@/ui/svg';
import type { Body } from '@/core/body/body';
import type { MeasuringFigure } from '@/core/measure/figures';
import { MeasureDrawing, roomOf } from '@/ui/MeasureScene';
import { tone } from '@/ui/tones';

interface DrawnPictureProps {
  readonly figure: MeasuringFigure;
  readonly body: Body;
  readonly onPicture: (blob: Blob) => void;
}

const WIDTH_PX = 1600;
const MARGIN_CM = 14;

/** A drawing's colours are names; a picture that stands alone needs their values. */
function coloured(markup: string): string {
  const style = getComputedStyle(document.documentElement);
  return markup.replace(
    /rgb\(var\(--([\w-]+)\)(?: \/ ([\d.]+))?\)/g,
    (_, name: string, alpha?: string) =>
      `rgb(${style.getPropertyValue(`--${name}`).trim().split(/\s+/).join(', ')}${alpha ? `, ${alpha}` : ''})`.replace(
        /^rgb\((.*, .*, .*, .*)\)$/,
        'rgba($1)',
      ),
  );
}

/** Makes a picture file of a drawn figure, as a camera would of a student: something to try the photo method on. */
export function DrawnPicture({ figure, body, onPicture }: DrawnPictureProps) {
  const holder = useRef<View>(null);
  const { left, right, bottom, top } = roomOf(figure, body);
  const [x, y, width, height] = [
    left - MARGIN_CM,
    -top - MARGIN_CM,
    right - left + 2 * MARGIN_CM,
    top - bottom + 2 * MARGIN_CM,
  ];
  const done = useRef(onPicture);
  useEffect(() => {
    const svg = (holder.current as unknown as HTMLElement | null)?.querySelector('svg');
    if (!svg) return;
    const markup = coloured(new XMLSerializer().serializeToString(svg));
    const image = new window.Image();
    image.onload = () => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [WIDTH_PX, Math.round((WIDTH_PX * height) / width)];
      canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
      canvas.toBlob((blob) => {
        if (blob) done.current(blob);
      }, 'image/png');
    };
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(markup)}`;
  }, [width, height]);
  return (
    <View ref={holder} aria-hidden style={{ position: 'absolute', left: -9999, top: 0 }}>
      <Svg
        width={WIDTH_PX}
        height={(WIDTH_PX * height) / width}
        viewBox={`${x} ${y} ${width} ${height}`}
      >
        <Rect x={x} y={y} width={width} height={height} fill={tone('paper')} />
        <MeasureDrawing figure={figure} body={body} line={0.5} asPhoto />
      </Svg>
    </View>
  );
}

import { View } from 'react-native';
import Svg, { Path } from '@/ui/svg';

interface QrCodeProps {
  readonly code: { readonly size: number; readonly path: string };
  readonly words: string;
  readonly sizePx: number;
}

/** A code to be held before a camera: dark on light in every theme, as cameras want it. */
export const QrCode = ({ code: { size, path }, words, sizePx }: QrCodeProps) => (
  <View role="img" aria-label={words} style={{ width: '100%', maxWidth: sizePx, aspectRatio: 1 }}>
    <Svg width="100%" height="100%" viewBox={`0 0 ${size} ${size}`}>
      <Path d={`M0 0h${size}v${size}h-${size}z`} fill="#ffffff" />
      <Path d={path} fill="#000000" />
    </Svg>
  </View>
);

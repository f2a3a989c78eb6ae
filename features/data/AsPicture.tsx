import { useId, type ReactNode } from 'react';
import { View } from 'react-native';
import { Press } from '@/ui/Press';
import { inFileName } from './fileName';
import { savePng, saveSvg } from './picture';

interface SaveAsProps {
  /** Of the part of the page that the drawing stands in. */
  readonly id: string;
  readonly name: string;
}

/** Two ways to save a drawing: its lines, or a picture of it. */
export function SaveAs({ id, name }: SaveAsProps) {
  const file = inFileName(name);
  return (
    <>
      <Press kind="quiet" aria-label={`${name} as SVG`} onPress={() => saveSvg(id, file)}>
        SVG
      </Press>
      <Press kind="quiet" aria-label={`${name} as PNG`} onPress={() => void savePng(id, file)}>
        PNG
      </Press>
    </>
  );
}

/** A drawing, with the ways to save it under it. */
export function AsPicture({
  name,
  children,
}: {
  readonly name: string;
  readonly children: ReactNode;
}) {
  const id = useId();
  return (
    <View>
      <View nativeID={id}>{children}</View>
      <View className="flex-row flex-wrap justify-end gap-x-1 print:hidden">
        <SaveAs {...{ id, name }} />
      </View>
    </View>
  );
}

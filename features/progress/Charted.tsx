import { useId, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { SaveAs } from '../data/AsPicture';
import { inFileName } from '../data/fileName';
import { saveCsv } from '../data/tables';

interface ChartedProps {
  /** For the names of files. */
  readonly name: string;
  /** What the chart shows, row by row, under its head. */
  readonly rows: readonly (readonly string[])[];
  readonly children: ReactNode;
}

/** A chart, the same as a table for those who hear it, and as files. */
export function Charted({ name, rows, children }: ChartedProps) {
  const id = useId();
  const [asTable, setAsTable] = useState(false);
  const file = inFileName(name);
  return (
    <View className="gap-2">
      <View nativeID={id}>{children}</View>
      <View className="flex-row flex-wrap gap-x-1 print:hidden">
        <Press kind="quiet" aria-expanded={asTable} onPress={() => setAsTable(!asTable)}>
          As a table
        </Press>
        <Press
          kind="quiet"
          aria-label={`${name} as CSV`}
          onPress={() => void saveCsv(file, { head: rows[0] ?? [], rows: rows.slice(1) })}
        >
          CSV
        </Press>
        <SaveAs {...{ id, name }} />
      </View>
      {asTable ? (
        <View role="table" aria-label={name}>
          {rows.map((cells, i) => (
            <View key={i} role="row" className="flex-row gap-2 border-t border-line py-1">
              {cells.map((cell, j) => (
                <Words
                  key={j}
                  role={i === 0 ? 'columnheader' : 'cell'}
                  className={`flex-1 ${i === 0 ? 'font-semibold' : ''}`}
                >
                  {cell}
                </Words>
              ))}
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}

import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { backupNow, putBackupOff } from '@/store/store';
import { date } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, useToday } from '../hooks';

/** What changed since the last backup, once it is time for one. */
export function BackupDue() {
  const dispatch = useOjasDispatch();
  const today = useToday();
  // Whatever is done is counted: it is read anew then.
  useOjas((state) => state.undo.heads);
  const [isPutOff, setIsPutOff] = useState(false);
  const told = dispatch(backupNow(today));
  if (!told.isDue || isPutOff) return null;
  const { changes, exportedAt } = told;
  const changed = changes === 1 ? 'One change' : `${changes} changes`;
  return (
    <Sheet role="region" aria-label="Time for a backup">
      <Words>
        {exportedAt
          ? `${changed} since the last backup, ${date(exportedAt)}.`
          : `No backup was saved yet: ${changed.toLowerCase()} stand in this browser alone.`}{' '}
        A browser can lose what it keeps; a file elsewhere does not.
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Link href={'/more/data' as '/students'} asChild>
          <Press>Save a backup</Press>
        </Link>
        <Press
          kind="quiet"
          onPress={() => {
            dispatch(putBackupOff(today));
            setIsPutOff(true);
          }}
        >
          In a week
        </Press>
      </View>
    </Sheet>
  );
}

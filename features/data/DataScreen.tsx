import { useState } from 'react';
import { View } from 'react-native';
import type { TableId } from '@/core/formats/tables';
import { DAYS_TO_BRING_BACK, removedStudents, undoable } from '@/store/acts';
import { backupNow, factsOf, forgetSetAside, undo } from '@/store/store';
import type { SetAside } from '@/store/vault';
import { date, since } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { WorkBar } from '@/ui/WorkBar';
import { Aside, Title, Words } from '@/ui/Words';
import { nowIso, useOjas, useOjasDispatch, useToday } from '../hooks';
import { Erase } from './Erase';
import { saveFile } from './files';
import { Import } from './Import';
import { Kept } from './Kept';
import { Passphrase } from './Passphrase';
import { saveBook } from './saveBook';
import { TableIn } from './TableIn';
import { saveTable } from './tables';
import { useFirst } from './useFirst';

/** Backup, and what comes in from a file. */
export function DataScreen() {
  return (
    <Screen title="Data">
      <Export />
      <Tables />
      <Import />
      <Kept />
      <SetAsides />
      <Acts />
      <Erase />
    </Screen>
  );
}

/** A passphrase shorter than this is guessed too soon. */
const LEAST_LETTERS = 12;

function Export() {
  const dispatch = useOjasDispatch();
  const { people, readings, sessions, shelf } = useOjas(factsOf);
  const setAside = useOjas((state) => state.storage.setAside.length);
  const heads = useOjas((state) => state.undo.heads);
  const [share, setShare] = useState<number | null>();
  const [saved, setSaved] = useState(0);
  /** None where it goes out unlocked. */
  const [passphrase, setPassphrase] = useState<string | null>(null);
  const [failed, setFailed] = useState(false);
  const save = async () => {
    const told = (done: number, of: number) => setShare(of > 0 ? done / of : null);
    const isSaved = await dispatch(saveBook(told, passphrase ?? undefined));
    setFailed(!isSaved);
    setShare(undefined);
    setSaved((times) => times + 1);
  };
  const removed = removedStudents(heads, nowIso()).flatMap((one) => one.removed?.name ?? []);
  const count = (records: object) => Object.keys(records).length;
  return (
    <Sheet>
      <Title level={2}>Export</Title>
      <Words>
        {count(people)} students, {count(readings)} readings, {count(sessions)} sessions,{' '}
        {count(shelf)} kinds of props. One file holds all of it, health answers too: keep it where
        others do not read.
      </Words>
      {setAside > 0 ? (
        <Words>
          {setAside === 1
            ? 'One record that could not be read goes'
            : `${setAside} records that could not be read go`}{' '}
          along as found.
        </Words>
      ) : null}
      {removed.length > 0 ? (
        <Words>
          Left out: {removed.join(', ')}, removed in the last {DAYS_TO_BRING_BACK} days. Pictures
          stay on this device.
        </Words>
      ) : (
        <Aside>Pictures stay on this device.</Aside>
      )}
      <LastBackup key={saved} />
      <Tick
        checked={passphrase !== null}
        onToggle={() => setPassphrase(passphrase === null ? '' : null)}
      >
        Locked with a passphrase
      </Tick>
      {passphrase === null ? null : (
        <Passphrase
          hint={`${LEAST_LETTERS} letters or more; without it nobody opens the file, nor does Ojas`}
          value={passphrase}
          onChange={setPassphrase}
        />
      )}
      <Press
        kind="main"
        disabled={passphrase !== null && passphrase.length < LEAST_LETTERS}
        onPress={save}
      >
        Save a backup
      </Press>
      {failed ? (
        <Words role="alert" className="text-rust">
          It could not be locked, and nothing was saved: try again, or save it unlocked.
        </Words>
      ) : null}
      {share === undefined ? null : <WorkBar words="Writing the file" share={share} />}
    </Sheet>
  );
}

/** When a backup was last saved, and what changed since. */
function LastBackup() {
  const dispatch = useOjasDispatch();
  const today = useToday();
  // Whatever is done is counted: it is read anew then, and after saving.
  useOjas((state) => state.undo.heads);
  const told = dispatch(backupNow(today));
  const changed = told.changes === 1 ? 'one change' : `${told.changes} changes`;
  return (
    <Words>
      {told.exportedAt
        ? `Last saved on ${date(told.exportedAt)}; ${changed} since.`
        : `Never saved from here yet; ${changed} so far.`}
    </Words>
  );
}

const tables: readonly { readonly id: TableId; readonly words: string }[] = [
  { id: 'readings', words: 'Readings' },
  { id: 'poses', words: 'Poses done' },
  { id: 'heights', words: 'Heights built' },
];

/** The same records for a spreadsheet. */
function Tables() {
  const dispatch = useOjasDispatch();
  return (
    <Sheet>
      <Title level={2}>For a spreadsheet</Title>
      <Words>
        A table of all records as comma separated values: names, days and numbers. What was answered
        at the questions stands in none. A backup alone holds everything.
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {tables.map(({ id, words }) => (
          <Press key={id} onPress={() => void dispatch(saveTable(id))}>
            {words}
          </Press>
        ))}
      </View>
      <TableIn />
    </Sheet>
  );
}

function SetAsides() {
  const setAside = useOjas((state) => state.storage.setAside);
  const { shown, rest } = useFirst(setAside);
  if (setAside.length === 0) return null;
  return (
    <Sheet className="border-rust">
      <Title level={2}>
        {setAside.length === 1
          ? 'One record could not be read'
          : `${setAside.length} records could not be read`}
      </Title>
      <Words>They are kept as they are, and left out of everything.</Words>
      {shown.map((one) => (
        <Unreadable key={one.at} one={one} />
      ))}
      {rest}
    </Sheet>
  );
}

function Unreadable({ one }: { readonly one: SetAside }) {
  const dispatch = useOjasDispatch();
  return (
    <View className="gap-1 border-t border-line pt-2">
      <Words className="font-semibold">{one.of.key}</Words>
      <Words>{one.words}</Words>
      <View className="flex-row flex-wrap gap-2">
        <Press
          onPress={() =>
            saveFile('ojas-record.txt', [`${one.of.key}\n${one.of.text}\n`], 'text/plain')
          }
        >
          Export it
        </Press>
        <Press kind="warn" onPress={() => dispatch(forgetSetAside(one))}>
          Forget it
        </Press>
      </View>
    </View>
  );
}

/** What was done last, to be taken back in order. */
function Acts() {
  const dispatch = useOjasDispatch();
  const heads = useOjas((state) => state.undo.heads);
  const acts = undoable(heads).reverse();
  if (acts.length === 0) return null;
  return (
    <Sheet>
      <Title level={2}>Done last</Title>
      {acts.map(({ seq, words, at }, i) => (
        <View key={seq} className="flex-row flex-wrap items-center gap-2 border-t border-line pt-2">
          <Words className="flex-1">
            {words} <Words className="text-faint">{since(at)}</Words>
          </Words>
          {i === 0 ? <Press onPress={() => dispatch(undo(seq))}>Undo this</Press> : null}
        </View>
      ))}
      <Aside>The last twenty can be taken back, the newest first.</Aside>
    </Sheet>
  );
}

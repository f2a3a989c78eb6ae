import { useState } from 'react';
import { eraseEverything } from '@/store/store';
import { Field } from '@/ui/Field';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';
import { beginAtFirstPage } from './beginAtFirstPage';

const WORD = 'erase';

/** Everything out of this browser, for good: asked for by a word, for nothing brings it back. */
export function Erase() {
  const dispatch = useOjasDispatch();
  const [said, setSaid] = useState('');
  const erase = async () => {
    const { ok } = await dispatch(eraseEverything());
    if (ok) beginAtFirstPage();
  };
  return (
    <Sheet role="region" aria-label="Erase everything here">
      <Title level={2}>Erase everything here</Title>
      <Words>
        Every student, reading, session, prop and picture, the second copy and what was done last:
        all of it leaves this browser, and nothing brings it back but a backup that you saved. Close
        other windows of Ojas first. One student alone is removed on their own page, and forgotten
        for good under Students.
      </Words>
      <Field
        label={`Write “${WORD}” to do so`}
        value={said}
        onChangeText={setSaid}
        autoCapitalize="none"
        autoComplete="off"
      />
      <Press kind="warn" disabled={said.trim().toLowerCase() !== WORD} onPress={erase}>
        Erase everything
      </Press>
    </Sheet>
  );
}

import { useMemo } from 'react';
import type { HomeLog } from '@/core/advise/homeLog';
import { saveFile } from '../../data/files';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { AsCode } from './AsCode';
import { DONE_AT_HOME, homeLogFile, homeLogText } from './link';

/** What was done at home, on its way back: a code for the teacher's camera, an address, or a small file. */
export function ToTeacher({ log }: { readonly log: HomeLog }) {
  const link = useMemo(() => `${window.location.origin}${DONE_AT_HOME}#${homeLogText(log)}`, [log]);
  return (
    <AsCode
      link={link}
      title="Done at home"
      words="A code that hands your teacher what you did"
      tooMuch="Too much for one code by now: save it as a file and send that."
      others={
        <Press
          onPress={() => saveFile('done-at-home.json', [homeLogFile(log)], 'application/json')}
        >
          Save it as a file
        </Press>
      }
    >
      <Words>
        Your teacher scans it. It tells your first name, which pose was done when, for how long, and
        how it was; nothing else.
      </Words>
    </AsCode>
  );
}

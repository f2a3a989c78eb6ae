import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { packTakenHome, type SheetToTake } from '@/core/advise/takenHome';
import { Aside, Words } from '@/ui/Words';
import { AsCode } from './AsCode';
import { AT_HOME, sheetText } from './link';

const ID_CHARACTERS = 10;

export interface OnPhoneProps {
  readonly sheet: Omit<SheetToTake, 'id'>;
}

/** The sheet as a code for the student's camera, and as an address to send: no server keeps it. */
export function OnPhone({ sheet }: OnPhoneProps) {
  const [id] = useState(() => nanoid(ID_CHARACTERS));
  const link = useMemo(
    () => `${window.location.origin}${AT_HOME}#${sheetText(packTakenHome({ ...sheet, id }))}`,
    [sheet, id],
  );
  return (
    <AsCode
      link={link}
      title="To do at home"
      words={`A code that opens this sheet on ${sheet.name}’s phone`}
      tooMuch="Too much for one code: tick fewer poses, or send the address instead."
    >
      <Words>
        Hold it before the camera of their phone. The sheet itself stands in the address: nothing is
        kept by a server, and it tells the first name alone.
      </Words>
      {isOwnDevice() ? (
        <Aside>
          This app runs on this device alone: a phone reaches the sheet where both use the address
          of a studio’s own server.
        </Aside>
      ) : null}
    </AsCode>
  );
}

/** Whether the address means this device to every other one as well. */
const isOwnDevice = () => ['localhost', '127.0.0.1', '[::1]'].includes(window.location.hostname);

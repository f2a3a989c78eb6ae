import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { packTakenHome, type SheetToTake } from '@/core/advise/takenHome';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { AT_HOME, sheetText } from './link';
import { codeOf } from './code';
import { QrCode } from './QrCode';

const CODE_PX = 340;
const ID_CHARACTERS = 10;

export interface OnPhoneProps {
  readonly sheet: Omit<SheetToTake, 'id'>;
}

/** The sheet as a code for the student's camera, and as an address to send: no server keeps it. */
export function OnPhone({ sheet }: OnPhoneProps) {
  const [id] = useState(() => nanoid(ID_CHARACTERS));
  const [copied, setCopied] = useState<'yes' | 'no' | null>(null);
  const [address, code] = useMemo(() => {
    const text = sheetText(packTakenHome({ ...sheet, id }));
    const link = `${window.location.origin}${AT_HOME}#${text}`;
    return [link, codeOf(link)] as const;
  }, [sheet, id]);
  const copy = async () => {
    const done = await navigator.clipboard?.writeText(address).then(
      () => true,
      () => false,
    );
    setCopied(done ? 'yes' : 'no');
  };
  return (
    <View className="gap-3">
      {code ? (
        <QrCode
          code={code}
          sizePx={CODE_PX}
          words={`A code that opens this sheet on ${sheet.name}’s phone`}
        />
      ) : (
        <Words role="status">
          Too much for one code: tick fewer poses, or send the address instead.
        </Words>
      )}
      <Words>
        Hold it before the camera of their phone. The sheet itself stands in the address: nothing is
        kept by a server, and it tells the first name alone.
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={copy}>Copy the address</Press>
        {typeof navigator.share === 'function' ? (
          <Press
            onPress={() => {
              // Whoever thinks better of it sends nothing.
              void navigator.share({ title: 'To do at home', url: address }).catch(() => undefined);
            }}
          >
            Send it
          </Press>
        ) : null}
      </View>
      {copied ? (
        <Aside role="status">
          {copied === 'yes' ? 'Copied.' : 'This browser lets nothing be copied: use the code.'}
        </Aside>
      ) : null}
      {isOwnDevice() ? (
        <Aside>
          This app runs on this device alone: a phone reaches the sheet where both use the address
          of a studio’s own server.
        </Aside>
      ) : null}
    </View>
  );
}

/** Whether the address means this device to every other one as well. */
const isOwnDevice = () => ['localhost', '127.0.0.1', '[::1]'].includes(window.location.hostname);

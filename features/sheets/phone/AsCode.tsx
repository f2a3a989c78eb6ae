import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { codeOf } from './code';
import { QrCode } from './QrCode';

const CODE_PX = 340;

interface AsCodeProps {
  /** The whole address. */
  readonly link: string;
  /** What the code is, for whoever does not see it. */
  readonly words: string;
  /** Said where it is too much for a code. */
  readonly tooMuch: string;
  /** What it is called where it is sent. */
  readonly title: string;
  readonly children: ReactNode;
  /** Other ways to hand it on. */
  readonly others?: ReactNode;
}

/** Something that goes along in an address: as a code for a camera, to copy, and to send. */
export function AsCode({ link, words, tooMuch, title, children, others }: AsCodeProps) {
  const code = useMemo(() => codeOf(link), [link]);
  const [copied, setCopied] = useState<'yes' | 'no' | null>(null);
  const copy = async () => {
    const done = await navigator.clipboard?.writeText(link).then(
      () => true,
      () => false,
    );
    setCopied(done ? 'yes' : 'no');
  };
  return (
    <View className="gap-3">
      {code ? (
        <QrCode code={code} sizePx={CODE_PX} words={words} />
      ) : (
        <Words role="status">{tooMuch}</Words>
      )}
      {children}
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={copy}>Copy the address</Press>
        {typeof navigator.share === 'function' ? (
          <Press
            onPress={() => {
              // Whoever thinks better of it sends nothing.
              void navigator.share({ title, url: link }).catch(() => undefined);
            }}
          >
            Send it
          </Press>
        ) : null}
        {others}
      </View>
      {copied ? (
        <Aside role="status">
          {copied === 'yes' ? 'Copied.' : 'This browser lets nothing be copied: use the code.'}
        </Aside>
      ) : null}
    </View>
  );
}

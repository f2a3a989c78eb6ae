import { useEffect, useState } from 'react';
import { readSecondCopy } from '@/store/store';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { saveFile } from '../data/files';
import { todayIso, useOjasDispatch } from '../hooks';

/** The second copy that this browser keeps, once it is known whether there is one. */
export function useSecondCopy(): string | null {
  const dispatch = useOjasDispatch();
  const [copy, setCopy] = useState<string | null>(null);
  useEffect(() => void dispatch(readSecondCopy()).then(setCopy), [dispatch]);
  return copy;
}

export const SaveCopy = ({ copy }: { readonly copy: string | null }) =>
  copy === null ? null : (
    <Press
      onPress={() => saveFile(`ojas-second-copy-${todayIso()}.json`, [copy], 'application/json')}
    >
      Save the second copy as a file
    </Press>
  );

export const WhatHelps = () => (
  <Sheet>
    <Title level={2}>What often helps</Title>
    <Words>
      Close other windows of Ojas, then try again. Leave a private window. Allow this page to store
      data. Free some space on the device.
    </Words>
  </Sheet>
);

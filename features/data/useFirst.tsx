import { useState } from 'react';
import { Press } from '@/ui/Press';

const SHOWN_AT_FIRST = 12;

/** The first of many lines, and the rest on asking. */
export function useFirst<T>(all: readonly T[]) {
  const [open, setOpen] = useState(false);
  const more = all.length - SHOWN_AT_FIRST;
  return {
    shown: open ? all : all.slice(0, SHOWN_AT_FIRST),
    rest:
      more > 0 && !open ? (
        <Press kind="quiet" onPress={() => setOpen(true)}>{`Show the other ${more}`}</Press>
      ) : null,
  };
}

import { createContext, useEffect, useRef, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { View } from 'react-native';

interface WhenNearProps {
  /** It is seen at first: it is there at once, and nothing moves for it. */
  readonly isSeen?: boolean;
  /** Room that is kept until then. */
  readonly roomPx: number;
  readonly children: ReactNode;
}

/** So far under what is seen it is drawn already. */
const NEAR = '300px';

/** Whether what stands in it must be whole at once: the page is being printed. */
export const AtOnce = createContext(false);

/** What costs much to reckon or to draw, once it comes near the part of the page that is seen, or is printed. */
export function WhenNear({ isSeen = false, roomPx, children }: WhenNearProps) {
  const [isNear, setIsNear] = useState(isSeen || typeof IntersectionObserver === 'undefined');
  const [isPrinted, setIsPrinted] = useState(false);
  const room = useRef<View>(null);
  useEffect(() => {
    const here = room.current as unknown as Element | null;
    if (isNear || !here) return undefined;
    const show = () => setIsNear(true);
    // Within a list that scrolls by itself it is the scroll's own margin that counts.
    const margins = { rootMargin: NEAR, scrollMargin: NEAR };
    const watch = new IntersectionObserver(
      (seen) => seen.some(({ isIntersecting }) => isIntersecting) && show(),
      margins,
    );
    watch.observe(here);
    // On paper it is there at once, or the page is set without it.
    const showNow = () =>
      flushSync(() => {
        setIsPrinted(true);
        show();
      });
    window.addEventListener('beforeprint', showNow);
    return () => {
      watch.disconnect();
      window.removeEventListener('beforeprint', showNow);
    };
  }, [isNear]);
  if (!isNear) return <View ref={room} style={{ minHeight: roomPx }} />;
  return isPrinted ? <AtOnce.Provider value>{children}</AtOnce.Provider> : children;
}

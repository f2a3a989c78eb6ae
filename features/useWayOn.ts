import { useRouter, type Href } from 'expo-router';
import { useEffect, useRef } from 'react';

/**
 * Goes on to another page once what was asked for is done, in place of this one: not where somebody has gone elsewhere
 * while it was stored.
 */
export function useWayOn(): (href: Href) => void {
  const router = useRouter();
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  return (href) => {
    if (isHere.current) router.replace(href);
  };
}

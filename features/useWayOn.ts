import { usePathname, useRouter, type Href } from 'expo-router';

/**
 * Goes on to another page once what was asked for is done, in place of this one: not where somebody has gone elsewhere
 * while it was stored.
 */
export function useWayOn(): (href: Href) => void {
  const router = useRouter();
  const here = usePathname();
  return (href) => {
    if (window.location.pathname === here) router.replace(href);
  };
}

import { cloneElement, createElement, type ReactElement } from 'react';

/** Stands in for the router where a screen is tested alone: links are links, and go nowhere. */
interface LinkProps {
  readonly href: string;
  readonly asChild?: boolean;
  readonly children: ReactElement<Record<string, unknown>>;
}

export const Link = ({ href, asChild, children }: LinkProps) =>
  asChild ? cloneElement(children, { role: 'link', href }) : createElement('a', { href }, children);
export const Slot = () => null;
export const usePathname = () => '/';
const router = { push: () => undefined, replace: () => undefined, back: () => undefined };
export const useRouter = () => router;

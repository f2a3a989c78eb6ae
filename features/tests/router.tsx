import { cloneElement, createElement, type ReactElement } from 'react';

/** Stands in for the router where a screen is tested alone: links are links, and go nowhere. */
interface LinkProps {
  readonly href: string;
  readonly asChild?: boolean;
  readonly children: ReactElement<Record<string, unknown>>;
  readonly 'aria-label'?: string;
}

export const Link = ({ href, asChild, children, 'aria-label': label }: LinkProps) =>
  asChild
    ? cloneElement(children, { role: 'link', href })
    : createElement('a', { href, 'aria-label': label }, children);
export const Slot = () => null;
export const usePathname = () => '/';
const nowhere = () => undefined;
const router = { push: nowhere, replace: nowhere, back: nowhere, setParams: nowhere };
export const useRouter = () => router;

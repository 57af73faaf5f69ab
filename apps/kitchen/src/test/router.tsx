import type { ReactNode } from 'react';

/** Stands in for expo-router where a screen is tested alone: links are links, and pushes are remembered. */
export const push = jest.fn();

let path = '/';
/** Where the app is, as the screens see it. */
export const goTo = (next: string): void => void (path = next);
export const usePathname = (): string => path;

export const useRouter = () => ({ push, replace: push });

export const Link = ({ href, children }: { href: string; children: ReactNode }) => (
  <a href={href}>{children}</a>
);

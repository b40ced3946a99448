import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False in the server's HTML and until the page has woken up, then true: for buttons that only then do something. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

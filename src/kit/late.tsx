import Button from '@mui/material/Button';
import { lazy, Suspense, useSyncExternalStore, type ReactNode } from 'react';
import './late.css';

/** So long after a part could not be fetched it is asked for again, in milliseconds, unless the network says sooner that it is back. */
export const AGAIN = 4_000;

/** How many parts of this page were asked for, could not be had, and are awaited. */
let missing = 0;
const heard = new Set<() => void>();
const listen = (hear: () => void) => {
  heard.add(hear);
  return () => void heard.delete(hear);
};
const miss = (more: number) => {
  missing += more;
  for (const hear of heard) hear();
};

/** Ends when the browser says that there is a network, and after a while in any case. */
const aMoment = () =>
  new Promise<void>((resolve) => {
    const end = () => {
      clearTimeout(timer);
      removeEventListener('online', end);
      resolve();
    };
    const timer = setTimeout(end, AGAIN);
    addEventListener('online', end);
  });

async function untilThere<T>(fetch: () => Promise<T>): Promise<T> {
  for (let tried = 0; ; tried += 1) {
    try {
      const part = await fetch();
      if (tried > 0) miss(-1);
      return part;
    } catch {
      if (tried === 0) miss(1);
      await aMoment();
    }
  }
}

/**
 * A part of a page that is fetched when it is needed, as by React’s `lazy`, and shown in `Late`. Where it cannot be had it is
 * asked for until it can: `lazy` alone would take the whole page down, with all that stands on it.
 */
export const late: typeof lazy = (fetch) => lazy(() => untilThere(fetch));

/** Whether a part of this page could not be had and is awaited: it says so then, and nobody is to be kept from hearing it. */
export const useIsMissing = (): boolean =>
  useSyncExternalStore(
    listen,
    () => missing > 0,
    () => false,
  );

/** What is shown of a part while it is fetched; once it could not be had, that it is tried again. */
function Meanwhile({ children }: { children: ReactNode }) {
  if (!useIsMissing()) return children;
  return (
    <div role="status" className="late">
      <p>This part could not be fetched. It is tried again by itself until there is a network.</p>
      <Button onClick={() => location.reload()}>Open the page again</Button>
    </div>
  );
}

/** Where parts made by `late` stand; `meanwhile` is shown until they do. */
export function Late({ meanwhile = null, children }: { meanwhile?: ReactNode; children: ReactNode }) {
  return <Suspense fallback={<Meanwhile>{meanwhile}</Meanwhile>}>{children}</Suspense>;
}

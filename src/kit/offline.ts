/** Keeping the programme is two hundred fetches: what was opened is to stand and answer first. In ms. */
const PAGE_FIRST = 2500;

/** Registers the service worker of a built app, so that the mat opens without a network; once the page has woken. */
export function registerWorker(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const register = () => {
    // A page that came before the worker woke was passed over; it asks to be taken along, or its first visit to the mat
    // would not be kept.
    const passedOver = !navigator.serviceWorker.controller;
    void navigator.serviceWorker.register('/sw.js');
    void navigator.serviceWorker.ready.then(({ active }) => {
      if (passedOver) active?.postMessage('claim');
    });
  };
  const later = () => setTimeout(register, PAGE_FIRST);
  if (document.readyState === 'complete') later();
  else addEventListener('load', later, { once: true });
}

/** Has pages kept that will be wanted without a network and were not opened yet. */
export function keepPages(paths: readonly string[]): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  void navigator.serviceWorker.ready.then(({ active }) => active?.postMessage(paths));
}

/** What this device remembers of people besides marks that still wait: it goes when somebody signs out. */
export const forgottenAtSignOut = { roll: 'stavewright-roll' } as const;
/** What is kept of each class by its id: who dropped in, with whom to call, who worked with whom, what was noted. */
export const keptOfClass = {
  guests: 'stavewright-guests-',
  called: 'stavewright-called-',
  notes: 'stavewright-notes-',
} as const;

/** Where the device keeps what the mat takes along. */
export const KIT_STORE = 'stavewright-kit';
/** Where it keeps pictures that somebody agreed to. */
export const PICTURE_STORE = 'stavewright-pictures';

/**
 * Throws away what holds people's data: what the mat took along, pictures, the pages kept for use without a network, and
 * lists that were pasted.
 */
export async function forgetPeople(): Promise<void> {
  for (const key of Object.values(forgottenAtSignOut)) localStorage.removeItem(key);
  const ofClasses = Object.keys(localStorage).filter((k) => Object.values(keptOfClass).some((p) => k.startsWith(p)));
  for (const key of ofClasses) localStorage.removeItem(key);
  if ('indexedDB' in globalThis) for (const name of [KIT_STORE, PICTURE_STORE]) indexedDB.deleteDatabase(name);
  if (!('caches' in globalThis)) return;
  await Promise.all(['pages', 'views'].map((name) => caches.delete(name)));
}

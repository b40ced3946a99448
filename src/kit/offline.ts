/** Registers the service worker of a built app, so that the mat opens without a network. */
export function registerWorker(): void {
  if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');
}

/** Throws away the pages kept for use without a network: they hold people's data. */
export async function forgetPages(): Promise<void> {
  if (!('caches' in globalThis)) return;
  await Promise.all(['pages', 'views'].map((name) => caches.delete(name)));
}

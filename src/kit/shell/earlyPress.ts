/**
 * A page is seen before its scripts have come, and a thumb does not wait: a press on a button that cannot do anything
 * yet is kept and done once its island has woken up. The newest press of an island counts, since whoever presses twice
 * meant it once. Links and what a form sends by itself are left to the browser. A file that was chosen by then is taken
 * once somebody can. It is written into the page (see `EARLY_PRESSES`), so it leans on nothing outside itself.
 */
export function keepEarlyPresses(page: Document): void {
  const ASLEEP = 'astro-island[ssr]';
  const PRESSED =
    'button, [role="button"], [role="checkbox"], [role="radio"], [role="tab"], [role="option"], [role="combobox"]';
  const kept = new Map<Element, HTMLElement>();
  page.addEventListener(
    'click',
    (event) => {
      if (!(event.target instanceof Element)) return;
      const pressed = event.target.closest<HTMLElement>(PRESSED);
      const island = pressed?.closest(ASLEEP);
      if (!pressed || !island || pressed.closest('a[href]')) return;
      event.preventDefault();
      event.stopPropagation();
      kept.get(island)?.removeAttribute('aria-busy');
      pressed.setAttribute('aria-busy', 'true');
      if (!kept.has(island))
        island.addEventListener(
          'astro:hydrate',
          () => {
            const last = kept.get(island);
            kept.delete(island);
            last?.removeAttribute('aria-busy');
            if (!last?.isConnected) return;
            // A list to choose from opens as it is pressed, not as it is let go.
            if (last.getAttribute('role') === 'combobox')
              last.dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }));
            last.click();
          },
          { once: true },
        );
      kept.set(island, pressed);
    },
    { capture: true },
  );
  page.addEventListener('change', ({ target }) => {
    if (!(target instanceof HTMLInputElement) || target.type !== 'file') return;
    target
      .closest(ASLEEP)
      ?.addEventListener(
        'astro:hydrate',
        () => target.isConnected && target.dispatchEvent(new Event('change', { bubbles: true })),
        { once: true },
      );
  });
}

/**
 * The same as a script for the page's head: a script that is fetched comes after the first press of a quick thumb. Whoever
 * sends the page lets it run by its hash.
 */
export const EARLY_PRESSES = `(${keepEarlyPresses.toString()})(document)`;

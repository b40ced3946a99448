/**
 * A page is seen before its scripts have come, and fingers do not wait: as its island wakes up, React puts into each field
 * what the server had sent, and what was typed, ticked or chosen until then was gone. Here it is kept and entered again,
 * before anything that was pressed meanwhile is done. It is written into the page (see `EARLY_TYPING`), so it leans on
 * nothing outside itself.
 */
export function keepEarlyTyping(page: Document): void {
  type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
  const kept = new Map<Element, Map<Field, string | boolean>>();
  const isTicked = (field: Field): field is HTMLInputElement => field.type === 'checkbox' || field.type === 'radio';
  page.addEventListener(
    'input',
    ({ target }) => {
      const isField =
        target instanceof HTMLInputElement ||
        target instanceof HTMLTextAreaElement ||
        target instanceof HTMLSelectElement;
      // A file that was chosen stays, and is taken with the presses.
      if (!isField || target.type === 'file') return;
      const island = target.closest('astro-island[ssr]');
      if (!island) return;
      const fields = kept.get(island) ?? new Map<Field, string | boolean>();
      // In the order of what was last done: of several to choose from, the last one counts.
      fields.delete(target);
      fields.set(target, isTicked(target) ? target.checked : target.value);
      kept.set(island, fields);
    },
    { capture: true },
  );
  const enter = (field: Field, was: string | boolean) => {
    // React wakes a field at its first touch at the latest. A touch that was let go means nothing else to anybody.
    field.dispatchEvent(new Event('pointercancel'));
    // It takes what it finds there for what it has put there itself, and hears of nothing that is as it was.
    if (isTicked(field)) {
      field.checked = !was;
      field.click();
      return;
    }
    const caret =
      page.activeElement === field && !(field instanceof HTMLSelectElement) && field.selectionStart !== null
        ? ([field.selectionStart, field.selectionEnd] as const)
        : null;
    field.value = '';
    // As the browser itself does it: a field’s own property is React’s.
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, was);
    if (caret && 'setSelectionRange' in field) field.setSelectionRange(...caret);
    field.dispatchEvent(new Event('input', { bubbles: true }));
    if (field instanceof HTMLSelectElement) field.dispatchEvent(new Event('change', { bubbles: true }));
  };
  page.addEventListener(
    'astro:hydrate',
    ({ target: island }) => {
      if (!(island instanceof Element)) return;
      const fields = kept.get(island);
      kept.delete(island);
      fields?.forEach((was, field) => {
        if (field.isConnected) enter(field, was);
      });
    },
    { capture: true },
  );
}

/** The same as a script for the page's head. Whoever sends the page lets it run by its hash. */
export const EARLY_TYPING = `(${keepEarlyTyping.toString()})(document)`;

const LABELABLE = 'button, input, meter, output, progress, select, textarea';
const isLabelable = (el: Element): boolean =>
  el.matches(LABELABLE) && !(el instanceof HTMLInputElement && el.type === 'hidden');

/** What a label names: whatever bears the identifier it says, else the first within it that can be named. */
function namedBy(label: HTMLLabelElement, root: Document): HTMLElement | null {
  if (!label.hasAttribute('for')) return [...label.querySelectorAll<HTMLElement>(LABELABLE)].find(isLabelable) ?? null;
  const named = label.htmlFor === '' ? null : root.getElementById(label.htmlFor);
  return named && isLabelable(named) ? named : null;
}

/**
 * The labels of an element of the document, in the order of the page; null where it can have none.
 *
 * jsdom goes through the whole document once for each label and each element that is asked, which is a third of the time
 * of a screen's tests with a long form. Here only those labels are looked at that can mean the element.
 */
export function quickLabels(el: HTMLElement): HTMLLabelElement[] | null {
  if (!isLabelable(el)) return null;
  return [...el.ownerDocument.querySelectorAll('label')].filter(
    (label) =>
      (label.hasAttribute('for') ? label.htmlFor === el.id : label.contains(el)) &&
      namedBy(label, el.ownerDocument) === el,
  );
}

/** Lets every element that can be named say its labels so. */
export function layLabels(): void {
  for (const kind of [
    HTMLButtonElement,
    HTMLInputElement,
    HTMLMeterElement,
    HTMLOutputElement,
    HTMLProgressElement,
    HTMLSelectElement,
    HTMLTextAreaElement,
  ])
    Object.defineProperty(kind.prototype, 'labels', {
      configurable: true,
      get(this: HTMLElement) {
        return quickLabels(this);
      },
    });
}

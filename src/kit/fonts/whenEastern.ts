const EASTERN = /[\p{Script=Han}\p{Script=Hangul}\p{Script=Hiragana}\p{Script=Katakana}]/u;
const isEastern = (text: string | null | undefined): boolean => !!text && EASTERN.test(text);
/** Where text stands that is no text of the page. */
const SAID_BY = ['value', 'placeholder'];

const inNode = (node: Node): boolean => {
  if (isEastern(node.textContent)) return true;
  if (!(node instanceof Element)) return false;
  return [node, ...node.querySelectorAll('[value], [placeholder]')].some((e) =>
    SAID_BY.some((a) => isEastern(e.getAttribute(a))),
  );
};

/**
 * Calls `bring` once, as soon as a sign of Han, Hangul or kana stands anywhere on the page: in its text, in a field, typed,
 * or put there later. Pages without one do not carry the fonts.
 */
export function whenEastern(document: Document, bring: () => void): void {
  let brought = false;
  const done = () => {
    if (brought) return;
    brought = true;
    watching.disconnect();
    document.removeEventListener('input', typed, true);
    bring();
  };
  const typed = (e: Event) => {
    const at = e.target;
    if ((at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement) && isEastern(at.value)) done();
  };
  const watching = new MutationObserver((changes) => {
    const found = changes.some((c) =>
      c.type === 'characterData'
        ? isEastern(c.target.textContent)
        : c.type === 'attributes'
          ? isEastern((c.target as Element).getAttribute(c.attributeName ?? ''))
          : [...c.addedNodes].some(inNode),
    );
    if (found) done();
  });
  watching.observe(document.documentElement, {
    childList: true,
    characterData: true,
    subtree: true,
    attributes: true,
    attributeFilter: SAID_BY,
  });
  document.addEventListener('input', typed, true);
  if (inNode(document.documentElement)) done();
}

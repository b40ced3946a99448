/** By which class or element one is found that a selector may mean; `*` where that is not seen at once. */
const keyOf = (selector: string): string => {
  const last = selector
    .trim()
    .split(/[\s>+~]+/)
    .at(-1)!;
  const [, name, first] = /^([\w-]*)(?:\.([\w-]+))?/.exec(last)!;
  return first ? `.${first}` : name?.toLowerCase() || '*';
};

interface Rule {
  /** Where it stands among all: of two that match, the later one counts, as jsdom has it. */
  order: number;
  selector: string;
  style: CSSStyleDeclaration;
}

/** The rules of all sheets of the page, each under what its selectors' last parts ask for. */
function indexOf(sheets: Iterable<CSSStyleSheet>): Map<string, Rule[]> {
  const index = new Map<string, Rule[]>();
  let order = 0;
  for (const sheet of sheets)
    for (const rule of sheet.cssRules) {
      if (!('selectorText' in rule)) continue;
      const { selectorText: selector, style } = rule as CSSStyleRule;
      order += 1;
      // A comma in brackets parts nothing.
      const keys = selector.includes('(') ? ['*'] : selector.split(',').map(keyOf);
      for (const key of new Set(keys)) {
        const same = index.get(key);
        if (same) same.push({ order, selector, style });
        else index.set(key, [{ order, selector, style }]);
      }
    }
  return index;
}

const matches = (el: Element, selector: string): boolean => {
  try {
    return el.matches(selector);
  } catch {
    return false;
  }
};
const dashed = (name: string): string => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
/** The window's own way to say styles. Several files of tests may share one window, and the first has put ours there. */
export function plainStyles(): typeof window.getComputedStyle {
  const kept = window as typeof window & { plainStyles?: typeof window.getComputedStyle };
  return (kept.plainStyles ??= window.getComputedStyle.bind(window));
}

/** What changes how the browser itself shows an element. */
const TOLD = ['hidden', 'type', 'open'];

/**
 * Whoever looks something up by its role asks of each element whether it is shown, and jsdom then tries every rule of every
 * sheet on it: half the time of a screen's tests. Here the rules are indexed by what they can match. Nothing is laid out in
 * jsdom, so whoever asks for a size (as text fields that grow do) hears what the element says by itself.
 *
 * @param plain the window's own way: still asked for what a browser says by itself, and for colours; what stands before and
 *   after an element it does not know either
 * @returns the same answers where they say what is shown, what can be pressed, and in which colour
 */
export function quickStyles(plain: typeof window.getComputedStyle): typeof window.getComputedStyle {
  // No sheet of ours stands in an empty document.
  const bare = document.implementation.createHTMLDocument('');
  const own = new Map<string, string>();
  const byItself = (el: Element, name: string): string => {
    const told = TOLD.filter((attribute) => el.hasAttribute(attribute));
    const key = [name, el.localName, ...told.map((attribute) => `${attribute}=${el.getAttribute(attribute)}`)].join(
      ' ',
    );
    let value = own.get(key);
    if (value === undefined) {
      const alike = bare.createElement(el.localName);
      for (const attribute of told) alike.setAttribute(attribute, el.getAttribute(attribute)!);
      own.set(key, (value = plain(alike).getPropertyValue(name)));
    }
    return value;
  };
  // A sheet comes and goes with its element in the head.
  const changes = new MutationObserver(() => undefined);
  changes.observe(document.head, { childList: true, subtree: true, characterData: true });
  let rules: Map<string, Rule[]> | null = null;
  const said = (el: Element, name: string): string => {
    const inline = (el as HTMLElement).style.getPropertyValue(name);
    if (inline !== '') return inline;
    if (!rules || changes.takeRecords().length > 0) rules = indexOf(document.styleSheets);
    let [last, value] = [0, ''];
    for (const key of [...[...el.classList].map((c) => `.${c}`), el.localName, '*'])
      for (const { order, selector, style } of rules.get(key) ?? []) {
        const says = order > last ? style.getPropertyValue(name) : '';
        if (says !== '' && matches(el, selector)) [last, value] = [order, says];
      }
    return value;
  };
  const answer = (el: Element, name: string): string => {
    if (name.endsWith('color')) return plain(el).getPropertyValue(name);
    const inherited = name === 'visibility' || name === 'pointer-events';
    const value = inherited || name === 'display' ? said(el, name) : '';
    if (value !== '') return value;
    return inherited && el.parentElement ? answer(el.parentElement, name) : byItself(el, name);
  };
  const shape = plain(bare.body);
  return (el) =>
    new Proxy(shape, {
      get: (_, key) =>
        key === 'getPropertyValue' ? (name: string) => answer(el, name) : answer(el, dashed(String(key))),
    });
}

import type { Page } from '@playwright/test';
import { axe, expect } from './house';

export const DESK = { width: 1280, height: 800 };
export const TABLET = { width: 800, height: 1280 };
export const PHONE = { width: 390, height: 844 };
const STANDARDS = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
/** What a narrower screen can break; the rest of a page is the same at every width. */
const BY_WIDTH = ['target-size', 'scrollable-region-focusable', 'nested-interactive'];
/** Of what a page says of everybody one after the other, the first two are read: the rest is made by the same lines. */
const THE_SAME_AGAIN = '.candidate:nth-of-type(n+3)';

const CHANGED = 'data-looks-changed';
/**
 * Marks whatever looks otherwise than when this was last asked: by its own or an inherited colour, by what lies behind it,
 * by size or weight of its letters, or since it was not shown before.
 *
 * @returns how many there are
 */
const markChanged = (page: Page): Promise<number> =>
  page.evaluate((mark) => {
    const kept = window as typeof window & { looks?: WeakMap<Element, string> };
    const before = kept.looks ?? new WeakMap<Element, string>();
    const now = (kept.looks = new WeakMap<Element, string>());
    let changed = 0;
    const walk = (el: Element, behind: string) => {
      const s = getComputedStyle(el);
      const around = `${behind}/${s.display} ${s.backgroundColor} ${s.backgroundImage} ${s.opacity}`;
      const look = [around, s.visibility, s.color, s.fontSize, s.fontWeight, s.position].join('|');
      now.set(el, look);
      el.toggleAttribute(mark, look !== before.get(el));
      if (look !== before.get(el)) changed += 1;
      for (const child of el.children) walk(child, around);
    };
    walk(document.body, '');
    return changed;
  }, CHANGED);

/**
 * An open page as everybody should be able to read it: clean for axe, and never wider than the screen, at each size. At
 * the sizes after the first, contrast is read of what looks otherwise than at the size before.
 */
export async function isReadable(page: Page, what: string, sizes: readonly (typeof DESK)[]): Promise<void> {
  for (const [i, size] of sizes.entries()) {
    await page.setViewportSize(size);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(over, `${what} is wider than ${size.width}`).toBeLessThanOrEqual(0);
    const changed = await markChanged(page);
    const reader = (isThere = i > 0) => axe(page, { isThere }).exclude(THE_SAME_AGAIN);
    const found = await (i === 0 ? reader().withTags(STANDARDS) : reader().withRules(BY_WIDTH)).analyze();
    const looks =
      i > 0 && changed > 0 ? await reader().include(`[${CHANGED}]`).withRules(['color-contrast']).analyze() : null;
    expect(
      [...found.violations, ...(looks?.violations ?? [])].map(
        (v) => `${what} at ${size.width}: ${v.id}: ${v.nodes.map((x) => x.html.slice(0, 160)).join(' | ')}`,
      ),
    ).toEqual([]);
  }
}

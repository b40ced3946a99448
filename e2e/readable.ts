import type { Page } from '@playwright/test';
import { axe, expect } from './house';

export const DESK = { width: 1280, height: 800 };
export const TABLET = { width: 800, height: 1280 };
export const PHONE = { width: 390, height: 844 };
const STANDARDS = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
/** What a narrower screen can break; the rest of a page is the same at every width. */
const BY_WIDTH = ['color-contrast', 'target-size', 'scrollable-region-focusable', 'nested-interactive'];
/** Of what a page says of everybody one after the other, the first two are read: the rest is made by the same lines. */
const THE_SAME_AGAIN = '.candidate:nth-of-type(n+3)';

/** An open page as everybody should be able to read it: clean for axe, and never wider than the screen, at each size. */
export async function isReadable(page: Page, what: string, sizes: readonly (typeof DESK)[]): Promise<void> {
  for (const [i, size] of sizes.entries()) {
    await page.setViewportSize(size);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(over, `${what} is wider than ${size.width}`).toBeLessThanOrEqual(0);
    const reader = axe(page, { isThere: i > 0 }).exclude(THE_SAME_AGAIN);
    const { violations } = await (i === 0 ? reader.withTags(STANDARDS) : reader.withRules(BY_WIDTH)).analyze();
    expect(
      violations.map(
        (v) => `${what} at ${size.width}: ${v.id}: ${v.nodes.map((x) => x.html.slice(0, 160)).join(' | ')}`,
      ),
    ).toEqual([]);
  }
}

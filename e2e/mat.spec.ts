import type { BrowserContext } from '@playwright/test';
import { chromium } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test, worksOffline } from './house';
import { awake, looksSince, now, pick } from './onTheMat';

test.use(worksOffline);

test.describe('the mat', () => {
  test('thirty people marked with the server stopped, the browser closed and opened: nothing lost, nothing doubled', async ({
    demo,
  }, info) => {
    test.setTimeout(120_000);
    const began = await now(demo);
    const profile = mkdtempSync(path.join(os.tmpdir(), 'mat-'));
    // A browser that does not open or close is named as such, and soon.
    const open = (): Promise<BrowserContext> =>
      test.step(
        'the browser opens',
        async () => {
          const opened = await chromium.launchPersistentContext(profile, {
            ...info.project.use.launchOptions,
            viewport: { width: 1280, height: 800 },
          });
          opened.setDefaultTimeout(45_000);
          return opened;
        },
        { timeout: 40_000 },
      );
    const close = (opened: BrowserContext) =>
      test.step('the browser closes', () => opened.close(), { timeout: 40_000 });
    let browser = await open();
    await demo.signIn(browser, 'idris');
    let page = await browser.newPage();
    await page.goto(`${demo.url}/look`);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await awake(page);
    await page.getByRole('button', { name: 'Everybody' }).click();
    await pick(page, 'Front stance');

    await demo.kill();
    await page.getByRole('button', { name: /Two tracks, not one/ }).click();
    await expect(page.getByRole('heading', { name: 'Two tracks, not one' })).toBeVisible();
    for (let i = 0; i < 15; i += 1) await page.keyboard.press(i % 4 === 3 ? 's' : 'h');
    await expect(page.getByText(/^15 of \d+ marked/)).toBeVisible();
    await expect(page.getByText(/15 wait for the network/)).toBeVisible();
    await close(browser);

    browser = await open();
    page = await browser.newPage();
    await page.goto(`${demo.url}/look`);
    await expect(page.getByText(/15 wait for the network/)).toBeVisible();
    await pick(page, 'Front stance');
    await page.getByRole('button', { name: /Two tracks, not one/ }).click();
    await expect(page.getByText(/^15 of \d+ marked/)).toBeVisible();
    for (let i = 15; i < 30; i += 1)
      await page.getByRole('button', { name: i % 4 === 3 ? 'Slipped' : 'Held', exact: true }).click();
    await expect(page.getByText(/^30 of \d+ marked/)).toBeVisible();
    // A slip of the thumb is taken back; the record keeps both, the judgement only the second.
    await page.getByRole('button', { name: /^Undo:/ }).click();
    await page.keyboard.press('s');
    await expect(page.getByText(/3[12] wait for the network/)).toBeVisible();
    expect((await looksSince(demo, began)).length).toBe(0);

    await demo.start();
    await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 20_000 });
    const marked = await looksSince(demo, began);
    expect(marked).toHaveLength(30);
    expect(new Set(marked.map((m) => m.who)).size).toBe(30);
    expect(marked.filter((m) => m.held === 1)).toHaveLength(22);
    expect(marked.every((m) => m.of === 1 && m.side === 'left' && m.point === 'Two tracks, not one')).toBe(true);
    await page.reload();
    await expect(page.getByText('None waits for the network.')).toBeVisible();
    expect(await looksSince(demo, began)).toHaveLength(30);
    await close(browser);
  });

  test('a card by keys and thumb: slips, measures and both sides, kept when the page is closed in the middle', async ({
    demo,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    const began = await now(demo);
    let page = await context.newPage();
    await page.setViewportSize({ width: 800, height: 1280 });
    await page.goto(`${demo.url}/look`);
    await awake(page);
    await page.getByRole('button', { name: 'Everybody' }).click();
    await pick(page, 'Roundhouse kick');
    await page.getByRole('button', { name: 'Rafael Quill', exact: true }).first().click();
    await expect(page.getByRole('heading', { name: 'Rafael Quill' })).toBeVisible();
    // Point 1 is measured: nothing before there is a measure; within the range it can be held, outside of it only slipped.
    await expect(page.getByRole('button', { name: /^Held/ })).toBeDisabled();
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Slipped/ })).toBeDisabled();
    await page.getByRole('button', { name: /^Held/ }).click();
    await page.keyboard.press('ArrowUp');
    await page.getByRole('button', { name: /^Slipped/ }).click();
    await page.getByRole('button', { name: /^Held the other 4/ }).click();
    await expect(page.locator('.card .points').getByText('4 of 5')).toBeVisible();
    await page.keyboard.press('2');
    await expect(page.locator('.card .points').getByText('2 of 5')).toBeVisible();
    await page.close();

    page = await context.newPage();
    await page.goto(`${demo.url}/look`);
    await pick(page, 'Roundhouse kick');
    await page.getByRole('button', { name: 'Rafael Quill', exact: true }).first().click();
    await expect(page.locator('.card .points').getByText('4 of 5')).toBeVisible();
    await page.getByRole('radio', { name: 'right' }).click();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('5');
    await page.getByRole('button', { name: /^Next:/ }).click();
    await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 15_000 });
    const card = (await looksSince(demo, began)).filter(
      (l) => l.student === 'Rafael Quill' && l.point !== 'Two tracks, not one',
    );
    expect(card.map((c) => `${c.side} ${c.held} of ${c.of}`).sort()).toEqual([
      'left 0 of 1',
      'left 2 of 5',
      'left 4 of 5',
      'right 5 of 5',
    ]);
  });

  test('a mark that is not taken stands aside with its reason, can be sent again, and goes only when told twice', async ({
    demo,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    const page = await context.newPage();
    await page.goto(`${demo.url}/look`);
    await awake(page);
    await page.getByRole('button', { name: 'Everybody' }).click();
    await pick(page, 'Cover');
    // Meanwhile somebody makes another kind of the point.
    await demo.query(`update point set kind = 'felt' where name = 'Steps in'`);
    const began = await now(demo);
    await page.getByRole('button', { name: /Steps in/ }).click();
    await page.keyboard.press('h');
    await page.keyboard.press('h');
    await page.getByRole('button', { name: /2 stand aside: see why/ }).click();
    await expect(page.getByText(/Steps in: held.*not in the library any more/)).toHaveCount(2);
    await page.reload();
    await page.getByRole('button', { name: /2 stand aside: see why/ }).click();
    // One is let go, which is asked; the other is sent again when the point is as it was.
    await page.getByRole('button', { name: 'Let it go' }).first().click();
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByRole('button', { name: 'Let it go' }).first().click();
    await page.getByRole('button', { name: 'Yes, let it go' }).click();
    await expect(page.getByRole('button', { name: /1 stands aside/ })).toBeVisible();
    await demo.query(`update point set kind = 'seen' where name = 'Steps in'`);
    await page.getByRole('button', { name: 'Send it again' }).click();
    await expect(page.getByText(/aside/)).toHaveCount(0);
    expect(await looksSince(demo, began)).toHaveLength(1);
  });

  test('a network that answers with a page of its own costs no mark, and the mat opens in it', async ({
    demo,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    const page = await context.newPage();
    await page.goto(`${demo.url}/look`);
    await awake(page);
    // The mat's own copy is made by the worker on the second visit.
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await awake(page);
    await page.getByRole('button', { name: 'Everybody' }).click();
    await pick(page, 'Cover');
    const began = await now(demo);
    let status = 200;
    const captive = async (route: import('@playwright/test').Route) => {
      await route.fulfill({
        status,
        contentType: 'text/html',
        body: '<!doctype html><h1>Sign in to this network</h1>',
      });
    };
    await context.route('**/api/**', captive);
    await page.getByRole('button', { name: /Steps in/ }).click();
    for (status of [200, 403, 404, 511]) {
      await page.keyboard.press('h');
      await expect(page.getByText(/waits? for the network/)).toBeVisible();
    }
    await expect(page.getByText(/aside/)).toHaveCount(0);
    await expect(page.getByText('4 wait for the network.')).toBeVisible();
    status = 200;
    await context.route('**/look', captive);
    await page.goto(`${demo.url}/look`);
    await awake(page);
    await expect(page.getByText('4 wait for the network.')).toBeVisible();
    await context.unrouteAll();
    await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 15_000 });
    expect(await looksSince(demo, began)).toHaveLength(4);
  });
});

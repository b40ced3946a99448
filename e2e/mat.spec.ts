import type { BrowserContext, Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test, type House, worksOffline } from './house';
import { inFrontStance } from '../src/core';
import { DRAWN, drawBody, inPicture, weightInFront } from './drawnBody';
import { drawClip } from './drawnClip';

const awake = (page: Page) => expect(page.locator('main[aria-busy=false]')).toBeVisible();
const pick = async (page: Page, item: string) => {
  await awake(page);
  await page.locator('#item').fill(item);
  await page.getByRole('option', { name: item, exact: true }).click();
};
/** The database's clock: other tests of the same worker have marked before. */
const now = async (house: House) => (await house.query<{ at: string }>('select now()::text as at'))[0]!.at;
const looksSince = (house: House, began: string) =>
  house.query<{ id: string; who: string; student: string; point: string; held: number; of: number; side: string }>(
    `select l.id, l.student_id as who, p.name as student, pt.name as point, m.held, m.of, l.side from look l join mark m on m.look_id = l.id join person p on p.id = l.student_id
     join point pt on pt.id = m.point_id where l.at > $1::timestamptz and not exists (select 1 from look r where r.replaces = l.id) order by l.at`,
    [began],
  );

/** The screen on which a measured point of Rafael's card is read off something. */
const measuring = async (page: Page, demo: House, item: string, point: RegExp, press: string) => {
  await page.goto(`${demo.url}/look`);
  await awake(page);
  await page.getByRole('button', { name: 'Everybody' }).click();
  await pick(page, item);
  await page.getByRole('button', { name: 'Rafael Quill', exact: true }).first().click();
  await page.getByRole('button', { name: point }).first().click();
  await page.getByRole('button', { name: press }).click();
  return page.getByRole('dialog');
};

/** What was read off is a mark already: the card is closed, and the look on record with its width. */
const marked = async (page: Page, demo: House, began: string, point: string, value: number) => {
  await page.getByRole('button', { name: /^Next:/ }).click();
  await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 15_000 });
  const looks = await looksSince(demo, began);
  const look = looks.find((l) => l.student === 'Rafael Quill' && l.point === point)!;
  const [kept] = await demo.query<{ values: number[]; halves: number[] }>(
    `select m.values, m.halves from mark m join point p on p.id = m.point_id where m.look_id = $1 and p.name = $2`,
    [look.id, point],
  );
  expect(kept!.values).toEqual([value]);
  expect(kept!.halves[0]).toBeGreaterThan(0);
  // It is read on the student’s page as wide as it is.
  await page.goto(`${demo.url}/students/${look.who}`);
  await page.getByRole('button', { name: /^All looks/ }).click();
  await expect(page.getByText(new RegExp(`${value} ± ${kept!.halves[0]}`)).first()).toBeVisible();
};

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

  test('a number off a picture of a known body lies within its width and becomes a measured mark; the picture is never sent', async ({
    demo,
    context,
  }) => {
    // A body is looked for by a large model, on whatever processor there is.
    test.setTimeout(240_000);
    await demo.signIn(context, 'maren');
    const began = await now(demo);
    const page = await context.newPage();
    const sent: string[] = [];
    page.on('request', (r) => {
      if (r.method() === 'POST') sent.push(r.postData() ?? '');
    });
    await page.setViewportSize({ width: 1280, height: 800 });
    const dialog = await measuring(page, demo, 'Front stance', /Weight forward of the middle/, 'From a picture');
    await dialog
      .getByLabel('Take a picture')
      .setInputFiles({ name: 'words.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') });
    await expect(dialog.getByText(/This file is no picture/)).toBeVisible();
    // Somebody posed by the core, drawn as a camera sees them: what is true of them is known.
    await dialog
      .getByLabel('Take a picture')
      .setInputFiles({ name: 'body.png', mimeType: 'image/png', buffer: await drawBody(page) });
    const stage = dialog.getByRole('application');
    await expect(stage).toBeVisible();
    const take = dialog.getByRole('button', { name: /^(Take \d+%|Cannot tell|Confirm one)/ });
    await expect(take).toBeDisabled();
    // Found on the device: guesses, about where the body is, and none of them a mark by itself.
    const value = dialog.locator('.measure-value');
    const half = async () => Number(/± (\d+)%/.exec((await value.textContent()) ?? '')?.[1] ?? 99);
    await expect.poll(half, { timeout: 120_000 }).toBeLessThan(25);
    await expect(dialog.getByText('Nobody was found')).toHaveCount(0);
    await expect(take).toBeDisabled();
    // Each is set by thumb, which the pin follows at half its speed.
    const lit = stage.locator('circle[fill="var(--pine)"]');
    const box = (await stage.boundingBox())!;
    for (const [name, place] of Object.entries(inFrontStance())) {
      await dialog.getByRole('button', { name: new RegExp(`^${name}`, 'i') }).click();
      const to = inPicture(place);
      const [x, y] = [Number(await lit.getAttribute('cx')), Number(await lit.getAttribute('cy'))];
      if (name === 'hip' || name.startsWith('ankle'))
        expect(Math.hypot(x - to.x, y - to.y), `${name} is guessed near`).toBeLessThan(0.15 * DRAWN.stature);
      const k = (2 * box.width) / DRAWN.width;
      const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
      await page.mouse.move(cx, cy);
      await page.mouse.down();
      await page.mouse.move(cx + ((to.x - x) * k) / 2, cy + ((to.y - y) * k) / 2);
      await page.mouse.move(cx + (to.x - x) * k, cy + (to.y - y) * k);
      await page.mouse.up();
    }
    const found = Number(/\d+/.exec((await value.textContent())!)![0]);
    expect(Math.abs(found - weightInFront())).toBeLessThanOrEqual(await half());
    await expect(take).toBeEnabled();
    const says = (await take.textContent())!;
    await take.click();
    await marked(page, demo, began, 'Weight forward of the middle', Number(/\d+/.exec(says)![0]));
    expect(sent.every((body) => body.length < 20_000 && !body.includes('image/'))).toBe(true);
  });

  test('a time off a film with known events is taken as milliseconds; a film of unknown speed is asked about', async ({
    demo,
    context,
    browser,
  }) => {
    await demo.signIn(context, 'maren');
    const began = await now(demo);
    const page = await context.newPage();
    const dialog = await measuring(page, demo, 'Stepping punch', /Fist lands with the foot/, 'From a clip');
    const film = async (rate: number, footLands: number, fistArrives: number) =>
      dialog.getByLabel('Take a clip').setInputFiles({
        name: 'film.webm',
        mimeType: 'video/webm',
        buffer: await drawClip(browser, { rate, frames: Math.round(rate / 2.5), footLands, fistArrives }),
      });
    await dialog
      .getByLabel('Take a clip')
      .setInputFiles({ name: 'words.webm', mimeType: 'video/webm', buffer: Buffer.from('no film at all') });
    await expect(dialog.getByText(/This clip cannot be opened here/)).toBeVisible();
    await film(240, 150, 196);
    await expect(dialog.getByText(/240 a second by the clip’s own clock/)).toBeVisible();
    // Thirty a second may be a true thirty or a slow one, whatever the film before was: nothing is told before it is known.
    await film(30, 150, 196);
    await expect(dialog.getByText(/Say how the film was taken/)).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'Cannot tell yet' })).toBeDisabled();
    // The foot lands at 150 ms and the fist arrives at 196: by 240 frames a second it is 46, off by 5 at most.
    await film(240, 150, 196);
    await expect(dialog.getByText(/240 a second by the clip’s own clock/)).toBeVisible();
    const peg = async (name: RegExp, frame: number) => {
      const slider = dialog.getByRole('slider', { name });
      await slider.focus();
      await page.keyboard.press('Home');
      for (let i = 1; i < frame; i += 1) await page.keyboard.press('ArrowRight');
      await expect(slider).toHaveAttribute('aria-valuetext', `between frame ${frame} and ${frame + 1}`);
    };
    await peg(/^The foot lands/, 36);
    await peg(/^The hand arrives/, 48);
    const frames = dialog.locator('.peg-two canvas');
    await expect(frames.nth(3)).toHaveAttribute('data-frame', '48');
    // Between two frames apart there is something to see: the fist still moved.
    const seen = await frames.evaluateAll((all) => all.map((c) => (c as HTMLCanvasElement).toDataURL()));
    expect(new Set(seen).size).toBe(4);
    await expect(dialog.locator('.measure-value')).toContainText(/^\+50 ± [45] ms: accepted/);
    await dialog.getByRole('button', { name: 'Take +50 ms into the look' }).click();
    await marked(page, demo, began, 'Fist lands with the foot', 50);
  });

  test('how far the hand had come when the foot landed is read off a film by tapping it in four frames', async ({
    demo,
    context,
    browser,
  }) => {
    await demo.signIn(context, 'maren');
    const page = await context.newPage();
    // The school says how its point is measured.
    await page.goto(`${demo.url}/techniques/new`);
    await page.waitForLoadState('networkidle');
    await page.getByLabel('Name', { exact: true }).fill('Reed punch');
    await page.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'strike' }).click();
    await page.getByRole('button', { name: 'Add a point' }).click();
    await page.getByLabel('What one looks at').fill('Out as the foot lands');
    await page.getByRole('combobox', { name: 'How it is known' }).click();
    await page.getByRole('option', { name: 'measured' }).click();
    await page.getByRole('combobox', { name: 'Unit' }).click();
    await page.getByRole('option', { name: '%' }).click();
    await page.getByLabel('Accepted from').fill('60');
    await page.getByLabel('Accepted to', { exact: true }).fill('95');
    await page.getByRole('combobox', { name: 'Read off' }).click();
    await page.getByRole('option', { name: 'share of the way when the foot lands' }).click();
    await page.getByRole('button', { name: 'Save it' }).click();
    await expect(page.getByRole('heading', { name: 'What makes a reed punch right?' })).toBeVisible();
    await expect(page.getByText('Read off a clip: share of the way when the foot lands.')).toBeVisible();
    const began = await now(demo);
    const dialog = await measuring(page, demo, 'Reed punch', /Out as the foot lands/, 'From a clip');
    await dialog.getByLabel('Take a clip').setInputFiles({
      name: 'film.webm',
      mimeType: 'video/webm',
      buffer: await drawClip(browser, { rate: 120, frames: 48, footLands: 150, fistArrives: 196 }),
    });
    await expect(dialog.getByText('Tap the hand in all four frames.')).toBeVisible();
    const slider = dialog.getByRole('slider', { name: /^The foot lands/ });
    await slider.focus();
    await page.keyboard.press('Home');
    // At 120 a second the foot lands with the nineteenth frame.
    for (let i = 1; i < 18; i += 1) await page.keyboard.press('ArrowRight');
    await expect(slider).toHaveAttribute('aria-valuetext', 'between frame 18 and 19');
    // The fist as it is drawn: out from 178 by 90 of 320 pixels until it arrives.
    for (const [what, ms] of [
      [/the way begins/, 0],
      [/the way ends/, 400],
      [/just before the foot lands/, 1000 * (17 / 120)],
      [/Frame 19, the foot lands/, 150],
    ] as const) {
      const frame = dialog.getByRole('application', { name: what });
      const box = (await frame.boundingBox())!;
      const x = 178 + 90 * Math.min(1, ms / 196);
      await frame.click({ position: { x: (x / 320) * box.width, y: (91 / 240) * box.height } });
    }
    const told = /(\d+) ± (\d+)%/.exec((await dialog.locator('.measure-value').textContent())!)!;
    expect(Math.abs(Number(told[1]) - (100 * 146) / 196)).toBeLessThanOrEqual(Number(told[2]));
    await dialog.getByRole('button', { name: `Take ${told[1]}% into the look` }).click();
    await marked(page, demo, began, 'Out as the foot lands', Number(told[1]));
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

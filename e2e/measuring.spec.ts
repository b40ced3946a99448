import { chromium } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { inFrontStance } from '../src/core';
import { playTrack, recordClicks } from './clickTrack';
import { DRAWN, drawBody, inPicture, weightInFront } from './drawnBody';
import { drawClip } from './drawnClip';
import { expect, test, worksOffline } from './house';
import { v7 } from 'uuid';
import { awake, looksSince, marked, measuring, newcomer, now, pick, sent as say } from './onTheMat';

test.use(worksOffline);

test.describe('measuring', () => {
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
    // Nobody has watched her yet.
    const who = 'Sedna Pike';
    const id = await newcomer(page, demo, who);
    await page.goto(`${demo.url}/students/${id}`);
    const day = began.slice(0, 10);
    await say(page, demo, 'pictures.agree', { id: v7(), studentId: id, agreed: true, day, guardian: '' });
    const stance = page.locator('.needs li').filter({ hasText: 'Front stance' });
    await expect(stance).toContainText('Nobody has watched it yet');
    const dialog = await measuring(page, demo, ['Front stance', /Weight forward of the middle/, 'From a picture'], who);
    await dialog
      .getByLabel('Take a picture')
      .setInputFiles({ name: 'words.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') });
    await expect(dialog.getByText(/This file is no picture/)).toBeVisible();
    // To try it out somebody is drawn: that is nobody's look.
    await dialog.getByRole('button', { name: 'Try it on a drawing' }).click();
    await expect(dialog.getByRole('application')).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'A drawing is nobody’s look' })).toBeDisabled();
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
    // She agreed to it, and it is asked for: this device alone keeps it.
    await dialog.getByRole('checkbox', { name: 'Keep the picture on this device' }).check();
    await expect(dialog.getByText('The photo stays on it; the numbers stay.')).toBeVisible();
    await take.click();
    await marked(page, demo, began, ['Weight forward of the middle', Number(/\d+/.exec(says)![0])], who);
    // What was read off it is in the verdict now.
    await page.goto(`${demo.url}/students/${id}`);
    await expect(stance).not.toContainText('Nobody has watched it yet');
    await expect(stance).toContainText('short');
    const pictures = page.getByRole('heading', { name: 'Pictures', exact: true }).locator('..');
    await expect(pictures).toContainText('1 picture on this device alone');
    await pictures.getByRole('button', { name: /^Front stance, Weight forward of the middle: .*larger$/ }).click();
    const drawn = page.getByRole('dialog').getByRole('img', { name: /^Front stance/ });
    await expect.poll(() => drawn.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
    await page.getByRole('button', { name: 'Close' }).click();
    // She takes it back, and it is gone from here at once.
    await pictures.getByRole('button', { name: 'Record what was said' }).click();
    const sheet = page.getByRole('form', { name: 'May pictures be kept?' });
    await sheet.getByRole('radio', { name: 'no', exact: true }).click();
    await sheet.getByRole('button', { name: 'Record it' }).click();
    await expect(pictures).toContainText('None are kept');
    await expect(pictures.getByText(/on this device alone/)).toHaveCount(0);
    await page.reload();
    await expect(pictures).toContainText('None are kept');
    await expect(pictures.getByText(/on this device alone/)).toHaveCount(0);
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
    const dialog = await measuring(page, demo, ['Stepping punch', /Fist lands with the foot/, 'From a clip']);
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
    const seen = () => frames.evaluateAll((all) => new Set(all.map((c) => (c as HTMLCanvasElement).toDataURL())).size);
    await expect.poll(seen).toBe(4);
    await expect(dialog.locator('.measure-value')).toContainText(/^\+50 ± [45] ms: accepted/);
    await dialog.getByRole('button', { name: 'Take +50 ms into the look' }).click();
    await marked(page, demo, began, ['Fist lands with the foot', 50]);
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
    const dialog = await measuring(page, demo, ['Reed punch', /Out as the foot lands/, 'From a clip']);
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
    await marked(page, demo, began, ['Out as the foot lands', Number(told[1])]);
  });

  test('hits on a pad are counted by ear off a recorded track, and what was heard becomes marks', async ({
    demo,
  }, info) => {
    const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'clicks-')), 'pad.wav');
    recordClicks(file, { clicks: 9, apart: 500 });
    const hears = await chromium.launch({
      ...info.project.use.launchOptions,
      args: [
        ...info.project.use.launchOptions!.args!,
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        `--use-file-for-fake-audio-capture=${file}`,
        '--autoplay-policy=no-user-gesture-required',
      ],
    });
    const context = await hears.newContext({ serviceWorkers: 'block', locale: 'en-GB' });
    await demo.signIn(context, 'maren');
    const began = await now(demo);
    const page = await context.newPage();
    await page.route('**/pad.wav', (route) => route.fulfill({ path: file }));
    await page.goto(`${demo.url}/look`);
    await awake(page);
    await page.getByRole('button', { name: 'Everybody' }).click();
    await pick(page, 'Front kick');
    const onTheKnot = page.getByRole('button', { name: /On the knot/ }).first();

    // The microphone of a browser that stands in for one plays on at the pace of this machine: that it hears is tried here.
    await page.getByRole('button', { name: 'Rafael Quill', exact: true }).first().click();
    await onTheKnot.click();
    await page.getByRole('button', { name: 'Count by ear' }).click();
    await expect(page.getByText(/^([5-9]|\d\d+) hits heard; tap/)).toBeVisible({ timeout: 40_000 });
    await page.getByRole('button', { name: 'Stop listening' }).click();
    const roughly = Number(/^\d+/.exec((await page.getByText(/^\d+ hits heard/).textContent())!)![0]);
    const next = page.getByRole('button', { name: /^Next:/ });
    const who = (await next.textContent())!.replace('Next: ', '');
    await next.click();

    // How exactly it hears is tried with the same track reckoned at once, through all that follows the microphone.
    await page.evaluate(playTrack, '/pad.wav');
    await onTheKnot.click();
    await page.getByRole('button', { name: 'Count by ear' }).click();
    await expect(page.getByText('9 hits heard; tap what missed. 0.5 s apart, evenly.')).toBeVisible();
    await page.getByRole('button', { name: 'Stop listening' }).click();
    await next.click();

    await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 15_000 });
    const looks = await looksSince(demo, began);
    expect(looks.filter((l) => l.point === 'On the knot').map((l) => [l.student, l.held, l.of])).toEqual([
      ['Rafael Quill', roughly, roughly],
      [who, 9, 9],
    ]);
    await hears.close();
  });
});

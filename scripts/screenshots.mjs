// npm run screenshots: drives the real interface with the demo school and takes one picture of each main view into
// docs/screenshots. The demo must be running (npm run demo); ADDRESS names it if not the usual one.
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium, expect } from '@playwright/test';
import { asProgram, chromiumProgram, ensureChromium, Plain, project, say } from './machine.mjs';
import { DEMO_PASSWORD, DEMO_SIGN_INS } from './demo-sign-ins.mjs';

const address = process.env.ADDRESS ?? 'http://127.0.0.1:4310';
const folder = path.join(project, 'docs/screenshots');
const desk = { width: 1280, height: 800 };
const tablet = { width: 800, height: 1280 };

await asProgram(async () => {
  if (!(await fetch(`${address}/api/health`).catch(() => null))?.ok)
    throw new Plain(`No demo answers at ${address}. Start it with npm run demo.`);
  ensureChromium();
  mkdirSync(folder, { recursive: true });
  const browser = await chromium.launch({
    executablePath: chromiumProgram(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  const context = await browser.newContext({ viewport: desk, locale: 'en-GB', serviceWorkers: 'block' });
  const page = await context.newPage();
  const take = async (name, size = desk) => {
    await page.setViewportSize(size);
    await page.waitForLoadState('networkidle');
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    say(`docs/screenshots/${name}.png`);
  };
  const open = async (to) => {
    await page.goto(address + to);
    await page.waitForLoadState('networkidle');
  };
  const linkTo = async (from, text) => {
    await open(from);
    return page.getByRole('link', { name: text, exact: true }).first().getAttribute('href');
  };
  await open('/signin');
  await page.getByLabel('E-mail').fill(DEMO_SIGN_INS[0].email);
  await page.getByLabel('Password', { exact: true }).fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((u) => u.pathname !== '/signin');
  await open(await linkTo('/students', 'Amber'));
  await take('ready');
  await open(await linkTo('/students', 'Ilse Marrow'));
  // The forecast is tried out while one watches.
  await page.getByText(/^(By |[89] times in 10|No range)/).waitFor({ timeout: 60_000 });
  await take('student');
  await open(await linkTo('/techniques', 'Roundhouse kick'));
  await take('technique');
  await open(await linkTo('/sequences', 'Second Causeway'));
  await page.locator('.stave .col').nth(5).hover();
  await take('sequence');
  await page.mouse.move(2, 2);
  await open(`${await linkTo('/sequences', 'First Causeway')}/call`);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.locator('.calling .n').getByText('3', { exact: true }).waitFor({ timeout: 20_000 });
  await take('caller');
  await open('/syllabus');
  const kick = page.locator('[data-at="-1"]').filter({ hasText: 'Front kick' }).first();
  await page.locator(`[id="way-${await kick.getAttribute('data-thread')}-3"]`).click();
  await take('syllabus');
  await open(await linkTo('/gradings', 'Winter grading'));
  await page
    .getByRole('button', { name: /^Owen Acheson|^Leila Strand/ })
    .first()
    .click();
  await take('grading');
  await open(`${await linkTo('/gradings', 'Winter grading')}/examine`);
  await page.setViewportSize(tablet);
  await page.locator('main[aria-busy=false]').waitFor();
  for (const key of ['h', 's', 'h', 'h', 'h', 'h', 'h', 'h', 's', '8']) await page.keyboard.press(key);
  await page.waitForTimeout(400);
  await take('examine', tablet);
  // Going on sends what was marked.
  await page.getByRole('button', { name: /^Next:/ }).click();
  await page.getByText('None waits for the network.').waitFor();
  await page.setViewportSize(desk);
  await open('/equipment');
  await take('store');
  await open(await linkTo('/equipment/strikes', 'Aiko Dunmore'));
  await take('load');
  await open('/equipment/post');
  await page.getByLabel('For', { exact: true }).click();
  await page.getByRole('option', { name: 'Kofi Adlam' }).click();
  await page.getByText(/for Kofi\?$/).waitFor();
  await page.mouse.move(2, 2);
  await take('post');
  await open('/cycle');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await page.getByRole('button', { name: 'Stop here' }).waitFor();
  await page.getByRole('button', { name: 'Plan again' }).waitFor({ timeout: 60_000 });
  // Until every idea was planned.
  await expect
    .poll(async () => (await page.locator('.help b').allInnerTexts()).every((t) => /min/.test(t)), { timeout: 60_000 })
    .toBe(true);
  await page.mouse.move(2, 2);
  await take('cycle');
  await open('/look');
  await page.getByRole('button', { name: 'Everybody' }).click();
  const pick = async (item) => {
    await page.locator('#item').fill(item);
    await page.getByRole('option', { name: item, exact: true }).click();
  };
  await pick('Front stance');
  await page.getByRole('button', { name: /Rear heel down/ }).click();
  for (const key of ['h', 'h', 's', 'h', 's', 'h']) await page.keyboard.press(key);
  await page.getByText(/^6 of \d+ marked/).waitFor();
  await page.getByText('None waits for the network.').waitFor();
  await take('sweep');
  await open('/look');
  await pick('Front kick');
  await page.setViewportSize(tablet);
  await page.getByRole('button', { name: 'Ilse Marrow', exact: true }).first().click();
  await page.locator('.card .points').waitFor();
  for (const key of ['h', 'h', 'ArrowDown', 's', 'h', '3', 's']) await page.keyboard.press(key);
  await take('card', tablet);
  // What is open on a device is not sent yet.
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await page.locator('.card').waitFor({ state: 'detached' });
  await page.setViewportSize(desk);
  await open('/look');
  await page.getByRole('button', { name: 'Everybody' }).click();
  await pick('Front stance');
  await page.getByRole('button', { name: 'Rafael Quill', exact: true }).first().click();
  await page.getByRole('button', { name: /Weight forward of the middle/ }).click();
  await page.getByRole('button', { name: 'From a picture' }).click();
  // Somebody drawn, always the same.
  await page.evaluate(() => {
    Math.random = () => 0.42;
  });
  await page.getByRole('button', { name: 'Try it on a drawing' }).click();
  await page.getByText('Looking for the body').waitFor();
  await expect(page.locator('.measure-status')).toHaveText('', { timeout: 60_000 });
  for (let i = 0; i < 4; i += 1) await page.getByRole('button', { name: /is right$/ }).click();
  await page.mouse.move(2, 2);
  await take('measure');
  await page.setViewportSize({ width: 1280, height: 800 });
  await open('/look');
  await pick('Sluice');
  await page.getByRole('button', { name: 'Noor Saltby', exact: true }).click();
  await page.getByRole('button', { name: /^Count 3,/ }).click();
  await page.getByRole('button', { name: 'The rest held' }).click();
  await page.waitForTimeout(500);
  await take('form');
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await page.locator('.form-card').waitFor({ state: 'detached' });
  await open('/tonight');
  await page.getByRole('checkbox', { name: 'Teo Marsh' }).click();
  await page.evaluate('scrollTo(0, 0)');
  await take('tonight');
  await page.getByRole('button', { name: 'Begin the class' }).click();
  await page.waitForURL(/run$/);
  await page.setViewportSize(tablet);
  for (let i = 0; i < 3; i += 1) await page.getByRole('button', { name: /^On to/ }).click();
  await page.waitForTimeout(1200);
  await page.mouse.move(2, 2);
  await page.getByText('None waits for the network.').waitFor();
  await take('tonight-run', tablet);
  await page.getByRole('button', { name: 'The pairs' }).click();
  await page.getByRole('button', { name: 'So they pair up' }).click();
  for (let i = 0; i < 3; i += 1)
    await page
      .getByRole('button', { name: /^Both say yes/ })
      .first()
      .click();
  await page.mouse.move(2, 2);
  await take('pairs', tablet);
  await browser.close();
});

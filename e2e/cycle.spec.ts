import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { axe, expect, test } from './house';

const saved = (page: Page) => expect(page.getByText('None waits for the network.')).toBeVisible();
const planned = async (page: Page) => {
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 40_000 });
};

test.describe('weeks to the day', () => {
  test('a Sunday’s plan: laid out, planned and stopped; a pin stays, a lost class is planned again and proven, it goes into a calendar', async ({
    demo,
    browser,
    request,
  }) => {
    test.setTimeout(150_000);
    const desk = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await demo.signIn(desk, 'maren');
    const page = await desk.newPage();
    await page.goto(`${demo.url}/cycle?new=1`);
    await page.waitForLoadState('networkidle');
    await page.getByLabel('Name', { exact: true }).fill('Midterm');
    const at = new Date(Date.now() + 21 * 86_400_000);
    await page.getByLabel('The day').fill(at.toISOString().slice(0, 10));
    // Days and hours come from the last weeks, and belts from the school.
    await expect(page.getByLabel('Minutes', { exact: true }).first()).toHaveValue('75');
    await page.getByRole('button', { name: 'Lay them out' }).click();
    await expect(page.getByRole('heading', { name: /^Does everything fit before \d/ })).toBeVisible();
    // A first plan stands at once; then it is bettered until it is proven or as good as it gets.
    await expect(page.getByText(/^Bringing closer together .* short so far\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Stop here' }).click();
    await expect(page.getByText(/^(Yes|Not quite):/)).toBeVisible();
    await expect(page.getByText(/^It was stopped early\./)).toBeVisible();
    await saved(page);

    // Keys: along the row, longer, pinned; and taken back.
    const grid = page.getByRole('grid');
    const cell = grid.getByRole('button', { name: /: \d+ minutes, planned/ }).first();
    await cell.focus();
    const name = (await cell.getAttribute('aria-label'))!;
    const minutes = Number(/: (\d+) minutes/.exec(name)![1]);
    await page.keyboard.press('+');
    const longer = grid.getByRole('button', {
      name: name.replace(/: .*/, `: ${minutes + 5} minutes, planned, pinned`),
    });
    await expect(longer).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await expect(longer).not.toBeFocused();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(grid.getByRole('button', { name, exact: true })).toBeVisible();
    await grid.getByRole('button', { name, exact: true }).click();
    await page.getByRole('button', { name: 'Pin it' }).click();
    const pinned = grid.getByRole('button', { name: `${name}, pinned` });
    await expect(pinned).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(pinned).toBeVisible();

    // A class falls out: it is planned again, nothing stands in it, the pin stays, what moved is told.
    const days = grid.getByRole('columnheader').getByRole('button');
    await days.last().click();
    await page.getByLabel('No class that day').check();
    await page.getByLabel('Why').fill('snow');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await planned(page);
    await expect(grid.getByRole('button', { name: /: snow$/ })).toBeVisible();
    await expect(pinned).toBeVisible();
    await expect(page.getByText(/cells? moved in \d+ class/)).toBeVisible();
    await expect(page.getByText(/Proven: no plan|At best \d+ minutes more/)).toBeVisible();
    await saved(page);
    // The board itself is read with every other screen; here what is said beside it of a change.
    expect((await axe(page).include('aside').analyze()).violations).toEqual([]);

    // Into the calendar: a file, and an address that needs no sign-in until it is taken back.
    await page.getByRole('button', { name: 'Calendar' }).click();
    const href = await page.getByRole('link', { name: 'Calendar file' }).getAttribute('href');
    const file = await (await desk.request.get(demo.url + href!)).text();
    const events = new ICAL.Component(ICAL.parse(file) as unknown[])
      .getAllSubcomponents('vevent')
      .map((e) => new ICAL.Event(e));
    expect(events.filter((e) => e.component.getFirstPropertyValue('status') === 'CANCELLED')).toHaveLength(1);
    expect(events.some((e) => e.summary.startsWith('Midterm'))).toBe(true);
    await page.getByLabel('For whom').fill('the hall’s telephone');
    await page.getByRole('button', { name: 'Make an address' }).click();
    const address = await page.locator('code').innerText();
    const asked = await request.get(address);
    expect(asked.status()).toBe(200);
    expect(asked.headers()['content-type']).toContain('text/calendar');
    // No student is named in it.
    expect(await asked.text()).not.toContain('Ilse');
    await page.getByRole('button', { name: 'Take back the hall’s telephone' }).click();
    await expect(page.getByRole('button', { name: /^Take back/ })).toHaveCount(0);
    expect((await request.get(address)).status()).toBe(404);

    // What this week taught is one sheet.
    await page.goto(`${demo.url}/cycle/catch-up`);
    await expect(page.getByRole('heading', { name: 'What did this week teach?' })).toBeVisible();
    await page.getByRole('link', { name: 'The week before' }).click();
    await expect(page.getByRole('heading', { name: 'Stepping punch' })).toBeVisible();

    // These weeks are taken out again, asked twice; the others run on.
    await page.goto(`${demo.url}/cycle`);
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'Weeks and rules' }).click();
    await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toHaveValue('Midterm');
    await page.getByRole('button', { name: 'Take these weeks out' }).click();
    await page.getByRole('button', { name: /^Once more/ }).click();
    await expect(page.getByText(/was lost \(water in the hall\)/)).toBeVisible();
    await desk.close();
  });
});

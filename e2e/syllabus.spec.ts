import type { Browser, Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { expect, settle, House, test, watchConsole } from './house';

const shows = (page: Page, text: string | RegExp) => expect(page.getByText(text).first()).toBeVisible();
const threadOf = async (page: Page, name: string) =>
  (await page
    .locator('[data-at="-1"]')
    .filter({ has: page.getByText(name, { exact: true }) })
    .getAttribute('data-thread'))!;
const cell = (page: Page, thread: string, at: number) => page.locator(`[id="way-${thread}-${at}"]`);
/** Places of the belts on the way. */
const [STRAW, AMBER, FERN] = [1, 2, 3] as const;
const saved = (page: Page) => expect(page.locator('.saving')).toContainText('saved; changed');

test.describe('the way', () => {
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('is moved by keys and by dragging, undone, and says what breaks', async ({ demo, page }) => {
    const errors = watchConsole(page);
    await page.goto(`${demo.url}/syllabus`);
    await settle(page);
    await expect(page.getByRole('heading', { name: 'Does the way to Black hold together?' })).toBeVisible();
    await shows(page, 'Low block is asked before it is taught.');
    await shows(page, 'Touch game in threes: soft head touch below 16.');
    const kick = await threadOf(page, 'Rising block');
    await cell(page, kick, AMBER).focus();
    await expect(cell(page, kick, AMBER)).toHaveAttribute('aria-label', 'Rising block, Amber: tested');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(cell(page, kick, FERN)).toHaveAttribute('aria-label', 'Rising block, Fern: tested');
    await saved(page);
    // The eye, dragged to the belt where the test is: new and tested at once.
    const eye = page.locator('.way-row.lit .grip').first();
    const [from, to] = [(await eye.boundingBox())!, (await cell(page, kick, FERN).boundingBox())!];
    await page.mouse.move(from.x + 12, from.y + 12);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y + 12, { steps: 4 });
    await page.mouse.move(to.x + to.width / 2 - 14, to.y + 12, { steps: 6 });
    await page.mouse.up();
    await shows(page, 'Rising block: new and tested for Fern.');
    await page.getByRole('button', { name: 'undo' }).click();
    await expect(page.getByText('Rising block: new and tested for Fern.')).toHaveCount(0);
    await saved(page);
    await page.reload();
    await settle(page);
    await expect(cell(page, kick, FERN)).toHaveAttribute('aria-label', 'Rising block, Fern: tested');
    // What cannot be is said, and nothing changes.
    await cell(page, kick, STRAW).focus();
    await page.keyboard.press('e');
    await shows(page, 'It cannot be let go after Straw: Fern asks for it.');
    expect(errors).toEqual([]);
  });

  test('a check is left with a reason, a circle is refused and shown, an item is put in and taken out', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/syllabus`);
    await settle(page);
    await page.getByRole('button', { name: 'Leave it: Side fall is let go after Amber.' }).click();
    await page.getByLabel('Why it may stay').fill('They fall in every class.');
    await page.getByRole('button', { name: 'Leave it', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Leave it: Side fall is let go after Amber.' })).toHaveCount(0);
    const random = await threadOf(page, 'Four quarters at random');
    const fall = await threadOf(page, 'Side fall');
    await cell(page, fall, -1).click();
    await page.getByRole('combobox', { name: 'It needs' }).click();
    await page.getByRole('option', { name: 'Four quarters at random', exact: true }).click();
    await shows(page, /That would go round in a circle: Side fall needs Four quarters at random needs Side fall\./);
    await cell(page, random, -1).click();
    await expect(page.getByRole('region', { name: 'Four quarters at random' })).toContainText('Side fall');
    await page.getByRole('button', { name: 'Add an item' }).click();
    await page.getByRole('combobox', { name: 'Item' }).fill('Pyramid');
    await page.getByRole('option', { name: 'Pyramid of combination 3' }).click();
    await page.getByRole('button', { name: 'Put it in' }).click();
    await shows(page, 'Pyramid of combination 3 is never tested.');
    await page.getByRole('button', { name: 'Take it out of the syllabus' }).click();
    await expect(page.getByText('Pyramid of combination 3 is never tested.')).toHaveCount(0);
    await saved(page);
  });

  test('a requirement is changed, published from a day, and a student moved to it is judged by it', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/syllabus`);
    await settle(page);
    const turn = await threadOf(page, 'Swing turn');
    await cell(page, turn, FERN).click();
    const sheet = page.getByRole('form', { name: 'Swing turn, for Fern' });
    await sheet.getByText('Every number').click();
    await sheet.getByLabel('Repetitions').fill('40');
    await sheet.getByLabel('On days').fill('60');
    await sheet.getByRole('button', { name: 'Save' }).click();
    await shows(page, 'The number of days is at most 30.');
    await sheet.getByLabel('On days').fill('8');
    await sheet.getByRole('radio', { name: 'still target' }).click();
    await sheet.getByRole('button', { name: 'Save' }).click();
    await saved(page);
    await page.getByRole('button', { name: 'Publish the draft' }).click();
    await shows(page, /differences to “With forms”/);
    await page.getByRole('button', { name: 'Publish it' }).click();
    await shows(page, 'A name is missing.');
    await page.getByLabel('It is called').fill('Turning twice as often');
    await page.getByLabel('It counts from').fill('the day after');
    await page.getByRole('button', { name: 'Publish it' }).click();
    await expect(page.getByLabel('It counts from')).toHaveAttribute('aria-invalid', 'true');
    const soon = new Date(Date.now() + 6 * 86_400_000).toISOString().slice(0, 10);
    await page.getByLabel('It counts from').fill(soon);
    await page.getByRole('button', { name: 'Publish it' }).click();
    await shows(page, /A change begins a draft\./);
    await page.getByRole('button', { name: 'Versions' }).click();
    await page.getByRole('link', { name: 'What it changed' }).first().click();
    await settle(page);
    await shows(page, 'Swing turn now still target, was in air');
    await page.goBack();
    await settle(page);
    await page.getByRole('button', { name: 'Versions' }).click();
    await page.getByRole('link', { name: 'Move students to it' }).first().click();
    await settle(page);
    await page.getByRole('button', { name: 'Ilse Marrow' }).click();
    await shows(page, /Fern: swing turn now still target, was in air/);
    await page.getByLabel('Move Ilse Marrow').check();
    await page.getByRole('button', { name: 'Move one' }).click();
    await shows(page, 'One follows “Turning twice as often” from today.');
    const [ilse] = await demo.query<{ id: string }>(`select id from person where name = 'Ilse Marrow'`);
    await page.goto(`${demo.url}/students/${ilse!.id}`);
    await settle(page);
    await page.getByRole('button', { name: /Swing turn/ }).click();
    await shows(page, /Asks 32 of 40 on 8 days, both sides, seen within 60 days; a quarter may fall short\./);
    // Consent and rest are recorded beside it.
    await page.getByRole('button', { name: 'Record consent' }).click();
    await page.getByRole('combobox', { name: 'Agrees to, at most' }).click();
    await page.getByRole('option', { name: 'slow, soft hands' }).click();
    await page.getByRole('button', { name: 'Record it' }).click();
    await shows(page, /a guardian’s agreement is missing/);
    await page.getByRole('button', { name: 'Record an injury' }).click();
    await page.getByLabel('Work that rests').fill('Kicks');
    await page.getByLabel('Until and with').fill('1 January 2020');
    await page.getByRole('button', { name: 'Record it' }).click();
    await shows(page, 'It ends after it begins.');
  });

  test('a belt’s sheet says in plain words what it asks, with its staves', async ({ demo, page }) => {
    await page.goto(`${demo.url}/syllabus/print`);
    await settle(page);
    await page.getByRole('combobox', { name: 'Belt' }).click();
    await page.getByRole('option', { name: 'Lake' }).click();
    await expect(page.getByRole('heading', { name: 'What do I need for Lake?' })).toBeVisible();
    await settle(page);
    await shows(page, /At least 8 of 10 tries, on 2 different days, left and right\. The last within 60 days\./);
    await expect(
      page.getByRole('article').filter({ hasText: 'Sluice' }).locator('svg.print-line').first(),
    ).toBeVisible();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
    await expect(page.getByRole('navigation', { name: 'Areas' })).toBeHidden();
    for (const [width, height] of [
      [794, 1123],
      [816, 1056],
    ] as const) {
      await page.setViewportSize({ width, height });
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(over).toBeLessThanOrEqual(0);
    }
  });

  test('an instructor sees it and cannot change it', async ({ demo, browser }) => {
    const context = await browser.newContext();
    await demo.signIn(context, 'idris');
    const page = await context.newPage();
    await page.goto(`${demo.url}/syllabus`);
    await settle(page);
    await expect(page.getByRole('button', { name: 'Publish the draft' })).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Add an item' })).toHaveCount(0);
    await page.goto(`${demo.url}/syllabus/exchange`);
    await expect(page.getByRole('button', { name: 'Choose a file' })).toHaveCount(0);
    await context.close();
  });
});

/** An empty school of its own, opened by its head as the first page asks. */
async function opened(browser: Browser): Promise<{ empty: House; theirs: Page }> {
  const empty = new House('empty');
  await empty.open();
  const theirs = await (await browser.newContext()).newPage();
  await theirs.goto(`${empty.url}/setup`);
  await settle(theirs);
  await theirs.getByLabel('Name of the school').fill('Sluice House');
  await theirs.getByLabel('Your name').fill('Tamsin Reed');
  await theirs.getByLabel('Your e-mail').fill('tamsin@example.org');
  await theirs.getByLabel('A password').fill('willow by the lock');
  await theirs.getByRole('button', { name: 'Open the school' }).click();
  await expect(theirs.getByRole('heading', { name: /Does the way to .* hold together/ })).toBeVisible();
  return { empty, theirs };
}
const file = (body: string, name = 'school.json') => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(body),
});
const exchange = async (page: Page, url: string) => {
  await page.goto(`${url}/syllabus/exchange`);
  await settle(page);
  return page.getByLabel('A school as JSON, or its tables as CSV');
};

test('an empty school is led to its first technique; what is no school is not taken in, the small start is', async ({
  browser,
}) => {
  const { empty, theirs } = await opened(browser);
  try {
    await shows(theirs, 'Nothing is on the way yet.');
    // The steps to the first verdict stand above every page, and lead to its first field.
    const steps = theirs.getByRole('region', { name: 'To the first verdict' });
    await steps.getByRole('link', { name: 'Write a stance' }).click();
    await settle(theirs);
    await steps.getByRole('link', { name: 'Write a stance' }).click();
    await expect(theirs.getByLabel('Name', { exact: true })).toBeFocused();
    await theirs.keyboard.type('Reed stance?');
    await expect(theirs).toHaveURL(/techniques\/new/);
    await theirs.getByRole('button', { name: 'Save it' }).click();
    await expect(steps.getByText(/^Reed stance\?, \d\d:\d\d$/)).toBeVisible();
    await expect(steps.getByRole('button', { name: 'Technique' })).toBeVisible();
    await expect(steps.getByRole('heading', { name: /Write one technique/ })).toBeVisible();
    await theirs.goto(`${empty.url}/syllabus`);
    await settle(theirs);
    await theirs.getByRole('link', { name: 'begin from a starter or a file' }).click();
    await expect(theirs).toHaveURL(/\/syllabus\/exchange$/);
    await settle(theirs);
    const input = theirs.getByLabel('A school as JSON, or its tables as CSV');
    await input.setInputFiles(file('{ not json'));
    await shows(theirs, /school\.json is no whole JSON/);
    await input.setInputFiles(file('{"format":"something else"}'));
    await shows(theirs, 'This file is not a school of ours.');
    await theirs.getByRole('button', { name: 'Look at the small start' }).click();
    await shows(theirs, 'What the starter would do');
    await theirs.getByRole('button', { name: /^Take .* in$/ }).click();
    await shows(theirs, 'Taken in from the starter');
    await theirs.goto(`${empty.url}/syllabus`);
    await settle(theirs);
    // Nobody is judged before it is published.
    await theirs.getByRole('button', { name: 'Publish the draft' }).click();
    await theirs.getByLabel('It is called').fill('The first');
    await theirs.getByRole('button', { name: 'Publish it' }).click();
    await shows(theirs, /“The first”, from/);
  } finally {
    await empty.close();
  }
});

test('a school goes out as a file and into an empty one, tried before it is done', async ({
  demo,
  context,
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await demo.signIn(context, 'maren');
  await exchange(page, demo.url);
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'One JSON file' }).click();
  const text = await readFile(await (await coming).path(), 'utf8');
  expect((JSON.parse(text) as { format: string }).format).toBe('stavewright-school');

  const { empty, theirs } = await opened(browser);
  try {
    const input = await exchange(theirs, empty.url);
    await theirs.getByRole('button', { name: 'Look at the small start' }).click();
    await theirs.getByRole('button', { name: /^Take .* in$/ }).click();
    await shows(theirs, 'Taken in from the starter');
    const bad = JSON.parse(text) as { techniques: { name: string; kind: string }[] };
    bad.techniques.find((t) => t.name === 'Low block')!.kind = 'kick';
    await input.setInputFiles(file(JSON.stringify(bad)));
    await shows(theirs, /does not go in as it is/);
    await shows(theirs, 'Here it is a block, in the file a kick.');
    await input.setInputFiles(file(text));
    await shows(theirs, 'What school.json would do');
    await theirs.getByRole('button', { name: /^Take .* in$/ }).click();
    await shows(theirs, 'Taken in from school.json');
    await theirs.getByRole('link', { name: 'Look at the way' }).click();
    await expect(theirs.getByRole('rowheader', { name: /Ferry Pole, first half/ })).toBeVisible();
    // Long work shows how far it is, and stopping it leaves no trace.
    const small = JSON.parse(text) as { techniques: { name: string }[]; sequences: unknown[]; syllabus: unknown };
    const many = Array.from({ length: 1000 }, (_, i) => ({
      ...small.techniques[0]!,
      name: `Many ${i}`,
      stance: null,
      step: null,
      before: [],
    }));
    await exchange(theirs, empty.url);
    await input.setInputFiles(
      file(JSON.stringify({ ...small, techniques: many, sequences: [], syllabus: null }), 'many.json'),
    );
    await expect(theirs.getByText('What many.json would do')).toBeVisible({ timeout: 45_000 });
    await theirs.getByRole('button', { name: /^Take .* in$/ }).click();
    await theirs.getByRole('button', { name: 'Stop' }).click();
    await shows(theirs, 'Stopped. Nothing was taken in.');
    const busy = `select count(*)::int as n from pg_stat_activity where datname = current_database() and xact_start is not null and pid <> pg_backend_pid()`;
    await expect.poll(async () => (await empty.query<{ n: number }>(busy))[0]!.n, { timeout: 30_000 }).toBe(0);
    expect(
      (await empty.query<{ n: number }>(`select count(*)::int as n from technique where name like 'Many %'`))[0]!.n,
    ).toBe(0);
  } finally {
    await empty.close();
  }
});

import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { expect, paste, settle, test, watchConsole, type House, worksOffline } from './house';

const sequenceAt = async (house: House, title: string) =>
  (await house.query<{ id: string }>('select id from sequence where title = $1', [title]))[0]!.id;
const shows = (page: Page, text: string | RegExp) => expect(page.getByText(text).first()).toBeVisible();
const type = async (page: Page, text: string) => {
  await page.getByLabel('Counts, one a line').click();
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText(text);
};
const columns = (page: Page) => page.locator('.stave .col');

test.describe('sequences', () => {
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('a form is typed, corrected, saved, derived and follows its parent', async ({ demo, page }) => {
    const errors = watchConsole(page);
    await page.goto(`${demo.url}/sequences/new`);
    await settle(page);
    await page.getByLabel('Title').fill('Eel Weir');
    await type(page, 'step L, front stance, low block L, in\nstep R, front stance, stepping pumch R');
    await expect(columns(page)).toHaveCount(2);
    await shows(page, /Line 2, place 23.*Near it: stepping punch/);
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText(
      'step L, front stance, low block L, in\nstep R, front stance, kopnięcie okrężne R, out\nstep L, front stance, cios z krokiem L, out',
    );
    await expect(columns(page)).toHaveCount(3);
    await shows(page, 'Three counts: one strike, one block and one kick');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await shows(page, 'Saved.');
    await expect(page).toHaveURL(/\/sequences\/[0-9a-f-]{36}$/);
    const parent = page.url();

    // Two more from it: the kick version and its mirror.
    await page.getByRole('button', { name: 'Derive from it' }).click();
    const sheet = page.locator('form.derive');
    await sheet.getByLabel('Title').fill('Eel Weir with kicks');
    await expect(sheet.getByText('front kick before each advancing strike')).toBeVisible();
    await expect(sheet.getByText(/^Four counts|a front kick before.*Four counts/)).toBeVisible();
    await sheet.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { name: 'Does Eel Weir with kicks hold together?' })).toBeVisible();
    await settle(page);
    await expect(columns(page)).toHaveCount(4);
    const child = page.url();
    await type(page, 'draw L, ready stance');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await shows(page, /one changed by hand/);

    await page.goto(parent);
    await settle(page);
    await type(page, '\nstep R, front stance, stepping punch R, out');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await shows(page, 'one derived sequence followed');
    await shows(page, 'Made from it');
    await page.goto(child);
    await settle(page);
    await expect(columns(page)).toHaveCount(7);
    expect(errors).toEqual([]);
  });

  test('text that was not saved is offered again, and a mistake never loses it', async ({ demo, page }) => {
    const id = await sequenceAt(demo, 'Combination 2');
    await page.goto(`${demo.url}/sequences/${id}`);
    await settle(page);
    await type(page, '\nturn sideways, punch R');
    await shows(page, /A turn says which way and how far/);
    await page.waitForFunction(() => Object.keys(localStorage).some((k) => k.startsWith('stavewright.draft')));
    page.on('dialog', (d) => void d.accept());
    await page.reload();
    await settle(page);
    await shows(page, 'was not saved');
    await page.getByRole('button', { name: 'Take it up' }).click();
    await expect(page.getByLabel('Counts, one a line')).toContainText('turn sideways');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await shows(page, 'Saved; 1 line cannot be read yet.');
  });

  test('hover, keys and the text light the same count; a finding is waived with a reason', async ({ demo, page }) => {
    await page.goto(`${demo.url}/sequences/${await sequenceAt(demo, 'First Causeway')}`);
    await settle(page);
    await columns(page).nth(4).hover();
    await expect(page.locator('.floor .lit text')).toHaveText('5');
    await expect(page.locator('.counts .n.on')).toHaveText('5');
    await page.mouse.move(5, 5);
    const stave = page.getByRole('group', { name: /Stave of First Causeway/ });
    await stave.focus();
    for (const key of ['Home', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
    await expect(page.locator('.stave .lit')).toHaveCount(1);
    await expect(page.locator('.counts .n.on')).toHaveText('3');
    await expect(stave.locator('[aria-live]')).toContainText('Count 3: rising block left');
    const finding = page.getByText('No leg technique: only the hands are trained.');
    await page.getByRole('button', { name: /Waive: No leg technique/ }).click();
    await page.getByLabel('Why it may stay').fill('x');
    await page.getByRole('button', { name: 'Waive', exact: true }).click();
    await shows(page, 'Say why: it is kept with it.');
    await page.getByLabel('Why it may stay').fill('The second form has the kicks');
    await page.getByRole('button', { name: 'Waive', exact: true }).click();
    await shows(page, /Waived by Maren Holt.*The second form has the kicks/);
    await expect(finding).toBeVisible();
  });

  test('stave and text are taken out as SVG, PNG, text and JSON, and come in again with a preview', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/sequences/${await sequenceAt(demo, 'Sluice')}`);
    await settle(page);
    const file = async (name: string) => {
      const [got] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name, exact: true }).click(),
      ]);
      return readFile(await got.path());
    };
    const svg = (await file('Stave as SVG')).toString();
    expect(svg).toContain('<svg xmlns');
    expect(svg).toContain('The gate opens');
    expect(svg).toContain('@font-face');
    const png = await file('Stave as PNG');
    expect(png.subarray(1, 4).toString()).toBe('PNG');
    expect(png.length).toBeGreaterThan(10_000);
    const json = (await file('JSON')).toString();
    const text = (await file('Text')).toString();
    await page.goto(`${demo.url}/sequences/import`);
    await settle(page);
    const field = page.getByLabel('Texts or JSON');
    await paste(field, json.replace('"title": "Sluice"', '"title": "Sluice by JSON"'));
    await shows(page, 'Fourteen counts');
    await paste(
      field,
      `${text.replace('title: Sluice', 'title: Sluice by text')}\n===\ntitle: Broken\nturn round\n===\n${text}`,
    );
    await shows(page, 'stays out: Line 2, place 1: A turn says which way and how far.');
    await shows(page, 'replaces the text that is here');
    await page.getByRole('button', { name: 'Take the 2 good ones' }).click();
    await shows(page, '2 sequences taken.');
    await page.goto(`${demo.url}/sequences`);
    await settle(page);
    await page.getByPlaceholder('Find a sequence').fill('sluice by');
    await expect(page.getByRole('link', { name: 'Sluice by text' })).toBeVisible();
  });

  test('a form lies beside another and beside another school’s way of it, and the address keeps what is compared', async ({
    demo,
    page,
  }) => {
    const errors = watchConsole(page);
    const [ferry, first] = [await sequenceAt(demo, 'Ferry Pole'), await sequenceAt(demo, 'First Causeway')];
    await page.goto(`${demo.url}/sequences/${ferry}`);
    await settle(page);
    await shows(page, /Also “Long ferry” at Reed House/);
    await shows(page, /adds power: in 1, 2/);
    await page.getByRole('link', { name: 'Lay beside another' }).click();
    await settle(page);
    // Its own variants first: one count is another height at Reed House.
    await shows(page, '39 of 40 counts are the same');
    await page.getByRole('button', { name: /^5: another height$/ }).click();
    await expect(page.locator('.beside .col.lit')).toHaveCount(2);
    await page.getByLabel('Below', { exact: true }).click();
    await page.getByRole('option', { name: 'Sluice', exact: true }).click();
    await shows(page, /beside Sluice/);
    await expect(page).toHaveURL(/with=/);
    await page.reload();
    await settle(page);
    await shows(page, /beside Sluice/);
    await page.goto(`${demo.url}/sequences/${first}`);
    await settle(page);
    await page.getByRole('link', { name: 'Second Causeway' }).first().click();
    await settle(page);
    await shows(page, /22 of 26 counts are the same/);
    expect(errors).toEqual([]);
  });

  test('a drill for two says its floor in pairs, and at the pads the striker’s work is called', async ({
    demo,
    page,
  }) => {
    const pads = await sequenceAt(demo, 'Pads, the holder calls');
    await page.goto(`${demo.url}/sequences/${pads}`);
    await settle(page);
    await shows(page, /A pair takes .* pairs together/);
    await shows(page, /From centre to centre they/);
    await page.goto(`${demo.url}/sequences/${pads}/call`);
    await settle(page);
    await expect(page.getByRole('radio', { name: 'the striker' })).toBeChecked();
    await page.getByRole('combobox', { name: 'Counted in' }).click();
    await page.getByRole('option', { name: 'names' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.locator('.calling .word')).toHaveText('lead punch', { timeout: 10_000 });
    await shows(page, 'holder: left pad high');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  });
});

test.describe('the caller', () => {
  test.use(worksOffline);
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('counts, holds, changes pace, stops at once, and works without a network', async ({ demo, page, context }) => {
    await page.goto(`${demo.url}/sequences/${await sequenceAt(demo, 'Four quarters')}/call`);
    await settle(page);
    await page.getByRole('radio', { name: 'by tens a side' }).click();
    await page.getByLabel('Seconds a count').fill('0.4');
    await page.getByLabel('Times a side').fill('3');
    await page.getByRole('combobox', { name: 'Counted in' }).click();
    await page.getByRole('option', { name: 'Korean' }).click();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Begin' }).click();
    // “Ready” in the language that is counted in.
    await shows(page, 'junbi');
    await expect(page.locator('.calling .n')).toHaveText('2', { timeout: 10_000 });
    await expect(page.locator('.calling .stave .lit')).toHaveCount(1);
    await expect(page.locator('.calling .word')).toHaveText(/하나|둘|셋/);
    await page.getByRole('button', { name: 'Hold' }).click();
    const held = await page.locator('.calling .n').textContent();
    await page.getByRole('button', { name: 'Slower' }).click();
    await shows(page, '0.6');
    await expect(page.locator('.calling .n')).toHaveText(held!);
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
    await context.setOffline(false);
  });
});

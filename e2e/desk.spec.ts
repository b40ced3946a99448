import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { expect, idOf, paste, settle, test, watchConsole } from './house';

const shows = (page: Page, text: string | RegExp) => expect(page.getByText(text).first()).toBeVisible();

test.describe('the desk of the head instructor', () => {
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('the guide opens inside at the page one is on, and our words are explained where they stand', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/syllabus`);
    await settle(page);
    await page.getByRole('link', { name: 'the way', exact: true }).hover();
    await expect(page.getByRole('tooltip')).toHaveText(/introduced, worked on, tested and kept/);
    await page.keyboard.press('?');
    await expect(
      page.getByRole('heading', { level: 1, name: 'The way from the first belt to the last' }),
    ).toBeVisible();
    const picture = page.locator('.guide img').first();
    await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(600);
    // Links between its documents lead to pages of the program.
    await page.goto(`${demo.url}/guide/sequences`);
    await page.getByRole('link', { name: 'How it is written', exact: true }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'How a sequence is written' })).toBeVisible();
    await page.getByRole('link', { name: 'Our words' }).click();
    await expect(page.getByText('One point along the whole line, one tap a person.')).toBeVisible();
    await page.goto(`${demo.url}/guide/nothing`);
    await shows(page, 'There is no such page in the guide.');
  });

  test('a technique is written with its points and slips, shown, changed, and found again', async ({ demo, page }) => {
    await page.goto(`${demo.url}/techniques/new`);
    await settle(page);
    await page.getByRole('button', { name: 'Save it' }).click();
    await shows(page, 'A name is missing.');
    await page.getByLabel('Name', { exact: true }).fill('Reed strike');
    await page.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'strike' }).click();
    await page.getByRole('combobox', { name: 'Stands in' }).click();
    await page.getByRole('option', { name: 'Front stance' }).click();
    await page.getByRole('button', { name: 'Add a point' }).click();
    await page.getByLabel('What one looks at').fill('Palm turns up');
    await page.getByRole('combobox', { name: 'How it is known' }).click();
    await page.getByRole('option', { name: 'measured' }).click();
    await page.getByRole('button', { name: 'Save it' }).click();
    await shows(page, 'A measured point needs an accepted range.');
    await page.getByRole('combobox', { name: 'Unit' }).click();
    await page.getByRole('option', { name: '°' }).click();
    await page.getByLabel('Accepted from').fill('80');
    await page.getByLabel('Accepted to', { exact: true }).fill('100');
    await page.getByRole('button', { name: 'Add a slip' }).click();
    await page.getByLabel('Slip 1 looks like').fill('Palm stays down');
    await page.getByLabel('The cue that mends it').fill('Show the lantern.');
    // What is typed is kept if the page is lost before it is saved.
    await page.reload();
    await shows(page, /what you typed last time/);
    await expect(page.getByLabel('What one looks at')).toHaveValue('Palm turns up');
    await page.getByRole('button', { name: 'Save it' }).click();
    await expect(page.getByRole('heading', { name: 'What makes a reed strike right?' })).toBeVisible();
    await shows(page, 'Six points, two of them critical; five from front stance');
    await page.getByRole('button', { name: /Palm turns up/ }).click();
    await shows(page, '“Show the lantern.”');
    await shows(page, 'Accepted 80 to 100°.');
    await page.goto(`${demo.url}/techniques`);
    await settle(page);
    await page.getByPlaceholder('Find by any of its names').fill('reed');
    await expect(page.getByRole('link', { name: 'Reed strike' })).toBeVisible();
  });

  test('what is typed, ticked and pressed before the scripts have come is not lost', async ({ demo, page }) => {
    let come = () => {};
    const held = new Promise<void>((done) => (come = done));
    await page.route('**/_astro/TechniqueForm*.js', async (route) => {
      await held;
      await route.continue();
    });
    await page.goto(`${demo.url}/techniques/new`, { waitUntil: 'commit' });
    await page.getByLabel('Name', { exact: true }).fill('Heron step');
    await page.getByLabel('In one sentence').fill('One foot waits in the air.');
    const sided = page.getByRole('checkbox', { name: 'left and right are two things' });
    const wasSided = await sided.isChecked();
    await sided.click();
    await page.getByRole('button', { name: 'Save it' }).click();
    await expect(page.getByRole('button', { name: 'Save it' })).toHaveAttribute('aria-busy', 'true');
    come();
    await shows(page, 'Heron step');
    await page.waitForURL((u) => !u.pathname.endsWith('/new'));
    expect(await demo.query(`select summary, sided from technique where name = 'Heron step'`)).toEqual([
      { summary: 'One foot waits in the air.', sided: !wasSided },
    ]);
  });

  test('a technique’s names, ways and ceiling are written, found by any of them, and travel as text', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/techniques/${await idOf(demo, 'technique', 'Straddle stance')}/edit`);
    await settle(page);
    await page.getByRole('button', { name: 'Add a name' }).click();
    const names = page.getByRole('group', { name: 'Names in other languages' });
    await names.getByLabel('Name', { exact: true }).last().fill('pozycja jeźdźca');
    await page.getByRole('button', { name: 'Save it' }).click();
    await shows(page, 'This is no language tag: write ja, ko, zh-Hant, pl, ….');
    await names.getByLabel('Language tag').last().fill('pl');
    await page.getByRole('button', { name: 'Set a ceiling' }).click();
    await page.getByRole('combobox', { name: 'Contact' }).click();
    await page.getByRole('option', { name: 'equipment only' }).click();
    await page.getByRole('button', { name: 'Save it' }).click();
    await expect(page.getByRole('heading', { name: 'What makes a straddle stance right?' })).toBeVisible();
    await shows(page, 'pozycja jeźdźca');
    await shows(page, 'equipment only');
    await page.goto(`${demo.url}/techniques`);
    await settle(page);
    await page.getByPlaceholder('Find by any of its names').fill('jezdzca');
    await expect(page.getByRole('link', { name: 'Straddle stance' })).toBeVisible();
    const [got] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Take out as text' }).click(),
    ]);
    const text = await readFile(await got.path(), 'utf8');
    expect(text).toContain('term: pl | pozycja jeźdźca');
    await page.goto(`${demo.url}/techniques/import`);
    await settle(page);
    await paste(
      page.getByLabel('Text or JSON'),
      `technique: Otter step\nkind: step\npoint: Quiet\n  part: feet\n\n${text}\n\ntechnique: Odd\nkind: dance`,
    );
    await shows(page, 'new step, 1 point');
    await shows(page, 'is here already and stays as it is');
    await shows(page, /stays out: kind: A kind is one of/);
    await page.getByRole('button', { name: 'Take the 1 good one' }).click();
    await shows(page, '1 technique taken.');
  });

  test('the roll is matrix, person and reason; the head overrules, adapts and promotes, each with its reason', async ({
    demo,
    page,
  }) => {
    const errors = watchConsole(page);
    const [amber, hugo] = [await idOf(demo, 'rank', 'Amber'), await idOf(demo, 'person', 'Hugo Tarn')];
    await page.goto(`${demo.url}/students/ready?rank=${amber}`);
    await settle(page);
    await expect(page.getByRole('heading', { name: 'Who is ready for Fern?' })).toBeVisible();
    await expect(page.locator('.matrix tbody tr')).toHaveCount(9);
    await page.getByRole('button', { name: 'Hugo Tarn' }).click();
    await expect(page.getByRole('link', { name: 'Hugo’s page' })).toBeVisible();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByRole('link', { name: 'Hugo’s page' })).toHaveCount(0);

    await page.goto(`${demo.url}/students/${hugo}`);
    await settle(page);
    const need = page.locator('.needs button').filter({ hasText: 'short' }).first();
    const technique = (await need.locator('b').innerText()).trim();
    await expect(need).toContainText(/needs \d+ of \d+/);
    await need.click();
    await page.getByRole('button', { name: 'Overrule this' }).click();
    await page.getByRole('button', { name: 'Say so' }).click();
    await shows(page, 'A reason is needed: it is kept with the decision.');
    await page.getByLabel('Why').fill('Shown at the open day.');
    await page.getByRole('button', { name: 'Say so' }).click();
    await expect(page.locator('.needs li').filter({ hasText: technique }).first()).toContainText(
      'The head’s word: Shown at the open day.',
    );
    await page.getByRole('button', { name: 'Adapt a point' }).click();
    await page.getByRole('radio', { name: 'waived' }).click();
    await page.getByLabel('Why').fill('Wrist in plaster.');
    await page.getByRole('button', { name: 'Write it' }).click();
    await shows(page, /waived, from/);
    await page.getByRole('button', { name: 'Record a promotion' }).click();
    await shows(page, /Not met yet:/);
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(page.getByRole('heading', { name: 'What does Hugo need for Lake belt?' })).toBeVisible();
    expect(errors).toEqual([]);
  });

  test('a list is taken in: every line says what will happen, good ones go in, bad ones stay to be mended', async ({
    demo,
    page,
  }) => {
    await page.goto(`${demo.url}/students/import`);
    await settle(page);
    const list = [
      'born,name,belt,since',
      '4 May 2010,Thea Brook,Straw,2026-01-10',
      '31 Feb 2012,Ole Fenn,Straw,',
      '2012-03-01,Ida Moss,Strwa,',
      '2001-01-01,Thea Brook,White,',
      '1990-07-01,Anselm Grey,White,',
    ];
    await page.setInputFiles('input[type=file]', {
      name: 'roll.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(`\uFEFF${list.join('\r\n')}`),
    });
    await shows(page, '2 will be taken, 3 will not');
    await shows(page, 'Date of birth: February has no 31st.');
    await shows(page, 'No belt of this school is called Strwa. Straw?');
    await shows(page, 'Thea Brook already stands on line 2.');
    await page.reload();
    await expect(page.getByLabel('The list')).toHaveValue(/Ole Fenn/);
    await page.getByRole('button', { name: 'Take the 2 good ones' }).click();
    await shows(page, '2 students are on the roll now.');
    await expect(page.getByLabel('The list')).not.toHaveValue(/2010,Thea Brook/);
    await expect(page.getByLabel('The list')).toHaveValue(/Ole Fenn/);
    await page.setInputFiles('input[type=file]', {
      name: 'roll.xlsx',
      mimeType: 'application/zip',
      buffer: Buffer.from('PK\u0003\u0004'),
    });
    await shows(page, /this is not a text file/);
    await expect(page.getByLabel('The list')).toHaveValue(/Ole Fenn/);
    const born = await demo.query<{ born: string }>(`select born::text from person where name = 'Thea Brook'`);
    expect(born).toEqual([{ born: '2010-05-04' }]);
  });
});

import type { Browser, Page } from '@playwright/test';
import { axe, expect, settle, test, type House, worksOffline } from './house';

const as = async (house: House, browser: Browser, who: Parameters<House['signIn']>[1], tablet = true) => {
  const context = await browser.newContext({
    viewport: tablet ? { width: 800, height: 1280 } : { width: 1280, height: 800 },
  });
  await house.signIn(context, who);
  return { context, page: await context.newPage() };
};
/** Marks everything before one: one slip at the first of each item where that is asked, the rest held. */
const markAll = async (page: Page, slips: boolean) => {
  const next = page.getByRole('button', { name: /^Next:/ });
  for (let i = 0; i < 60; i += 1) {
    if (slips) await page.keyboard.press('s');
    await page.getByRole('button', { name: 'The rest held' }).click();
    const right = page.getByRole('radio', { name: 'right' });
    if (await right.isVisible()) {
      await right.click();
      await page.getByRole('button', { name: 'The rest held' }).click();
    }
    if (!(await next.isVisible())) return;
    await next.click();
  }
};
const handIn = async (page: Page) => {
  await page.getByRole('button', { name: 'Hand in', exact: true }).click();
  await page.getByRole('button', { name: 'Hand it in' }).click();
  await expect(page.getByText('Your sheet is handed in.')).toBeVisible();
};
const saved = (page: Page) => expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 30_000 });

test.use(worksOffline);

test('a grading, from the list to the belt: three sheets, one of them without a network and over a reload', async ({
  demo,
  browser,
}) => {
  test.setTimeout(240_000);
  const desk = await as(demo, browser, 'maren', false);
  const { page } = desk;
  await page.goto(`${demo.url}/gradings`);
  await settle(page);
  await page.getByRole('button', { name: 'Make a grading' }).click();
  await page.getByLabel('Called').fill('House grading');
  for (const name of ['Idris Vane', 'Odile Farrow, examiner']) {
    await page.getByRole('combobox', { name: 'The panel' }).click();
    await page.getByRole('option', { name }).click();
  }
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.waitForURL(/gradings\/[0-9a-f]/);
  await settle(page);
  await expect(page.getByText('Nobody is put forward. Who is ready?')).toBeVisible();
  await page.getByRole('combobox', { name: 'Who?' }).click();
  await page.getByRole('option', { name: 'Sefa Lindqvist' }).click();
  await expect(page.getByRole('heading', { name: 'to Straw' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Who?' }).click();
  await page.getByRole('option', { name: 'Bastian Reeve' }).click();
  await page.getByRole('button', { name: /^Bastian Reeve/ }).click();
  await page.getByLabel('Because').fill('Away that week');
  await page.getByRole('button', { name: 'Take them out' }).click();
  await expect(page.getByText('Out: Away that week')).toBeVisible();
  const at = page.url();
  // The day is laid out in a worker, and stands there again.
  await page.getByRole('link', { name: 'The day' }).click();
  await settle(page);
  await page.getByRole('button', { name: 'Lay it out' }).click();
  await expect(page.getByText(/^Laid out/)).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await settle(page);
  await page.getByRole('button', { name: /, Straw, \d+ minutes/ }).click();
  await expect(page.getByRole('region', { name: 'Straw' }).getByText(/from the door: Sefa Lindqvist/)).toBeVisible();
  expect((await axe(page).analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.goto(at);
  await settle(page);
  const found = await axe(page).analyze();
  expect(found.violations.map((v) => v.id)).toEqual([]);

  // The examiner from elsewhere finds this grading and nothing else of the school.
  const odile = await as(demo, browser, 'odile');
  await odile.page.goto(demo.url);
  await settle(odile.page);
  await expect(odile.page.getByText('House grading')).toBeVisible();
  for (const path of ['/students', '/techniques', new URL(at).pathname])
    expect((await odile.page.goto(demo.url + path))!.status()).toBe(403);
  await odile.page.goto(`${at}/examine`);
  await expect(odile.page.locator('main[aria-busy=false]')).toBeVisible();
  await expect(odile.page.getByRole('heading', { name: 'Sefa Lindqvist' })).toBeVisible();
  const seen = await axe(odile.page).analyze();
  expect(seen.violations.map((v) => v.id)).toEqual([]);
  // Without a network to the end of the evening.
  await odile.context.setOffline(true);
  await markAll(odile.page, true);
  await handIn(odile.page);
  await expect(odile.page.getByText(/wait.* for the network/)).toBeVisible();

  // One is killed in the middle of a line: it is there again.
  const idris = await as(demo, browser, 'idris');
  await idris.page.goto(`${at}/examine`);
  await expect(idris.page.locator('main[aria-busy=false]')).toBeVisible();
  await idris.page.keyboard.press('s');
  await idris.page.keyboard.press('h');
  await expect(idris.page.getByText('1 of 2', { exact: true })).toBeVisible();
  await idris.page.reload();
  await expect(idris.page.locator('main[aria-busy=false]')).toBeVisible();
  await expect(idris.page.getByText('1 of 2', { exact: true })).toBeVisible();
  await markAll(idris.page, false);
  await handIn(idris.page);
  await saved(idris.page);
  await page.goto(`${at}/examine`);
  await expect(page.locator('main[aria-busy=false]')).toBeVisible();
  await markAll(page, false);
  await handIn(page);
  await saved(page);

  await page.goto(`${at}/panel`);
  await expect(page.getByText('Odile Farrow has not handed in yet.')).toBeVisible();
  await odile.context.setOffline(false);
  await saved(odile.page);
  await page.reload();
  await settle(page);
  await expect(page.getByText(/Two marks of one point were the same in/)).toBeVisible();
  await expect(page.getByText(/^Odile Farrow sees .* fewer held/)).toBeVisible();
  await page.getByRole('radio', { name: 'decide' }).click();
  const looked = await axe(page).analyze();
  expect(looked.violations.map((v) => v.id)).toEqual([]);
  await page.getByRole('combobox', { name: 'What becomes of it' }).click();
  await page.getByRole('option', { name: /^the belt(, by the rule)?$/ }).click();
  const why = page.getByLabel('Why not as the rule says');
  if (await why.isVisible()) {
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('Say why it is not as the rule says.').first()).toBeVisible();
    await why.fill('We talked about the heel.');
  }
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Close the grading' }).click();
  await page.getByRole('button', { name: 'Close it, let it out later' }).click();
  await expect(page.getByText(/Closed: nothing of it changes any more/)).toBeVisible();
  await expect(page.getByText('Nobody but the panel reads it yet.')).toBeVisible();
  // The guardian is told nothing before it is let out, and the result, what to work on and the certificate after.
  await demo.query(
    `insert into guardian_of select p.school_id, g.id, p.id from person p, person g
     where p.name = 'Sefa Lindqvist' and g.name = 'Aldous Marrow' and g.school_id = p.school_id`,
  );
  const aldous = await as(demo, browser, 'aldous', false);
  const [child] = await demo.query<{ id: string }>(`select id from person where name = 'Sefa Lindqvist'`);
  await aldous.page.goto(`${demo.url}/students/${child!.id}`);
  await settle(aldous.page);
  await expect(aldous.page.getByRole('heading', { level: 1 })).toContainText('Straw');
  await expect(aldous.page.getByRole('region', { name: 'The last grading' })).toHaveCount(0);
  await expect(aldous.page.getByRole('link', { name: 'Print on A4' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Let it out', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Print on A4' })).toBeVisible();
  await aldous.page.reload();
  await settle(aldous.page);
  const result = aldous.page.getByRole('region', { name: 'The last grading' });
  await expect(result.getByText('the belt', { exact: true })).toBeVisible();
  await expect(result.getByText(/To work on: /)).toBeVisible();
  await expect(aldous.page.getByRole('link', { name: 'Print on A4' })).toBeVisible();
  await aldous.context.close();
  const [sefa] = await demo.query<{ rank: string; shown: number }>(
    `select k.name as rank, (select count(distinct l.by)::int from look l where l.student_id = p.id and l.purpose = 'show'
       and l.day = current_date) as shown
     from person p join rank_held r on r.person_id = p.id join rank k on k.id = r.rank_id
     where p.name = 'Sefa Lindqvist' order by r.since desc, r.at desc limit 1`,
  );
  expect(sefa).toEqual({ rank: 'Straw', shown: 3 });

  // The certificate is printed, and whoever holds it checks it without a sign-in.
  const to = async (name: string) => demo.url + (await page.getByRole('link', { name }).getAttribute('href'))!;
  const printed = await page.request.get(await to('Print on A4'));
  expect(printed.headers()['content-type']).toBe('application/pdf');
  expect((await printed.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const file = await to('File to be checked');
  const signed = await (await page.request.get(file)).text();
  const stranger = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const street = await stranger.newPage();
  expect((await street.goto(file))!.url()).toContain('/signin');
  await street.goto(`${demo.url}/c`);
  await settle(street);
  const code = street.getByLabel('The code, or all that stands in the file');
  await code.fill('7KQ4');
  await street.getByRole('button', { name: 'Check it' }).click();
  await expect(street.getByText('This is neither a code nor a certificate file.')).toBeVisible();
  const [head, body, signature] = signed.split('.') as [string, string, string];
  const other = Buffer.from(Buffer.from(body, 'base64url').toString().replaceAll('Straw', 'Black')).toString(
    'base64url',
  );
  await code.fill([head, other, signature].join('.'));
  await street.getByRole('button', { name: 'Check it' }).click();
  await expect(street.getByText('It was changed: the belt says Black, the school gave Straw.')).toBeVisible();
  await street
    .locator('input[type=file]')
    .setInputFiles({ name: 'c.jws', mimeType: 'text/plain', buffer: Buffer.from(signed) });
  await expect(street.getByText(/^It stands: Sefa Lindqvist wears Straw/)).toBeVisible();
  const [own] = await demo.query<{ code: string }>('select code from certificate order by at desc limit 1');
  await street.goto(`${demo.url}/c/${own!.code.toLowerCase()}`);
  await expect(street.getByText('It stands.', { exact: true })).toBeVisible();
  expect((await axe(street).analyze()).violations.map((v) => v.id)).toEqual([]);
  for (const context of [desk.context, odile.context, idris.context, stranger]) await context.close();
});

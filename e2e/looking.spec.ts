import type { Page } from '@playwright/test';
import { expect, test, watchConsole, type House } from './house';

const awake = (page: Page) => expect(page.locator('main[aria-busy=false]')).toBeVisible();
const everybody = async (page: Page, url: string) => {
  await page.goto(`${url}/look`);
  await awake(page);
  await page.getByRole('button', { name: 'Everybody' }).click();
};
const pick = async (page: Page, item: string) => {
  await page.locator('#item').fill(item);
  await page.getByRole('option', { name: item, exact: true }).click();
};
const sent = (page: Page) => expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 20_000 });
const studentId = async (house: House, name: string) =>
  (await house.query<{ id: string }>(`select id from person where name = $1`, [name]))[0]!.id;

test.describe('looking', () => {
  test('a form is looked at count by count on its stave, goes on after the page was closed, and is read on the student’s page', async ({
    demo,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    let page = await context.newPage();
    const errors = watchConsole(page);
    await everybody(page, demo.url);
    await pick(page, 'Sluice');
    await page.getByRole('button', { name: 'Noor Saltby', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Noor Saltby' })).toBeVisible();
    await page.getByRole('button', { name: /^Count 3, .*not seen/ }).click();
    await expect(page.getByRole('button', { name: /^Count 3, .*: slipped/ })).toBeVisible();
    // What slipped is named by a point of the technique done there.
    await page.getByRole('checkbox', { name: 'Heels on one line' }).click();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('h');
    // What is shown is on the device: from here on the page may go.
    await expect(page.getByRole('button', { name: /^Count 4, .*: held/ })).toBeVisible();
    await page.close();

    page = await context.newPage();
    await everybody(page, demo.url);
    await pick(page, 'Sluice');
    await page.getByRole('button', { name: 'Noor Saltby', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Count 4, .*: held/ })).toBeVisible();
    await page.getByRole('button', { name: 'rhythm: not seen' }).click();
    await page.getByRole('button', { name: 'The rest held' }).click();
    await page.getByRole('button', { name: 'Once more' }).click();
    await expect(page.getByText('tonight, 2')).toBeVisible();
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await sent(page);
    const rows = await demo.query<{ counts: string; slips: { count: number }[]; purpose: string }>(
      `select counts, slips -> 'list' as slips, purpose from look where counts is not null and at > now() - interval '1 hour'`,
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]!.counts).toMatch(/^HHSH+\|SHH$/);
    expect([rows[0]!.slips.map((s) => s.count), rows[0]!.purpose]).toEqual([[3], 'show']);
    const named = await demo.query<{ held: number; of: number }>(
      `select m.held, m.of from mark m join look l on l.id = m.look_id where l.counts is not null and l.at > now() - interval '1 hour'`,
    );
    expect(named).toHaveLength(1);
    expect(named[0]!.held).toBe(named[0]!.of - 1);

    await page.goto(`${demo.url}/students/${await studentId(demo, 'Noor Saltby')}`);
    await expect(page.getByText('counts 3 and rhythm slipped')).toBeVisible();
    await page.getByRole('button', { name: 'All looks, mark by mark' }).click();
    await expect(page.getByText(/counts counts 3 and rhythm slipped; Heels on one line/)).toBeVisible();
    expect(errors).toEqual([]);
  });

  test('worth a look offers whom to watch; the correction said over a card becomes the student’s; it is not offered again', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'idris');
    await everybody(page, demo.url);
    const offers = page.locator('.worth ol > li');
    expect(await offers.count()).toBeGreaterThan(3);
    // Only basics tonight: no form is offered any more.
    for (const group of ['Forms', 'Combinations', 'Equipment', 'Partner'])
      await page.getByRole('checkbox', { name: group, exact: true }).click();
    const card = offers.filter({ hasNotText: 'The line' }).first();
    const what = (await card.locator('.what').textContent())!;
    await card.getByRole('button').click();
    await expect(page.getByText('One repetition less')).toHaveCount(0);
    await expect(page.getByRole('region', { name: 'One thing to work on' })).toBeVisible();
    await page.keyboard.press('5');
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await awake(page);
    await expect(page.locator('.worth .what', { hasText: what })).toHaveCount(0);
    await sent(page);
    // Another correction is chosen with a reason.
    await pick(page, 'Front stance');
    await page.getByRole('button', { name: 'Hugo Tarn', exact: true }).click();
    await page.getByRole('button', { name: 'Another, or all slips' }).click();
    await page.locator('.others li button').nth(1).click();
    await page.getByRole('button', { name: 'Let it be the one' }).click();
    await expect(page.getByText('Say why: it is kept with the choice.')).toBeVisible();
    await page.getByLabel('Why this one?').fill('He asked for it.');
    await page.getByRole('button', { name: 'Let it be the one' }).click();
    await expect(page.getByText('First, chosen now')).toBeVisible();
    await sent(page);
    const given = await demo.query<{ reason: string }>(
      `select f.reason from focus_given f join person p on p.id = f.student_id where f.chosen and p.name = 'Hugo Tarn'`,
    );
    expect(given).toEqual([{ reason: 'He asked for it.' }]);
    await page.goto(`${demo.url}/students/${await studentId(demo, 'Hugo Tarn')}`);
    await expect(page.getByText('Chosen: He asked for it.')).toBeVisible();
  });

  test('a part that cannot be fetched takes nothing else down, and comes when the network does', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    const missing = page.getByText(/could not be fetched/);
    await page.route(/_astro\/WhatToLookAt\./, (route) => route.abort('internetdisconnected'));
    await page.goto(`${demo.url}/look`);
    await expect(missing).toBeVisible();
    // Nobody is told to wait for the rest before they hear of it.
    await expect(page.getByRole('main')).toHaveAttribute('aria-busy', 'false');
    await page.unroute(/_astro\/WhatToLookAt\./);
    await everybody(page, demo.url);
    await page.route(/_astro\/OrderLine\./, (route) => route.abort('internetdisconnected'));
    await page.getByRole('button', { name: 'Order the line' }).click();
    await expect(page.getByText(/could not be fetched\. It is tried again by itself/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'How do they stand?' })).toBeVisible();
    await page.unroute(/_astro\/OrderLine\./);
    await expect(page.getByRole('button', { name: 'So they stand' })).toBeVisible({ timeout: 15_000 });
    await expect(missing).toHaveCount(0);
  });

  test('two tablets at the same line: both marks are kept, each sees the other’s', async ({ demo, browser }) => {
    const [one, two] = await Promise.all([browser.newContext(), browser.newContext()]);
    await demo.signIn(one, 'maren');
    await demo.signIn(two, 'idris');
    const [a, b] = await Promise.all([one.newPage(), two.newPage()]);
    for (const page of [a, b]) {
      await everybody(page, demo.url);
      await pick(page, 'Back stance');
      await page.getByRole('button', { name: /^1 Heels on one line/ }).click();
      await expect(page.getByText(/^0 of \d+ marked/)).toBeVisible();
    }
    await a.keyboard.press('h');
    await b.keyboard.press('s');
    await sent(a);
    await sent(b);
    const held = async () =>
      (
        await demo.query<{ held: number }>(
          `select m.held from mark m join look l on l.id = m.look_id join point p on p.id = m.point_id
           where p.name = 'Heels on one line' and l.counts is null and l.at > now() - interval '5 minutes' order by m.held`,
        )
      ).map((m) => m.held);
    await expect.poll(held).toEqual([0, 1]);
    await expect(a.getByText('Idris: slipped')).toBeVisible({ timeout: 20_000 });
    await expect(b.getByText('Maren: held')).toBeVisible({ timeout: 20_000 });
    await one.close();
    await two.close();
  });

  test('a tablet without room says so before a mark is lost; who comes late joins the line', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/look`);
    await awake(page);
    for (const name of ['Mei Tolland', 'Rafael Quill']) await page.getByRole('checkbox', { name }).click();
    await page.getByRole('button', { name: 'Note who is here' }).click();
    await expect(page.getByText(/The class is noted: 2 here/)).toBeVisible();
    await page.getByRole('button', { name: 'Order the line' }).click();
    const grip = page.getByRole('button', { name: 'Move Mei Tolland' });
    await grip.focus();
    await page.keyboard.press('Space');
    await expect(grip).toHaveAttribute('aria-pressed', 'true');
    // Arrows are heard a moment after it is taken; at the end of the line one more does nothing.
    await expect(async () => {
      await page.keyboard.press('ArrowDown');
      await expect(page.getByText('Mei Tolland would be 2 of 2.')).toBeAttached({ timeout: 1000 });
    }).toPass();
    // A number belongs to the place, also while somebody is between places.
    await expect(page.getByRole('listitem').filter({ hasText: 'Mei Tolland' }).locator('.num')).toHaveText('2');
    await page.keyboard.press('Space');
    await expect(page.locator('.order-line li b').first()).toHaveText('Rafael Quill');
    await page.getByRole('button', { name: 'So they stand' }).click();
    await pick(page, 'Low block');
    await page.locator('.sweeps button').first().click();
    await expect(page.locator('.sweep .rows li').first()).toContainText('Rafael');
    await page.evaluate(() => {
      const full = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
      const real = Object.getOwnPropertyDescriptor(IDBObjectStore.prototype, 'put')!;
      Object.assign(window, { real });
      Object.defineProperty(IDBObjectStore.prototype, 'put', { ...real, value: full });
    });
    await page.keyboard.press('h');
    await expect(page.getByText('This device has no room left. The mark is not kept yet')).toBeVisible();
    await expect(page.getByText('0 of 2 marked')).toBeVisible();
    await page.evaluate(() => {
      const { real } = window as unknown as { real: PropertyDescriptor };
      Object.defineProperty(IDBObjectStore.prototype, 'put', real);
    });
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('h');
    await expect(page.getByText('1 of 2 marked')).toBeVisible();
    await page.getByRole('button', { name: 'Somebody came' }).click();
    await page.getByRole('button', { name: 'Siân Moorhouse' }).click();
    await expect(page.locator('.sweep .rows li')).toHaveCount(3);
    await expect(page.getByText(/^came at \d\d:\d\d/)).toBeVisible();
    await sent(page);
  });

  test('felt points are told by whoever felt them, by handing over the tablet', async ({ demo, context, page }) => {
    await demo.signIn(context, 'maren');
    const [felt] = await demo.query<{ technique: string; point: string }>(
      `select t.name as technique, p.name as point from point p join technique t on t.id = p.technique_id where p.kind = 'felt' and not p.retired order by 1, 2`,
    );
    await everybody(page, demo.url);
    await pick(page, felt!.technique);
    await page.getByRole('button', { name: 'Greta Holm', exact: true }).click();
    await page.locator('.card .points').getByText(felt!.point, { exact: true }).click();
    await page.getByRole('button', { name: 'Hand over the tablet' }).click();
    await expect(page.getByRole('heading', { name: felt!.point })).toBeVisible();
    await page.getByLabel('Who answers?').click();
    await page.getByRole('option', { name: 'Łucja Sedge' }).click();
    await page.getByRole('button', { name: '4', exact: true }).click();
    await expect(page.locator('.card .points').getByText('4 of 5')).toBeVisible();
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await sent(page);
    const told = await demo.query<{ kind: string; by: string; held: number }>(
      `select m.kind, p.name as by, m.held from mark m join person p on p.id = m.told_by`,
    );
    expect(told).toEqual([{ kind: 'felt', by: 'Łucja Sedge', held: 4 }]);
  });

  test('what a form asks to be felt is told at its count by whoever felt it, and read on the student’s page', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    await everybody(page, demo.url);
    await pick(page, 'Ferry Pole');
    await page.getByRole('button', { name: 'Greta Holm', exact: true }).click();
    await page.getByRole('button', { name: /^Count 5, .*not seen/ }).click();
    await page.getByRole('button', { name: 'Not pulled off the spot, felt: who felt it says' }).click();
    await expect(page.getByRole('heading', { name: 'Not pulled off the spot' })).toBeVisible();
    // Nothing but the question is to be seen, and keys mark nothing meanwhile.
    await page.keyboard.press('h');
    await page.getByLabel('Who answers?').click();
    await page.getByRole('option', { name: 'Łucja Sedge' }).click();
    await page.getByRole('button', { name: 'Yes', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Not pulled off the spot, felt: told, held' })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Count 5, .*: slipped/ })).toBeVisible();
    await page.getByRole('button', { name: 'The rest held' }).click();
    await page.getByRole('button', { name: 'End', exact: true }).click();
    await sent(page);
    const told = await demo.query<{ slips: object }>(
      `select slips -> 'list' as slips from look where counts is not null and slips::text like '%felt%'`,
    );
    const by = await studentId(demo, 'Łucja Sedge');
    expect(told).toEqual([
      { slips: [{ count: 5, pointId: null, what: 'not pulled off the spot, felt', toldBy: by, held: true }] },
    ]);
    await page.goto(`${demo.url}/students/${await studentId(demo, 'Greta Holm')}`);
    await page.getByRole('button', { name: 'All looks, mark by mark' }).click();
    await expect(
      page.getByText('not pulled off the spot, felt: held at count 5, felt by a partner', { exact: false }),
    ).toBeVisible();
  });
});

test.describe('what follows from looks', () => {
  test('a student writes practice down, a guardian sees their child’s page and no other, both read the home sheet', async ({
    demo,
    browser,
  }) => {
    const mine = await browser.newContext();
    await demo.signIn(mine, 'ilse');
    const page = await mine.newPage();
    await page.goto(demo.url);
    await expect(page.getByRole('heading', { name: /What do you need for Fern belt/ })).toBeVisible();
    await page.getByRole('button', { name: 'Write down practice' }).click();
    await page.getByLabel('Minutes', { exact: true }).fill('0');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('The time in minutes is at least 1.').first()).toBeVisible();
    await page.getByLabel('Minutes', { exact: true }).fill('25');
    await page.getByLabel('Hands').click();
    await page.getByRole('option', { name: 'skin open' }).click();
    await page.getByLabel('What, in a few words').fill('heels, slowly');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText(/heels, slowly/)).toBeVisible();
    await expect(page.getByText(/no striking until it has healed/)).toBeVisible();
    await page.getByRole('link', { name: 'Home sheet' }).click();
    await expect(page.getByRole('heading', { name: /Ilse, at home this week/ })).toBeVisible();
    await expect(page.getByText(/Under 16: no hard targets/)).toBeVisible();
    await mine.close();

    const family = await browser.newContext();
    await demo.signIn(family, 'aldous');
    const theirs = await family.newPage();
    await theirs.goto(demo.url);
    await expect(theirs.getByText('Ilse Marrow, 14 years old')).toBeVisible();
    const other = await theirs.goto(`${demo.url}/students/${await studentId(demo, 'Noor Saltby')}`);
    expect(other?.status()).toBe(403);
    expect((await theirs.goto(`${demo.url}/students`))?.status()).toBe(403);
    await family.close();
  });

  test('the forecast is tried out, can be stopped, and says its range and what decides', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    const errors = watchConsole(page);
    await page.goto(`${demo.url}/students/${await studentId(demo, 'Ines Calder')}`);
    const when = page.locator('section.when');
    await expect(when.getByText(/8 times in 10 between|No range:|^By /)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('heading', { name: 'On the day' })).toBeVisible();
    // Stopped while it works: the worker is held up so that there is something to stop.
    await page.route('**/api/views/forecast?*', async (route) => {
      await new Promise((r) => setTimeout(r, 300));
      await route.continue();
    });
    await page.addInitScript(() => {
      const Real = Worker;
      window.Worker = class extends Real {
        override postMessage() {
          this.dispatchEvent(new MessageEvent('message', { data: { done: 0.1 } }));
        }
      };
    });
    await page.reload();
    await when.getByRole('button', { name: 'Stop' }).click();
    await expect(when.getByText('Stopped.')).toBeVisible();
    await expect(when.getByRole('button', { name: 'Try again' })).toBeVisible();
    expect(errors).toEqual([]);
  });

  test('the head sets the grading, sees everybody by keys, how good chances were, and records an incident with three parties', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/students`);
    await expect(page.getByText(/^Next grading on /)).toBeVisible();
    await page.getByRole('button', { name: 'Another day' }).click();
    await page.getByLabel('Day of the next grading').fill('1 May 2001');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByText('The next grading is still to come.')).toBeVisible();
    await page.getByRole('link', { name: 'Who is ready, of all belts?' }).click();
    await expect(page.getByRole('heading', { name: 'Who is ready?' })).toBeVisible();
    // The chances put the list in order once they are there; then it keeps still under the keys.
    await expect(page.getByText(/in 10$/).first()).toBeVisible({ timeout: 20_000 });
    const names = page.locator('.everybody a.who');
    await names.first().focus();
    await page.keyboard.press('ArrowDown');
    await expect(names.nth(1)).toBeFocused();

    await page.goto(`${demo.url}/students/calibration`);
    await expect(page.getByText(/decisions? so far: too few to judge by/)).toBeVisible();
    await expect(page.getByText(/Brier score/).first()).toBeVisible();
    await page.goto(`${demo.url}/students/missed`);
    await expect(page.getByRole('heading', { name: 'Who has something to make up?' })).toBeVisible();

    await page.goto(`${demo.url}/students/incidents`);
    await page.getByRole('button', { name: 'Record an incident' }).click();
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(page.getByText('Say who was hurt.')).toBeVisible();
    await page.getByLabel('Who was hurt').fill('Yuna');
    await page.getByRole('option', { name: 'Yuna Brack' }).click();
    await page.getByLabel(/^By whom/).fill('Bram');
    await page.getByRole('option', { name: 'Bram Oakes' }).click();
    await page.locator('#incident-doing').fill('kick shield, holder retreating');
    await page.getByLabel('What happened').fill('Knocked heads.');
    await page.getByLabel('A knock to the head').click();
    await expect(page.getByText(/not back the same day\.$/).last()).toBeVisible();
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(page.getByText('Knocked heads.')).toBeVisible();
    await expect(page.getByText(/kick shield, holder retreating/).last()).toBeVisible();
    await expect(page.getByText(/3 times, 1 to the head/)).toBeVisible();
  });
});

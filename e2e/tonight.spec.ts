import type { Page } from '@playwright/test';
import { expect, House, test, worksOffline } from './house';
import { isReadable, PHONE, TABLET } from './readable';

const saved = (page: Page) => expect(page.getByText('None waits for the network.')).toBeVisible();
const left = async (page: Page): Promise<number> => {
  const [m, s] = (await page.getByRole('timer').textContent())!.split(':');
  return Number(m) * 60 + Number(s);
};
const block = (page: Page, name: RegExp) => page.getByRole('button', { name });

test.use(worksOffline);

// The evening is begun and closed, by what the weeks were when nobody had changed them: a house of its own.
const demo = new House('demo');
test.beforeAll(async () => {
  await demo.open();
  await demo.wake();
});
test.afterAll(() => demo.close());

test.describe('tonight', () => {
  test('from the plan to the close on two tablets, the network cut in the middle: one clock, one roll, pairs under consent', async ({
    browser,
  }) => {
    test.setTimeout(150_000);
    const [desk, tablet] = [
      await browser.newContext({ viewport: { width: 1280, height: 800 } }),
      await browser.newContext({ viewport: { width: 800, height: 1280 } }),
    ];
    await demo.signIn(desk, 'maren');
    // The tablet has never been here but for its session: the first page it opens is the class.
    const elsewhere = await browser.newContext();
    await demo.signIn(elsewhere, 'idris');
    await tablet.addCookies(await elsewhere.cookies());
    await elsewhere.close();
    const maren = await desk.newPage();
    await maren.goto(demo.url);
    // The first page of those who teach, with the evening that is planned.
    await expect(maren).toHaveURL(/\/tonight$/);
    await expect(block(maren, /^Basics in lines, 20 minutes, 18:45 to 19:05$/)).toBeVisible();

    // Longer by keys: it says by how much, and who gives it is first what is least short in the weeks.
    await block(maren, /^Forms, 20 minutes/).focus();
    for (let i = 0; i < 5; i += 1) await maren.keyboard.press('+');
    await expect(maren.getByText('5 minutes too long: it would end at 20:05.')).toBeVisible();
    await maren.getByRole('button', { name: 'Four quarters gives 5' }).click();
    await expect(block(maren, /^Four quarters, 10 minutes/)).toBeVisible();
    await expect(maren.getByText(/too long/)).toHaveCount(0);
    // A block is opened and changed; another one is moved before it.
    await block(maren, /^Staff, 15 minutes/).click();
    await maren.getByLabel('What to mind').fill('Three staff lengths between people.');
    await maren.getByRole('button', { name: 'Close', exact: true }).click();
    await block(maren, /^Staff, 15 minutes/).focus();
    await maren.keyboard.press('Alt+ArrowUp');
    await expect(block(maren, /^Staff, 15 minutes, 19:30 to 19:45(, Long staff: 1 of \d+ short)?$/)).toBeVisible();
    await maren.keyboard.press('Control+z');
    await expect(block(maren, /^Staff, 15 minutes, 19:40 to 19:55(, Long staff: 1 of \d+ short)?$/)).toBeVisible();
    await saved(maren);
    // It is there after a reload, and on the other device.
    await maren.reload();
    await expect(block(maren, /^Four quarters, 10 minutes/)).toBeVisible();

    await maren.getByRole('button', { name: 'All who are expected' }).click();
    await maren.getByRole('checkbox', { name: 'Emre Holloway' }).click();
    await maren.getByRole('button', { name: 'Begin the class' }).click();
    await expect(maren.getByRole('heading', { name: /^Bow in, roll call/ })).toBeVisible();
    const idris = await tablet.newPage();
    await idris.goto(`${demo.url}/tonight/run`);
    await expect(idris.getByRole('heading', { name: /^Bow in, roll call/ })).toBeVisible();

    // The head goes on; the assistant’s tablet follows, to the second.
    await maren.getByRole('button', { name: 'On to Warm-up' }).click();
    await maren.getByRole('button', { name: 'On to Basics in lines' }).click();
    await expect(idris.getByRole('heading', { name: /^Basics in lines/ })).toBeVisible();
    expect(Math.abs((await left(maren)) - (await left(idris)))).toBeLessThanOrEqual(2);

    // What is noted on a block is there for both.
    await maren.getByLabel('Note on Basics in lines').fill('Hips came up.');
    await maren.getByLabel('Note on Basics in lines').press('Enter');
    await expect(idris.getByText('Basics in lines: Hips came up.')).toBeVisible();

    // The running class can be read by everybody, on a tablet and on a phone.
    await isReadable(idris, 'the running class', [TABLET, PHONE]);
    await idris.setViewportSize(TABLET);

    // Without a network the assistant goes on alone, over a reload too; what was done comes home.
    await saved(idris);
    await idris.waitForFunction(async () => {
      const kept = (await (await caches.open('pages')).keys()).map((r) => new URL(r.url).pathname);
      return kept.includes('/tonight/run') && kept.filter((p) => p.endsWith('/call')).length >= 3;
    });
    await tablet.setOffline(true);
    const before = await left(idris);
    await idris.reload();
    await expect(idris.getByRole('heading', { name: /^Basics in lines/ })).toBeVisible();
    const after = await left(idris);
    expect(before - after).toBeGreaterThanOrEqual(0);
    expect(before - after).toBeLessThanOrEqual(30);
    await idris.getByRole('button', { name: 'On to Forms' }).click();
    await expect(idris.getByRole('heading', { name: /^Forms/ })).toBeVisible();
    await expect(maren.getByRole('heading', { name: /^Basics in lines/ })).toBeVisible();
    // A form that was never opened here is called as the block says, and one comes back to the class.
    await idris.getByRole('link', { name: 'Call Second Causeway' }).click();
    await expect(idris.getByRole('heading', { name: 'How shall Second Causeway be called?' })).toBeVisible();
    await expect(idris.getByLabel('Rounds')).toHaveValue('2');
    await expect(idris.getByRole('radio', { name: 'both in turn' })).toBeChecked();
    await idris.getByRole('link', { name: 'Back to the class' }).click();
    await expect(idris.getByRole('heading', { name: /^Forms/ })).toBeVisible();
    await tablet.setOffline(false);
    await expect(maren.getByRole('heading', { name: /^Forms/ })).toBeVisible();

    // Who comes late has the time beside the name.
    await maren.getByRole('checkbox', { name: 'Emre Holloway' }).click();
    await expect(maren.getByRole('checkbox', { name: /^Emre Holloway \d\d:\d\d$/ })).toBeChecked();

    await expect(idris.getByRole('checkbox', { name: /^Emre Holloway \d\d:\d\d$/ })).toBeChecked();
    await expect(idris.getByText(/^33 here, 1 late$/)).toBeVisible();

    // Pairs: the lower yes; who refused has nobody, said with what would allow it.
    await maren.getByRole('button', { name: 'The pairs' }).click();
    const pairs = maren.locator('.pairs-list > li');
    await expect(pairs.first()).toBeVisible();
    const told = await pairs.allInnerTexts();
    for (const text of told) {
      const rungs = [...text.matchAll(/yes to (\d)/g)].map((m) => Number(m[1]));
      const rung = Number(/rung (\d)/.exec(text)![1]);
      expect(rungs.length).toBeGreaterThanOrEqual(2);
      expect(rung).toBe(Math.min(2, ...rungs));
      // Two who are kept apart do not meet.
      expect(/Kofi/.test(text) && /Tomasz/.test(text)).toBe(false);
    }
    const alone = maren.locator('section', { hasText: 'Without a partner' });
    await expect(alone).toContainText('no contact, and no reason is asked. Allowed by: work without contact.');
    const first = pairs.first();
    await first.getByRole('button').first().click();
    await expect(first).toContainText(/Why: .*(belt|belts) apart|the same belt/);
    await maren.getByRole('button', { name: 'So they pair up' }).click();
    const yes = first.getByRole('button', { name: /^Both say yes\?/ });
    await yes.click();
    await expect(first.getByRole('button', { name: /^Both said yes/ })).toBeVisible();
    await saved(maren);
    // The other tablet shows the round as it was called.
    await idris.getByRole('button', { name: 'The pairs' }).click();
    await expect(idris.getByRole('button', { name: /^Both said yes/ })).toHaveCount(1);
    // Nobody meets the same again in the next round.
    const round = async () =>
      (await pairs.locator('.who b').allInnerTexts()).reduce<string[]>(
        (all, name, i, names) => (i % 2 === 0 ? [...all, [name, names[i + 1]].sort().join(' ')] : all),
        [],
      );
    const one = await round();
    await maren.getByRole('radio', { name: 'Round 2' }).click();
    const two = await round();
    expect(two.filter((p) => one.includes(p))).toEqual([]);

    // Closed in ten seconds, for everybody.
    await maren.getByRole('button', { name: 'Back to the clock' }).click();
    await maren.getByRole('button', { name: 'Close the class' }).click();
    await maren.getByLabel('To remember').fill('Heels better than last week.');
    await maren.getByRole('button', { name: 'Close the class' }).click();
    await expect(maren.getByText('The class is closed. Whoever was away finds it on their list.')).toBeVisible();
    await saved(maren);
    await idris.getByRole('button', { name: 'Back to the clock' }).click();
    await expect(idris.getByText('This class is closed.')).toBeVisible();
    await maren.goto(`${demo.url}/students/classes`);
    await expect(maren.getByText(/Maren Holt|here/).first()).toBeVisible();
  });
});

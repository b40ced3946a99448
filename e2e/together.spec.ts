import type { Page } from '@playwright/test';
import { axe, expect, test } from './house';

test.describe('two who work on the same thing', () => {
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('both saves of a technique are shown side by side, and what is chosen stands', async ({ demo, context }) => {
    const [{ id }] = (await demo.query<{ id: string }>(`select id from technique where name = 'Straddle stance'`)) as [
      { id: string },
    ];
    const [theirs, mine] = [await context.newPage(), await context.newPage()];
    for (const page of [theirs, mine]) {
      await page.goto(`${demo.url}/techniques/${id}/edit`);
      await page.waitForLoadState('networkidle');
    }
    await theirs.getByLabel('In one sentence').fill('Wide and low, both knees out.');
    await theirs.getByLabel('What one looks at').first().fill('Heels on one line');
    await theirs.getByRole('button', { name: 'Save it' }).click();
    await theirs.waitForURL((u) => !u.pathname.endsWith('/edit'));

    await mine.getByLabel('In one sentence').fill('Wide, with the weight in the middle.');
    await mine.getByLabel('How it is right').first().fill('As wide as two shoulders.');
    await mine.getByRole('button', { name: 'Save it' }).click();
    await expect(mine.getByRole('heading', { name: 'Which straddle stance shall stand?' })).toBeVisible();
    await expect(mine.getByText(/One place differs\./)).toBeVisible();
    await expect(
      mine.getByText(/One change of Maren and one of yours touch nothing of the other and stand\./),
    ).toBeVisible();
    const found = await axe(mine).analyze();
    expect(found.violations.map((v) => v.id)).toEqual([]);
    await expect(mine.getByRole('button', { name: /^Save as version/ })).toBeDisabled();
    // Left open, it is found again as a draft, over what it began from.
    await mine.reload();
    await mine.waitForLoadState('networkidle');
    await expect(mine.getByLabel('In one sentence')).toHaveValue('Wide, with the weight in the middle.');
    await mine.getByRole('button', { name: 'Save it' }).click();
    await mine.getByRole('radio', { name: /both/ }).click();
    await mine.getByRole('button', { name: /^Save as version/ }).click();
    await mine.waitForURL((u) => !u.pathname.endsWith('/edit'));
    const [saved] = await demo.query<{ summary: string; name: string; how: string }>(
      `select t.summary, p.name, p.how from technique t join point p on p.technique_id = t.id where t.id = $1 order by p.position limit 1`,
      [id],
    );
    expect(saved).toEqual({
      summary: 'Wide and low, both knees out. Wide, with the weight in the middle.',
      name: 'Heels on one line',
      how: 'As wide as two shoulders.',
    });
  });

  test('two tabs of one device never write over each other: the second is asked, and goes on over what stands', async ({
    demo,
    context,
  }) => {
    const [one, other] = [await context.newPage(), await context.newPage()];
    for (const page of [one, other]) {
      await page.goto(`${demo.url}/cycle`);
      await page.waitForLoadState('networkidle');
    }
    const planned = (page: Page) => page.getByRole('grid').getByRole('button', { name: /: \d+ minutes, planned/ });
    const longer = async (page: Page, n: number) => {
      const name = (await planned(page).nth(n).getAttribute('aria-label'))!;
      await planned(page).nth(n).focus();
      await page.keyboard.press('+');
      const minutes = Number(/: (\d+) minutes/.exec(name)![1]);
      return name.replace(/: .*/, `: ${minutes + 5} minutes, planned, pinned`);
    };
    const waits = (page: Page) => expect(page.getByText(/waits? for the network/)).toBeVisible();
    const version = async () => (await demo.query<{ version: number }>('select version from cycle'))[0]!.version;
    const before = await version();
    await context.route('**/api/commands**', (route) => route.abort());
    const mine = await longer(one, 0);
    await waits(one);
    const theirs = await longer(other, 1);
    await waits(other);
    await context.unrouteAll();
    // Whichever of them sends: what the first did is taken, and the second, which never saw it, is asked.
    await expect(other.getByText('Somebody else changed these weeks meanwhile.')).toBeVisible();
    await expect(one.getByText(/Somebody else/)).toHaveCount(0);
    expect(await version()).toBe(before + 1);
    await other.getByRole('button', { name: 'Take theirs' }).click();
    await expect(other.getByRole('button', { name: mine })).toBeVisible();
    await expect(other.getByRole('button', { name: theirs })).toHaveCount(0);
    // The first knows what became of its own, and goes on over it.
    await longer(one, 0);
    await expect.poll(version).toBe(before + 2);
    await expect(one.getByText('None waits for the network.')).toBeVisible();
    await expect(one.getByText(/Somebody else/)).toHaveCount(0);
  });

  test('a change of the way made without a network is kept over a reload and sent when there is one', async ({
    demo,
    context,
    page,
  }) => {
    await page.goto(`${demo.url}/syllabus`);
    await page.waitForLoadState('networkidle');
    const row = page.locator('[data-at="-1"]').filter({ has: page.getByText('Cover', { exact: true }) });
    const thread = await row.getAttribute('data-thread');
    const cell = (at: number) => page.locator(`[id="way-${thread}-${at}"]`);
    const labels = async () => Promise.all([0, 1, 2, 3, 4, 5, 6].map((i) => cell(i).getAttribute('aria-label')));
    const at = (await labels()).findIndex((l) => l?.includes('tested'));
    const before = await labels();
    await context.route('**/api/commands', (route) => route.abort());
    await cell(at).focus();
    await page.keyboard.press('Alt+ArrowRight');
    await expect(page.getByText('one change waits for the network, kept on this device')).toBeVisible();
    const moved = await labels();
    expect(moved).not.toEqual(before);
    await page.reload();
    await page.waitForLoadState('networkidle');
    await expect(page.getByText('one change waits for the network, kept on this device')).toBeVisible();
    expect(await labels()).toEqual(moved);
    await context.unrouteAll();
    await expect(page.getByText(/waits for the network/)).toHaveCount(0, { timeout: 15_000 });
    await page.reload();
    await page.waitForLoadState('networkidle');
    expect(await labels()).toEqual(moved);
  });
});

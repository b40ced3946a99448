import type { Page } from '@playwright/test';
import { axe, expect, test } from './house';

const awake = (page: Page) => expect(page.locator('main[aria-busy=false]')).toBeVisible();
const tap = (page: Page, name: string) => page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).click();
const saved = (page: Page) => expect(page.getByText('None waits for the network.')).toBeVisible();
const sweep = async (page: Page, item: string, point: RegExp) => {
  await page.locator('#item').fill(item);
  await page.getByRole('option', { name: item, exact: true }).click();
  await page.getByRole('button', { name: point }).click();
};

test.describe('an evening', () => {
  test('three devices, one class; the network goes twice; who comes late, an injury, a look struck, a promotion taken back: all of it on record once, and every screen says the same', async ({
    demo,
    browser,
  }) => {
    test.setTimeout(180_000);
    const [tablet, phone, laptop] = [
      await browser.newContext({ viewport: { width: 800, height: 1280 } }),
      await browser.newContext({ viewport: { width: 390, height: 844 } }),
      await browser.newContext({ viewport: { width: 1280, height: 800 } }),
    ];
    await demo.signIn(tablet, 'idris');
    await demo.signIn(phone, 'maren');
    await demo.signIn(laptop, 'maren');
    const idris = await tablet.newPage();
    await idris.goto(`${demo.url}/look`);
    await awake(idris);
    for (const name of ['Noor Saltby', 'Emre Holloway', 'Greta Holm']) await tap(idris, name);
    // The injury stands at the name before anything is asked of him.
    await expect(idris.getByRole('checkbox', { name: /Emre Holloway.*right knee: no kicks/ })).toBeVisible();
    await idris.getByLabel('Minutes of this class').fill('75');
    await idris.getByRole('button', { name: 'Note who is here' }).click();
    await saved(idris);

    // The second device finds it and joins, with one more.
    const maren = await phone.newPage();
    await maren.goto(`${demo.url}/look`);
    await awake(maren);
    await expect(maren.getByText(/^Idris Vane opened a class at .*, 3 here, 75 minutes\.$/)).toBeVisible();
    await tap(maren, 'Dilip Wharram');
    await maren.getByRole('button', { name: 'Join it' }).click();
    await expect(maren.getByText(/^4 of \d+ here$/)).toBeVisible();
    await saved(maren);

    // A kick: who may not is passed over, and asked about once where he is meant all the same.
    await sweep(idris, 'Roundhouse kick', /Strikes with the instep/);
    const line = idris.getByRole('list', { name: 'The line' });
    await tablet.setOffline(true);
    await line.getByRole('button', { name: /^Emre Holloway: rests until/ }).click();
    await expect(idris.getByRole('region', { name: 'Look at what rests?' })).toContainText('right knee: no kicks');
    await idris.keyboard.press('h');
    await expect(idris.getByText('0 of 3 marked')).toBeVisible();
    await idris.getByRole('button', { name: 'Pass over' }).click();
    await line.getByRole('button', { name: /^Greta Holm/ }).click();
    await idris.keyboard.press('s');
    await expect(idris.getByText('1 of 3 marked')).toBeVisible();
    // Every control is there on a tablet: the other side, and somebody who comes, while there is no network.
    await expect(idris.getByRole('button', { name: 'Now the right' })).toBeVisible();
    await idris.getByRole('button', { name: 'Somebody came' }).click();
    await idris.getByRole('list', { name: 'Who came?' }).getByRole('button', { name: 'Mei Tolland' }).click();
    await expect(idris.getByText('1 of 4 marked')).toBeVisible();
    await expect(idris.getByText(/wait for the network/)).toBeVisible();
    await tablet.setOffline(false);
    await saved(idris);

    // On the phone what is wanted less often is one tap away.
    await sweep(maren, 'Front stance', /Two tracks, not one/);
    await expect(maren.getByRole('button', { name: 'Now the right' })).toBeHidden();
    await maren.getByRole('button', { name: 'more', exact: true }).click();
    await expect(maren.getByRole('button', { name: 'Now the right' })).toBeVisible();
    const seen = await axe(maren).analyze();
    expect(seen.violations.map((v) => v.id)).toEqual([]);

    // The phone loses the network too; what it marks meanwhile comes home with it.
    await phone.setOffline(true);
    await maren
      .getByRole('list', { name: 'The line' })
      .getByRole('button', { name: /^Dilip Wharram/ })
      .click();
    await maren.getByRole('button', { name: /^Held/ }).click();
    await expect(maren.getByText(/wait.* for the network/)).toBeVisible();
    await phone.setOffline(false);
    await saved(maren);

    // At the desk, the same evening: a look at the wrong person is struck, with what follows told beforehand.
    const desk = await laptop.newPage();
    const idOf = async (name: string) =>
      (await demo.query<{ id: string }>('select id from person where name = $1', [name]))[0]!.id;
    const greta = await idOf('Greta Holm');
    await desk.goto(`${demo.url}/students/${greta}`);
    await desk.waitForLoadState('networkidle');
    await desk.getByRole('button', { name: 'All looks, mark by mark' }).click();
    await desk
      .getByRole('button', { name: /^Mend: Roundhouse kick/ })
      .first()
      .click();
    await desk.getByRole('radio', { name: 'strike it' }).click();
    await expect(desk.getByText('Idris Vane is told.')).toBeVisible();
    await desk.getByLabel('Because').fill('It was not her.');
    await desk.getByRole('button', { name: 'Strike it' }).click();
    await expect(desk.getByLabel('Because')).toBeHidden();
    // A belt for the wrong person goes back, and says before what goes and what stays.
    const noor = await idOf('Noor Saltby');
    await desk.goto(`${demo.url}/students/${noor}`);
    await desk.waitForLoadState('networkidle');
    const before = await desk.getByRole('heading', { level: 1 }).textContent();
    await desk.getByRole('button', { name: 'Record a promotion' }).click();
    await desk.getByRole('button', { name: 'Record it' }).click();
    await expect(desk.getByRole('heading', { level: 1 })).not.toHaveText(before!);
    await desk
      .getByRole('button', { name: /^Strike: .*, given/ })
      .first()
      .click();
    await expect(desk.getByText('yours to do')).toBeVisible();
    await desk.getByLabel('Because').fill('It was the next one on the line.');
    await desk.getByRole('button', { name: 'Strike it' }).click();
    await expect(desk.getByRole('heading', { level: 1 })).toHaveText(before!);

    // Whoever took the look is told, and every screen says the same of everybody.
    await idris.goto(`${demo.url}/students/classes`);
    await expect(idris.getByText('“It was not her.” Maren Holt', { exact: false })).toBeVisible();
    for (const id of [greta, noor, await idOf('Dilip Wharram')]) {
      const says = [];
      for (const page of [idris, maren, desk]) {
        await page.goto(`${demo.url}/students/${id}`);
        says.push(await page.locator('.answer, .needs .verdict').allTextContents());
      }
      expect(says[0]!.length).toBeGreaterThan(3);
      expect(says[1]).toEqual(says[0]);
      expect(says[2]).toEqual(says[0]);
    }
    // What was done this evening stands once, and nothing else: Greta's slip struck, Dilip held.
    const stand = await demo.query<{ name: string; held: number; of: number }>(
      `select p.name, m.held, m.of from look l join person p on p.id = l.student_id
       join mark m on m.look_id = l.id
       where l.at > now() - interval '5 minutes' and not exists (select 1 from look r where r.replaces = l.id)
       order by p.name`,
    );
    expect(stand).toEqual([{ name: 'Dilip Wharram', held: 1, of: 1 }]);
    const worn = await demo.query(
      'select id from rank_held where person_id = $1 and since = current_date and id not in (select id from struck)',
      [noor],
    );
    expect(worn).toEqual([]);

    // At the end there is one class, with everybody once, and the minutes that were said.
    const held = await demo.query<{ minutes: number; names: string[] }>(
      `select c.minutes, array_agg(p.name order by p.name) as names from class_held c
       join attendance a on a.class_id = c.id join person p on p.id = a.person_id
       where c.opened_at > now() - interval '5 minutes' group by c.id, c.minutes`,
    );
    expect(held).toEqual([
      { minutes: 75, names: ['Dilip Wharram', 'Emre Holloway', 'Greta Holm', 'Mei Tolland', 'Noor Saltby'] },
    ]);
    await maren.goto(`${demo.url}/students/classes`);
    await expect(maren.getByText('75 minutes, 5 students').first()).toBeVisible();
    await tablet.close();
    await phone.close();
    await laptop.close();
  });

  test('a look that was wrong is put right, then struck; a promotion of the wrong person goes back with its decision', async ({
    demo,
    context,
    page,
  }) => {
    await demo.signIn(context, 'maren');
    const [ilse] = (await demo.query<{ id: string }>(`select id from person where name = 'Ilse Marrow'`)) as [
      { id: string },
    ];
    await page.goto(`${demo.url}/students/${ilse.id}`);
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'All looks, mark by mark' }).click();
    const mends = page.getByRole('button', { name: /^Mend:/ });
    await mends.first().click();
    await page
      .getByLabel(/: held, of 5$/)
      .first()
      .fill('2');
    await page.getByRole('button', { name: 'Put it right' }).click();
    await expect(page.getByText('Say why: it is kept with it.')).toBeVisible();
    await page.getByLabel('Because').fill('We both saw the left rise.');
    await page.getByRole('button', { name: 'Put it right' }).click();
    await expect(page.getByLabel('Because')).toBeHidden();
    await page.getByRole('button', { name: 'All looks, mark by mark' }).click();
    await expect(page.getByText(/We both saw the left rise\. \(Maren Holt/)).toBeVisible();
    await mends.first().click();
    await page.getByRole('radio', { name: 'strike it' }).click();
    await page.getByLabel('Because').fill('It was not her at all.');
    await page.getByRole('button', { name: 'Strike it' }).click();
    await expect(page.getByLabel('Because')).toBeHidden();

    const answer = await page.locator('.answer').textContent();
    await page.getByRole('button', { name: 'Record a promotion' }).click();
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(page.getByRole('heading', { level: 1, name: /for Lake belt/ })).toBeVisible();
    await expect(page.getByText('Fern: passed', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: /^Strike: Fern, given/ }).click();
    await page.getByLabel('Because').fill('It was the next candidate’s line.');
    await page.getByRole('button', { name: 'Strike it' }).click();
    await expect(page.getByRole('heading', { level: 1, name: /for Fern belt/ })).toBeVisible();
    await expect(page.getByText(/Amber is worn/)).toBeVisible();
    await expect(page.getByText('Fern: passed', { exact: true })).toBeHidden();
    await expect(page.locator('.answer')).toHaveText(answer!);
    const found = await axe(page).analyze();
    expect(found.violations.map((v) => v.id)).toEqual([]);
  });
});

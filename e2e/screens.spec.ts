import type { Page } from '@playwright/test';
import { expect, idOf, settle, test, watchConsole, type House } from './house';
import { DESK, isReadable, PHONE, TABLET } from './readable';

/** A page opened at the first size and read at each. */
async function read(page: Page, house: House, path: string, sizes: readonly (typeof DESK)[]): Promise<void> {
  await page.setViewportSize(sizes[0]!);
  await page.goto(house.url + path);
  await settle(page);
  await isReadable(page, path, sizes);
}

const sequence = (house: House, title: string) =>
  house.query<{ id: string }>('select id from sequence where title = $1', [title]).then((r) => r[0]!.id);

test.describe('every screen is clean for axe and fits its width', () => {
  // They write nothing: each goes to whichever worker is free.
  test.describe.configure({ mode: 'parallel' });
  test.beforeEach(({ demo, context }) => demo.signIn(context, 'maren'));

  test('the library, its sequences and the way', async ({ demo, page }) => {
    test.setTimeout(400_000);
    const errors = watchConsole(page);
    const [second, kick] = [await sequence(demo, 'Second Causeway'), await idOf(demo, 'technique', 'Roundhouse kick')];
    const [v] = await demo.query<{ id: string }>(`select id from syllabus_version where title = 'With forms'`);
    for (const path of [
      '/techniques',
      `/techniques/${kick}`,
      `/techniques/${kick}/edit`,
      '/sequences',
      `/sequences/${second}`,
      `/sequences/${second}/print`,
      `/sequences/${second}/call`,
      `/sequences/${second}/beside`,
      '/sequences/import',
      '/equipment',
      '/equipment/import',
      '/equipment/post',
      '/equipment/strikes',
      '/syllabus',
      '/syllabus/print',
      `/syllabus/follow?to=${v!.id}`,
      '/syllabus/exchange',
      '/guide',
      '/guide/words',
      '/guide/notation',
    ])
      await read(page, demo, path, [DESK, PHONE]);
    expect(errors).toEqual([]);
  });

  test('the evening', async ({ demo, page }) => {
    test.setTimeout(400_000);
    const errors = watchConsole(page);
    await page.goto(`${demo.url}/tonight`);
    await page.getByRole('button', { name: 'Begin the class' }).waitFor();
    await read(page, demo, '/tonight', [DESK, TABLET, PHONE]);
    for (const path of ['/cycle', '/cycle?new=1', '/cycle/catch-up']) await read(page, demo, path, [DESK, PHONE]);
    await page.goto(`${demo.url}/tonight`);
    await page.setViewportSize(DESK);
    await page.getByRole('button', { name: /^Four quarters/ }).click();
    await isReadable(page, 'a block', [DESK]);
    await read(page, demo, '/tonight/run?show=pairs', [TABLET, DESK, PHONE]);
    expect(errors).toEqual([]);
  });

  test('students', async ({ demo, page }) => {
    test.setTimeout(400_000);
    const errors = watchConsole(page);
    const [student, straw] = [
      await idOf(demo, 'person', 'Maximiliana Fennimore-Achterberg'),
      await idOf(demo, 'rank', 'Straw'),
    ];
    for (const path of [
      '/students',
      `/students/ready?rank=${straw}`,
      `/students/${student}`,
      `/students/${student}/home`,
      '/students/everybody',
      '/students/missed',
      '/students/incidents',
      '/students/calibration',
      '/students/classes',
      '/students/import',
    ])
      await read(page, demo, path, [DESK, PHONE]);
    expect(errors).toEqual([]);
  });

  test('the school and its gradings', async ({ demo, page }) => {
    test.setTimeout(400_000);
    const errors = watchConsole(page);
    const winter = (await demo.query<{ id: string }>(`select id from grading where title = 'Winter grading'`))[0]!.id;
    for (const path of [
      '/people',
      '/school',
      '/account',
      '/gradings',
      '/gradings/history',
      `/gradings/${winter}`,
      `/gradings/${winter}/day`,
      `/gradings/${winter}/paper`,
      `/gradings/${winter}/panel`,
    ])
      await read(page, demo, path, [DESK, PHONE]);
    expect(errors).toEqual([]);
  });

  test('the mat', async ({ demo, page }) => {
    test.setTimeout(400_000);
    const errors = watchConsole(page);
    const [student, low, second] = [
      await idOf(demo, 'person', 'Maximiliana Fennimore-Achterberg'),
      await idOf(demo, 'technique', 'Low block'),
      await sequence(demo, 'Second Causeway'),
    ];
    const [point] = await demo.query<{ id: string }>('select id from point where technique_id = $1 limit 1', [low]);
    const winter = (await demo.query<{ id: string }>(`select id from grading where title = 'Winter grading'`))[0]!.id;
    await page.goto(`${demo.url}/look`);
    await expect(page.locator('main[aria-busy=false]')).toBeVisible();
    await page.getByRole('button', { name: 'Everybody' }).click();
    for (const path of [
      '/look',
      `/look?student=${student}`,
      `/look?technique=${low}&point=${point!.id}`,
      `/look?student=${student}&item=s:${second}`,
      `/gradings/${winter}/examine`,
    ])
      await read(page, demo, path, [TABLET, DESK, PHONE]);
    expect(errors).toEqual([]);
  });

  test('the mat has nothing under 48 px to press', async ({ demo, page }) => {
    const student = await idOf(demo, 'person', 'Kofi Adlam');
    await page.setViewportSize(TABLET);
    await page.goto(`${demo.url}/look?student=${student}`);
    await settle(page);
    // The card of the student named in the address stands there once the page is awake.
    await expect(page.getByRole('heading', { name: 'Kofi Adlam' })).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('button, a')]
        .filter((b) => b.getClientRects().length > 0 && (b as HTMLElement).offsetHeight < 48)
        .map((b) => b.textContent),
    );
    expect(small).toEqual([]);
  });
});

test.describe('what only a narrow screen makes hard to read is found', () => {
  for (const [how, style] of [
    ['its own colour', 'p { color: #ccc }'],
    ['what lies behind it', 'main { background: #333 }'],
    ['that it is not shown elsewhere', '.gone { display: block }'],
    ['what it comes to lie upon', '.dark { position: static } p { margin-top: -2em }'],
  ] as const)
    test(how, async ({ page }) => {
      await page.setContent(`<html lang="en"><title>Narrow</title><style>
        body { background: #fff } p { color: #000 } .gone { display: none; color: #eee }
        .dark { position: absolute; left: -999px; height: 3em; background: #222 }
        @media (max-width: 500px) { ${style} }
        </style><main><h1>Both</h1><div class="dark"></div><p>Read me.</p><div class="gone"><b>Me too.</b></div></main>`);
      await isReadable(page, 'it', [DESK, TABLET]);
      await expect(isReadable(page, 'it', [DESK, PHONE])).rejects.toThrow('it at 390: color-contrast');
    });
});

import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { expect, type House } from './house';

export const awake = (page: Page) => expect(page.locator('main[aria-busy=false]')).toBeVisible();
export const pick = async (page: Page, item: string) => {
  await awake(page);
  await page.locator('#item').fill(item);
  await page.getByRole('option', { name: item, exact: true }).click();
};
/** The database's clock: other tests of the same worker have marked before. */
export const now = async (house: House) => (await house.query<{ at: string }>('select now()::text as at'))[0]!.at;
export const looksSince = (house: House, began: string) =>
  house.query<{ id: string; who: string; student: string; point: string; held: number; of: number; side: string }>(
    `select l.id, l.student_id as who, p.name as student, pt.name as point, m.held, m.of, l.side from look l join mark m on m.look_id = l.id join person p on p.id = l.student_id
     join point pt on pt.id = m.point_id where l.at > $1::timestamptz and not exists (select 1 from look r where r.replaces = l.id) order by l.at`,
    [began],
  );

/** The screen on which a measured point of somebody's card is read off something. */
export const measuring = async (
  page: Page,
  demo: House,
  [item, point, press]: readonly [string, RegExp, string],
  who = 'Rafael Quill',
) => {
  await page.goto(`${demo.url}/look`);
  await awake(page);
  await page.getByRole('button', { name: 'Everybody' }).click();
  await pick(page, item);
  await page.getByRole('button', { name: who, exact: true }).first().click();
  await page.getByRole('button', { name: point }).first().click();
  await page.getByRole('button', { name: press }).click();
  return page.getByRole('dialog');
};

/** What was read off is a mark already: the card is closed, and the look on record with its width. */
export const marked = async (
  page: Page,
  demo: House,
  began: string,
  [point, value]: readonly [string, number],
  who = 'Rafael Quill',
) => {
  await page.getByRole('button', { name: /^Next:/ }).click();
  await expect(page.getByText('None waits for the network.')).toBeVisible({ timeout: 15_000 });
  const looks = await looksSince(demo, began);
  const look = looks.find((l) => l.student === who && l.point === point)!;
  const [kept] = await demo.query<{ values: number[]; halves: number[] }>(
    `select m.values, m.halves from mark m join point p on p.id = m.point_id where m.look_id = $1 and p.name = $2`,
    [look.id, point],
  );
  expect(kept!.values).toEqual([value]);
  expect(kept!.halves[0]).toBeGreaterThan(0);
  // It is read on the student’s page as wide as it is.
  await page.goto(`${demo.url}/students/${look.who}`);
  await page.getByRole('button', { name: /^All looks/ }).click();
  await expect(page.getByText(new RegExp(`${value} ± ${kept!.halves[0]}`)).first()).toBeVisible();
};

/** Sends one command as whoever is signed in, and expects that it was done. */
export async function sent(page: Page, demo: House, name: string, input: object): Promise<void> {
  const at = new Date().toISOString();
  const answer = await page.request.post(`${demo.url}/api/commands`, {
    headers: { origin: demo.url },
    data: { id: v7(), at, sent: at, name, input },
  });
  expect(answer.status(), await answer.text()).toBe(200);
}

/** Somebody who is new on the roll, at the first belt. */
export async function newcomer(page: Page, demo: House, name: string): Promise<string> {
  const id = v7();
  const [first] = await demo.query<{ rank: string; today: string }>(
    `select h.rank_id as rank, now()::date::text as today from rank_held h join rank r on r.id = h.rank_id where r.name = 'White' limit 1`,
  );
  await sent(page, demo, 'student.add', {
    id,
    name,
    born: '2001-05-04',
    rankId: first!.rank,
    since: first!.today,
  });
  return id;
}

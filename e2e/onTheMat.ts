import type { Page } from '@playwright/test';
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

import { expect, test } from './house';

test.describe('the store', () => {
  test('what is short tonight is looked over, lent and brought back, and stands so after a reload; a new thing goes in and out', async ({
    demo,
    page,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/equipment`);
    const row = page.getByRole('row', { name: /^Long staff/ });
    await expect(row).toContainText('4 sound, 1 due, 1 cracked, 1 lent');
    const open = page.getByRole('button', { name: /^Long staff/ });
    if ((await open.getAttribute('aria-pressed')) === 'false') await open.click();
    await page.getByRole('button', { name: 'Looked over: 1 piece' }).click();
    await expect(row).toContainText('5 sound, 1 cracked, 1 lent');
    await page.getByRole('button', { name: /^Back: Dilip/ }).click();
    await expect(row).toContainText('6 sound, 1 cracked');
    await page.reload();
    await expect(row).toContainText('6 sound, 1 cracked');
    if ((await open.getAttribute('aria-pressed')) === 'false') await open.click();
    await page.getByRole('button', { name: /^7, sound/ }).click();
    await page.getByRole('button', { name: 'Lend', exact: true }).click();
    await page.getByLabel('Who has 1 piece').fill('Dilip Wharram');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(row).toContainText('5 sound, 1 cracked, 1 lent');

    await page.getByRole('button', { name: 'Add a thing' }).click();
    await page.getByLabel('What it is').fill('Hanging bag');
    await page.getByLabel('How many').fill('1');
    await page.getByRole('button', { name: 'Keep it' }).click();
    const bag = page.getByRole('row', { name: /^Hanging bag/ });
    await expect(bag).toContainText('1 due');
    await page.getByRole('button', { name: /^Hanging bag/ }).click();
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    await page.getByRole('button', { name: 'Take it out of the store' }).click();
    await page.getByRole('button', { name: 'Yes, all of them are gone' }).click();
    await expect(bag).toHaveCount(0);
  });
});

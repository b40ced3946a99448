import { v7 } from 'uuid';
import { ALONE } from '../src/core';
import { expect, House, test } from './house';
import { sent } from './onTheMat';

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

  test('what is put too near the wall is said on the hall’s plan, until it stands where an elbow has room', async ({
    demo,
    page,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/equipment`);
    const pick = async (field: string, option: string | RegExp) => {
      await page.getByRole('combobox', { name: field }).click();
      await page.getByRole('option', { name: option }).first().click();
    };
    await page.getByRole('button', { name: 'Add a thing' }).click();
    await page.getByLabel('What it is').fill('Corner post');
    await page.getByLabel('How many').fill('1');
    await pick('Drawn as', 'Post');
    await page.getByRole('combobox', { name: 'Hall' }).click();
    const hall = (await page.getByRole('option').nth(1).textContent())!;
    await page.getByRole('option', { name: hall }).click();
    await page.getByRole('button', { name: 'Say where it stands' }).click();
    await page.getByLabel('1. Metres from the left wall').fill('0.2');
    await page.getByLabel('Metres from the front wall').fill('0.1');
    await page.getByRole('button', { name: 'Keep it' }).click();
    const plan = page.locator('.hall-plans figure').filter({ hasText: hall });
    await expect(
      plan.getByRole('img', { name: /Corner post 0\.2 metres from the left and 0\.1 from the front/ }),
    ).toBeVisible();
    const said = plan.getByRole('listitem').filter({ hasText: 'Corner post' });
    await expect(said).toHaveCount(1);
    await expect(said).toContainText(/wall/);
    await page.getByRole('button', { name: /^Corner post/ }).click();
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    const [wide] = await demo.query<{ width: number }>(`select width from hall where name = $1`, [hall]);
    await page.getByLabel('1. Metres from the left wall').fill(String(Number(wide!.width) / 2));
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(said).toHaveCount(0);
    await page.reload();
    await expect(plan.getByRole('img', { name: /Corner post/ })).toBeVisible();
    await expect(said).toHaveCount(0);
    await page.getByRole('button', { name: /^Corner post/ }).click();
    await page.getByRole('button', { name: 'Change', exact: true }).click();
    await page.getByRole('button', { name: 'Take it out of the store' }).click();
    await page.getByRole('button', { name: 'Yes, all of them are gone' }).click();
    await expect(page.getByRole('row', { name: /^Corner post/ })).toHaveCount(0);
  });

  test('an open hand stops striking everywhere, until the head lifts it; who is too young is refused', async ({
    demo,
    page,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/equipment/strikes`);
    await page.getByRole('link', { name: 'Rafael Quill' }).click();
    await expect(page.getByText(/^Right \d+, with the snap back; left \d+/)).toBeVisible();
    await page.getByRole('button', { name: 'Say what the hands say' }).click();
    for (const side of ['right', 'left']) {
      await page.getByLabel(`How many, ${side} hand`).fill('0');
      await page
        .getByRole('radiogroup', { name: `skin, ${side} hand` })
        .getByRole('radio', { name: 'open' })
        .click();
    }
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText(/^Right none: skin of the right hand open/)).toBeVisible();
    // On the student’s own page, and on the home sheet.
    const own = page.url().replace('/strikes', '');
    await page.goto(`${own}/home`);
    await expect(page.getByText(/^Rests until .*: skin of both hands open\.$/)).toBeVisible();
    await page.goto(`${own}/strikes`);
    await page.getByRole('button', { name: 'Lift it for the right hand' }).click();
    await page.getByRole('button', { name: 'Lift it', exact: true }).click();
    await expect(page.getByText(/A reason is needed/)).toBeVisible();
    await page.getByLabel('Because').fill('It was a scratch, looked at and closed.');
    await page.getByRole('button', { name: 'Lift it', exact: true }).click();
    await expect(page.getByText(/^Right 20; left none: skin of the left hand open/)).toBeVisible();

    await page.goto(`${demo.url}/equipment/strikes`);
    await page.getByRole('link', { name: 'Nell Okafor' }).click();
    await expect(page.getByRole('heading', { name: 'Soft targets only' })).toBeVisible();
    await page.getByRole('button', { name: 'Say what the hands say' }).click();
    await expect(page.getByLabel('How many, right hand')).toBeDisabled();
  });

  test('a post is reckoned for somebody, tried with a scale, kept and printed; not for who is too young', async ({
    demo,
    page,
    context,
  }) => {
    await demo.signIn(context, 'maren');
    await page.goto(`${demo.url}/equipment/post`);
    const choose = async (name: string) => {
      await page.getByLabel('For', { exact: true }).click();
      await page.getByRole('option', { name }).click();
    };
    await choose('Kofi Adlam');
    await expect(page.getByText(/^The pad ends at 1\.23 m.*moves it 5\.3 cm/)).toBeVisible();
    await page.getByRole('radio', { name: 'on a base' }).click();
    await expect(page.getByText(/^Back towards the user: /)).toBeVisible();
    await page.getByRole('radio', { name: 'in the ground' }).click();
    await page.getByLabel('It moved, mm').fill('41');
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByText(/^Timber and ground together: 10\.2 GPa/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
    await page.reload();
    await expect(page.getByText(/^Timber and ground together: 10\.2 GPa/)).toBeVisible();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('heading', { name: 'Cut this' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep it' })).toBeHidden();
    await page.emulateMedia({ media: 'screen' });
    await choose('Nell Okafor');
    await expect(page.getByText('No post is drawn.', { exact: false })).toBeVisible();
  });

  test('a stop of the hands, said at home or at the close, empties the place at the post of the running class', async ({
    context,
  }) => {
    // A hall of its own: its evening is begun.
    const own = new House('demo');
    await own.open();
    try {
      await own.signIn(context, 'maren');
      const page = await context.newPage();
      const conditionId = v7();
      const post = { ...ALONE, gear: 'striking post', home: false };
      await sent(page, own, 'condition.save', { id: conditionId, name: 'at the post', ...post });
      const [rafael] = await own.query<{ id: string; today: string }>(
        `select id, now()::date::text as today from person where name = 'Rafael Quill'`,
      );
      // The first block of tonight is at the post.
      await own.query(
        `update class_plan set plan = jsonb_set(plan, '{blocks,0,items}', jsonb_build_array(jsonb_build_object(
           'item', jsonb_build_object('technique', (select id from technique where name = 'Reverse punch')),
           'conditionId', $1::text, 'call', null))) where day = now()::date`,
        [conditionId],
      );
      await page.goto(`${own.url}/tonight`);
      await page.waitForLoadState('networkidle');
      // Another who may strike as well.
      const [other] = await own.query<{ name: string }>(
        `select p.name from person p where p.name <> 'Rafael Quill' and p.left_on is null and p.born < now() - interval '18 years'
           and exists (select 1 from load_done l where l.student_id = p.id and l.count > 0 and l.skin = 'fine') order by p.name limit 1`,
      );
      for (const name of ['Rafael Quill', other!.name]) await page.getByRole('checkbox', { name }).click();
      await page.getByRole('button', { name: 'Begin the class' }).click();
      const atPost = page.getByRole('region', { name: 'At the post' });
      await expect(atPost).toContainText('1 place, 2 students');
      await expect(atPost.getByRole('listitem').filter({ hasText: 'Rafael' })).toContainText(/Right \d+.*left \d+/);
      // At the close it is asked of whoever struck: the right hand is open.
      await page.getByRole('button', { name: 'Close the class' }).click();
      await page.getByRole('button', { name: `Struck ${other!.name}` }).click();
      await page.getByRole('radiogroup', { name: 'skin, right hand' }).getByRole('radio', { name: 'open' }).click();
      await page.getByRole('button', { name: 'Write it down' }).click();
      await expect(page.getByText('written down')).toBeVisible();
      await expect(page.getByText('None waits for the network.')).toBeVisible();
      const kept = await own.query<{ side: string; skin: string | null; place: string }>(
        `select l.side, l.skin, l.place from load_done l join person p on p.id = l.student_id
         where p.name = $1 and l.at > now() - interval '5 minutes' order by l.side`,
        [other!.name],
      );
      expect(kept.find((k) => k.side === 'right')).toMatchObject({ skin: 'open', place: 'hall' });
      await page.getByRole('button', { name: 'It goes on' }).click();
      await page.reload();
      await expect(atPost).toContainText('1 place, 1 student');
      await expect(atPost).toContainText(new RegExp(`Not tonight: ${other!.name}`));
      // On his own page, at home: both hands are numb.
      const said = { skin: 'fine', swelling: 'none', joints: 'fine', feeling: 'numb' };
      await sent(page, own, 'load.record', {
        studentId: rafael!.id,
        day: rafael!.today,
        place: 'home',
        done: (['left', 'right'] as const).map((side) => ({
          id: v7(),
          blow: 'straight',
          side,
          surface: '',
          count: 0,
          said,
        })),
      });
      await page.reload();
      await expect(atPost).toContainText('Nobody here may strike what is hard tonight: pads and air instead.');
      await expect(atPost).toContainText(/Rafael Quill\..*numb/);
    } finally {
      await own.close();
    }
  });
});

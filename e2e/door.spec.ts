import http from 'node:http';
import type { Page } from '@playwright/test';
import { expect, signInOn, test, watchConsole, type House } from './house';
import { DESK, isReadable, PHONE, TABLET } from './readable';

/** A POST from another loopback address, so that tries here do not count against the browser's. */
const post = (house: House, path: string, body: string, headers: Record<string, string> = {}, from = '127.0.0.7') =>
  new Promise<{ status: number; body: string; type: string }>((resolve, reject) => {
    const url = new URL(house.url + path);
    const request = http.request(
      {
        method: 'POST',
        hostname: url.hostname,
        port: url.port,
        path,
        localAddress: from,
        headers: { 'content-type': 'application/json', origin: house.url, ...headers },
      },
      (res) => {
        let text = '';
        res.on('data', (d: Buffer) => (text += d.toString()));
        res.on('end', () =>
          resolve({ status: res.statusCode ?? 0, body: text, type: res.headers['content-type'] ?? '' }),
        );
      },
    );
    request.on('error', reject);
    request.end(body);
  });

test.describe('the door', () => {
  test('shows nothing to whom it is not granted', async ({ demo, page, request }) => {
    for (const path of ['/students', '/techniques', '/syllabus', '/look', '/people', '/account']) {
      await page.goto(demo.url + path);
      expect(new URL(page.url()).pathname).toBe('/signin');
      expect(await page.content()).not.toMatch(/Causeway|Marrow/);
    }
    for (const view of ['shell', 'roll', 'lookKit', 'people', 'student', 'nothing']) {
      const answer = await request.get(`${demo.url}/api/views/${view}`);
      expect([view, answer.status()]).toEqual([view, 401]);
      expect(answer.headers()['content-type']).toBe('application/problem+json');
    }
    expect((await post(demo, '/api/commands', '{}')).status).toBe(401);
    expect((await post(demo, '/api/setup', '{}')).status).toBeGreaterThanOrEqual(300);
  });

  test('is itself clean and fits, and says what to do without a password', async ({ demo, page }) => {
    const errors = watchConsole(page);
    await page.goto(`${demo.url}/signin`);
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'I do not know my password' }).click();
    await expect(page.getByText('Ask your head instructor')).toBeVisible();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Enter your e-mail address and your password.')).toBeVisible();
    await isClean(page, 'the sign-in');
    expect(errors).toEqual([]);
  });

  test('has a strict policy, and its pages run under it', async ({ demo, request }) => {
    const headers = (await request.get(`${demo.url}/signin`)).headers();
    const policy = headers['content-security-policy']!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['referrer-policy']).toBe('same-origin');
    expect(headers['cache-control']).toBe('no-store');
  });

  test('refuses foreign, oversized and shapeless writes with problem details', async ({ demo, context }) => {
    await demo.signIn(context, 'maren');
    const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join('; ');
    const send = (body: string, headers: Record<string, string> = {}) =>
      post(demo, '/api/commands', body, { cookie, ...headers });
    expect((await send('{}', { origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await send('{}', { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await send('{}', { 'content-type': 'text/plain' })).status).toBe(415);
    expect((await send('{')).status).toBe(400);
    expect((await send(`"${'x'.repeat(1_100_000)}"`)).status).toBe(413);
    const shapeless = await send(
      JSON.stringify({
        id: '0197f3a0-0000-7000-8000-000000000001',
        at: new Date().toISOString(),
        name: 'student.add',
        input: { name: '' },
      }),
    );
    expect(shapeless.status).toBe(422);
    expect(shapeless.type).toBe('application/problem+json');
    const problem = JSON.parse(shapeless.body) as {
      type: string;
      status: number;
      errors: { path: string; message: string }[];
    };
    expect(problem).toMatchObject({ type: '/problems/wrong-input', status: 422 });
    expect(problem.errors).toContainEqual({ path: 'name', message: 'A name is missing.' });
  });

  test('does not tell whether an address exists, and tires of guessing', async ({ demo }) => {
    const attempt = (email: string) =>
      post(demo, '/api/auth/sign-in/email', JSON.stringify({ email, password: 'a wrong password' }), {}, '127.0.0.9');
    const [known, unknown] = [
      await attempt('maren@causewayhall.example'),
      await attempt('nobody@causewayhall.example'),
    ];
    expect(known.status).toBe(401);
    expect([unknown.status, unknown.body]).toEqual([known.status, known.body]);
    const good = await post(
      demo,
      '/api/auth/sign-in/email',
      JSON.stringify({ email: 'idris@causewayhall.example', password: 'reeds-and-rope' }),
      {},
      '127.0.0.9',
    );
    // The session is in a cookie that scripts cannot read, and nowhere else.
    expect([good.status, good.body]).toEqual([200, '{}']);
    const statuses: number[] = [];
    for (let i = 0; i < 12; i += 1) statuses.push((await attempt('maren@causewayhall.example')).status);
    expect(statuses).toContain(429);
    expect(
      (
        await post(
          demo,
          '/api/auth/sign-up/email',
          JSON.stringify({ email: 'x@example.org', password: 'a long password', name: 'x' }),
        )
      ).status,
    ).toBe(404);
  });

  test('a student sees their own page only, read only', async ({ demo, context, page }) => {
    await demo.signIn(context, 'ilse');
    await page.goto(demo.url);
    await expect(page.getByRole('heading', { name: 'What do you need for Fern belt?' })).toBeVisible();
    await expect(page.getByRole('button', { name: /Record a promotion|Adapt a point|Overrule/ })).toHaveCount(0);
    const other = (await demo.query<{ id: string }>(`select id from person where name = 'Kofi Adlam'`))[0]!.id;
    for (const [path, status] of [
      [`/students/${other}`, 403],
      ['/students', 403],
      ['/people', 403],
      ['/look', 403],
      ['/techniques', 403],
      ['/students/not-an-id', 404],
    ] as const) {
      const answer = await page.goto(demo.url + path);
      expect([path, answer!.status()]).toEqual([path, status]);
      expect(await page.content()).not.toContain('Adlam');
    }
  });

  test('an examiner sees the gradings they are invited to and nothing else', async ({ demo, context, page }) => {
    await demo.signIn(context, 'odile');
    await page.goto(demo.url);
    await expect(page.getByText('Winter grading')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Your sheet' })).toBeVisible();
    expect((await page.goto(`${demo.url}/students`))!.status()).toBe(403);
  });
});

/** The pages before the door. */
async function isClean(page: Page, what: string) {
  await isReadable(page, what, [DESK, TABLET, PHONE]);
  await page.setViewportSize(DESK);
}

test.describe('an empty installation', () => {
  test('is set up once, gives access, changes a password, and signs out everywhere', async ({
    empty,
    page,
    browser,
  }) => {
    test.setTimeout(120_000);
    await page.goto(`${empty.url}/students`);
    await expect(page.getByRole('heading', { name: 'What does the school need to begin?' })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await isClean(page, 'the set-up');
    await page.getByRole('button', { name: 'Open the school' }).click();
    await expect(page.getByText('This is no e-mail address.')).toBeVisible();
    await page.getByLabel('Name of the school').fill('Sluice House');
    await page.getByLabel('Your name').fill('Tamsin Reed');
    await page.getByLabel('Your e-mail').fill('Tamsin@Example.org');
    await page.reload();
    await expect(page.getByLabel('Name of the school')).toHaveValue('Sluice House');
    await page.getByLabel('A password').fill('willow by the lock');
    await page.getByRole('button', { name: 'Open the school' }).click();
    await expect(page.getByRole('heading', { name: /Does the way to .* hold together/ })).toBeVisible();
    await expect(page.getByText('The library is empty.')).toBeVisible();
    for (const [path, words] of [
      ['/students', 'Nobody is on the roll yet.'],
      ['/techniques', 'The library is empty.'],
      ['/students/classes', 'None yet.'],
      ['/sequences', 'There is no sequence yet.'],
      ['/sequences/new', 'Type the first count at the left'],
      ['/tonight', 'What is this evening for?'],
      ['/look', 'Nobody is on the roll yet.'],
      ['/people', 'Nobody is on the roll yet.'],
    ] as const) {
      await page.goto(empty.url + path);
      await expect(page.getByText(words).first()).toBeVisible();
    }

    // Weeks are laid out in a school where nobody has come yet: one row of its own, planned, and tonight is made from it.
    await page.goto(`${empty.url}/cycle`);
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'Lay them out' }).click();
    await expect(page.getByText('Say when classes are.')).toBeVisible();
    await page.getByRole('button', { name: 'Another class a week' }).click();
    await page.getByLabel('Day', { exact: true }).click();
    await page
      .getByRole('option', { name: new Intl.DateTimeFormat('en-GB', { weekday: 'long' }).format(new Date()) })
      .click();
    await page.getByRole('button', { name: 'Lay them out' }).click();
    await expect(page.getByText('No row yet.')).toBeVisible();
    await page.getByRole('button', { name: 'Another row' }).click();
    await expect(page.getByText('Everything that is asked of those who come has a row.')).toBeVisible();
    await page.getByRole('button', { name: 'A row of our own' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Sliding steps');
    await page.getByLabel('at most').fill('3');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('The longest stretch in minutes is at least 5.')).toBeVisible();
    await page.getByLabel('at most').fill('20');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByRole('button', { name: 'Plan', exact: true }).click();
    await expect(page.getByText(/^Yes: everything fits, and \d+ minutes are free\.$/)).toBeVisible();
    await expect(page.getByText('None waits for the network.')).toBeVisible();
    await page.goto(`${empty.url}/tonight`);
    await expect(page.getByRole('button', { name: /^From the weeks, 18:30\s*Sliding steps$/ })).toBeVisible();

    // The first evening is planned; a bad time is said at its field.
    await page.goto(`${empty.url}/tonight`);
    await page.getByLabel('Begins at').fill('half past six');
    await expect(page.getByText('Write a time, as 18:30.')).toBeVisible();
    await page.getByLabel('Begins at').fill('6:45 pm');
    await page.getByLabel('Minutes').fill('60');
    await page.getByRole('button', { name: /^Partner evening/ }).click();
    await expect(page.getByRole('button', { name: /^Opening, 7 minutes, kept, 18:45 to 18:52$/ })).toBeVisible();
    await expect(page.getByText(/18:45 to 19:45/)).toBeVisible();
    await expect(page.getByText('None waits for the network.')).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: /^Touch game/ })).toBeVisible();

    // A form can be typed before there is any technique, and what was typed stays when it is saved.
    await page.goto(`${empty.url}/sequences/new`);
    await page.waitForLoadState('networkidle');
    await page.getByLabel('Title').fill('Causeway');
    await page.locator('.cm-content').click();
    await page.keyboard.insertText('turn 90 L, step L, front stance, low block L, out\nstep R, wobble R');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Saved; 1 line cannot be read yet.')).toBeVisible();
    await expect(page.locator('.cm-content')).toContainText('step R, wobble R');
    await page.getByRole('button', { name: 'Derive from it' }).click();
    await page.getByLabel('Title').last().fill('Causeway, the other side');
    await expect(page.getByRole('button', { name: 'Make it' })).toBeEnabled();

    await page.goto(`${empty.url}/people`);
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'Add a teacher' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Bo Ferry');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.waitForLoadState('networkidle');
    await page
      .getByRole('row', { name: /Bo Ferry/ })
      .getByRole('button', { name: 'Let in' })
      .click();
    await page.getByLabel('E-mail').fill('bo@example.org');
    await page.getByRole('button', { name: 'Give a sign-in' }).click();
    const password = await page.getByText('shown this once').locator('b').innerText();

    const second = await browser.newContext();
    const theirs = await second.newPage();
    await signInOn(theirs, empty.url, 'bo@example.org', password);
    await theirs.goto(`${empty.url}/account`);
    await theirs.waitForLoadState('networkidle');
    await theirs.getByLabel('Present password').fill('not this one at all');
    await theirs.getByLabel('New password', { exact: true }).fill('a heron on the dyke');
    await theirs.getByLabel('New password once more').fill('a heron on the dyke');
    await theirs.getByRole('button', { name: 'Change it' }).click();
    await expect(theirs.getByText('The present password is not right.')).toBeVisible();
    await theirs.getByLabel('Present password').fill(password);
    await theirs.getByRole('button', { name: 'Change it' }).click();
    await expect(theirs.getByText('The password is changed.')).toBeVisible();

    const third = await browser.newContext();
    const elsewhere = await third.newPage();
    await signInOn(elsewhere, empty.url, 'bo@example.org', 'a heron on the dyke');
    await theirs.getByRole('button', { name: 'Sign out everywhere' }).click();
    await theirs.waitForURL(/signin/);
    await elsewhere.goto(`${empty.url}/students`);
    await expect(elsewhere.getByRole('heading', { name: 'Who is coming in?' })).toBeVisible();
    const sessions = await empty.query<{ n: string }>(
      `select count(*) as n from auth.session s join auth.user u on u.id = s.user_id where u.email = 'bo@example.org'`,
    );
    expect(sessions[0]!.n).toBe('0');
    await second.close();
    await third.close();
    expect((await post(empty, '/api/setup', '{}')).status).not.toBe(200);
    await page.goto(`${empty.url}/setup`);
    expect(new URL(page.url()).pathname).not.toBe('/setup');
  });
});

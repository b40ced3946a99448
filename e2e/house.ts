import AxeBuilder from '@axe-core/playwright';
import { test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { fork, type ChildProcess } from 'node:child_process';
import { randomBytes, randomInt } from 'node:crypto';
import net from 'node:net';
import pg from 'pg';
import { DEMO_PASSWORD, DEMO_SIGN_INS } from '../scripts/demo-sign-ins.mjs';
import { at } from './cluster';

export type Who = 'maren' | 'idris' | 'odile' | 'ilse' | 'aldous';

/**
 * A free port below those that outgoing connections take: a server that was killed comes back on its own port, which
 * nobody else may have taken meanwhile.
 */
async function freePort(): Promise<number> {
  for (;;) {
    const port = 20_000 + randomInt(12_000);
    const free = await new Promise<boolean>((resolve) => {
      const probe = net.createServer().once('error', () => resolve(false));
      probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
    });
    if (free) return port;
  }
}

/** A running Stavewright of its own: a copied database and a built server, which tests may stop, kill and start again. */
export class House {
  readonly database = `e2e_${randomBytes(5).toString('hex')}`;
  private server: ChildProcess | null = null;
  private port = 0;
  private sessions = new Map<string, Awaited<ReturnType<BrowserContext['storageState']>>>();

  constructor(readonly kind: 'demo' | 'empty') {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  private get owner(): string {
    return process.env['E2E_OWNER_URL']!;
  }

  async open(): Promise<void> {
    const admin = new pg.Client({ connectionString: this.owner });
    await admin.connect();
    await admin.query(`create database ${this.database} template e2e_${this.kind}`);
    await admin.end();
    this.port = await freePort();
    await this.start();
  }

  async start(): Promise<void> {
    this.server = fork('scripts/serve.mjs', {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        HOST: '127.0.0.1',
        PORT: String(this.port),
        APP_DATABASE_URL: at(this.owner, this.database, 'test_app'),
        AUTH_DATABASE_URL: at(this.owner, this.database, 'test_auth'),
        SESSION_SECRET: 'only-for-tests-on-this-machine-0123456789',
      },
    });
    await new Promise<void>((resolve, reject) => {
      this.server!.once('message', () => resolve());
      this.server!.once('exit', (code) => reject(new Error(`The server did not start: it ended with ${code}.`)));
    });
  }

  /**
   * Asks once for what the mat takes along: a server that has just started reads and judges fourteen months for it, which
   * on a busy machine takes longer than any test should wait for a page.
   */
  async wake(): Promise<void> {
    const head = { email: DEMO_SIGN_INS[0]!.email, password: DEMO_PASSWORD };
    const signed = await fetch(`${this.url}/api/auth/sign-in/email`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: this.url },
      body: JSON.stringify(head),
    });
    const cookie = signed.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const kit = await fetch(`${this.url}/api/views/lookKit`, { headers: { cookie } });
    if (!kit.ok) throw new Error(`The house did not wake: ${kit.status}`);
    await kit.arrayBuffer();
  }

  /** As a power cut would. */
  async kill(): Promise<void> {
    if (this.server?.exitCode !== null || this.server.signalCode !== null)
      throw new Error('The server had gone before.');
    const gone = new Promise((resolve) => this.server!.once('exit', resolve));
    this.server.kill('SIGKILL');
    await gone;
  }

  async query<T extends pg.QueryResultRow>(text: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: at(this.owner, this.database) });
    await client.connect();
    const { rows } = await client.query<T>(text, values);
    await client.end();
    return rows;
  }

  /** A context signed in as one of the demo's people; each signs in once only. */
  async signIn(context: BrowserContext, who: Who): Promise<void> {
    const kept = this.sessions.get(who);
    if (kept) {
      await context.addCookies(kept.cookies);
      return;
    }
    const page = await context.newPage();
    const person = DEMO_SIGN_INS.find((s) => s.email.startsWith(who))!;
    await signInOn(page, this.url, person.email, DEMO_PASSWORD);
    this.sessions.set(who, await context.storageState());
    await page.close();
  }

  async close(): Promise<void> {
    if (this.server?.exitCode === null && this.server.signalCode === null) await this.kill();
  }
}

export async function signInOn(page: Page, url: string, email: string, password: string): Promise<void> {
  await page.goto(`${url}/signin`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((u) => u.pathname !== '/signin');
}

/**
 * Axe on a page. No page of ours has frames, so it need not open another one to put its findings together; and what is
 * right it need not describe element by element, which on a long list takes longer than finding what is wrong.
 *
 * @param isThere whether the page has been read by it before, since it was opened
 */
export const axe = (page: Page, { isThere = false } = {}) =>
  new AxeBuilder({ page, ...(isThere && { axeSource: ';' }) }).setLegacyMode().options({ resultTypes: ['violations'] });

/**
 * Puts a long text into a field at once, as pasting does. Playwright’s `fill` has the browser type it line by line, each
 * of which it lays out: a list of a thousand lines takes a quarter of a minute.
 */
export const paste = (field: Locator, text: string): Promise<void> =>
  field.evaluate((el: HTMLTextAreaElement, all) => {
    el.focus();
    Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')!.set!.call(el, all);
    el.dispatchEvent(new InputEvent('input', { bubbles: true, inputType: 'insertFromPaste' }));
  }, text);

export const settle = (page: Page) => page.waitForLoadState('networkidle');

/** Whoever or whatever bears a name in a house. */
export const idOf = async (house: House, table: 'person' | 'rank' | 'technique', name: string): Promise<string> =>
  (await house.query<{ id: string }>(`select id from ${table} where name = $1`, [name]))[0]!.id;

/** Texts that the browser's console says and that must not be: broken scripts, blocked resources, failed hydration. */
export function watchConsole(page: Page): string[] {
  const said: string[] = [];
  page.on('console', (m) => {
    // A refused command answers with its status; the page shows the reason, and the browser notes it in the console.
    if (m.type() === 'error' && !/status of 4(09|22)/.test(m.text())) said.push(m.text());
  });
  page.on('pageerror', (e) => said.push(String(e)));
  return said;
}

export const test = base.extend<object, { demo: House; empty: House }>({
  demo: [
    // eslint-disable-next-line no-empty-pattern -- Playwright asks for the pattern
    async ({}, use) => {
      const house = new House('demo');
      await house.open();
      await house.wake();
      await use(house);
      await house.close();
    },
    { scope: 'worker' },
  ],
  empty: [
    // eslint-disable-next-line no-empty-pattern -- Playwright asks for the pattern
    async ({}, use) => {
      const house = new House('empty');
      await house.open();
      await use(house);
      await house.close();
    },
    { scope: 'worker' },
  ],
});
/** For a file whose tests go on without a network: its browsers keep the programme, as everybody's do. */
export const worksOffline = { serviceWorkers: 'allow' } as const;

export { expect } from '@playwright/test';

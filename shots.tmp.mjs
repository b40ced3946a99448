import { chromium } from '@playwright/test';
const out = process.argv[2]; const base = 'http://127.0.0.1:4390';
import fs from 'node:fs'; fs.mkdirSync(out, { recursive: true });
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
for (const [w, h] of [[1280, 800], [1024, 768], [600, 900]]) {
  const ctx = await b.newContext({ viewport: { width: w, height: h }, locale: 'en-GB', reducedMotion: 'reduce' });
  const p = await ctx.newPage();
  await p.goto(base + '/signin'); 
  await p.getByLabel('E-mail').fill(process.env.EMAIL); await p.getByLabel('Password', { exact: true }).fill(process.env.PASS);
  await p.getByRole('button', { name: 'Sign in' }).click(); await p.waitForURL((u) => u.pathname !== '/signin');
  const shot = (n) => p.screenshot({ path: `${out}/${n}-${w}.png` });
  for (const path of (process.env.PATHS ?? '/look').split(',')) {
    await p.goto(base + path); await p.waitForTimeout(1200); await shot(path.replace(/\W+/g, '_'));
    if (path === '/look') {
      const T = { timeout: 8000 };
      await p.getByRole('button', { name: 'Everybody', exact: true }).click(T); await p.waitForTimeout(500); await shot('look_all');
      const item = async (name) => { await p.locator('#item').fill(name); await p.getByRole('option', { name, exact: true }).first().click(T); await p.waitForTimeout(300); };
      await item('Front stance'); await shot('look_item');
      await p.getByRole('button', { name: /Two tracks, not one/ }).click(T); await p.waitForTimeout(1500); await shot('sweep');
      await p.goto(base + '/look'); await p.waitForTimeout(1000); await item('Front stance');
      await p.getByRole('button', { name: 'Ilse Marrow' }).last().click(T); await p.waitForTimeout(1500); await shot('card');
      await p.goto(base + '/look'); await p.waitForTimeout(1000); await item('First Causeway');
      await p.getByRole('button', { name: 'Ilse Marrow' }).last().click(T); await p.waitForTimeout(1500); await shot('form');
    }
  }
  await ctx.close();
}
await b.close();

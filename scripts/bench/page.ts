import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromiumProgram } from '../machine.mjs';
import { themeCss } from '../../src/kit/theme/theme';
import { tokensCss } from '../../src/kit/theme/tokens';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const FRAME = 1000 / 60;

/** A screen of ours as one script, with nothing fetched; `instead`: modules by the end of their path, with what stands there. */
export async function bundled(contents: string, instead: Readonly<Record<string, string>> = {}): Promise<string> {
  const made = await build({
    stdin: { contents, resolveDir: root, loader: 'tsx' },
    bundle: true,
    write: false,
    minify: true,
    format: 'iife',
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"' },
    loader: { '.css': 'empty' },
    logLevel: 'error',
    plugins: [
      {
        name: 'no-files',
        setup(b) {
          b.onResolve({ filter: /\?url$|fonts\/eastern$|\.\/eastern$/ }, (a) => ({ path: a.path, namespace: 'none' }));
          b.onLoad({ filter: /.*/, namespace: 'none' }, () => ({ contents: 'export default ""' }));
          for (const [name, text] of Object.entries(instead)) {
            b.onResolve({ filter: new RegExp(`/${name}$`) }, () => ({ path: name, namespace: 'instead' }));
            b.onLoad({ filter: new RegExp(`^${name}$`), namespace: 'instead' }, () => ({ contents: text }));
          }
        },
      },
    ],
  });
  return made.outputFiles[0]!.text;
}

/** An empty page with our styles in headless Chromium; as in use, what is out of sight is kept out of the reckoning. */
export async function benchPage(styles: readonly string[]) {
  const browser = await chromium.launch({
    executablePath: chromiumProgram(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto('data:text/html,<div id=root></div>');
  for (const css of styles) await page.addStyleTag({ content: readFileSync(path.join(root, 'src', css), 'utf8') });
  await page.addStyleTag({ content: tokensCss + themeCss });
  return {
    page,
    /** The processor, so many times slower from now on. */
    slow: async (rate: number) => {
      const session = await page.context().newCDPSession(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate });
    },
    close: () => browser.close(),
  };
}

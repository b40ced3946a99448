import type { Browser } from '@playwright/test';
import { readFileSync } from 'node:fs';

/** A drawn film whose events are known: the foot lands and the fist arrives so many milliseconds after its first frame. */
export interface DrawnClip {
  rate: number;
  frames: number;
  footLands: number;
  fistArrives: number;
}

/**
 * Draws somebody who steps and punches, as a film with exact times: the foot comes down until it stands, the fist goes out
 * until it rests. Encoded by the browser itself; no page of ours takes part.
 */
export async function drawClip(browser: Browser, clip: DrawnClip): Promise<Buffer> {
  const context = await browser.newContext({ bypassCSP: true, serviceWorkers: 'block' });
  const page = await context.newPage();
  // A secure context without a server: what encodes films asks for one.
  await page.route('https://drawn.example/', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>drawn</title>' }),
  );
  await page.goto('https://drawn.example/');
  await page.addScriptTag({ content: readFileSync('node_modules/mediabunny/dist/bundles/mediabunny.min.cjs', 'utf8') });
  const bytes = await page.evaluate(async ({ rate, frames, footLands, fistArrives }) => {
    const { BufferTarget, CanvasSource, Output, WebMOutputFormat } = (
      globalThis as unknown as { Mediabunny: typeof import('mediabunny') }
    ).Mediabunny;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [320, 240];
    const c = canvas.getContext('2d')!;
    const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
    const source = new CanvasSource(canvas, { codec: 'vp8', bitrate: 800_000 });
    output.addVideoTrack(source);
    await output.start();
    for (let i = 0; i < frames; i += 1) {
      const at = (i * 1000) / rate;
      const [foot, fist] = [Math.max(0, 1 - at / footLands), Math.min(1, at / fistArrives)];
      c.fillStyle = '#3b3026';
      c.fillRect(0, 0, 320, 240);
      c.fillStyle = '#8a7a55';
      c.fillRect(0, 210, 320, 30);
      c.fillStyle = '#d9d2c0';
      c.fillRect(120, 60, 40, 100);
      c.fillRect(150, 84, 20 + 90 * fist, 14);
      c.save();
      c.translate(130, 160);
      c.rotate(-0.9 * foot);
      c.fillRect(0, 0, 16, 50);
      c.restore();
      c.fillStyle = '#b06f4c';
      c.beginPath();
      c.arc(178 + 90 * fist, 91, 12, 0, 7);
      c.arc(140, 44, 16, 0, 7);
      c.fill();
      await source.add(i / rate, 1 / rate);
    }
    await output.finalize();
    return [...new Uint8Array(output.target.buffer!)];
  }, clip);
  await context.close();
  return Buffer.from(bytes);
}

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inMemory } from './inMemory.mjs';

const folder = mkdtempSync(path.join(os.tmpdir(), 'assets-'));
const script = `export const a = '${'stave '.repeat(50)}';`;
writeFileSync(path.join(folder, 'a.1b.js'), script);
writeFileSync(path.join(folder, 'a.1b.js.br'), brotliCompressSync(script));
writeFileSync(path.join(folder, 'a.1b.js.gz'), gzipSync(script));
writeFileSync(path.join(folder, 'tiny.css'), 'b{color:red}');
writeFileSync(path.join(folder, 'font.woff2'), 'a font');

let server: http.Server;
let at: string;
beforeAll(async () => {
  const kept = inMemory(folder, (file) => ({ 'x-file': file }));
  rmSync(folder, { recursive: true });
  server = http.createServer((req, res) => {
    if (!kept(req, res)) res.writeHead(404).end('for others');
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  at = `http://127.0.0.1:${(server.address() as AddressInfo).port}/_astro`;
});
afterAll(() => server.close());

const asked = (name: string, takes: string, method = 'GET') =>
  fetch(`${at}/${name}`, { method, headers: { 'accept-encoding': takes } });

describe('scripts and styles from memory', () => {
  it.each([
    ['gzip, deflate, br', 'br'],
    ['gzip', 'gzip'],
    ['identity', null],
  ])('whoever takes “%s” gets the same, squeezed as they can', async (takes, coded) => {
    const answer = await asked('a.1b.js', takes);
    expect(answer.headers.get('content-encoding')).toBe(coded);
    expect(answer.headers.get('vary')).toBe('accept-encoding');
    expect(answer.headers.get('content-type')).toBe('text/javascript');
    expect(answer.headers.get('x-file')).toBe('/_astro/a.1b.js');
    expect(await answer.text()).toBe(script);
  });

  it('what was too small to be squeezed is sent as it is', async () => {
    const answer = await asked('tiny.css', 'gzip, br');
    expect(answer.headers.get('content-encoding')).toBeNull();
    expect([answer.headers.get('content-type'), await answer.text()]).toEqual(['text/css', 'b{color:red}']);
  });

  it('its heads alone can be asked for; fonts, what is not there and what is sent are for others', async () => {
    const head = await asked('a.1b.js', 'identity', 'HEAD');
    expect([head.headers.get('content-length'), await head.text()]).toEqual([String(script.length), '']);
    for (const [name, method] of [
      ['font.woff2', 'GET'],
      ['a.1b.js.br', 'GET'],
      ['..%2Fa.1b.js', 'GET'],
      ['a.1b.js', 'POST'],
    ] as const)
      expect([name, await (await asked(name, 'br', method)).text()]).toEqual([name, 'for others']);
  });
});
